import type { Context, Rule } from '../../kinds/contract';
import { printValue } from '../../css/tokens';
import { entranceAnimation } from '../../kinds/entrance';
import { markerRules } from '../../kinds/marker';
import { FILLS } from '../../kinds/filling';
import { rule } from '../../kinds/rule';
import { moves } from '../../motion/track';
import type { Node } from '../../project/types';
import { raises } from './markup';
import type { AccordionSettings } from './settings';

/**
 * The box of a panel grows from nothing to the height of what is in it, by the browser itself (CSS Values 5, section 3.2,
 * `interpolate-size`; CSS Pseudo-Elements 4, `::details-content`); what cannot, opens at once.
 */
function heightRules(item: string, { height }: AccordionSettings): readonly Rule[] {
  const isMoving = moves(height);
  const timing = `${height.ms}ms ${printValue(height.easing)}${height.delay > 0 ? ` ${height.delay}ms` : ''}`;
  return [
    rule(item, { 'interpolate-size': isMoving ? 'allow-keywords' : 'numeric-only' }),
    rule(`${item}::details-content`, {
      height: isMoving ? '0' : 'auto',
      overflow: isMoving ? 'clip' : 'visible',
      transition: isMoving ? `height ${timing}, content-visibility ${timing}` : 'none',
      'transition-behavior': 'allow-discrete'
    }),
    rule(`${item}[open]::details-content`, { height: 'auto' })
  ];
}

/** Told to the script; with less motion it comes there at once. */
const raiseRules = (root: string, raise: AccordionSettings['raise']): readonly Rule[] => [
  rule(root, { '--k-raise': raise }),
  rule(root, { '--k-raise': raise === 'glides' ? 'jumps' : raise }, 'less-motion')
];

export function style(node: Node, ctx: Context): readonly Rule[] {
  const { marker, markerSide, enter, raise } = ctx.settings<AccordionSettings>(node);
  const [item, header, panel] = [ctx.sel('item'), ctx.sel('header'), ctx.sel('panel')];
  const rules = [
    rule(ctx.sel('root'), { display: 'flex', 'flex-direction': 'column', 'min-width': '0', ...FILLS }),
    // The list item's marker goes, ours stands in its place (CSS Lists 3, section 3.1).
    rule(header, { display: 'flex', 'align-items': 'center', 'overflow-wrap': 'anywhere' }),
    rule(`${header}::-webkit-details-marker`, { display: 'none' }),
    rule(`${header}[aria-disabled="true"]`, { 'pointer-events': 'none' }),
    rule(ctx.sel('words'), { margin: '0', font: 'inherit', flex: '1 1 0', 'min-width': '0' }),
    // Whoever jumps to the panel sees its header above it.
    rule(panel, { display: 'flex', 'flex-direction': 'column', 'scroll-margin-top': '4rem' }),
    // Paper has no way to open what is closed (CSS Pseudo-Elements 4, ::details-content).
    rule(`${item}::details-content`, { 'content-visibility': 'visible' }, 'print')
  ];
  if (raises(node, ctx)) rules.push(...raiseRules(ctx.sel('root'), raise));
  if (marker !== 'none')
    rules.push(
      ...markerRules(ctx.sel('marker'), `${item}[open] > * > `, { shape: marker, side: markerSide })
    );
  if (ctx.variants<AccordionSettings>(node).some((each) => moves(each.height)))
    rules.push(...heightRules(item, ctx.settings<AccordionSettings>(node)));
  const everMoves = ctx.variants<AccordionSettings>(node).some((each) => moves(each.enter));
  // What is open at load does not move then, and without script nothing tells a second opening from the first.
  const opened = `${item}[open]:not([data-first])`;
  if (everMoves) rules.push(rule(`${opened} > ${panel}`, { animation: entranceAnimation(enter) }));
  return rules;
}
