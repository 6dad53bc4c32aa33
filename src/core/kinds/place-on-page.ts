import { childIds, maybeNode, maybePlaceOf, nodeOf } from '../project/tree';
import type { Fragment, Node, NodeId, Project } from '../project/types';
import type { Kind } from './contract';
import { edgeOf, endIn, inNewSection, placeFor, type FoundPlace, type Looking } from './place';
import type { Registry } from './registry';

/**
 * Finds where pieces go by what they are: a header to the start of the page and a footer to its end, all others
 * between them. What brings pieces of its own goes beside a picked header or footer, not into it; a section that does
 * takes the place of an empty one that is just as it came.
 * @returns null as `placeFor` does.
 */
export function placeOnPage(
  registry: Registry,
  project: Project,
  fragment: Fragment,
  looking: Looking
): FoundPlace | null {
  const root = fragment.nodes[fragment.root]!;
  const kind = registry.kindOf(root.kind);
  const edge = edgeOf(registry, root);
  const end = edge && endIn(registry, kind, nodeOf(project, looking.page));
  if (end) return { at: edge === 'start' ? { ...end, index: 0 } : end, around: null };
  const isFull = bringsPieces(registry, fragment);
  const beside = isFull && !kind.opens ? besideEdge(registry, project, kind, looking) : null;
  const found = beside ?? placeFor(registry, project, root.kind, looking);
  if (!found || found.at.parent !== looking.page) return found;
  const between = beforeEnd(registry, project, found);
  return isFull ? insteadOfEmpty(project, root.kind, between) : between;
}

/** Whether something is in them besides links, which are the words of their list. */
const bringsPieces = (registry: Registry, { root, nodes }: Fragment): boolean =>
  Object.values(nodes).some((node) => node.id !== root && registry.of(node).category !== 'link');

/**
 * After the picked header, or before the picked footer: in an empty section there, else in a new one. Null where
 * neither is picked, where nothing is in it yet, and for what stands there by itself.
 */
function besideEdge(
  registry: Registry,
  project: Project,
  kind: Kind,
  { current, page }: Looking
): FoundPlace | null {
  const picked = nodeOf(project, current);
  const edge = edgeOf(registry, picked);
  const own = maybePlaceOf(project, current);
  if (!edge || !own || childIds(picked).length === 0) return null;
  const owner = nodeOf(project, own.parent);
  const standsThere = registry.of(owner).slots[own.slot]!.accepts.includes(kind.category);
  if (standsThere) return null;
  const siblings = owner.slots[own.slot]!;
  const next = maybeNode(project, siblings[own.index + (edge === 'start' ? 1 : -1)] ?? '');
  const room = next && childIds(next).length === 0 ? endIn(registry, kind, next) : null;
  if (room) return { at: room, around: null };
  const found = inNewSection(registry, project, kind, page);
  return found && { ...found, at: { ...found.at, index: own.index + (edge === 'start' ? 1 : 0) } };
}

/** What would come after the footer of the page comes before it. */
function beforeEnd(registry: Registry, project: Project, found: FoundPlace): FoundPlace {
  const { parent, slot, index } = found.at;
  const isBefore = (id: NodeId) => edgeOf(registry, nodeOf(project, id)) !== 'end';
  const last = (nodeOf(project, parent).slots[slot] ?? []).findLastIndex(isBefore);
  return { ...found, at: { ...found.at, index: Math.min(index, last + 1) } };
}

/** An empty piece of the kind right before or after the place, where nothing was set of it, gives its own place. */
function insteadOfEmpty(project: Project, kind: string, found: FoundPlace): FoundPlace {
  const { parent, slot, index } = found.at;
  const beside = (nodeOf(project, parent).slots[slot] ?? []).slice(Math.max(0, index - 1), index + 1);
  const instead = beside.find((id) => {
    const node = nodeOf(project, id);
    return node.kind === kind && childIds(node).length === 0 && isAsItCame(node);
  });
  if (found.around || !instead) return found;
  return { ...found, at: maybePlaceOf(project, instead)!, instead };
}

/** Whether a piece has nothing of its own beside its name and what is in it. */
const isAsItCame = ({ id: _id, kind: _kind, name: _name, slots: _slots, ...own }: Node): boolean =>
  Object.values(own).every((each) => Object.keys(each as object).length === 0);
