import { endIn, placeFor, placed, type FoundPlace } from '../kinds/place';
import { makeWith } from '../kinds/make';
import type { Registry } from '../kinds/registry';
import { settingsWithDefaults } from '../kinds/settings';
import { linkedTo } from '../project/shelf';
import { maybePageOf, maybePlaceOf, nodeOf, pageOf } from '../project/tree';
import type { Node, NodeId, PageId, Project, ShelfId, ShelfPiece } from '../project/types';
import { apply } from './apply';
import type { Batch, Command } from './commands';
import { placedFrom } from './shelf';

const make = makeWith();

/** @returns where a piece of the shelf stands, by page; pages without it are not in it. */
export function placesOf(project: Project, shelf: ShelfId): ReadonlyMap<PageId, readonly Node[]> {
  const places = new Map<PageId, Node[]>();
  for (const node of linkedTo(project, shelf)) {
    const page = maybePageOf(project, node.id);
    if (page) places.set(page.id, [...(places.get(page.id) ?? []), node]);
  }
  return places;
}

const rootSlot = (registry: Registry, page: Node): string => Object.keys(registry.of(page).slots)[0]!;

interface Run {
  /** What stands in it follows these; undefined for what follows nothing. */
  readonly shelved: ReadonlySet<ShelfId | undefined>;
  /** Whether all of it is shared. */
  readonly isShared: boolean;
}

function runOf(project: Project, ids: readonly NodeId[]): Run {
  const shelved = new Set(ids.map((id) => nodeOf(project, id).linked));
  return { shelved, isShared: !shelved.has(undefined) };
}

/** Whether something on a page follows what stands in a run of another. */
const isIn =
  (project: Project, { shelved }: Run) =>
  (id: NodeId): boolean => {
    const { linked } = nodeOf(project, id);
    return linked !== undefined && shelved.has(linked);
  };

/** After the shared pieces that come before it elsewhere; where none is there, as far from the start. */
function indexFromStart(project: Project, before: readonly NodeId[], there: readonly NodeId[]): number {
  const run = runOf(project, before);
  const last = there.findLastIndex(isIn(project, run));
  return last >= 0 || run.isShared ? last + 1 : Math.min(before.length, there.length);
}

/** Before the shared pieces that come after it elsewhere; where none is there, as far from the end. */
function indexFromEnd(project: Project, after: readonly NodeId[], there: readonly NodeId[]): number {
  const run = runOf(project, after);
  const first = there.findIndex(isIn(project, run));
  if (first >= 0) return first;
  return run.isShared ? there.length : Math.max(0, there.length - after.length);
}

/**
 * Where it goes among the sections of a page, as it stands among those of another: a header is counted from the
 * start, a footer from the end. @returns null where it is no section there.
 */
function indexLike(project: Project, slot: string, like: Node, onto: Node): number | null {
  const at = maybePlaceOf(project, like.id);
  if (!at || maybePageOf(project, like.id)?.root !== at.parent) return null;
  const beside = nodeOf(project, at.parent).slots[at.slot]!;
  const [before, after] = [beside.slice(0, at.index), beside.slice(at.index + 1)];
  const there = onto.slots[slot] ?? [];
  return before.length <= after.length
    ? indexFromStart(project, before, there)
    : indexFromEnd(project, after, there);
}

/** A footer that stands nowhere yet goes to the end, anything else of a page's sections to its start. */
function firstIndex(registry: Registry, { fragment }: ShelfPiece, slot: string, onto: Node): number {
  const root = fragment.nodes[fragment.root]!;
  const { element } = settingsWithDefaults(registry.of(root), root);
  return element === 'footer' ? (onto.slots[slot] ?? []).length : 0;
}

/** Where a piece of the shelf goes on a page that lacks it. */
function placeOn(registry: Registry, project: Project, piece: ShelfPiece, page: PageId): FoundPlace | null {
  const onto = nodeOf(project, pageOf(project, page).root);
  const kind = registry.of(piece.fragment.nodes[piece.fragment.root]!);
  if (!endIn(registry, kind, onto))
    return placeFor(registry, project, kind.kind, { current: onto.id, page: onto.id, inSight: null });
  const slot = rootSlot(registry, onto);
  const [like] = linkedTo(project, piece.id);
  const index = like ? indexLike(project, slot, like, onto) : null;
  return {
    at: { parent: onto.id, slot, index: index ?? firstIndex(registry, piece, slot, onto) },
    around: null
  };
}

/**
 * Puts a piece of the shelf on pages that lack it, linked, each time where it stands on the others; one step.
 * @returns null where it stands on all of them, or can stand on none.
 */
export function placingOn(
  registry: Registry,
  project: Project,
  shelf: ShelfId,
  pages: readonly PageId[]
): Batch | null {
  const piece = project.shelf[shelf]!;
  const places = placesOf(project, shelf);
  const commands = pages
    .filter((page) => !places.has(page))
    .flatMap((page): Command[] => {
      const found = placeOn(registry, project, piece, page);
      if (!found) return [];
      return [
        { type: 'insert', fragment: placed(placedFrom(registry, piece, true), found, make), at: found.at }
      ];
    });
  if (commands.length === 0) return null;
  const where = commands.length === 1 ? 'a page' : `${commands.length} pages`;
  return { type: 'batch', label: `Place ${piece.name} on ${where}`, commands };
}

/** Takes what follows a piece of the shelf off pages; one step. @returns null where it stands on none of them. */
export function takingOff(project: Project, shelf: ShelfId, pages: readonly PageId[]): Batch | null {
  const places = placesOf(project, shelf);
  const from = pages.filter((page) => places.has(page));
  const ids = from.flatMap((page) => places.get(page)!.map(({ id }) => id));
  if (ids.length === 0) return null;
  const where = from.length === 1 ? pageOf(project, from[0]!).name : `${from.length} pages`;
  return {
    type: 'batch',
    label: `Take ${project.shelf[shelf]!.name} off ${where}`,
    commands: [{ type: 'remove', ids }]
  };
}

/**
 * Puts a piece on the shelf and places it on all other pages; one step. @returns the commands as far as they can
 * run.
 */
export function sharingOnAll(
  registry: Registry,
  project: Project,
  id: NodeId,
  shelf: ShelfId,
  name: string
): Batch {
  const shelve: Command = { type: 'shelve', id, shelf, name };
  const shelved = apply(registry, project, shelve);
  const placing = shelved.ok ? placingOn(registry, shelved.project, shelf, project.info.pageOrder) : null;
  return {
    type: 'batch',
    label: `Share ${name} on all pages`,
    commands: [shelve, ...(placing?.commands ?? [])]
  };
}

/** @returns what a new page of the site gets: the pieces of the shelf that stand on more than half of its pages. */
export function sharedByMost(project: Project): readonly ShelfId[] {
  const half = project.info.pageOrder.length / 2;
  return Object.values(project.shelf)
    .filter(({ id }) => placesOf(project, id).size > half)
    .map(({ id }) => id);
}
