import { array, mixed, number, object, string } from 'yup';
import type { Registry } from '../kinds/registry';
import { withNewIds } from '../kinds/make';
import {
  childIds,
  DEPTH_MOST,
  fragmentOf,
  heightOf,
  maybePlaceOf,
  nodeOf,
  outermost,
  pathTo,
  subtreeIds
} from '../project/tree';
import type { Fragment, Node, NodeId, Place, Project } from '../project/types';
import { define, no, put, putAll, type ProjectDraft, type Refusal } from './define';
import { maybeGone, nameOf, namesOf } from './words';
import { numbered } from '../data/free-name';
import { firstGiven } from '../data/first-given';
import { sum } from '../data/sum';

const nodeId = () => string().strict(true).required() as unknown as ReturnType<typeof mixed<NodeId>>;
const ids = array().of(nodeId().required()).min(1).required();
const place = object({
  parent: nodeId().required(),
  slot: string().required(),
  index: number().integer().min(0).required()
}).required();
const fragment = mixed<Fragment>(
  (value): value is Fragment =>
    typeof value === 'object' && value !== null && 'root' in value && 'nodes' in value
).required();

export const MOST_NODES = 20_000;

/** Whether a node of `kind` may stand at a place; the sentence names both sides. */
export function refusedAt(project: Project, registry: Registry, kindName: string, at: Place): Refusal | null {
  const missing = maybeGone(project, at.parent);
  if (missing) return missing;
  const kind = registry.maybeKindOf(kindName);
  if (!kind) return no('unknown-kind', `This version of Kymation has no kind called “${kindName}”.`);
  const parent = nodeOf(project, at.parent);
  const slot = registry.of(parent).slots[at.slot];
  if (slot?.isLastLevel && isOfSameKind(project, at.parent))
    return no(
      'too-many-levels',
      `${parent.name} stands in such a list itself. One level of sub-links is all.`
    );
  if (slot?.accepts.includes(kind.category)) return null;
  return no(
    'wrong-place',
    `${kind.label} cannot stand in ${parent.name}, which ${slot ? `takes ${slot.accepts.join(' or ')} only` : 'holds nothing of that sort'}.`
  );
}

/** Whether a piece stands in one of its own kind. */
function isOfSameKind(project: Project, id: NodeId): boolean {
  const place = maybePlaceOf(project, id);
  return place !== null && nodeOf(project, place.parent).kind === nodeOf(project, id).kind;
}

/**
 * Whether something `height` levels high may stand in a node without the page becoming deeper than a file may
 * be.
 */
export function refusedDepth(project: Project, parent: NodeId, height: number): Refusal | null {
  if (pathTo(project, parent).length + height <= DEPTH_MOST) return null;
  return no('too-deep', `Pieces can stand ${DEPTH_MOST} deep in one another at most. Put it further up.`);
}

function attach(draft: ProjectDraft, { parent, slot, index }: Place, id: NodeId): void {
  const list = (draft.nodes[parent]!.slots[slot] ??= []);
  list.splice(Math.min(index, list.length), 0, id);
}

/** Takes a piece off the page with everything in it. */
function takeOut(draft: ProjectDraft, project: Project, id: NodeId): void {
  detach(draft, placeInDraft(draft, maybePlaceOf(project, id)!, id));
  for (const below of subtreeIds(project, id)) delete draft.nodes[below];
}

function detach(draft: ProjectDraft, at: Place): void {
  draft.nodes[at.parent]!.slots[at.slot]!.splice(at.index, 1);
}

/** Where a node stands in the draft; looked up again since earlier steps of the same command may have moved it. */
function placeInDraft(draft: ProjectDraft, known: Place, id: NodeId): Place {
  return { ...known, index: draft.nodes[known.parent]!.slots[known.slot]!.indexOf(id) };
}

function leastRefusal(
  project: Project,
  registry: Registry,
  id: NodeId,
  leaving: ReadonlySet<NodeId>
): Refusal | null {
  const at = maybePlaceOf(project, id);
  if (!at) return no('root', 'The page itself cannot be taken out.');
  const parent = nodeOf(project, at.parent);
  const slot = registry.of(parent).slots[at.slot];
  const left = parent.slots[at.slot]!.filter((child) => !leaving.has(child)).length;
  if (!slot?.least || left >= slot.least) return null;
  return no(
    'too-few',
    `${parent.name} needs at least ${slot.least} in “${slot.label}”. Take out ${parent.name} as a whole instead.`
  );
}

export const insert = define<{ fragment: Fragment; at: Place }>()({
  type: 'insert',
  args: object({ fragment, at: place }),
  label: ({ fragment: { root, nodes } }) => `Insert ${nameOf({ nodes }, root)}`,
  refusal(project, { fragment: piece, at }, registry) {
    const root = piece.nodes[piece.root];
    if (!root) return no('broken-piece', 'What should be inserted is incomplete. Copy it again.');
    const count = Object.keys(project.nodes).length + Object.keys(piece.nodes).length;
    if (count > MOST_NODES)
      return no('too-many', `A project holds ${MOST_NODES} pieces at most. Take something out first.`);
    const taken = Object.keys(piece.nodes).find((id) => Object.hasOwn(project.nodes, id));
    if (taken) return no('id-in-use', `A piece with the id “${taken}” is already on the page.`);
    return (
      refusedAt(project, registry, root.kind, at) ??
      refusedDepth(project, at.parent, heightOf(piece, piece.root))
    );
  },
  run(draft, { fragment: piece, at }) {
    putAll(draft, piece);
    attach(draft, at, piece.root);
  }
});

export const move = define<{ ids: readonly NodeId[]; at: Place }>()({
  type: 'move',
  args: object({ ids, at: place }),
  label: ({ ids }, project) => `Move ${namesOf(project, ids)}`,
  refusal(project, { ids: picked, at }, registry) {
    const leaving = new Set<NodeId>();
    for (const id of picked) {
      const wrong =
        maybeGone(project, id) ??
        refusedAt(project, registry, nodeOf(project, id).kind, at) ??
        refusedDepth(project, at.parent, heightOf(project, id));
      if (wrong) return wrong;
      if (pathTo(project, at.parent).includes(id)) {
        return no('into-itself', `${nodeOf(project, id).name} cannot be moved into itself.`);
      }
      const from = maybePlaceOf(project, id);
      if (!from) return no('root', 'The page itself cannot be moved.');
      if (from.parent !== at.parent || from.slot !== at.slot) leaving.add(id);
    }
    return firstGiven(leaving, (id) => leastRefusal(project, registry, id, leaving));
  },
  run(draft, { ids: picked, at }, _registry, project) {
    const moving = outermost(project, picked);
    if (standsThere(project, moving, at)) return;
    let index = at.index;
    for (const id of moving) {
      const from = placeInDraft(draft, maybePlaceOf(project, id)!, id);
      const isBefore = from.parent === at.parent && from.slot === at.slot && from.index < index;
      detach(draft, from);
      if (isBefore) index -= 1;
      attach(draft, { ...at, index }, id);
      index += 1;
    }
  }
});

/** Whether the pieces already stand at the place, one after the other. */
function standsThere(project: Project, moving: readonly NodeId[], at: Place): boolean {
  const places = moving.map((id) => maybePlaceOf(project, id)!);
  const first = places[0]!.index;
  const isRun = places.every(
    ({ parent, slot, index }, i) => parent === at.parent && slot === at.slot && index === first + i
  );
  return isRun && at.index >= first && at.index <= first + moving.length;
}

export const remove = define<{ ids: readonly NodeId[] }>()({
  type: 'remove',
  args: object({ ids }),
  label: ({ ids }, project) => `Delete ${namesOf(project, ids)}`,
  refusal(project, { ids: picked }, registry) {
    const leaving = new Set(picked);
    return firstGiven(picked, (id) => maybeGone(project, id) ?? leastRefusal(project, registry, id, leaving));
  },
  run(draft, { ids: picked }, _registry, project) {
    for (const id of outermost(project, picked)) takeOut(draft, project, id);
  }
});

export const duplicate = define<{ ids: readonly NodeId[] }>()({
  type: 'duplicate',
  args: object({ ids }),
  label: ({ ids }, project) => `Duplicate ${namesOf(project, ids)}`,
  refusal(project, { ids: picked }) {
    for (const id of picked) {
      const wrong = maybeGone(project, id);
      if (wrong) return wrong;
      if (!maybePlaceOf(project, id)) return no('root', 'The page itself cannot be duplicated here.');
    }
    const copies = sum(picked.map((id) => subtreeIds(project, id).length));
    if (Object.keys(project.nodes).length + copies > MOST_NODES)
      return no('too-many', `A project holds ${MOST_NODES} pieces at most.`);
    return null;
  },
  run(draft, { ids: picked }, registry, project) {
    for (const id of outermost(project, picked)) {
      const at = placeInDraft(draft, maybePlaceOf(project, id)!, id);
      const copy = withNewIds(registry, fragmentOf(project, id));
      const root = { ...copy.nodes[copy.root]!, name: copyName(project, nodeOf(project, id)) };
      const nodes: Fragment['nodes'] = { ...copy.nodes, [copy.root]: root };
      for (const node of Object.values(nodes)) put(draft, withoutAnchor(node));
      attach(draft, { ...at, index: at.index + 1 }, copy.root);
    }
  }
});

/** What a copy is called: as the piece, with the first number that no piece beside it has. */
function copyName(project: Project, { id, name }: Node): string {
  return numbered(name.replace(/ \d+$/, ''), siblingNames(project, id), ' ');
}

function siblingNames(project: Project, id: NodeId): ReadonlySet<string> {
  const { parent } = maybePlaceOf(project, id)!;
  const siblings = childIds(nodeOf(project, parent));
  return new Set(siblings.map((each) => nodeOf(project, each).name));
}

/** Anchors go, since one may stand once on a page. */
function withoutAnchor(node: Node): Node {
  if (!Object.hasOwn(node.settings, 'anchor')) return node;
  const { anchor: _anchor, ...settings } = node.settings;
  return { ...node, settings };
}
