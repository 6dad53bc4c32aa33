import { moves, type Track } from '../motion/track';
import type { Declarations } from '../project/types';
import type { Condition, Rule } from './contract';
import { wayOut } from './entrance';
import { rule } from './rule';

/** On paper what lies over the page stands in the flow, and nothing has gone out of sight. */
const ON_SCREEN: Condition = { not: 'print' };

interface Lying {
  /** Selector of it while it is closed. */
  readonly closed: string;
  /** Where it stands while it is open, which it keeps on its way out. */
  readonly place: Declarations;
  /** How it goes, and how it goes under each condition where that differs. */
  readonly leave: Track;
  readonly variants: readonly Track[];
  /** Other conditions under which it lies over the page. */
  readonly when: readonly Condition[];
}

/** @returns rules for the way out of what lies over the page; none where it never has one. */
export function leavingRules({ closed, place, leave, variants, when }: Lying): readonly Rule[] {
  if (!variants.some(moves)) return [];
  const out = wayOut(leave);
  const behind = { opacity: '0', transition: out.transition!, 'transition-behavior': 'allow-discrete' };
  return [
    rule(closed, { ...place, ...out }, ON_SCREEN, ...when),
    rule(`${closed}::backdrop`, behind, ON_SCREEN, ...when)
  ];
}
