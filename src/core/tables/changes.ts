import type { Row, Source } from '../project/types';
import type { Table } from './table';

/** How new rows differ from those there are. */
export interface Changes {
  readonly added: number;
  readonly changed: number;
  readonly gone: number;
  /** Columns that are no longer there, and those whose values are of another sort now. */
  readonly columnsGone: readonly string[];
  readonly columnsChanged: readonly string[];
}

const written = (row: Row): string =>
  JSON.stringify(Object.entries(row).sort(([a], [b]) => (a < b ? -1 : 1)));

/** The first column in which no value stands twice, in both tables: it tells which row is which. */
function keyOf(before: Source, after: Table): string | null {
  const tells = (rows: readonly Row[], name: string) =>
    new Set(rows.map((row) => row[name] ?? null)).size === rows.length;
  const both = before.columns.filter(({ name }) => after.columns.some((column) => column.name === name));
  return both.find(({ name }) => tells(before.rows, name) && tells(after.rows, name))?.name ?? null;
}

/** @returns what taking new rows into a source would change. Rows are told apart by the first column that can. */
export function changesBetween(before: Source, after: Table): Changes {
  const key = keyOf(before, after);
  const nameOf = (row: Row) => (key === null ? written(row) : String(row[key] ?? ''));
  const [was, now] = [before.rows, after.rows].map(
    (rows) => new Map(rows.map((row) => [nameOf(row), row]))
  ) as [Map<string, Row>, Map<string, Row>];
  const kept = [...now].filter(([name]) => was.has(name));
  const typeNow = new Map(after.columns.map(({ name, type }) => [name, type]));
  return {
    added: now.size - kept.length,
    changed: kept.filter(([name, row]) => written(row) !== written(was.get(name)!)).length,
    gone: was.size - kept.length,
    columnsGone: before.columns.flatMap(({ name }) => (typeNow.has(name) ? [] : [name])),
    columnsChanged: before.columns.flatMap(({ name, type }) =>
      typeNow.has(name) && typeNow.get(name) !== type ? [name] : []
    )
  };
}

/** @returns the changes in words, such as “2 new, 1 changed, 1 gone”. */
export function changesInWords({ added, changed, gone, columnsGone, columnsChanged }: Changes): string {
  const counted = (
    [
      [added, 'new'],
      [changed, 'changed'],
      [gone, 'gone']
    ] as const
  ).flatMap(([count, word]) => (count > 0 ? [`${count} ${word}`] : []));
  const columns = [
    ...columnsGone.map((name) => `the column ${name} is gone`),
    ...columnsChanged.map((name) => `the column ${name} is of another sort`)
  ];
  return [...counted, ...columns].join(', ') || 'nothing has changed';
}
