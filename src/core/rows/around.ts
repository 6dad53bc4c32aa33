import { ownOf } from '../data/record';
import type { Registry } from '../kinds/registry';
import { maybePlaceOf } from '../project/tree';
import type { Node, NodeId, Project, Query, Source } from '../project/types';
import { repeatingSlot } from './rows';

/** @returns the source of a query; null where there is none, or it is gone. */
export const sourceOf = (project: Project, query: Query | undefined): Source | null =>
  (query && ownOf(project.sources as Readonly<Record<string, Source>>, query.source)) ?? null;

/** @returns the nearest list that repeats a piece; null where it stands in no template. */
export function listAround(registry: Registry, project: Project, id: NodeId): Node | null {
  for (let place = maybePlaceOf(project, id); place; place = maybePlaceOf(project, place.parent)) {
    const owner = project.nodes[place.parent]!;
    if (owner.query !== undefined && place.slot === repeatingSlot(registry, owner)) return owner;
  }
  return null;
}

/** @returns the nearest piece around another that can be left out while its lists are empty; null where none can. */
export function leavableAround(registry: Registry, project: Project, id: NodeId): Node | null {
  for (let place = maybePlaceOf(project, id); place; place = maybePlaceOf(project, place.parent)) {
    const around = project.nodes[place.parent]!;
    if (registry.of(around).leftOut) return around;
  }
  return null;
}
