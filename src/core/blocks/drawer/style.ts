import type { Context, Rule } from '../../kinds/contract';
import { edgeOf, enteringRules, leavingRules, openOnPaper, sidePlace } from '../../kinds/lying';
import { rule } from '../../kinds/rule';
import type { Node } from '../../project/types';
import type { DrawerSettings } from './settings';

/** Only what is open leaves the flow, so a browser that knows no popover shows everything where it stands. */
export function style(node: Node, ctx: Context): readonly Rule[] {
  const own = ctx.settings<DrawerSettings>(node);
  const variants = ctx.variants<DrawerSettings>(node);
  const panel = ctx.sel('panel');
  const open = `${panel}:popover-open`;
  const closed = `${panel}[popover]:not(:popover-open)`;
  const place = sidePlace(own.side, own.width, '90vw');
  const edge = edgeOf(own.side);
  return [
    rule(ctx.sel('button'), { font: 'inherit', 'align-self': 'auto' }),
    rule(ctx.sel('close'), { font: 'inherit', 'align-self': 'flex-end' }),
    rule(open, { display: 'flex', ...place, 'overflow-y': 'auto' }),
    ...enteringRules(open, edge, own, variants),
    rule(`${panel}::backdrop`, { background: '#00000066' }),
    ...leavingRules({ closed, place, edge }, own, variants),
    rule(
      panel,
      { display: 'block', position: 'static', width: 'auto', height: 'auto', margin: '0' },
      'print'
    ),
    ...openOnPaper(panel),
    // Nothing is opened or closed there.
    ...['button', 'close'].map((part) => rule(ctx.sel(part), { display: 'none' }, 'print'))
  ];
}
