import { reversed, type Diff } from '../project/diff';
import { appliedAgain } from '../project/rebase';
import type { Project } from '../project/types';
import { clamp } from '../data/clamp';

export interface Step {
  readonly diff: Diff;
  readonly label: string;
  /**
   * Steps in a row with the same key are one to the hand that undoes them (dragging a colour); null stands
   * alone.
   */
  readonly mergeKey: string | null;
}

/** What can be undone and redone, without limit. Plain data. */
export interface History {
  readonly past: readonly Step[];
  readonly future: readonly Step[];
}

export const NO_HISTORY: History = { past: [], future: [] };

export function recorded(history: History, step: Step): History {
  return { past: [...history.past, step], future: [] };
}

/**
 * The steps one undo takes back: the last one, and those before it that belong to the same movement of the
 * hand.
 */
function lastRun(steps: readonly Step[]): number {
  const key = steps.at(-1)?.mergeKey;
  if (!key) return Math.min(1, steps.length);
  let count = 1;
  while (steps[steps.length - 1 - count]?.mergeKey === key) count += 1;
  return count;
}

export interface Turned {
  readonly project: Project;
  readonly history: History;
  /** Diffs in the order they were done, for the saved log. */
  readonly diffs: readonly Diff[];
  readonly label: string;
}

/** @returns null where there is nothing to undo. */
export function undone(project: Project, history: History): Turned | null {
  const count = lastRun(history.past);
  if (count === 0) return null;
  const steps = history.past.slice(-count).reverse();
  return {
    ...appliedAgain(
      project,
      steps.map((step) => reversed(step.diff))
    ),
    history: { past: history.past.slice(0, -count), future: [...history.future, ...steps] },
    label: steps[0]!.label
  };
}

/**
 * Goes to any point: so many steps back or forth that `length` of them are done. Steps count one by one here,
 * not by movements of the hand. @returns null where that point is the present one.
 */
export function movedTo(project: Project, { past, future }: History, length: number): Turned | null {
  const all = [...past, ...[...future].reverse()];
  const to = clamp(length, 0, all.length);
  if (to === past.length) return null;
  const isBack = to < past.length;
  const steps = isBack ? all.slice(to, past.length).reverse() : all.slice(past.length, to);
  const diffs = steps.map(({ diff }) => (isBack ? reversed(diff) : diff));
  return {
    ...appliedAgain(project, diffs),
    history: { past: all.slice(0, to), future: all.slice(to).reverse() },
    label: to === 0 ? 'everything' : all[to - 1]!.label
  };
}

/** @returns null where there is nothing to redo. */
export function redone(project: Project, history: History): Turned | null {
  const count = lastRun(history.future);
  if (count === 0) return null;
  const steps = history.future.slice(-count).reverse();
  return {
    ...appliedAgain(
      project,
      steps.map((step) => step.diff)
    ),
    history: { past: [...history.past, ...steps], future: history.future.slice(0, -count) },
    label: steps[0]!.label
  };
}
