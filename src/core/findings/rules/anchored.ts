import { compact } from '../../data/compact';
import { remembered } from '../../data/remembered';
import type { Node, Project } from '../../project/types';

const known = new WeakMap<Project['nodes'], ReadonlyMap<string, readonly Node[]>>();

const maybeText = (value: unknown): string | null =>
  typeof value === 'string' && value !== '' ? value : null;

/** Pieces of all pages by what a link can mean them by: their anchor, and their id. */
function byAnchor(nodes: Project['nodes']): ReadonlyMap<string, readonly Node[]> {
  const found = new Map<string, Node[]>();
  for (const node of Object.values(nodes)) {
    const names = new Set(compact([maybeText(node.settings.anchor), node.id]));
    for (const name of names) found.set(name, [...(found.get(name) ?? []), node]);
  }
  return found;
}

/** @returns the pieces, on any page, that a link to `#anchor` could mean, in the order of the project. */
export const anchoredAt = (project: Project, anchor: string): readonly Node[] =>
  remembered(known, project.nodes, () => byAnchor(project.nodes)).get(anchor) ?? [];
