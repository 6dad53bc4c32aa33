import type { Context, Rule } from '../../kinds/contract';
import { atEdge, entranceAnimation, type Edge } from '../../kinds/entrance';
import { leavingRules } from '../../kinds/lying';
import { rule } from '../../kinds/rule';
import { moves } from '../../motion/track';
import type { Declarations, Node } from '../../project/types';
import type { DrawerSettings } from './settings';

const edgeOf = ({ side }: DrawerSettings): Edge => (side === 'start' ? 'left' : 'right');

const placeOf = ({ side, width }: DrawerSettings): Declarations => ({
  'flex-direction': 'column',
  position: 'fixed',
  'box-sizing': 'border-box',
  inset: side === 'start' ? '0 auto 0 0' : '0 0 0 auto',
  width,
  'max-width': '90vw',
  height: 'auto',
  'max-height': 'none',
  margin: '0'
});

function enteringRules(
  own: DrawerSettings,
  variants: readonly DrawerSettings[],
  open: string
): readonly Rule[] {
  if (!variants.some(({ track }) => moves(track))) return [];
  return [rule(open, { animation: entranceAnimation(atEdge(own.track, edgeOf(own))) })];
}

/** On paper everything is in the flow; one that is open stands where it stands, not over every sheet. */
const printRules = (panel: string): readonly Rule[] => [
  rule(panel, { display: 'block', position: 'static', width: 'auto', height: 'auto', margin: '0' }, 'print'),
  rule(
    `${panel}:popover-open`,
    { display: 'block', position: 'static', width: 'auto', 'max-width': 'none', 'overflow-y': 'visible' },
    'print'
  ),
  rule(`${panel}::backdrop`, { display: 'none' }, 'print')
];

/** Only what is open leaves the flow, so a browser that knows no popover shows everything where it stands. */
export function style(node: Node, ctx: Context): readonly Rule[] {
  const own = ctx.settings<DrawerSettings>(node);
  const variants = ctx.variants<DrawerSettings>(node);
  const panel = ctx.sel('panel');
  const open = `${panel}:popover-open`;
  const place = placeOf(own);
  return [
    rule(ctx.sel('button'), { font: 'inherit', 'align-self': 'auto' }),
    rule(ctx.sel('close'), { font: 'inherit', 'align-self': 'flex-end' }),
    rule(open, { display: 'flex', ...place, 'overflow-y': 'auto' }),
    ...enteringRules(own, variants, open),
    rule(`${panel}::backdrop`, { background: '#00000066' }),
    ...leavingRules({
      closed: `${panel}:not(:popover-open)`,
      place,
      leave: atEdge(own.leave, edgeOf(own)),
      variants: variants.map(({ leave }) => leave),
      when: []
    }),
    ...printRules(panel)
  ];
}
