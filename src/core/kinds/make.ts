import { newId, slug } from '../project/ids';
import type { Fragment, Node, NodeId } from '../project/types';
import type { Make } from './contract';

/**
 * Builds fragments from scratch. Ids come from the name and a random tail, or from the name alone where `exactIds` is set
 * (the demo, so that its exported class names read well); then the caller sees to it that no name stands twice.
 */
export function makeWith({ exactIds = false }: { exactIds?: boolean } = {}): Make {
  return (kind, name, settings = {}, slots = {}) => {
    const id = (exactIds ? slug(name) : newId<NodeId>(kind)) as NodeId;
    const nodes: Record<string, Node> = {};
    const slotIds: Record<string, readonly NodeId[]> = {};
    for (const [slot, children] of Object.entries(slots)) {
      slotIds[slot] = children.map((child) => child.root);
      for (const child of children) Object.assign(nodes, child.nodes);
    }
    nodes[id] = { id, kind, name, settings, adapt: {}, slots: slotIds, styles: {} };
    return { root: id, nodes } as Fragment;
  };
}

/** New ids for every node of a fragment; everything inside points to the new ones. */
export function withNewIds(fragment: Fragment): Fragment {
  const renamed = new Map<NodeId, NodeId>();
  for (const node of Object.values(fragment.nodes)) renamed.set(node.id, newId<NodeId>(node.kind));
  const nodes: Record<NodeId, Node> = {};
  for (const node of Object.values(fragment.nodes)) {
    const id = renamed.get(node.id)!;
    const slots: Record<string, readonly NodeId[]> = {};
    for (const slot in node.slots) slots[slot] = node.slots[slot]!.map((child) => renamed.get(child)!);
    nodes[id] = { ...node, id, slots };
  }
  return { root: renamed.get(fragment.root)!, nodes };
}
