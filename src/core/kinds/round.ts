import { maybeNode } from '../project/tree';
import type { Node, NodeId, Project } from '../project/types';
import type { KindOf } from './finding';
import { readingSeconds, wordsIn } from './reading';
import type { Schedule } from './schedule';

/** One item in a round. Times in s from its beginning. */
export interface RoundStep {
  readonly id: NodeId;
  readonly name: string;
  readonly start: number;
  readonly rest: number;
  readonly move: number;
  /** Words in it, and how long they take to read. */
  readonly words: number;
  readonly reading: number;
}

/** The setting of an item that says how long it rests; 0 where its owner says so. */
export const OWN_REST = 'rest';

const restOf = (item: Node, { rest }: Schedule): number => Number(item.settings[OWN_REST] ?? 0) || rest;

/** @returns the items of a schedule, in the order in which they come. */
export function roundOf(project: Project, node: Node, schedule: Schedule, of: KindOf): readonly RoundStep[] {
  const items = (node.slots[schedule.slot] ?? []).flatMap((id) => maybeNode(project, id) ?? []);
  let start = 0;
  return (schedule.isBackwards ? items.toReversed() : items).map((item) => {
    const words = wordsIn(project, item, of);
    const rest = restOf(item, schedule);
    const step = { id: item.id, name: item.name, start, rest, move: schedule.move, words };
    start += rest + schedule.move;
    return { ...step, reading: readingSeconds(words) };
  });
}

/** How long one round takes, s. */
export const roundLength = (steps: readonly RoundStep[]): number => {
  const last = steps.at(-1);
  return last ? last.start + last.rest + last.move : 0;
};

/** A moment of a round: the item that rests, or the two between which it moves. */
export interface Moment {
  readonly from: NodeId;
  readonly to: NodeId;
  /** ms since it began to move; null while it rests. */
  readonly moved: number | null;
  /** How much of the rest has gone, from 0 to 1. */
  readonly share: number;
}

/** @param at s from the beginning of the round. @returns null for a round without items. */
export function momentAt(steps: readonly RoundStep[], at: number): Moment | null {
  const i = steps.findLastIndex(({ start }) => start <= at);
  const step = steps[i];
  if (!step) return null;
  const since = at - step.start;
  const to = steps[(i + 1) % steps.length]!.id;
  const isResting = since < step.rest;
  return {
    from: step.id,
    to,
    moved: isResting ? null : (since - step.rest) * 1000,
    share: Math.min(1, since / step.rest)
  };
}

/** Whether an item is gone before it is read. */
export const isTooShort = ({ rest, reading }: RoundStep): boolean => reading > rest;

/** @returns the least rest, in half seconds, in which the words of an item are read, s. */
export const restToRead = ({ reading }: Pick<RoundStep, 'reading'>): number =>
  Math.max(1, Math.ceil(reading * 2) / 2);

/** Commands that give every item of a round the time it takes to read. */
export const readingRests = (steps: readonly RoundStep[]) =>
  steps.map((step) => ({
    type: 'set-setting' as const,
    id: step.id,
    key: OWN_REST,
    value: restToRead(step)
  }));
