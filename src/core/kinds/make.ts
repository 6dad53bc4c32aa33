import { defined } from '../data/compact';
import { emptyRecord } from '../data/record';
import { newId, slug } from '../project/ids';
import type { Fragment, Node, NodeId } from '../project/types';
import type { Make } from './contract';
import { withRenewedReferences } from './mapping';
import type { Registry } from './registry';

/**
 * Builds fragments from scratch. Ids come from the name and a random tail, or from the name alone where
 * `exactIds` is set (the demo, so that its exported class names read well); then the caller sees to it that
 * no name stands twice.
 */
export function makeWith({ exactIds = false }: { exactIds?: boolean } = {}): Make {
  return (kind, name, settings = {}, slots = {}) => {
    const id = (exactIds ? slug(name) : newId<NodeId>(kind)) as NodeId;
    const children = Object.values(slots).flat();
    const slotIds = Object.fromEntries(
      Object.entries(slots).map(([slot, below]) => [slot, below.map(({ root }) => root)])
    );
    const own: Node = { id, kind, name, settings, adapt: {}, slots: slotIds, styles: {} };
    const nodes = Object.fromEntries([
      ...children.flatMap((child) => Object.entries(child.nodes)),
      [id, own]
    ]);
    return { root: id, nodes } as Fragment;
  };
}

type Renamed = ReadonlyMap<NodeId, NodeId>;

/** Slots by the new ids of what stands in them. */
const renewedSlots = (slots: Node['slots'], renamed: Renamed): Node['slots'] =>
  Object.fromEntries(
    Object.entries(slots).map(([slot, below]) => [slot, below.flatMap((child) => renamed.get(child) ?? [])])
  );

/** What a piece was before, with its places by the new ids; undefined where it was nothing else. */
function renewedFormers({ was }: Node, renamed: Renamed): Node['was'] {
  if (!was) return undefined;
  const renewed = Object.entries(was).map(([kind, former]) => {
    const slots = former.slots && renewedSlots(former.slots, renamed);
    return [kind, defined({ ...former, slots })] as const;
  });
  return Object.fromEntries(renewed);
}

/**
 * New ids for every node of a fragment; everything inside points to the new ones, settings that name a piece
 * too.
 */
export function withNewIds(registry: Registry, fragment: Fragment): Fragment {
  const renamed = new Map<NodeId, NodeId>();
  for (const node of Object.values(fragment.nodes)) renamed.set(node.id, newId<NodeId>(node.kind));
  const nodes = emptyRecord<Node>();
  for (const node of Object.values(fragment.nodes)) {
    const id = renamed.get(node.id)!;
    const slots = renewedSlots(node.slots, renamed);
    const was = renewedFormers(node, renamed);
    nodes[id] = defined({ ...withRenewedReferences(registry.of(node), node, renamed), id, slots, was });
  }
  return { root: renamed.get(fragment.root)!, nodes: { ...nodes } };
}

/** @returns a panel with one text in it. */
export function panelWith(make: Make, name: string, words: string): Fragment {
  const text = make('text', `${name} text`, { html: `<p>${words}</p>` });
  return make('panel', name, {}, { content: [text] });
}
