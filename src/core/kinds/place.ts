import { childIds, maybeNode, maybePlaceOf, nodeOf, pathTo } from '../project/tree';
import type { Fragment, Node, NodeId, Place, Project } from '../project/types';
import type { Kind, Make, PageEdge } from './contract';
import type { Registry } from './registry';

/** Where something new goes. */
export interface FoundPlace {
  readonly at: Place;
  /**
   * The kind that is put around it first, since nothing on the page takes it as it is; null where it stands
   * there itself.
   */
  readonly around: Kind | null;
  /** An empty piece nobody has touched, which goes as it comes; left out where all stays. */
  readonly instead?: NodeId;
}

export interface Looking {
  /** What is picked; the page itself where nothing is. */
  readonly current: NodeId;
  /** Root of the page on show. */
  readonly page: NodeId;
  /** The section that is being looked at; null where that is not known. */
  readonly inSight: NodeId | null;
}

/**
 * Finds where something new of a kind goes: into what is picked, after it, after what is around it, else at
 * the end of the section in sight, of the last one before the footer, or in a new section.
 * @returns null only for a kind that never stands on a page by itself, such as a panel.
 */
export function placeFor(
  registry: Registry,
  project: Project,
  kindName: string,
  { current, page, inSight }: Looking
): FoundPlace | null {
  const kind = registry.kindOf(kindName);
  const near = around(registry, project, kind, current);
  if (near) return { at: near, around: null };
  const sections = sectionsOf(project, page);
  const seen = inSight !== null && sections.includes(inSight) ? inSight : null;
  const between = sections.filter((id) => !edgeOf(registry, nodeOf(project, id)));
  for (const section of [seen, ...between.toReversed(), ...sections.toReversed()]) {
    const at = section && endIn(registry, kind, nodeOf(project, section));
    if (at) return { at, around: null };
  }
  return inNewSection(registry, project, kind, page);
}

const takes = (registry: Registry, node: Node, slot: string, { category }: Kind): boolean =>
  registry.of(node).slots[slot]!.accepts.includes(category);

/** A place in the node, or beside it in something it stands in. */
function around(registry: Registry, project: Project, kind: Kind, from: NodeId): Place | null {
  let before: Place | null = null;
  for (let id: NodeId | null = from; id; id = before?.parent ?? null) {
    const node: Node | null = maybeNode(project, id);
    if (!node) return null;
    if (before && takes(registry, node, before.slot, kind)) return { ...before, index: before.index + 1 };
    const at = endIn(registry, kind, node);
    if (at) return at;
    before = maybePlaceOf(project, id);
  }
  return null;
}

/** @returns the end of the first slot of a node that takes a kind; null for a node that has none such. */
export function endIn(registry: Registry, { category }: Pick<Kind, 'category'>, node: Node): Place | null {
  const slot = Object.entries(registry.of(node).slots).find(([, { accepts }]) =>
    accepts.includes(category)
  )?.[0];
  return slot === undefined ? null : { parent: node.id, slot, index: node.slots[slot]?.length ?? 0 };
}

/** The edge of the page a piece belongs to; null for all between them. */
export const edgeOf = (registry: Registry, node: Node): PageEdge | null =>
  registry.of(node).edge?.(node.settings) ?? null;

const sectionsOf = (project: Project, page: NodeId): readonly NodeId[] =>
  Object.values(nodeOf(project, page).slots).flat();

/** A section of its own at the end of the page, for what only stands in one. */
export function inNewSection(
  registry: Registry,
  project: Project,
  kind: Kind,
  page: NodeId
): FoundPlace | null {
  for (const each of registry.everyKind()) {
    const takes =
      each.insertable &&
      Object.values(each.slots).some(({ accepts, items }) => !items && accepts.includes(kind.category));
    const at = takes ? endIn(registry, each, nodeOf(project, page)) : null;
    if (at) return { at, around: each };
  }
  return null;
}

/**
 * @param found where something of the kind goes by itself.
 * @returns a new section after the one it would go into; null where it would have one to itself anyway.
 */
export function placeApart(
  registry: Registry,
  project: Project,
  kindName: string,
  { at, around }: FoundPlace
): FoundPlace | null {
  const [page, section] = pathTo(project, at.parent);
  if (around || !section || childIds(nodeOf(project, section)).length === 0) return null;
  const found = inNewSection(registry, project, registry.kindOf(kindName), page!);
  return found && { ...found, at: { ...found.at, index: maybePlaceOf(project, section)!.index + 1 } };
}

/** @returns the piece as it is inserted there: as it is, or in what is put around it. */
export function placed(fragment: Fragment, { around: kind }: FoundPlace, make: Make): Fragment {
  if (!kind) return fragment;
  const slot = Object.keys(kind.slots)[0]!;
  return make(kind.kind, kind.label, {}, { [slot]: [fragment] });
}
