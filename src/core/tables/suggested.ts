import { ownOf } from '../data/record';
import type { Column, Query, Row, Source, Where } from '../project/types';

/** What a query may ask of a source, and what a tab that shows it would be called. */
export interface Suggestion {
  readonly label: string;
  /** In words, such as “reduced has a value”. */
  readonly says: string;
  readonly query: Partial<Query>;
}

/** Of a column with more values than these, none is worth a list of its own. */
const VALUES_MOST = 6;

const capital = (text: string): string => text.slice(0, 1).toLocaleUpperCase() + text.slice(1);

const isSomething = (value: Row[string] | undefined): boolean =>
  value !== null && value !== undefined && value !== '';

const valuesIn = ({ name }: Column, rows: readonly Row[]): readonly (Row[string] | undefined)[] =>
  rows.map((row) => ownOf(row, name));

const where = (column: string, is: Where['is'], value: string): Partial<Query> => ({
  where: [{ column, is, value }]
});

/** Rows with anything in a column, where others have nothing. */
function filledIn(column: Column, rows: readonly Row[]): readonly Suggestion[] {
  const { name } = column;
  const filled = valuesIn(column, rows).filter(isSomething).length;
  if (filled === 0 || filled === rows.length) return [];
  return [{ label: capital(name), says: `${name} has a value`, query: where(name, 'filled', '') }];
}

function truth(column: Column, rows: readonly Row[]): readonly Suggestion[] {
  const { name } = column;
  if (!valuesIn(column, rows).includes(true)) return [];
  return [{ label: capital(name), says: `${name} is yes`, query: where(name, 'is', 'yes') }];
}

const group = (name: string, value: string): Suggestion => ({
  label: capital(value),
  says: `${name} is ${value}`,
  query: where(name, 'is', value)
});

/** One list for each value of a column that sorts rows into a few groups. */
function groups(column: Column, rows: readonly Row[]): readonly Suggestion[] {
  const values = new Set(valuesIn(column, rows).filter(isSomething));
  const isOfGroups = values.size > 1 && values.size <= VALUES_MOST && values.size * 2 <= rows.length;
  return isOfGroups ? [...values].map((value) => group(column.name, String(value))) : [];
}

const downwards = (label: string, says: string, by: string): Suggestion => ({
  label,
  says,
  query: { by, down: true }
});

const inOrder = ({ name, type }: Column): Suggestion =>
  type === 'date'
    ? downwards('Newest', `newest by ${name}`, name)
    : downwards(`Most ${name}`, `most ${name} first`, name);

function suggestedBy(column: Column, rows: readonly Row[]): readonly Suggestion[] {
  if (column.type === 'yes-no') return truth(column, rows);
  const partly = filledIn(column, rows);
  if (column.type === 'text') return [...groups(column, rows), ...partly];
  // What only some rows have tells those apart, rather than putting all in an order.
  return partly.length > 0 ? partly : [inOrder(column)];
}

/**
 * @returns what lists over a source are likely to ask for, by the types and the values of its columns, in their
 * order: an order downwards for dates and numbers, one truth, one group, or what only some rows have.
 */
export const suggestedFor = ({ columns, rows }: Source): readonly Suggestion[] =>
  columns.flatMap((column) => suggestedBy(column, rows));
