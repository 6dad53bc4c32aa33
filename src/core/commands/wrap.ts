import { array, mixed, object, string, type AnySchema } from 'yup';
import { ownOf } from '../data/record';
import { escapeHtml } from '../html/clean';
import type { Kind } from '../kinds/contract';
import type { Registry } from '../kinds/registry';
import { childIds, heightOf, maybeNode, maybePlaceOf, nodeOf } from '../project/tree';
import type { Fragment, Json, Node, NodeId, Place, Project, StateName } from '../project/types';
import { asDraft, define, no, type Refusal } from './define';
import { refusedAt, refusedDepth } from './structure';

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
  label: ({ ids: [first, ...more], fragment: { root, nodes } }, project) =>
    `Wrap ${project.nodes[first!]?.name ?? 'piece'}${more.length ? ` and ${more.length} more` : ''} in ${nodes[root]?.name ?? 'a piece'}`,
  refusal(project, { ids, fragment: around }, registry) {
    if (ids.some((id) => !maybeNode(project, id)))
      return no('no-such-node', 'That piece is no longer on the page. Pick another in the outline.');
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
  label: ({ id }, project) => `Unwrap ${project.nodes[id]?.name ?? 'piece'}`,
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
    const leaving = [id, ...itemsOf(project, registry, id)];
    draft.nodes[at.parent]!.slots[at.slot] = draft.nodes[at.parent]!.slots[at.slot]!.flatMap((each) =>
      each === id ? [...inside] : [each]
    );
    for (const each of leaving) delete draft.nodes[each];
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

const WORDS = ['text', 'rich'];
const plain = (html: string) =>
  html
    .replace(/<[^>]*>/g, ' ')
    .replace(
      /&(amp|lt|gt|nbsp);/g,
      (_all, name: string) => ({ amp: '&', lt: '<', gt: '>', nbsp: ' ' })[name]!
    )
    .replace(/\s+/g, ' ')
    .trim();

/** Settings of the same name that the other kind takes, and its words, whatever each calls them. */
function keptSettings(node: Node, from: Kind, to: Kind): Node['settings'] {
  const fields = to.settings.fields as Record<string, AnySchema>;
  const takes = (key: string, value: Json) =>
    ownOf(fields, key)?.isValidSync(value, { strict: true }) ?? false;
  const kept = Object.fromEntries(Object.entries(node.settings).filter(([key, value]) => takes(key, value)));
  const wordsOf = (kind: Kind) =>
    Object.entries(kind.settings.fields as Record<string, AnySchema>).find(([, field]) =>
      WORDS.includes(field.meta()?.field?.control ?? '')
    );
  const [source, target] = [wordsOf(from), wordsOf(to)];
  if (!source || !target || Object.hasOwn(kept, target[0])) return kept;
  const words = (node.settings[source[0]] ?? source[1].getDefault()) as string;
  const isRich = (field: AnySchema) => field.meta()?.field?.control === 'rich';
  const converted = isRich(target[1]) ? `<p>${escapeHtml(words)}</p>` : plain(words);
  const value = isRich(source[1]) === isRich(target[1]) ? words : converted;
  return takes(target[0], value) ? { ...kept, [target[0]]: value } : kept;
}

/**
 * The slot of another kind that a child can stand in; null where there is none. What one owner lists, another
 * that lists the same can take; what stands by itself goes into no list.
 */
function slotFor(project: Project, registry: Registry, child: NodeId, kind: Kind): string | null {
  const { category } = registry.of(nodeOf(project, child));
  const at = maybePlaceOf(project, child)!;
  const owner = registry.of(nodeOf(project, at.parent));
  const isItem = owner.slots[at.slot]!.items ?? false;
  const found = Object.entries(kind.slots).find(
    ([, { accepts, items = false }]) => items === isItem && accepts.includes(category)
  );
  return found?.[0] ?? null;
}

/** What a state of one kind is called in another: one of its own stands for a common one, and back. */
function stateThere(from: Kind, to: Kind, state: StateName): StateName {
  if (to.states && Object.hasOwn(to.states, state)) return state;
  const common = from.states?.[state]?.like ?? state;
  const own = Object.entries(to.states ?? {}).find(([, { like }]) => like === common);
  return own?.[0] ?? common;
}

/** What differs under conditions, as far as the other kind has a setting for it that may. */
function keptAdaptations({ adapt }: Node, to: Kind): Node['adapt'] {
  const fields = to.settings.fields as Record<string, AnySchema>;
  const isTaken = (condition: string, key: string, value: unknown): boolean => {
    const field = ownOf(fields, key);
    const meta = field?.meta()?.field;
    return (
      field !== undefined &&
      meta?.responsive === true &&
      meta.fixed?.[condition as 'print'] === undefined &&
      field.isValidSync(value, { strict: true })
    );
  };
  const kept = Object.entries(adapt).map(([condition, own]) => {
    const taken = Object.entries(own!).filter(([key, value]) => isTaken(condition, key, value));
    return [condition, Object.fromEntries(taken)] as const;
  });
  return Object.fromEntries(kept.filter(([, own]) => Object.keys(own).length > 0));
}

interface SwapArgs {
  id: NodeId;
  kind: string;
}

export const swap = define<SwapArgs>()({
  type: 'swap',
  args: object({ id: nodeId(), kind: string().strict(true).required() }),
  label: ({ id, kind }, project) => `Swap ${project.nodes[id]?.name ?? 'piece'} for ${kind}`,
  refusal(project, { id, kind: name }, registry): Refusal | null {
    const at = maybeNode(project, id) && maybePlaceOf(project, id);
    if (!at) return no('root', 'The page itself cannot be swapped.');
    const node = nodeOf(project, id);
    const kind = registry.maybeKindOf(name);
    if (!kind) return no('unknown-kind', `This version of Kymation has no kind called “${name}”.`);
    if (kind.kind === node.kind)
      return no('same-kind', `${node.name} is a ${kind.label.toLowerCase()} already.`);
    const wrong = refusedAt(project, registry, name, at);
    if (wrong) return wrong;
    const places = childIds(node).map((child) => slotFor(project, registry, child, kind));
    const lost = childIds(node)[places.indexOf(null)];
    if (lost)
      return no(
        'would-lose',
        `${kind.label} has no place for ${nodeOf(project, lost).name}. Take it out first, or unwrap ${node.name}.`
      );
    const isShort = Object.entries(kind.slots).some(
      ([slot, { least = 0 }]) => places.filter((place) => place === slot).length < least
    );
    if (isShort)
      return no(
        'needs-items',
        `${kind.label} starts with pieces of its own. Insert it, and move things into it.`
      );
    return null;
  },
  run(draft, { id, kind: name }, registry, project) {
    const node = nodeOf(project, id);
    const [from, to] = [registry.of(node), registry.of({ ...node, kind: name })];
    const slots: Record<string, NodeId[]> = Object.fromEntries(
      Object.keys(to.slots).map((slot) => [slot, []])
    );
    for (const child of childIds(node)) slots[slotFor(project, registry, child, to)!]!.push(child);
    const styles = Object.fromEntries(
      Object.entries(node.styles).flatMap(([part, states]) => {
        const known = ownOf(to.anatomy, part);
        if (!known) return [];
        const kept = Object.entries(states).flatMap(([state, own]) => {
          const there = stateThere(from, to, state);
          return there === 'rest' || Object.hasOwn(known.states, there) ? [[there, own] as const] : [];
        });
        return kept.length > 0 ? [[part, Object.fromEntries(kept)]] : [];
      })
    );
    draft.nodes[id] = asDraft({
      ...node,
      kind: name,
      settings: keptSettings(node, from, to),
      adapt: keptAdaptations(node, to),
      slots,
      styles
    } as Node);
  }
});
