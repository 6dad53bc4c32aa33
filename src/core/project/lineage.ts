import { carryPlaces } from './tree';
import type { Diff, Project } from './types';

interface Origin {
  /** Held weakly, or every state of a long day would stay in memory. */
  readonly before: WeakRef<Project>;
  readonly diff: Diff;
}

/** How each project came about, as long as someone holds it. */
const origins = new WeakMap<Project, Origin>();
const STEPS_MOST = 64;

export function remember(after: Project, before: Project, diff: Diff): void {
  if (after === before) return;
  if (keepsOrder(diff)) carryPlaces(before.nodes, after.nodes);
  origins.set(after, { before: new WeakRef(before), diff });
}

const keepsOrder = ({ nodes }: Diff) =>
  Object.values(nodes ?? {}).every(([from, to]) => from && to && from.slots === to.slots);

/**
 * The steps that lead from one project to another, newest first, so that what follows an edit need not look
 * at every node.
 * @returns null where that is not known, or is too far to be worth it.
 */
export function maybeSteps(before: Project, after: Project): readonly Diff[] | null {
  const steps: Diff[] = [];
  for (let now = after; now !== before;) {
    const origin = origins.get(now);
    if (!origin || steps.length >= STEPS_MOST) return null;
    steps.push(origin.diff);
    const earlier = origin.before.deref();
    if (!earlier) return null;
    now = earlier;
  }
  return steps;
}

/** @returns whether both are known to have the same nodes in the same places; false where that is not known. */
export const sameShape = (before: Project, after: Project): boolean =>
  maybeSteps(before, after)?.every(keepsOrder) ?? false;
