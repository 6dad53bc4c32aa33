import { array, mixed, object, string } from 'yup';
import type { Kind } from '../kinds/contract';
import type { Registry } from '../kinds/registry';
import { childIds, heightOf, maybeNode, maybePlaceOf, nodeOf } from '../project/tree';
import type { Fragment, NodeId, Place, Project } from '../project/types';
import { asDraft, define, no } from './define';
import { refusedAt, refusedDepth } from './structure';
import { gone, nameOf, namesOf } from './words';

const nodeId = () => string().strict(true).required() as unknown as ReturnType<typeof mixed<NodeId>>;
const fragment = mixed<Fragment>(
  (value): value is Fragment =>
    typeof value === 'object' && value !== null && 'root' in value && 'nodes' in value
).required();

/**
 * @returns the first place inside a fragment, from the outside in, that takes a category; null where there is
 * none.
 */
export function placeWithin(
  { root, nodes }: Fragment,
  category: Kind['category'],
  registry: Registry
): Omit<Place, 'index'> | null {
  const queue: NodeId[] = [root];
  for (let id = queue.shift(); id; id = queue.shift()) {
    const node = nodes[id]!;
    for (const [slot, { accepts }] of Object.entries(registry.of(node).slots))
      if (accepts.includes(category)) return { parent: id, slot };
    queue.push(...childIds(node));
  }
  return null;
}

/** Pieces that stand side by side, each once, in the order they stand; null where they do not. */
function siblings(
  project: Project,
  ids: readonly NodeId[]
): { readonly at: Place; readonly ordered: readonly NodeId[] } | null {
  const places = [...new Set(ids)].map((id) => ({ id, at: maybePlaceOf(project, id) }));
  const first = places[0]?.at;
  if (!first || places.some(({ at }) => at?.parent !== first.parent || at.slot !== first.slot)) return null;
  const ordered = places.toSorted((a, b) => a.at!.index - b.at!.index);
  return { at: ordered[0]!.at!, ordered: ordered.map(({ id }) => id) };
}

interface WrapArgs {
  ids: NodeId[];
  fragment: Fragment;
}

export const wrap = define<WrapArgs>()({
  type: 'wrap',
  args: object({ ids: array().of(nodeId().required()).min(1).required(), fragment }),
  label: ({ ids, fragment: around }, project) =>
    `Wrap ${namesOf(project, ids)} in ${nameOf(around, around.root)}`,
  refusal(project, { ids, fragment: around }, registry) {
    if (ids.some((id) => !maybeNode(project, id))) return gone();
    const found = siblings(project, ids);
    if (!found)
      return no(
        'not-siblings',
        'Only pieces that stand side by side can be wrapped together. Pick some of one parent.'
      );
    const root = around.nodes[around.root];
    if (!root || Object.keys(around.nodes).some((id) => Object.hasOwn(project.nodes, id)))
      return no('broken-piece', 'What should go around them is incomplete.');
    const kind = registry.maybeKindOf(root.kind);
    const strangers =
      kind && ids.find((id) => !placeWithin(around, registry.of(nodeOf(project, id)).category, registry));
    if (strangers)
      return no('wrong-place', `${nodeOf(project, strangers).name} cannot stand in ${root.name}.`);
    const height = heightOf(around, around.root) + Math.max(...ids.map((id) => heightOf(project, id)));
    return (
      refusedAt(project, registry, root.kind, found.at) ?? refusedDepth(project, found.at.parent, height)
    );
  },
  run(draft, { ids, fragment: around }, registry, project) {
    const { at, ordered } = siblings(project, ids)!;
    const inside = placeWithin(around, registry.of(nodeOf(project, ordered[0]!)).category, registry)!;
    for (const node of Object.values(around.nodes))
      draft.nodes[node.id] = asDraft({
        ...node,
        slots: Object.fromEntries(Object.entries(node.slots).map(([slot, children]) => [slot, [...children]]))
      });
    const list = draft.nodes[at.parent]!.slots[at.slot]!;
    draft.nodes[at.parent]!.slots[at.slot] = list
      .map((id) => (id === ordered[0] ? around.root : id))
      .filter((id) => !ordered.includes(id));
    (draft.nodes[inside.parent]!.slots[inside.slot] ??= []).push(...ordered);
  }
});

export const unwrap = define<{ id: NodeId }>()({
  type: 'unwrap',
  args: object({ id: nodeId() }),
  label: ({ id }, project) => `Unwrap ${nameOf(project, id)}`,
  refusal(project, { id }, registry) {
    const at = maybeNode(project, id) && maybePlaceOf(project, id);
    if (!at) return no('root', 'The page itself cannot be unwrapped.');
    const { name } = nodeOf(project, id);
    const inside = contentOf(project, registry, id);
    if (inside.length === 0) return no('empty', `${name} holds nothing to take out. Delete it instead.`);
    for (const child of inside) {
      const wrong = refusedAt(project, registry, nodeOf(project, child).kind, at);
      if (wrong)
        return no('wrong-place', `${nodeOf(project, child).name} cannot stand where ${name} stands.`);
    }
    return null;
  },
  run(draft, { id }, registry, project) {
    const at = maybePlaceOf(project, id)!;
    const inside = contentOf(project, registry, id);
    const { slots } = draft.nodes[at.parent]!;
    slots[at.slot] = slots[at.slot]!.flatMap((each) => (each === id ? [...inside] : [each]));
    for (const each of [id, ...itemsOf(project, registry, id)]) delete draft.nodes[each];
  }
});

/** Columns, panels and the like go with what is unwrapped; what they hold stays. */
function itemsOf(project: Project, registry: Registry, id: NodeId): NodeId[] {
  const node = nodeOf(project, id);
  return Object.entries(registry.of(node).slots).flatMap(([slot, { items }]) =>
    items ? (node.slots[slot] ?? []) : []
  );
}

function contentOf(project: Project, registry: Registry, id: NodeId): NodeId[] {
  const items = itemsOf(project, registry, id);
  return childIds(nodeOf(project, id)).flatMap((child) =>
    items.includes(child) ? childIds(nodeOf(project, child)) : [child]
  );
}
