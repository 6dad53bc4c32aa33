import { maybeColour } from '../colour/contrast';
import type { Registry } from '../kinds/registry';
import { maybeNode, nodeOf, subtreeOf } from '../project/tree';
import type { Node, NodeId, Project } from '../project/types';
import { piecesUnder, textContrast } from './contrast';
import { maybeParentPart, resolve, type At } from './resolve';

/** The contrast of words over one item of what changes under them. */
export interface ItemContrast {
  readonly id: NodeId;
  readonly name: string;
  readonly least: number;
  readonly most: number;
}

interface Changing {
  readonly owner: Node;
  readonly slot: string;
  readonly items: readonly NodeId[];
}

/** A list of pictures that are seen one at a time, or a few; null for a piece that has none. */
function maybeChanging(registry: Registry, owner: Node): Changing | null {
  const kind = registry.of(owner);
  const slot = Object.entries(kind.slots).find(([, { ofPictures }]) => ofPictures)?.[0];
  const items = slot === undefined ? [] : (owner.slots[slot] ?? []);
  return kind.schedule && items.length > 1 ? { owner, slot: slot!, items } : null;
}

const isOpaque = (registry: Registry, project: Project, at: At): boolean =>
  maybeColour(resolve(registry, project, at).get('background-color')!.value)?.alpha === 1;

/** What changes under a part, the nearest first; null where nothing does, or a fill hides it. */
function maybeUnder(registry: Registry, project: Project, at: At): Changing | null {
  const { conditions = [] } = at;
  for (let now: At | null = at; now;) {
    if (isOpaque(registry, project, { ...now, conditions })) return null;
    const under = now.part === 'root' ? piecesUnder(registry, project, { ...now, conditions }) : [];
    const found = under
      .flatMap((id) => subtreeOf(project, id))
      .map((node) => maybeChanging(registry, node))
      .find((each) => each !== null);
    if (found) return found;
    now = maybeParentPart(registry, project, nodeOf(project, now.node), now.part);
  }
  return null;
}

const withOnly = (project: Project, { owner, slot }: Changing, item: NodeId): Project => ({
  ...project,
  nodes: { ...project.nodes, [owner.id]: { ...owner, slots: { ...owner.slots, [slot]: [item] } } }
});

/**
 * @returns the contrast of a part's words over each of the pictures that change under them, the worst first; empty
 * where none do. WCAG 2.2, success criterion 1.4.3.
 */
export function contrastOverItems(registry: Registry, project: Project, at: At): readonly ItemContrast[] {
  const changing = maybeUnder(registry, project, at);
  if (!changing) return [];
  const found = changing.items.flatMap((id): ItemContrast[] => {
    const ratio = textContrast(registry, withOnly(project, changing, id), at);
    const item = maybeNode(project, id);
    return ratio && item ? [{ id, name: item.name, ...ratio }] : [];
  });
  return found.toSorted((a, b) => a.least - b.least);
}
