import { childrenIn } from '../project/tree';
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
  /** In how many rests it is in sight, one after the other, and how long that is with the moves between. */
  readonly rests: number;
  readonly inSight: number;
}

/** The setting of an item that says how long it rests; 0 where its owner says so. */
export const OWN_REST = 'rest';

const restOf = (item: Node, { rest }: Schedule): number => Number(item.settings[OWN_REST] ?? 0) || rest;

/** Indices it comes by until it is at the first one again. */
function around(count: number, step: number): readonly number[] {
  const found: number[] = [];
  for (let at = 0; !found.includes(at) && at < count; at = (at + step) % count) found.push(at);
  return found;
}

/** Indices it comes by until its end, which it rests on: where several are in sight, the last never stand first. */
function along(last: number, step: number): readonly number[] {
  const indices = Array.from({ length: last + 1 }, (_each, i) => i);
  return indices.filter((i) => i % step === 0 || i === last);
}

/** Items it comes to rest on. */
function restingOn<T>(items: readonly T[], { visible, step, isRound, isBackwards }: Schedule): readonly T[] {
  const indices = isRound
    ? around(items.length, step)
    : along(Math.min(items.length - 1, Math.max(0, items.length - visible)), step);
  const found = indices.map((i) => items[i]!);
  return isBackwards ? found.toReversed() : found;
}

/** @returns the items a schedule rests on, in the order in which they come. */
export function roundOf(project: Project, node: Node, schedule: Schedule, of: KindOf): readonly RoundStep[] {
  const items = childrenIn(project, node, schedule.slot);
  const { move, visible, step } = schedule;
  const rests = Math.max(1, Math.floor(visible / step));
  let start = 0;
  return restingOn(items, schedule).map((item) => {
    const { id, name } = item;
    const words = wordsIn(project, item, of);
    const rest = restOf(item, schedule);
    const inSight = rests * rest + (rests - 1) * move;
    const found = { id, name, start, rest, move, words, reading: readingSeconds(words), rests, inSight };
    start += rest + move;
    return found;
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
export const isTooShort = ({ inSight, reading }: RoundStep): boolean => reading > inSight;

/** @returns the least rest, in half seconds, in which the words of an item are read, s. */
export const restToRead = ({ reading, rests, move }: Pick<RoundStep, 'reading' | 'rests' | 'move'>): number =>
  Math.max(1, upToHalf((reading - (rests - 1) * move) / rests));

const upToHalf = (seconds: number): number => Math.ceil(seconds * 2) / 2;

/** Commands that give every item of a round the time it takes to read. */
export const readingRests = (steps: readonly RoundStep[]) =>
  steps.map((step) => ({
    type: 'set-setting' as const,
    id: step.id,
    key: OWN_REST,
    value: restToRead(step)
  }));
