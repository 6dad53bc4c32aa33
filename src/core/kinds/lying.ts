import { moves, type Track } from '../motion/track';
import type { Declarations } from '../project/types';
import type { Condition, Rule } from './contract';
import { atEdge, entranceAnimation, wayOut, type Edge } from './entrance';
import { rule } from './rule';

/** On paper what lies over the page stands in the flow, and nothing has gone out of sight. */
export const ON_SCREEN: Condition = { not: 'print' };

export type Side = 'start' | 'end';

export const edgeOf = (side: Side): Edge => (side === 'start' ? 'left' : 'right');

/** Where a side panel stands. @param most width it never goes beyond. */
export const sidePlace = (side: Side, width: string, most: string): Declarations => ({
  'flex-direction': 'column',
  position: 'fixed',
  'box-sizing': 'border-box',
  inset: side === 'start' ? '0 auto 0 0' : '0 0 0 auto',
  width,
  'max-width': most,
  height: 'auto',
  'max-height': 'none',
  margin: '0'
});

/** How something comes and goes, and how it does under each condition where that differs. */
interface Moving {
  readonly track: Track;
  readonly leave: Track;
}

/** @returns rules for what it does when it opens; none where it never moves. */
export function enteringRules(
  open: string,
  edge: Edge,
  { track }: Moving,
  variants: readonly Moving[]
): readonly Rule[] {
  if (!variants.some((each) => moves(each.track))) return [];
  return [rule(open, { animation: entranceAnimation(atEdge(track, edge)) })];
}

interface Leaving {
  /** Selector of it while it is closed. */
  readonly closed: string;
  /** Where it stands while it is open, which it keeps on its way out. */
  readonly place: Declarations;
  /** The edge it goes to, where it goes to its edge. */
  readonly edge: Edge;
  /** Other conditions under which it lies over the page. */
  readonly when?: readonly Condition[];
}

/** @returns rules for the way out of what lies over the page; none where it never has one. */
export function leavingRules(
  { closed, place, edge, when = [] }: Leaving,
  { leave }: Moving,
  variants: readonly Moving[]
): readonly Rule[] {
  if (!variants.some((each) => moves(each.leave))) return [];
  const out = wayOut(atEdge(leave, edge));
  const behind = { opacity: '0', transition: out.transition!, 'transition-behavior': 'allow-discrete' };
  return [
    rule(closed, { ...place, ...out }, ON_SCREEN, ...when),
    rule(`${closed}::backdrop`, behind, ON_SCREEN, ...when)
  ];
}

/** One that is open when the page is printed stands where it stands, not over every sheet. */
export const openOnPaper = (panel: string): readonly Rule[] => [
  rule(
    `${panel}:popover-open`,
    { display: 'block', position: 'static', width: 'auto', 'max-width': 'none', 'overflow-y': 'visible' },
    'print'
  ),
  rule(`${panel}::backdrop`, { display: 'none' }, 'print')
];
