import type { AnySchema } from 'yup';
import { visit } from 'unist-util-visit';
import { defined } from '../data/compact';
import { emptyRecord, ownOf } from '../data/record';
import { cleanHtml } from '../html/clean';
import { CONTROLS } from '../kinds/controls';
import { withRenewedReferences } from '../kinds/mapping';
import type { FieldMeta } from '../kinds/contract';
import type { Registry } from '../kinds/registry';
import { settingsWithDefaults } from '../kinds/settings';
import { nodeOf, subtreeIds } from '../project/tree';
import type {
  AssetId,
  Binding,
  ColumnType,
  Comparison,
  Json,
  Node,
  NodeId,
  Project,
  Query,
  Source,
  ValueFormat
} from '../project/types';
import { cellOf, type Cell } from '../tables/cells';
import { folded, needsValue } from '../tables/query';
import { sourceOf } from './around';
import { assetNamed, SHOWN } from './binding';
import { MARKED_ROW } from './marked-row';
import { languageAt, repeatingSlot } from './rows';

/** What stands in the place of a mark: the value of a column, as it is written, or what is said where there is none. */
export interface Mark {
  readonly column: string;
  readonly otherwise: string;
  /** The only value it stands for: all others are as none. */
  readonly only?: string;
  /** Options of `Intl.NumberFormat` or `Intl.DateTimeFormat` (ECMA-402); left out: as it is. */
  readonly format?: Readonly<Record<string, string | number>>;
}

/**
 * What comes out where a value is compared: it is less, the same or more than what is asked for, or there is none;
 * `~` where the one is to contain the other.
 */
const OUTCOMES: Readonly<Record<Comparison, string>> = {
  is: '=',
  'is-not': '<>?',
  contains: '~',
  more: '>',
  less: '<',
  'at-least': '=>',
  'at-most': '<=',
  filled: '<=>',
  empty: '?'
};

type Condition = readonly [column: string, wanted: Cell, outcomes: string];

/** What the behaviour `fresh` is told, to draw a list anew from what an address gives. Plain JSON. */
export interface Refresh {
  readonly address: string;
  /** BCP 47 tag of the page. */
  readonly language: string;
  /** Of the columns it reads. */
  readonly types: Readonly<Record<string, ColumnType>>;
  readonly where: readonly Condition[];
  /** Whether one of the conditions has to hold, or each. */
  readonly any: 'some' | 'every';
  /** Column it is sorted by, empty for none; upwards 1, downwards -1. */
  readonly by: string;
  readonly way: 1 | -1;
  /** Of the rows that are left: the first that is shown, and the one behind the last. */
  readonly from: number;
  readonly to: number;
  /** By how each is written in the row that stands for all. */
  readonly marks: Readonly<Record<string, Mark>>;
}

/** Marks of one list, each once. */
class Marks {
  readonly all = emptyRecord<Mark>();
  private readonly written = new Map<string, string>();

  /** @returns how a mark is written: `{{price}}`, and `{{price 2}}` where the column is also written otherwise. */
  of(mark: Mark): string {
    const key = JSON.stringify(mark);
    const known = this.written.get(key);
    if (known) return known;
    const name = mark.only ?? mark.column;
    let text = `{{${name}}}`;
    for (let n = 2; Object.hasOwn(this.all, text); n += 1) text = `{{${name} ${n}}}`;
    this.all[text] = mark;
    this.written.set(key, text);
    return text;
  }
}

function optionsOf(format: ValueFormat | undefined): Mark['format'] {
  if (!format) return undefined;
  if (format.as === 'date') return { dateStyle: format.style, timeZone: 'UTC' };
  if (format.as === 'money') return { style: 'currency', currency: format.currency };
  const { decimals } = format;
  return { minimumFractionDigits: decimals, maximumFractionDigits: decimals };
}

/** Of rich text what stands in a line with what is around it. */
const INLINE: readonly string[] = ['strong', 'em', 'a', 'code', 's'];

/** @returns rich text as one line of plain text. */
function lineOf(html: string): string {
  const found: string[] = [];
  visit(cleanHtml(html), (node) => {
    if (node.type === 'text') found.push(node.value);
    else if (node.type === 'element' && !INLINE.includes(node.tagName)) found.push(' ');
  });
  return found.join('').replace(/\s+/g, ' ').trim();
}

const fieldOf = (registry: Registry, node: Node, key: string): FieldMeta | undefined =>
  (
    ownOf(registry.of(node).settings.fields as Record<string, AnySchema>, key)?.meta() as
      { field?: FieldMeta } | undefined
  )?.field;

/** What a bound setting says: words and links can come later, what a style sheet is made of cannot. */
const saysOf = (registry: Registry, node: Node, key: string): string | undefined => {
  const field = fieldOf(registry, node, key);
  return field && CONTROLS[field.control].says;
};

const isWritten = (says: string | undefined): boolean => says === 'words' || says === 'link';

/** Keys that are bound and written nowhere in the markup of a row: its name, and whether it is drawn. */
const BESIDE: readonly string[] = ['name', SHOWN];

/** More of them would make a page heavy that shows a few. */
const PICTURES_MOST = 60;

/** Pictures of the project that a column names, each once, by what stands in the cells. */
function picturesIn({ rows }: Source, column: string, { assets }: Project): ReadonlyMap<string, AssetId> {
  const found = new Map<string, AssetId>();
  for (const row of rows) {
    const name = String(ownOf(row, column) ?? '');
    const asset = found.has(name) ? null : assetNamed(assets, name);
    if (asset) found.set(name, asset.id);
  }
  return found;
}

/** The bound setting of a piece that is a picture, if there is one. */
const pictureKeyOf = (registry: Registry, node: Node): string | undefined =>
  Object.keys(node.binds ?? {}).find((key) => saysOf(registry, node, key) === 'picture');

/** What a page can fill in: all else stands in no markup. */
const FILLED: readonly (string | undefined)[] = ['words', 'link', 'picture'];

const hasUnwritten = (registry: Registry, node: Node): boolean =>
  Object.keys(node.binds ?? {}).some(
    (key) => !BESIDE.includes(key) && !FILLED.includes(saysOf(registry, node, key))
  );

/** Why a page cannot tell which picture a piece shows. */
function unshowable(project: Project, source: Source, { column }: Binding, shown?: Binding): string | null {
  if (picturesIn(source, column, project).size > PICTURES_MOST)
    return `may show more than ${PICTURES_MOST} pictures, which would all stand in the page`;
  return shown && shown.column !== column ? 'is drawn by another column than its picture comes from' : null;
}

/** @returns why a page cannot fill in what is bound in a piece, in a few words; null where it can. */
export function unfillable(registry: Registry, project: Project, source: Source, node: Node): string | null {
  if (hasUnwritten(registry, node)) return 'has more from a column than words, links and a picture';
  const key = pictureKeyOf(registry, node);
  return key === undefined ? null : unshowable(project, source, node.binds![key]!, node.binds![SHOWN]);
}

/** Puts marks in what is bound in the pieces of a template. */
class Marker {
  readonly nodes: [NodeId, Node][] = [];
  readonly marks = new Marks();
  /** Ids of what stands for the pieces of the template. */
  private readonly renamed: ReadonlyMap<NodeId, NodeId>;

  constructor(
    private readonly registry: Registry,
    private readonly project: Project,
    private readonly source: Source,
    template: NodeId
  ) {
    const ids = subtreeIds(project, template);
    this.renamed = new Map(ids.map((id) => [id, `${id}-${MARKED_ROW}` as NodeId]));
  }

  /** @returns the ids of what stands for a piece: one, or for a picture from a column one for each it can be. */
  make(id: NodeId): readonly NodeId[] {
    const template = nodeOf(this.project, id);
    const node = withRenewedReferences(this.registry.of(template), this.marked(template), this.renamed);
    const own = { ...node, slots: this.slots(template), copyOf: id };
    const key = pictureKeyOf(this.registry, template);
    return key === undefined ? [this.add(own, this.renamed.get(id)!)] : this.pictures(own, key);
  }

  private readonly makeAll = (ids: readonly NodeId[]): readonly NodeId[] =>
    ids.flatMap((id) => this.make(id));

  private readonly slots = ({ slots }: Node) =>
    Object.fromEntries(Object.entries(slots).map(([slot, ids]) => [slot, this.makeAll(ids)]));

  private add(node: Node, id: NodeId): NodeId {
    this.nodes.push([id, { ...node, id }]);
    return id;
  }

  private pictures(node: Node, key: string): readonly NodeId[] {
    const { column } = node.binds![key]!;
    return [...picturesIn(this.source, column, this.project)].map(([name, asset], n) => {
      const drawnFor = this.marks.of({ column, otherwise: '', only: name });
      const own = { ...node, settings: { ...node.settings, [key]: asset }, drawnFor };
      return this.add(own, `${this.renamed.get(node.id)!}-${n + 1}` as NodeId);
    });
  }

  private marked(node: Node): Node {
    const { [SHOWN]: shown, ...binds } = node.binds ?? {};
    const written = Object.keys(binds).filter((key) => isWritten(saysOf(this.registry, node, key)));
    const marks = written.map((key) => [key, this.written(node, key, binds[key]!)]);
    const drawnFor = shown && this.marks.of({ column: shown.column, otherwise: '' });
    return defined({
      ...node,
      settings: { ...node.settings, ...Object.fromEntries(marks) },
      drawnFor
    }) as Node;
  }

  /** What stands in a bound setting: a mark, as a paragraph where the field is rich text. */
  private written(node: Node, key: string, { column, otherwise, format }: Binding): Json {
    const isRich = fieldOf(this.registry, node, key)!.control === 'rich';
    const set = String(settingsWithDefaults(this.registry.of(node), node)[key] ?? '');
    const rest = otherwise ?? (isRich ? lineOf(set) : set);
    const text = this.marks.of(defined({ column, otherwise: String(rest), format: optionsOf(format) }));
    return isRich ? `<p>${text}</p>` : text;
  }
}

/** More rows than any list shows: JSON knows no endless number. */
const ENDLESS = 1e9;

/** Against what the column cannot have. */
const AGAINST_NOTHING: Readonly<Partial<Record<Comparison, string>>> = { is: '?', 'is-not': '<=>' };

/** A condition as a page tests it. */
function conditionOf({ column, is, value }: Query['where'][number], columns: Source['columns']): Condition {
  if (!needsValue(is)) return [column, null, OUTCOMES[is]];
  const wanted = folded(cellOf(value.trim(), typeIn(columns, column)));
  return [column, wanted, wanted === null ? (AGAINST_NOTHING[is] ?? '') : OUTCOMES[is]];
}

const typeIn = (columns: Source['columns'], column: string): ColumnType =>
  columns.find(({ name }) => name === column)?.type ?? 'text';

/** Types of the columns that are read, and of no others. */
const typesOf = ({ columns }: Source, read: readonly string[]): Refresh['types'] =>
  Object.fromEntries(columns.filter(({ name }) => read.includes(name)).map(({ name, type }) => [name, type]));

/** Conditions that have no value yet hold for all rows. */
const isAsked = ({ is, value }: Query['where'][number]): boolean => !needsValue(is) || value.trim() !== '';

function refreshOf(query: Query, source: Source, { all }: Marks, language: string): Refresh {
  const { any, by, down, most, skip } = query;
  const where = query.where.filter(isAsked).map((each) => conditionOf(each, source.columns));
  const written = Object.values(all).map(({ column }) => column);
  return {
    address: source.place,
    language,
    types: typesOf(source, [by, ...where.map(([column]) => column), ...written]),
    where,
    any: any && where.length > 0 ? 'some' : 'every',
    by,
    way: down ? -1 : 1,
    from: skip,
    to: most === 0 ? ENDLESS : skip + most,
    marks: all
  };
}

/** What a list is printed with that its page draws anew. */
export interface MarkedRow {
  /** The row that stands for all, with marks for values. */
  readonly nodes: Readonly<Record<NodeId, Node>>;
  /** What the list itself has beside what it had. */
  readonly refresh: string;
  readonly slots: Node['slots'];
}

/**
 * @param given the project, in which the list stands.
 * @returns null where it repeats nothing, or has no source.
 */
export function markedRow(registry: Registry, given: Project, list: Node): MarkedRow | null {
  const slot = repeatingSlot(registry, list);
  const first = slot === null ? undefined : list.slots[slot]?.[0];
  const source = sourceOf(given, list.query);
  if (!first || !list.query || !source) return null;
  const marker = new Marker(registry, given, source, first);
  const row = marker.make(first);
  const told = refreshOf(list.query, source, marker.marks, languageAt(given, list.id));
  return {
    nodes: Object.fromEntries(marker.nodes),
    refresh: JSON.stringify(told),
    slots: { [MARKED_ROW]: row }
  };
}
