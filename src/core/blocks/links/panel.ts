import type { Condition, Context, Rule } from '../../kinds/contract';
import {
  edgeOf,
  enteringRules,
  leavingRules,
  ON_SCREEN,
  openOnPaper,
  sidePlace,
  type Side
} from '../../kinds/lying';
import { rule } from '../../kinds/rule';
import type { LinksSettings } from './settings';

/** Its box is not there at all where the links stand in the row. */
const rowRules = (ctx: Context): readonly Rule[] => [
  rule(ctx.sel('panel'), { display: 'contents', color: 'inherit' }),
  rule(ctx.sel('close'), { display: 'none', font: 'inherit', 'align-self': 'flex-end' })
];

const openRules = (open: string, ctx: Context): readonly Rule[] => [
  rule(`${open} > ${ctx.sel('close')}`, { display: 'block' }),
  rule(`${open} > ${ctx.sel('list')}`, { 'flex-flow': 'column nowrap', 'align-items': 'stretch' }),
  rule(`${ctx.sel('panel')}::backdrop`, { background: '#00000066' })
];

/**
 * Links as a side panel under a width: the browser's own popover (HTML standard, 6.12), without script. Where there
 * is room, on paper, and in a browser that knows no popover, the links stand in the row. One that is open while its
 * window grows stays what it is until it is closed.
 */
export function panelRules(
  own: LinksSettings,
  variants: readonly LinksSettings[],
  ctx: Context
): readonly Rule[] {
  const panel = ctx.sel('panel');
  const [open, closed] = [`${panel}:popover-open`, `${panel}[popover]:not(:popover-open)`];
  const when: readonly Condition[] = [{ under: own.foldUnder }];
  const side = own.opensAs as Side;
  const place = sidePlace(side, '320px', '85vw');
  const edge = edgeOf(side);
  return [
    ...rowRules(ctx),
    rule(open, { display: 'flex', ...place, 'overflow-y': 'auto' }),
    ...openRules(open, ctx),
    ...enteringRules(open, edge, own, variants),
    rule(closed, { display: 'none' }, ON_SCREEN, ...when),
    rule(ctx.sel('menu'), { display: 'inline-flex' }, ON_SCREEN, ...when),
    ...leavingRules({ closed, place, edge, when }, own, variants),
    ...openOnPaper(panel)
  ];
}
