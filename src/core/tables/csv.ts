import Papa from 'papaparse';
import { Faults, LIMITS, refused, tableOf, type RawRow, type ReadTable } from './table';

const isBlank = (cells: readonly string[]): boolean => cells.every((cell) => cell.trim() === '');

/** Line breaks between two places of a text. */
function breaksBetween(text: string, from: number, to: number): number {
  let count = 0;
  for (let at = text.indexOf('\n', from); at !== -1 && at < to; at = text.indexOf('\n', at + 1)) count += 1;
  return count;
}

/** What a parser says of quotes, in words with what to do. */
const QUOTES: Readonly<Record<string, string>> = {
  MissingQuotes: 'a quotation mark is opened and never closed',
  InvalidQuotes: 'a quotation mark stands where none may'
};

/**
 * Reads comma-separated values (RFC 4180): also with semicolons or tabs, as spreadsheets write and copy them. The
 * first row that is not blank names the columns. Never throws.
 * @param onprogress told now and then which share of the text is read, 0 to 1.
 */
export function readCsv(text: string, onprogress: (share: number) => void = () => {}): ReadTable {
  const source = text.replace(/^\uFEFF/, '').replace(/\r\n?/g, '\n');
  const faults = new Faults();
  const raw: RawRow[] = [];
  let header: readonly string[] | null = null;
  let line = 1;
  let cursor = 0;
  let seen = 0;
  Papa.parse<string[]>(source, {
    newline: '\n',
    step({ data, errors, meta }) {
      const place = `line ${line}`;
      line += breaksBetween(source, cursor, meta.cursor);
      cursor = meta.cursor;
      seen += 1;
      if (seen % 2000 === 0) onprogress(cursor / source.length);
      for (const { code } of errors) if (QUOTES[code]) faults.add(`${place}: ${QUOTES[code]}.`);
      if (isBlank(data)) return;
      if (!header) return void (header = data);
      if (data.length !== header.length) faults.add(`${place} has ${data.length} cells of ${header.length}.`);
      raw.push({ cells: data, place });
    }
  });
  if (!header)
    return refused('This table is empty. It needs a row that names its columns, and rows below it.');
  return { ok: true, table: tableOf(trimmed(header), raw, faults) };
}

/** Spreadsheets write columns that nobody filled at the end of each row. */
function trimmed(header: readonly string[]): readonly string[] {
  const last = header.findLastIndex((name) => name.trim() !== '');
  return header.slice(0, Math.min(last + 1, LIMITS.columns + 1));
}
