import { ownOf } from '../data/record';
import type { Column, ColumnType, Comparison, Project, Query, Row, Source, Where } from '../project/types';
import { cellOf, type Cell } from './cells';

/** Which comparisons make sense for a column. */
export const COMPARISONS_OF: Readonly<Record<ColumnType, readonly Comparison[]>> = {
  text: ['is', 'is-not', 'contains', 'filled', 'empty'],
  number: ['is', 'is-not', 'more', 'less', 'at-least', 'at-most', 'filled', 'empty'],
  'yes-no': ['is', 'is-not', 'filled', 'empty'],
  date: ['is', 'is-not', 'more', 'less', 'at-least', 'at-most', 'filled', 'empty']
};

/** Whether a comparison asks for a value beside it. */
export const needsValue = (is: Comparison): boolean => is !== 'filled' && is !== 'empty';

export const emptyQuery = (source: Query['source']): Query => ({
  source,
  where: [],
  any: false,
  by: '',
  down: false,
  most: 0,
  skip: 0
});

/** Texts are the same whatever their case is. */
export const folded = (value: Cell): Cell => (typeof value === 'string' ? value.toLocaleLowerCase() : value);

type Tested = (value: Cell, wanted: Cell) => boolean;
const sizes =
  (holds: (by: number) => boolean): Tested =>
  (value, wanted) => {
    if (value === null || wanted === null) return false;
    if (value === wanted) return holds(0);
    return holds(value > wanted ? 1 : -1);
  };

const TESTS: Readonly<Record<Comparison, Tested>> = {
  is: (value, wanted) => value === wanted,
  'is-not': (value, wanted) => value !== wanted,
  contains: (value, wanted) => String(value ?? '').includes(String(wanted ?? '')),
  more: sizes((by) => by > 0),
  less: sizes((by) => by < 0),
  'at-least': sizes((by) => by >= 0),
  'at-most': sizes((by) => by <= 0),
  filled: (value) => value !== null && value !== '',
  empty: (value) => value === null || value === ''
};

/** A condition as a test of a row: one about a column that is gone holds for none, one without a value yet for all. */
function testOf({ column, is, value }: Where, columns: readonly Column[]): (row: Row) => boolean {
  const type = columns.find(({ name }) => name === column)?.type;
  if (!type) return () => false;
  if (needsValue(is) && value.trim() === '') return () => true;
  const wanted = folded(cellOf(value.trim(), type));
  return (row) => TESTS[is](folded(row[column] ?? null), wanted);
}

const isNothing = (value: Cell): boolean => value === null || value === '';

/** Texts by the order of the language (ECMA-402, Intl.Collator), all else by size; nothing comes last either way. */
function sorted(rows: readonly Row[], { by, down }: Query, language: string): readonly Row[] {
  const collator = new Intl.Collator(language, { numeric: true });
  const compare = (a: Cell, b: Cell): number =>
    typeof a === 'string' ? collator.compare(a, String(b)) : Number(a) - Number(b);
  const filled = rows.filter((row) => !isNothing(row[by] ?? null));
  const rest = rows.filter((row) => isNothing(row[by] ?? null));
  const turn = down ? -1 : 1;
  return [...filled.toSorted((a, b) => turn * compare(a[by]!, b[by]!)), ...rest];
}

/** @returns rows of a source that a query lets through, in its order, all of them. */
export function matching(source: Source, query: Query, language: string): readonly Row[] {
  const tests = query.where.map((each) => testOf(each, source.columns));
  const holds = (row: Row): boolean =>
    query.any && tests.length > 0 ? tests.some((test) => test(row)) : tests.every((test) => test(row));
  const found = source.rows.filter(holds);
  return query.by === '' ? found : sorted(found, query, language);
}

interface Known {
  readonly source: Source;
  readonly language: string;
  readonly rows: readonly Row[];
}

const known = new WeakMap<Query, Known>();

/**
 * @returns the rows a list shows: of those that match, so many after those that are skipped; none where its source
 * is gone. The same list as long as query, source and language are.
 * @param language BCP 47 tag of the page, by which texts are sorted.
 */
export function rowsOf(project: Pick<Project, 'sources'>, query: Query, language: string): readonly Row[] {
  const source = ownOf(project.sources as Readonly<Record<string, Source>>, query.source);
  if (!source) return [];
  const last = known.get(query);
  if (last?.source === source && last.language === language) return last.rows;
  const found = matching(source, query, language);
  const rows = found.slice(query.skip, query.most === 0 ? undefined : query.skip + query.most);
  known.set(query, { source, language, rows });
  return rows;
}
