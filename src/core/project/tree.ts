import { ownOf } from '../data/record';
import type { Fragment, Node, NodeId, Page, PageId, Place, Project } from './types';
import { remembered } from '../data/remembered';

type Nodes = Project['nodes'];

/** Whatever holds nodes: a project, a fragment. */
export interface Holder {
  readonly nodes: Nodes;
}

/** Parent of every node, by child id. Built once for each nodes map. */
const placesOf = new WeakMap<Nodes, ReadonlyMap<NodeId, Place>>();

/** Says that a nodes map stands in the same order as an older one, so that nobody counts it again. */
export function carryPlaces(before: Nodes, after: Nodes): void {
  const known = placesOf.get(before);
  if (known) placesOf.set(after, known);
}

const placeIndex = (nodes: Nodes): ReadonlyMap<NodeId, Place> =>
  remembered(placesOf, nodes, () => freshIndex(nodes));

function freshIndex(nodes: Nodes): ReadonlyMap<NodeId, Place> {
  const index = new Map<NodeId, Place>();
  for (const node of Object.values(nodes)) {
    for (const slot in node.slots) {
      node.slots[slot]!.forEach((child, i) => index.set(child, { parent: node.id, slot, index: i }));
    }
  }
  return index;
}

/** @returns the node, or null; safe for ids from outside (`constructor` is no node). */
export function maybeNode(project: Holder, id: string): Node | null {
  return Object.hasOwn(project.nodes, id) ? project.nodes[id as NodeId]! : null;
}

/** @returns the node; throws where there is none, since an id in hand must name one. */
export function nodeOf(project: Holder, id: NodeId): Node {
  const node = maybeNode(project, id);
  if (!node) throw new Error(`nodeOf: no node ${JSON.stringify(id)} in the project`);
  return node;
}

/** @returns where the node stands, or null for a page's root and for an id that is not in use. */
export function maybePlaceOf(project: Holder, id: NodeId): Place | null {
  return placeIndex(project.nodes).get(id) ?? null;
}

/** @returns the pieces in a slot of a node, as far as they are there. */
export const childrenIn = (project: Holder, node: Node, slot: string): readonly Node[] =>
  (node.slots[slot] ?? []).flatMap((id) => maybeNode(project, id) ?? []);

/** @returns ids of all children, slot after slot, in the order they are drawn. */
export function childIds(node: Node): NodeId[] {
  const found: NodeId[] = [];
  for (const slot in node.slots) found.push(...node.slots[slot]!);
  return found;
}

/** @returns the node's own id and all below it, parents before children. */
export function subtreeIds(project: Holder, id: NodeId): NodeId[] {
  const found: NodeId[] = [];
  const open: NodeId[] = [id];
  while (open.length > 0) {
    const next = open.pop()!;
    found.push(next);
    const children = childIds(nodeOf(project, next));
    for (let i = children.length - 1; i >= 0; i -= 1) open.push(children[i]!);
  }
  return found;
}

/** @returns ids from the page's root down to the node, both included. */
export function pathTo(project: Holder, id: NodeId): NodeId[] {
  const path: NodeId[] = [id];
  for (let place = maybePlaceOf(project, id); place; place = maybePlaceOf(project, place.parent)) {
    path.unshift(place.parent);
  }
  return path;
}

/** Levels of pieces in one another; a file with more is not read, so no edit may make more. */
export const DEPTH_MOST = 200;

/** @returns levels below a node, its own included: 1 for one that holds nothing. */
export function heightOf(tree: Holder, root: NodeId): number {
  let height = 0;
  for (let level: readonly NodeId[] = [root]; level.length > 0; height += 1) {
    level = level.flatMap((id) => childIds(nodeOf(tree, id))).filter((id) => Object.hasOwn(tree.nodes, id));
  }
  return height;
}

/** @returns the page whose tree holds the node, or null. */
export function maybePageOf(project: Project, id: NodeId): Page | null {
  const root = pathTo(project, id)[0];
  return Object.values(project.pages).find((page) => page.root === root) ?? null;
}

export function pageOf(project: Project, id: PageId): Page {
  const page = ownOf(project.pages, id);
  if (!page) throw new Error(`pageOf: no page ${JSON.stringify(id)} in the project`);
  return page;
}

/** @returns the page with this id; the first one where it is null or gone. */
export function pageAsked(project: Project, id: string | null): Page {
  const asked = id === null ? undefined : ownOf(project.pages, id);
  return asked ?? pageOf(project, project.info.pageOrder[0]!);
}

/** @returns a node and all below it, in the order of the page. */
export const subtreeOf = (project: Holder, id: NodeId): readonly Node[] =>
  subtreeIds(project, id).map((each) => nodeOf(project, each));

/** @returns nodes by their ids, as projects and fragments hold them. */
export const byId = (nodes: readonly Node[]): Nodes =>
  Object.fromEntries(nodes.map((node) => [node.id, node])) as Nodes;

/** @returns the part of the tree below `id`, as a fragment of its own. */
export function fragmentOf(project: Holder, id: NodeId): Fragment {
  return { root: id, nodes: byId(subtreeOf(project, id)) };
}

/** Outermost of the picked nodes: what stands inside another picked one goes with it. */
export function outermost(project: Holder, picked: readonly NodeId[]): NodeId[] {
  const all = new Set(picked);
  return [...all].filter((id) => !ancestorsOf(project, id).some((above) => all.has(above)));
}

const ancestorsOf = (project: Holder, id: NodeId) => pathTo(project, id).slice(0, -1);
