import { emptyRecord } from '../data/record';
import { maybeSoleToken } from '../css/tokens';
import { STYLE_PROPERTIES } from '../css/properties';
import type { Kind } from '../kinds/contract';
import { conditionWords } from '../kinds/conditions';
import type { Registry } from '../kinds/registry';
import { defaultSettings, fieldsOf } from '../kinds/settings';
import { diffOf } from '../project/diff';
import { maybePageOf, maybePlaceOf } from '../project/tree';
import type {
  Change,
  ConditionName,
  Node,
  NodeId,
  Page,
  PageId,
  Project,
  Settings,
  Styles
} from '../project/types';
import { maybeField, settingWords, type FieldWords } from '../specification/words';

/** One thing that is otherwise in one of two versions of a project. */
export interface Difference {
  /** The page it is on; null for what belongs to the project. */
  readonly page: PageId | null;
  /** The piece it is of, in whichever version has it; null for none. */
  readonly node: NodeId | null;
  /** Of what: `Season tabs, tab, hover`. */
  readonly where: string;
  readonly what: string;
  /** In words; null for what is not there. */
  readonly before: string | null;
  readonly after: string | null;
}

/** Two versions, with what is asked of either. */
interface Versions {
  readonly registry: Registry;
  readonly before: Project;
  readonly after: Project;
}

type Told = Omit<Difference, 'page' | 'node'>;

const MOST_WORDS = 80;

const shortened = (words: string): string =>
  words.length > MOST_WORDS ? `${words.slice(0, MOST_WORDS - 1).trimEnd()}…` : words;

const isSame = (one: unknown, other: unknown): boolean =>
  one === other || JSON.stringify(one) === JSON.stringify(other);

/** Keys of either of two records whose values differ. */
function keysThatDiffer<T>(
  one: Readonly<Record<string, T>>,
  other: Readonly<Record<string, T>>
): readonly string[] {
  const keys = new Set([...Object.keys(one), ...Object.keys(other)]);
  return [...keys].filter((key) => !isSame(one[key], other[key]));
}

const plainWords = (html: string): string =>
  html
    .replaceAll(/<[^>]*>/g, ' ')
    .replaceAll(/\s+/g, ' ')
    .trim();

function valueWords(value: unknown, field: FieldWords, project: Project): string {
  const words = settingWords(value, field, project);
  return shortened(field.control === 'rich' ? plainWords(words) : words);
}

function fieldsByKey(kind: Kind): ReadonlyMap<string, FieldWords> {
  const fields = fieldsOf(kind).flatMap((entry) => maybeField(entry) ?? []);
  return new Map(fields.map((field) => [field.key, field]));
}

/** What was never set is as the kind has it. */
function settingsBetween(
  versions: Versions,
  node: Node,
  where: string,
  one: Settings,
  other: Settings
): Told[] {
  const kind = versions.registry.of(node);
  const fields = fieldsByKey(kind);
  const all = (settings: Settings) => ({ ...defaultSettings(kind), ...settings });
  return keysThatDiffer(one, other).flatMap((key) => {
    const field = fields.get(key);
    if (!field) return [];
    const before = valueWords(all(one)[key], field, versions.before);
    const after = valueWords(all(other)[key], field, versions.after);
    return { where, what: field.label, before, after };
  });
}

const under = (condition: string): string =>
  condition === 'always' ? '' : `, ${conditionWords(condition as ConditionName)}`;

/** A value by the token it is, where it is one. */
function styleWords(value: string | undefined, { tokens }: Project): string {
  if (value === undefined) return 'nothing of its own';
  const token = maybeSoleToken(value);
  return (token && tokens[token]?.name) ?? value;
}

interface Cell {
  readonly part: string;
  readonly state: string;
  readonly condition: string;
  readonly property: string;
}

/** Every value of a look, by where it is said. */
function cellsOf(styles: Styles): Readonly<Record<string, string>> {
  const found = emptyRecord<string>();
  for (const [part, states] of Object.entries(styles))
    for (const [state, conditions] of Object.entries(states))
      for (const [condition, declarations] of Object.entries(conditions ?? {}))
        for (const [property, value] of Object.entries(declarations ?? {}))
          found[JSON.stringify({ part, state, condition, property } satisfies Cell)] = value;
  return found;
}

function placeOfCell({ anatomy, states }: Kind, { part, state, condition }: Cell): string {
  const label = anatomy[part]?.label ?? part;
  const inState = state === 'rest' ? '' : `, ${states?.[state]?.label ?? state}`;
  return `${label}${inState}${under(condition)}`;
}

/** What a piece has there as it comes. */
const lookOf = ({ look }: Kind, { part, state, condition, property }: Cell): string | undefined =>
  look[part]?.[state]?.[condition as ConditionName]?.[property];

function stylesBetween({ registry, before, after }: Versions, one: Node, other: Node): Told[] {
  const kind = registry.of(other);
  const [was, is] = [cellsOf(one.styles), cellsOf(other.styles)];
  return keysThatDiffer(was, is).map((key) => {
    const cell = JSON.parse(key) as Cell;
    return {
      where: `${other.name}, ${placeOfCell(kind, cell)}`,
      what: STYLE_PROPERTIES.get(cell.property)?.label ?? cell.property,
      before: styleWords(was[key] ?? lookOf(kind, cell), before),
      after: styleWords(is[key] ?? lookOf(kind, cell), after)
    };
  });
}

function effectsBetween({ registry }: Versions, one: Node, other: Node): Told[] {
  const [was, is] = [new Set(one.effects ?? []), new Set(other.effects ?? [])];
  const labelOf = (effect: string) => registry.maybeEffectOf(effect)?.label ?? effect;
  const differing = [...new Set([...was, ...is])].filter((effect) => was.has(effect) !== is.has(effect));
  return differing.map((effect) => ({
    where: other.name,
    what: labelOf(effect),
    before: was.has(effect) ? 'does it' : null,
    after: is.has(effect) ? 'does it' : null
  }));
}

/** Where a piece stands, for people: after what, in what. */
function placeWords(project: Project, id: NodeId): string {
  const at = maybePlaceOf(project, id);
  if (!at) return 'nowhere';
  const parent = project.nodes[at.parent]!;
  const before = parent.slots[at.slot]![at.index - 1];
  return before ? `after ${project.nodes[before]?.name ?? '—'}` : `first in ${parent.name}`;
}

/** Which of the same things stand otherwise in a row: the one that was taken elsewhere, where it was one. */
function movedIn(one: readonly NodeId[], other: readonly NodeId[]): readonly NodeId[] {
  const without = (row: readonly NodeId[], id: NodeId) => row.filter((each) => each !== id).join();
  const differing = other.filter((id, i) => one[i] !== id);
  const alone = differing.find((id) => without(one, id) === without(other, id));
  return alone ? [alone] : differing;
}

/** Pieces in a slot that came from elsewhere, or stand in another order than those that stood there before. */
function movedInto({ before, after }: Versions, parent: NodeId, slot: string): readonly NodeId[] {
  const had = before.nodes[parent]?.slots[slot] ?? [];
  const has = after.nodes[parent]!.slots[slot]!;
  const come = has.filter((id) => !had.includes(id) && Object.hasOwn(before.nodes, id));
  const stayed = (row: readonly NodeId[], others: readonly NodeId[]) =>
    row.filter((id) => others.includes(id));
  return [...come, ...movedIn(stayed(had, has), stayed(has, had))];
}

function placeChanges(versions: Versions, parent: Node): readonly Difference[] {
  const moved = Object.keys(parent.slots).flatMap((slot) => movedInto(versions, parent.id, slot));
  return moved.map((node) => ({
    page: maybePageOf(versions.after, node)?.id ?? null,
    node,
    where: versions.after.nodes[node]!.name,
    what: 'Place',
    before: placeWords(versions.before, node),
    after: placeWords(versions.after, node)
  }));
}

function namesBetween(one: Node, other: Node): Told[] {
  if (one.name === other.name) return [];
  return [{ where: other.name, what: 'Name', before: one.name, after: other.name }];
}

/** What else a piece has that is not said in a few words. */
const OTHERWISE = {
  rows: 'Its rows',
  query: 'Which rows',
  binds: 'What comes from columns',
  linked: 'What it follows'
};

const othersBetween = (one: Node, other: Node): Told[] =>
  Object.entries(OTHERWISE)
    .filter(([key]) => !isSame(one[key as 'rows'], other[key as 'rows']))
    .map(([, what]) => ({ where: other.name, what, before: 'as before', after: 'changed' }));

function nodesBetween(versions: Versions, one: Node, other: Node): Told[] {
  const conditions = keysThatDiffer<Settings | undefined>(one.adapt, other.adapt) as readonly ConditionName[];
  const adapted = conditions.flatMap((condition) => {
    const [was, is] = [one, other].map(({ adapt }) => adapt[condition as 'print'] ?? {});
    return settingsBetween(versions, other, `${other.name}${under(condition)}`, was!, is!);
  });
  return [
    ...namesBetween(one, other),
    ...settingsBetween(versions, other, other.name, one.settings, other.settings),
    ...adapted,
    ...othersBetween(one, other),
    ...effectsBetween(versions, one, other),
    ...stylesBetween(versions, one, other)
  ];
}

/** A piece that came or went is told once, not with everything in it. */
function wholePiece(versions: Versions, id: NodeId, isNew: boolean): readonly Told[] {
  const [here, there] = isNew ? [versions.after, versions.before] : [versions.before, versions.after];
  const at = maybePlaceOf(here, id);
  // A page that came or went is told as a page.
  if (!at || !Object.hasOwn(there.nodes, at.parent)) return [];
  const node = here.nodes[id]!;
  const words = `${versions.registry.of(node).label.toLowerCase()}, ${placeWords(here, id)}`;
  return [
    {
      where: node.name,
      what: isNew ? 'Added' : 'Taken away',
      before: isNew ? null : words,
      after: isNew ? words : null
    }
  ];
}

function nodeChange(versions: Versions, id: NodeId, [one, other]: Change<Node>): readonly Difference[] {
  const project = other ? versions.after : versions.before;
  const told = one && other ? nodesBetween(versions, one, other) : wholePiece(versions, id, one === null);
  const page = maybePageOf(project, id)?.id ?? null;
  const own = told.map((each) => ({ page, node: id, ...each }));
  return other ? [...own, ...placeChanges(versions, other)] : own;
}

const ABOUT_PAGE = ['name', 'address', 'title', 'description', 'language', 'picture'] as const;

function pageChange(id: PageId, [one, other]: Change<Page>): readonly Difference[] {
  const of = { page: id, node: null, where: (other ?? one)!.name };
  if (!one || !other)
    return [
      {
        ...of,
        what: one ? 'Page deleted' : 'Page added',
        before: one?.name ?? null,
        after: other?.name ?? null
      }
    ];
  return ABOUT_PAGE.filter((key) => one[key] !== other[key]).map((key) => ({
    ...of,
    what: `${key.charAt(0).toUpperCase()}${key.slice(1)}`,
    before: shortened(one[key] || 'none'),
    after: shortened(other[key] || 'none')
  }));
}

/** What belongs to the project: tokens, pictures, what is on the shelf, sources, bands. */
function projectChanges({ before, after }: Versions): readonly Difference[] {
  const of = { page: null, node: null };
  const named = <T>(
    table: string,
    words: (each: T) => string,
    name: (each: T) => string,
    [one, other]: Change<T>
  ) => ({
    ...of,
    where: table,
    what: name((other ?? one)!),
    before: one && shortened(words(one)),
    after: other && shortened(words(other))
  });
  const changed = <T>(one: Readonly<Record<string, T>>, other: Readonly<Record<string, T>>) =>
    keysThatDiffer(one, other).map((key): Change<T> => [one[key] ?? null, other[key] ?? null]);
  const info = (what: string, was: string, is: string) =>
    was === is ? [] : [{ ...of, where: 'Project', what, before: was, after: is }];
  const bandWords = ({ info: { bands } }: Project) => `${bands.narrow} and ${bands.medium} px`;
  return [
    ...info('Name', before.info.name, after.info.name),
    ...info('Width bands', bandWords(before), bandWords(after)),
    ...info('Browsers', before.info.support, after.info.support),
    ...changed(before.tokens, after.tokens).map((each) =>
      named(
        'Token',
        ({ value }) => value,
        ({ name }) => name,
        each
      )
    ),
    ...changed(before.assets, after.assets).map((each) =>
      named(
        'File',
        ({ bytes }) => `${bytes} B`,
        ({ file }) => file,
        each
      )
    ),
    ...changed(before.shelf, after.shelf).map((each) =>
      named(
        'Shelf',
        ({ name }) => name,
        ({ name }) => name,
        each
      )
    ),
    ...changed(before.sources, after.sources).map((each) =>
      named(
        'Source',
        ({ rows }) => `${rows.length} rows`,
        ({ name }) => name,
        each
      )
    )
  ];
}

/**
 * @returns what is otherwise in the second of two versions of a project, in words: what belongs to the project
 * first, then page by page. Pieces are told apart by their ids, so two projects that were never one have nothing in
 * common.
 */
export function differencesBetween(
  registry: Registry,
  before: Project,
  after: Project
): readonly Difference[] {
  const versions = { registry, before, after };
  const { nodes = {}, pages = {} } = diffOf(before, after) ?? {};
  const all = [
    ...Object.entries(pages).flatMap(([id, change]) => pageChange(id as PageId, change)),
    ...Object.entries(nodes).flatMap(([id, change]) => nodeChange(versions, id as NodeId, change))
  ];
  const order = [...after.info.pageOrder, ...before.info.pageOrder];
  const place = ({ page }: Difference) => (page === null ? order.length : order.indexOf(page));
  return [...projectChanges(versions), ...all.toSorted((one, other) => place(one) - place(other))];
}
