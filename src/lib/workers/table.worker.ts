import { decoded, readTable } from '$core/tables/read';
import { ROWS_MANY } from '$core/tables/packed';
import type { ReadTable, Table } from '$core/tables/table';

/** A file to be read as a table, or a text that was pasted. */
export type TableRequest = { readonly bytes: ArrayBuffer; readonly name: string } | { readonly text: string };

/**
 * How far it has come, 0 to 1; then the rows in portions; in the end what was read, a table without its rows, and what
 * many rows are as JSON, which is needed wherever they go next.
 */
export type TableAnswer =
  | { readonly share: number }
  | { readonly rows: Table['rows'] }
  | { readonly read: ReadTable; readonly text: string | null };

/** Cells that a window takes over without losing a frame. */
const PORTION = 10_000;

const say = (answer: TableAnswer): void => self.postMessage(answer);

function sayRows({ columns, rows }: Table): void {
  const step = Math.ceil(PORTION / columns.length);
  for (let at = 0; at < rows.length; at += step) say({ rows: rows.slice(at, at + step) });
}

self.onmessage = ({ data }: MessageEvent<TableRequest>) => {
  const text = 'text' in data ? data.text : decoded(new Uint8Array(data.bytes));
  const name = 'text' in data ? '' : data.name;
  const read = readTable(text, name, (share) => say({ share }));
  if (read.ok) sayRows(read.table);
  if (!read.ok) return say({ read, text: null });
  const { rows } = read.table;
  const json = rows.length > ROWS_MANY ? JSON.stringify(rows) : null;
  say({ read: { ...read, table: { ...read.table, rows: [] } }, text: json });
};
