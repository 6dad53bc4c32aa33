import { maybePlaceOf, nodeOf } from '../project/tree';
import type { NodeId, Project } from '../project/types';
import type { Registry } from './registry';

export interface Stacking {
  readonly below: readonly NodeId[];
  readonly above: readonly NodeId[];
}

/**
 * @returns what a piece lies over and under, the lowest first, where its owner lays its children over one
 * another; null for any other piece.
 */
export function maybeStacking(registry: Registry, project: Project, id: NodeId): Stacking | null {
  const place = maybePlaceOf(project, id);
  const parent = place && nodeOf(project, place.parent);
  if (!place || !parent || !registry.of(parent).slots[place.slot]?.stacked) return null;
  const all = parent.slots[place.slot]!;
  return { below: all.slice(0, place.index), above: all.slice(place.index + 1) };
}
