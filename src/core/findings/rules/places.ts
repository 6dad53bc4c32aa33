import { analyse } from '../../compile/analyse';
import { drawnParts } from '../../compile/parts';
import { maybeGroundOwner } from '../../cascade/contrast';
import { cells, type Cell } from '../../cascade/look';
import type { At } from '../../cascade/resolve';
import { statesOf } from '../../cascade/states';
import { CIRCUMSTANCES, heapOf } from '../../kinds/circumstances';
import { conditionWords } from '../../kinds/conditions';
import type { Kind, Part } from '../../kinds/contract';
import type { Registry } from '../../kinds/registry';
import type { ConditionName, Node, Project, StateName } from '../../project/types';

/** A part of a piece in one state under one condition. */
export interface Place {
  readonly node: Node;
  readonly part: string;
  readonly label: string;
  readonly hasText: boolean;
  readonly state: StateName;
  readonly condition: ConditionName;
  /** State and condition in words, as they follow in a sentence; empty at rest under none. */
  readonly where: string;
}

/** @returns the place as `resolve` and what stands on it take it. */
export const at = ({ node, part, state, condition }: Place): At => ({
  node: node.id,
  part,
  state,
  conditions: heapOf(condition)
});

function wordsFor(state: StateName, condition: ConditionName): string {
  const on = state === 'rest' ? '' : ` on ${state}`;
  return condition === 'always' ? on : `${on}, ${conditionWords(condition)}`;
}

function placeOf(node: Node, part: string, anatomy: Part, state: StateName, condition: ConditionName): Place {
  const { label, hasText = false } = anatomy;
  return { node, part, label, hasText, state, condition, where: wordsFor(state, condition) };
}

/** States of a part that can be seen: a disabled control need not be (WCAG 2.2, 1.4.3). */
const visibleStates = (kind: Kind, { states }: Part): readonly StateName[] =>
  statesOf(kind).filter((state) => state !== 'disabled' && (state === 'rest' || states[state]));

/** Parts of a piece that really stand in its markup. */
export function drawnAnatomy(registry: Registry, project: Project, node: Node): readonly [string, Part][] {
  const drawn = drawnParts(analyse(registry, project, node));
  return Object.entries(registry.of(node).anatomy).filter(([part]) => drawn.has(part));
}

const isIn = (cells: readonly Cell[], state: StateName, condition: ConditionName): boolean =>
  cells.some((cell) => cell.state === state && cell.condition === condition);

const ALL_CONDITIONS: readonly ConditionName[] = ['always', ...CIRCUMSTANCES];

/**
 * Every part, state and condition in which one of some properties is declared: only there can anything new be
 * seen.
 */
export function placesOf(
  registry: Registry,
  project: Project,
  node: Node,
  properties: readonly string[]
): readonly Place[] {
  const kind = registry.of(node);
  return drawnAnatomy(registry, project, node).flatMap(([part, anatomy]) => {
    const declared = cells(kind, node, part).filter(({ property }) => properties.includes(property));
    return visibleStates(kind, anatomy).flatMap((state) =>
      ALL_CONDITIONS.filter((condition) => isIn(declared, state, condition)).map((condition) =>
        placeOf(node, part, anatomy, state, condition)
      )
    );
  });
}

/** Whether a part has words of its own: the root of a container has text only in what it holds. */
export const writesOwnText = (registry: Registry, { node, part }: Pick<Place, 'node' | 'part'>): boolean =>
  part !== 'root' || Object.keys(registry.of(node).slots).length === 0;

const isAtRest = ({ state, condition }: Place): boolean => state === 'rest' && condition === 'always';

/**
 * A part that stands on a picture is looked at even where nothing is declared on it: the picture is what
 * matters.
 * @param seen places that are looked at already.
 */
export function restOverPicture(
  registry: Registry,
  project: Project,
  node: Node,
  seen: readonly Place[]
): readonly Place[] {
  const known = new Set(seen.filter(isAtRest).map(({ part }) => part));
  return drawnAnatomy(registry, project, node)
    .filter(([part, { hasText }]) => hasText && !known.has(part) && writesOwnText(registry, { node, part }))
    .filter(([part]) => maybeGroundOwner(registry, project, { node: node.id, part }))
    .map(([part, anatomy]) => placeOf(node, part, anatomy, 'rest', 'always'));
}
