import { ownOf } from '../data/record';
import type { Column, Query, Row, Source } from '../project/types';

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

const isNothing = (row: Row, { name }: Column): boolean => (ownOf(row, name) ?? '') === '';

/** Rows with anything in a column, where others have nothing. */
function filledIn(column: Column, rows: readonly Row[]): readonly Suggestion[] {
  const { name } = column;
  const empty = rows.filter((row) => isNothing(row, column)).length;
  if (empty === 0 || empty === rows.length) return [];
  const query: Partial<Query> = { where: [{ column: name, is: 'filled', value: '' }] };
  return [{ label: capital(name), says: `${name} has a value`, query }];
}

function truth({ name }: Column, rows: readonly Row[]): readonly Suggestion[] {
  const some = rows.some((row) => ownOf(row, name) === true);
  const query: Partial<Query> = { where: [{ column: name, is: 'is', value: 'yes' }] };
  return some ? [{ label: capital(name), says: `${name} is yes`, query }] : [];
}

/** One list for each value of a column that sorts rows into a few groups. */
function groups({ name }: Column, rows: readonly Row[]): readonly Suggestion[] {
  const values = new Set(rows.map((row) => ownOf(row, name)).filter((value) => (value ?? '') !== ''));
  const isOfGroups = values.size > 1 && values.size <= VALUES_MOST && values.size * 2 <= rows.length;
  if (!isOfGroups) return [];
  return [...values].map((value): Suggestion => {
    const query: Partial<Query> = { where: [{ column: name, is: 'is', value: String(value) }] };
    return { label: capital(String(value)), says: `${name} is ${String(value)}`, query };
  });
}

const downwards = (label: string, says: string, by: string): Suggestion => ({
  label,
  says,
  query: { by, down: true }
});

function suggestedBy(column: Column, rows: readonly Row[]): readonly Suggestion[] {
  const { name, type } = column;
  if (type === 'yes-no') return truth(column, rows);
  if (type === 'text') return [...groups(column, rows), ...filledIn(column, rows)];
  const partly = filledIn(column, rows);
  // What only some rows have tells those apart, rather than putting all in an order.
  if (partly.length > 0) return partly;
  return type === 'date'
    ? [downwards('Newest', `newest by ${name}`, name)]
    : [downwards(`Most ${name}`, `most ${name} first`, name)];
}

/**
 * @returns what lists over a source are likely to ask for, by the types and the values of its columns, in their
 * order: an order downwards for dates and numbers, one truth, one group, or what only some rows have.
 */
export const suggestedFor = ({ columns, rows }: Source): readonly Suggestion[] =>
  columns.flatMap((column) => suggestedBy(column, rows));
