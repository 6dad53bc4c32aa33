import { emptyRecord, isEmpty } from '../data/record';
import { remembered } from '../data/remembered';
import type { Kind, Slot } from '../kinds/contract';
import type { Registry } from '../kinds/registry';
import { diffOf } from '../project/diff';
import { maybeSteps, remember } from '../project/lineage';
import { maybePageOf, maybePlaceOf, subtreeOf } from '../project/tree';
import type { Change, Diff, Node, NodeId, Project, Row } from '../project/types';
import { rowsOf } from '../tables/query';
import { isShownFor } from './binding';
import { copyOf, idAt, sameIds, type Copied } from './copies';

/** A project as it is printed: lists that repeat a piece over rows have a piece for each row. */
export interface Expanded {
  readonly project: Project;
  /** @returns the piece that one made for a row is a copy of; of all others themselves. */
  templateOf(id: NodeId): NodeId;
}

interface Printed extends Expanded {
  readonly from: Project;
  /** What was made of the pieces in lists, by their template. */
  readonly copies: ReadonlyMap<NodeId, readonly Copied[]>;
}

/** What each registry expanded last: the next one is told apart from it, so that an edit prints what it touches. */
const lastOf = new WeakMap<Registry, Printed>();
const expandedOf = new WeakMap<Project, Printed>();

const itself = (id: NodeId): NodeId => id;

/**
 * @returns the project with every repeated piece made out, the same object where nothing is repeated. Pieces that
 * stay as they are stay the same objects; those made for a row are the same as long as their template and their
 * row are.
 */
export function expanded(registry: Registry, project: Project): Expanded {
  const known = expandedOf.get(project);
  if (known) return known;
  const last = lastOf.get(registry);
  const made = (last && maybeRenewed(registry, last, project)) ?? madeAnew(registry, project, last);
  lastOf.set(registry, made);
  expandedOf.set(project, made);
  return made;
}

const NO_COPIES: Printed['copies'] = new Map();

function madeAnew(registry: Registry, project: Project, last: Printed | undefined): Printed {
  const owners = isFreeOfRows(project, last) ? [] : Object.values(project.nodes).filter(repeats);
  if (owners.length === 0) return { from: project, project, templateOf: itself, copies: NO_COPIES };
  const made: Printed = { from: project, ...new Expander(registry, project).all(owners) };
  if (last) remember(made.project, last.project, diffOf(last.project, made.project) ?? {});
  return made;
}

/** Whether an edit leaves what stands where, and for which rows. */
function isOfPieces(registry: Registry, diff: Diff): boolean {
  const { nodes = {}, ...others } = diff;
  return isEmpty(others) && Object.values(nodes).every((change) => keepsPlaces(registry, change));
}

function keepsPlaces(registry: Registry, [before, after]: Change<Node>): boolean {
  if (!before || !after || before.kind !== after.kind || before.slots !== after.slots) return false;
  return isListedAlike(before, after) && isLeftOutAlike(registry.of(after), before, after);
}

const isListedAlike = (a: Node, b: Node): boolean =>
  a.rows === b.rows && a.query === b.query && a.binds === b.binds;

const isLeftOutAlike = ({ leftOut }: Kind, a: Node, b: Node): boolean =>
  leftOut === undefined || a.settings[leftOut] === b.settings[leftOut];

const touchedBy = (steps: readonly Diff[]): ReadonlySet<NodeId> =>
  new Set(steps.flatMap(({ nodes = {} }) => Object.keys(nodes) as NodeId[]));

/** @returns what was expanded last with the pieces that an edit touched made anew; null where it changes more. */
function maybeRenewed(registry: Registry, last: Printed, project: Project): Printed | null {
  if (last.project === last.from) return null;
  const steps = maybeSteps(last.from, project);
  if (!steps?.every((diff) => isOfPieces(registry, diff))) return null;
  const changes = emptyRecord<Change<Node>>();
  for (const id of touchedBy(steps))
    for (const copied of madeOf(last, id)) {
      const before = last.project.nodes[copied.id]!;
      const node = copyOf(registry, project, project.nodes[id]!, copied);
      changes[copied.id] = [before, withSlots(node, before.slots)];
    }
  return { ...last, from: project, project: withChanges(last.project, project, changes) };
}

/** Places of a page are carried over an edit that leaves the slots the objects they were. */
const withSlots = (node: Node, slots: Node['slots']): Node =>
  node.slots === slots ? node : { ...node, slots };

/** What stands in the project for a piece: its copies, and itself, even where no row shows it. */
function madeOf({ copies }: Printed, id: NodeId): readonly Copied[] {
  const made = copies.get(id) ?? [];
  return made.some((copied) => copied.id === id) ? made : [itselfAt(id), ...made];
}

/** A piece as it is without a row. */
const itselfAt = (id: NodeId): Copied => ({ id, at: [], row: {}, language: NO_LANGUAGE });

function withChanges(
  last: Project,
  project: Project,
  changes: Readonly<Record<NodeId, Change<Node>>>
): Project {
  const nodes = { ...last.nodes };
  for (const [id, [, after]] of Object.entries(changes)) nodes[id as NodeId] = after!;
  const next = { ...project, nodes };
  remember(next, last, { nodes: changes });
  return next;
}

/** Whether a piece draws its first child once for each row. */
export const repeats = ({ rows, query }: Node): boolean => rows !== undefined || query !== undefined;

/** Language of what stands on no page. */
const NO_LANGUAGE = 'en';

export const languageAt = (project: Project, id: NodeId): string =>
  maybePageOf(project, id)?.language ?? NO_LANGUAGE;

/** @returns the rows a piece repeats its first child over: of a source, or its own; none where it repeats nothing. */
export const rowsAt = (project: Project, { id, query, rows = [] }: Node): readonly Row[] =>
  query ? rowsOf(project, query, languageAt(project, id)) : rows;

const bringsRows = ({ nodes = {} }: Diff): boolean =>
  Object.values(nodes).some(([, after]) => after && repeats(after));

/** Whether an edit left a project that repeats nothing without anything that does: told without a look at all of it. */
function isFreeOfRows(project: Project, last: Printed | undefined): boolean {
  if (last?.project !== last?.from) return false;
  const steps = last ? maybeSteps(last.from, project) : null;
  return steps !== null && !steps.some(bringsRows);
}

/** Whether a piece is to be left out while its lists are empty, and they are. */
function isLeftOut(registry: Registry, project: Project, node: Node): boolean {
  const { leftOut } = registry.of(node);
  if (leftOut === undefined || node.settings[leftOut] !== true) return false;
  const lists = subtreeOf(project, node.id).filter(({ query }) => query !== undefined);
  return lists.length > 0 && lists.every((list) => rowsAt(project, list).length === 0);
}

/** Whether a piece is on the page: what is empty stays where its owner needs it. */
export function isPrinted(registry: Registry, project: Project, { id }: Node): boolean {
  const place = maybePlaceOf(project, id);
  if (!place) return true;
  return expanded(registry, project).project.nodes[place.parent]!.slots[place.slot]!.includes(id);
}

class Expander {
  private readonly nodes: Record<NodeId, Node>;
  private readonly templates = new Map<NodeId, NodeId>();
  private readonly copies = new Map<NodeId, Copied[]>();
  /** Of the page that the list stands on. */
  private language = NO_LANGUAGE;

  constructor(
    private readonly registry: Registry,
    private readonly project: Project
  ) {
    this.nodes = { ...project.nodes };
  }

  all(owners: readonly Node[]): Omit<Printed, 'from'> {
    for (const { id } of owners) {
      if (this.templates.has(id)) continue;
      this.language = languageAt(this.project, id);
      this.make(id, [], {});
    }
    for (const { id } of owners) this.leaveOutAround(id);
    const { templates, copies } = this;
    return {
      project: { ...this.project, nodes: this.nodes },
      templateOf: (id) => templates.get(id) ?? id,
      copies
    };
  }

  /**
   * Makes a piece with all in it, for a row.
   * @param at the numbers of the rows it stands in, of the outermost list first.
   */
  private make(id: NodeId, at: readonly number[], row: Row): NodeId {
    const template = this.project.nodes[id]!;
    const own = idAt(this.project, id, at);
    const copied: Copied = { id: own, at, row, language: this.language };
    const node = copyOf(this.registry, this.project, template, copied);
    const slots = this.slots(template, at, row);
    const isSame = Object.keys(slots).every((slot) => sameIds(slots[slot]!, node.slots[slot] ?? []));
    this.nodes[own] = isSame ? node : { ...node, slots };
    this.templates.set(own, id);
    remembered(this.copies, id, () => []).push(copied);
    return own;
  }

  private slots(template: Node, at: readonly number[], row: Row): Record<string, readonly NodeId[]> {
    const repeating = repeats(template) ? repeatingSlot(this.registry, template) : null;
    const made = emptyRecord<readonly NodeId[]>();
    for (const [slot, ids] of Object.entries(template.slots))
      made[slot] =
        slot === repeating && ids[0]
          ? this.repeated(template, ids[0], at, row)
          : this.shown(template, slot, row).map((id) => this.make(id, at, row));
    return { ...made };
  }

  /** A kind that cannot be empty shows its template as it is, where no row comes. */
  private repeated(owner: Node, first: NodeId, at: readonly number[], around: Row): readonly NodeId[] {
    const rows = rowsAt(this.project, owner);
    const needsOne = (repeatingSlotOf(this.registry, owner)?.least ?? 0) > 0;
    if (rows.length === 0 && needsOne) return [this.make(first, [...at, 0], around)];
    return rows.map((own, n) => this.make(first, [...at, n], { ...around, ...own }));
  }

  /** What stands around a list, and is drawn as it is but for what is left out of it. */
  private leaveOutAround(list: NodeId): void {
    for (let at = maybePlaceOf(this.project, list); at; at = maybePlaceOf(this.project, at.parent)) {
      const owner = this.project.nodes[at.parent]!;
      if (this.templates.has(owner.id)) return;
      const ids = this.shown(owner, at.slot, {});
      if (!sameIds(ids, owner.slots[at.slot]!)) this.nodes[owner.id] = withChildren(owner, at.slot, ids);
    }
  }

  /** What a kind needs stays, whatever is empty in it. */
  private shown(owner: Node, slot: string, row: Row): readonly NodeId[] {
    const shown = owner.slots[slot]!.filter((id) => isShownFor(this.project.nodes[id]!, row));
    const filled = shown.filter((id) => !isLeftOut(this.registry, this.project, this.project.nodes[id]!));
    const { least = 0 } = this.registry.of(owner).slots[slot] ?? {};
    return filled.length < least ? shown : filled;
  }
}

const shortened = new WeakMap<Node, Node>();

/** The same object as long as the piece and what is left in it are. */
function withChildren(owner: Node, slot: string, ids: readonly NodeId[]): Node {
  const last = shortened.get(owner);
  if (last && sameIds(last.slots[slot]!, ids)) return last;
  const next = { ...owner, slots: { ...owner.slots, [slot]: ids } };
  shortened.set(owner, next);
  return next;
}

/** @returns the slot of a piece whose first child is repeated; null for a kind that repeats nothing. */
export const repeatingSlot = (registry: Registry, node: Node): string | null =>
  Object.entries(registry.of(node).slots).find(([, slot]) => slot.repeats)?.[0] ?? null;

const repeatingSlotOf = (registry: Registry, node: Node): Slot | undefined =>
  Object.values(registry.of(node).slots).find((slot) => slot.repeats);
