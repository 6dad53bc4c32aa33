import { groupedTransitions, maybeTransitions, type Transition } from '../css/transition';
import type { Registry } from '../kinds/registry';
import type { ConditionName, Node, Project, StateName } from '../project/types';
import { resolve } from './resolve';
import { statesOf } from './states';

/** Properties of a part that change alike when it comes into a state. */
export interface StateMove {
  readonly part: string;
  readonly state: StateName;
  readonly properties: readonly string[];
  /** Times in ms. */
  readonly timing: Omit<Transition, 'property'>;
  /** All entries of the value they stand in. */
  readonly entries: readonly Transition[];
}

/** @returns what moves when a part changes its state; what a state does not say itself stands under rest. */
export function stateMoves(
  registry: Registry,
  project: Project,
  node: Node,
  part: string,
  conditions: readonly ConditionName[]
): readonly StateMove[] {
  const kind = registry.of(node);
  const { states } = kind.anatomy[part]!;
  return statesOf(kind)
    .filter((state) => state === 'rest' || states[state])
    .flatMap((state) => {
      const at = { node: node.id, part, state, conditions };
      const { written, origin } = resolve(registry, project, at).get('transition')!;
      if (state !== 'rest' && !('state' in origin && origin.state === state)) return [];
      const entries = maybeTransitions(written) ?? [];
      return groupedTransitions(entries).map((group) => ({ part, state, ...group, entries }));
    });
}
