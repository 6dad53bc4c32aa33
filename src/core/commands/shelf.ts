import { boolean, object, string } from 'yup';
import { withNewIds } from '../kinds/make';
import type { Registry } from '../kinds/registry';
import { hasWords, ID_PATTERN } from '../project/ids';
import { isAsShelved, linkedTo } from '../project/shelf';
import {
  fragmentOf,
  maybeNode,
  maybePageOf,
  maybePlaceOf,
  nodeOf,
  pathTo,
  subtreeIds,
  byId
} from '../project/tree';
import type { Fragment, Node, NodeId, Project, ShelfId, ShelfPiece } from '../project/types';
import { asDraft, define, no, put, type ProjectDraft, type Refusal } from './define';
import { defined } from '../data/compact';
import { gone, nameOf } from './words';

const words = () => string().strict(true).required();
const NAME_MOST = 80;

const unshelved = () => no('not-on-shelf', 'That piece is no longer on the shelf.');

function linkRefusal(project: Project, id: NodeId): Refusal | null {
  const node = maybeNode(project, id);
  if (!node) return gone();
  if (node.linked && project.shelf[node.linked]) return null;
  return no('not-linked', `${node.name} follows nothing on the shelf. Put it there first.`);
}

/** What is kept: the piece without its links to the shelf and without anchors, which may stand once on a page. */
function kept({ root, nodes }: Fragment): Fragment {
  return { root, nodes: byId(Object.values(nodes).map(withoutLinkAndAnchor)) };
}

function withoutLinkAndAnchor(node: Node): Node {
  const { linked: _linked, ...rest } = node;
  const { anchor: _anchor, ...settings } = node.settings;
  return { ...rest, settings };
}

/** A new piece after one on the shelf. @param isLinked whether it follows it from now on. */
export function placedFrom(registry: Registry, { id, fragment }: ShelfPiece, isLinked: boolean): Fragment {
  const copy = withNewIds(registry, fragment);
  const root = copy.nodes[copy.root]!;
  return isLinked
    ? { root: copy.root, nodes: { ...copy.nodes, [copy.root]: { ...root, linked: id } } }
    : copy;
}

/** Makes a linked piece what the shelf has; its id, its name and its anchor stay its own. */
function follow(
  registry: Registry,
  draft: ProjectDraft,
  project: Project,
  id: NodeId,
  piece: ShelfPiece
): void {
  const before = nodeOf(project, id);
  for (const below of subtreeIds(project, id)) if (below !== id) delete draft.nodes[below];
  const copy = withNewIds(registry, piece.fragment);
  const { anchor } = before.settings;
  for (const node of Object.values(copy.nodes)) {
    if (node.id !== copy.root) put(draft, node);
    else
      draft.nodes[id] = asDraft({
        ...node,
        id,
        name: before.name,
        linked: piece.id,
        settings: defined({ ...node.settings, anchor: anchor === undefined ? undefined : anchor })
      });
  }
}

/** Puts a piece on the shelf and links it. */
export const shelve = define<{ id: NodeId; shelf: ShelfId; name: string }>()({
  type: 'shelve',
  args: object({ id: words(), shelf: words().matches(ID_PATTERN), name: words().max(NAME_MOST) }),
  label: ({ name }) => `Put ${name} on the shelf`,
  refusal(project, { id, shelf, name }) {
    const node = maybeNode(project, id);
    if (!node) return gone();
    if (!maybePlaceOf(project, id))
      return no('root', 'A page as a whole is duplicated instead; the shelf holds pieces of one.');
    if (node.linked && project.shelf[node.linked])
      return no(
        'linked',
        `${node.name} follows ${project.shelf[node.linked]!.name} already. Detach it first.`
      );
    if (project.shelf[shelf]) return no('id-in-use', 'That place on the shelf is taken.');
    return Object.values(project.shelf).some((each) => each.name === name.trim())
      ? no('name-in-use', `There is already a piece called “${name.trim()}” on the shelf. Take another name.`)
      : null;
  },
  run(draft, { id, shelf, name }, _registry, project) {
    const fragment = kept(fragmentOf(project, id));
    draft.shelf[shelf] = { id: shelf, name: name.trim(), fragment };
    draft.nodes[id]!.linked = shelf;
  }
});

export const renameShelved = define<{ shelf: ShelfId; name: string }>()({
  type: 'rename-shelved',
  args: object({ shelf: words(), name: words().max(NAME_MOST) }),
  label: ({ name }) => `Rename a piece on the shelf to ${name}`,
  refusal(project, { shelf, name }) {
    if (!project.shelf[shelf]) return unshelved();
    if (!hasWords(name)) return no('no-name', 'A piece on the shelf needs a name.');
    return Object.values(project.shelf).some((each) => each.id !== shelf && each.name === name.trim())
      ? no('name-in-use', `There is already a piece called “${name.trim()}” on the shelf.`)
      : null;
  },
  run(draft, { shelf, name }) {
    const piece = draft.shelf[shelf]!;
    if (piece.name !== name.trim()) draft.shelf[shelf] = { ...piece, name: name.trim() };
  }
});

/** The shelf and every other linked piece become what this one is. */
export const updateLinked = define<{ id: NodeId }>()({
  type: 'update-linked',
  args: object({ id: words() }),
  label: ({ id }, project) =>
    `Update all that follow ${project.shelf[project.nodes[id]?.linked as ShelfId]?.name ?? 'the shelf'}`,
  refusal: (project, { id }) => linkRefusal(project, id),
  run(draft, { id }, registry, project) {
    const shelf = nodeOf(project, id).linked!;
    const piece: ShelfPiece = { ...project.shelf[shelf]!, fragment: kept(fragmentOf(project, id)) };
    if (!isAsShelved(project, id, shelf)) draft.shelf[shelf] = piece;
    const updated = { ...project, shelf: { ...project.shelf, [shelf]: piece } };
    for (const other of linkedTo(project, shelf)) {
      // One that stands in the other cannot become what it stands in.
      const isNested = pathTo(project, other.id).includes(id) || pathTo(project, id).includes(other.id);
      if (!isNested && !isAsShelved(updated, other.id, shelf))
        follow(registry, draft, project, other.id, piece);
    }
  }
});

/** A linked piece becomes again what the shelf has. */
export const takeShelved = define<{ id: NodeId }>()({
  type: 'take-shelved',
  args: object({ id: words() }),
  label: ({ id }, project) => `Take ${nameOf(project, id)} from the shelf again`,
  refusal: (project, { id }) => linkRefusal(project, id),
  run(draft, { id }, registry, project) {
    const shelf = nodeOf(project, id).linked!;
    if (!isAsShelved(project, id, shelf)) follow(registry, draft, project, id, project.shelf[shelf]!);
  }
});

/** A linked piece stands on its own from now on, as it is. */
export const detach = define<{ id: NodeId }>()({
  type: 'detach',
  args: object({ id: words() }),
  label: ({ id }, project) => `Detach ${nameOf(project, id)} from the shelf`,
  refusal: (project, { id }) => linkRefusal(project, id),
  run(draft, { id }) {
    delete draft.nodes[id]!.linked;
  }
});

/**
 * Takes a piece off the shelf. @param detaches whether those that follow it are detached; otherwise they
 * stand in the way.
 */
export const unshelve = define<{ shelf: ShelfId; detaches: boolean }>()({
  type: 'unshelve',
  args: object({ shelf: words(), detaches: boolean().strict(true).required() }),
  label: ({ shelf }, project) => `Take ${project.shelf[shelf]?.name ?? 'a piece'} off the shelf`,
  refusal(project, { shelf, detaches }) {
    const piece = project.shelf[shelf];
    if (!piece) return unshelved();
    const uses = linkedTo(project, shelf);
    if (uses.length === 0 || detaches) return null;
    const places = uses
      .slice(0, 3)
      .map(({ id, name }) => `${name} on ${maybePageOf(project, id)?.name ?? 'a page'}`);
    return no(
      'piece-in-use',
      `${piece.name} is followed by ${places.join(', ')}${uses.length > 3 ? ` and ${uses.length - 3} more` : ''}. Detach ${uses.length === 1 ? 'it' : 'them'}, and it can go.`
    );
  },
  run(draft, { shelf }, _registry, project) {
    for (const { id } of linkedTo(project, shelf)) delete draft.nodes[id]!.linked;
    delete draft.shelf[shelf];
  }
});
