import { decoded, readTable } from '$core/tables/read';
import { ROWS_MANY } from '$core/tables/packed';
import type { ReadTable, Table } from '$core/tables/table';

/** A file to be read as a table, a text that was pasted; then, for each portion that was taken over, the next. */
export type TableRequest = TableGiven | 'next';
export type TableGiven = { readonly bytes: ArrayBuffer; readonly name: string } | { readonly text: string };

/**
 * How far it has come, 0 to 1; then the rows in portions; in the end what was read, a table without its rows, and what
 * many rows are as JSON, which is needed wherever they go next.
 */
export type TableAnswer =
  | { readonly share: number }
  | { readonly rows: Table['rows'] }
  | { readonly read: ReadTable; readonly text: string | null };

/** Cells that a window takes over without losing a frame, as long as it has time for one in between. */
const PORTION = 10_000;

const say = (answer: TableAnswer): void => self.postMessage(answer);

function* portionsOf({ columns, rows }: Table): Generator<TableAnswer, void> {
  const step = Math.ceil(PORTION / columns.length);
  for (let at = 0; at < rows.length; at += step) yield { rows: rows.slice(at, at + step) };
}

function readTold(given: TableGiven): ReadTable {
  const text = 'text' in given ? given.text : decoded(new Uint8Array(given.bytes));
  return readTable(text, 'text' in given ? '' : given.name, (share) => say({ share }));
}

function* answersTo(given: TableGiven): Generator<TableAnswer, TableAnswer> {
  const read = readTold(given);
  if (!read.ok) return { read, text: null };
  yield* portionsOf(read.table);
  const { rows } = read.table;
  const text = rows.length > ROWS_MANY ? JSON.stringify(rows) : null;
  return { read: { ...read, table: { ...read.table, rows: [] } }, text };
}

let answers: Generator<TableAnswer, TableAnswer>;

self.onmessage = ({ data }: MessageEvent<TableRequest>) => {
  if (data !== 'next') answers = answersTo(data);
  say(answers.next().value);
};
