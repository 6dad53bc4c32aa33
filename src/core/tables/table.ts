import { emptyRecord } from '../data/record';
import type { Column, Row } from '../project/types';
import { cellOf, typeOf } from './cells';

/** What was read of a file. */
export interface Table {
  readonly columns: readonly Column[];
  readonly rows: readonly Row[];
  /** What was wrong on the way, with where; the first of them, and how many there are in all. */
  readonly faults: readonly string[];
  readonly faultCount: number;
}

export type ReadTable =
  { readonly ok: true; readonly table: Table } | { readonly ok: false; readonly sentence: string };

/** A record as it stands in a file: a text for each column, and where it is. */
export interface RawRow {
  readonly cells: readonly string[];
  /** As a person finds it: `line 17`, `record 3`. */
  readonly place: string;
}

export const LIMITS = { rows: 50_000, columns: 300, cell: 5000, name: 80, bytes: 100e6 } as const;
/** More of them nobody reads. */
const FAULTS_TOLD = 50;

export const refused = (sentence: string): ReadTable => ({ ok: false, sentence });

/** Collects what is wrong: told are the first, counted are all. */
export class Faults {
  readonly told: string[] = [];
  count = 0;

  add(sentence: string): void {
    this.count += 1;
    if (this.told.length < FAULTS_TOLD) this.told.push(sentence);
  }
}

/** Names of columns, none empty and none twice. */
function namesOf(header: readonly string[], faults: Faults): string[] {
  const taken = new Set<string>();
  return header.map((raw, n) => {
    const own = raw.trim().slice(0, LIMITS.name) || `column ${n + 1}`;
    if (raw.trim() === '') faults.add(`Column ${n + 1} has no name; it is called “${own}”.`);
    let name = own === '__proto__' ? 'proto' : own;
    for (let copy = 2; taken.has(name); copy += 1) name = `${own} ${copy}`;
    if (name !== own) faults.add(`Two columns are called “${own}”; the later one is now “${name}”.`);
    taken.add(name);
    return name;
  });
}

/** @returns the columns and rows of what stands in a file, each column as what nearly all of its values are. */
export function tableOf(header: readonly string[], raw: readonly RawRow[], faults: Faults): Table {
  const names = namesOf(header.slice(0, LIMITS.columns), faults);
  if (header.length > LIMITS.columns)
    faults.add(`It has ${header.length} columns; the first ${LIMITS.columns} are taken.`);
  if (raw.length > LIMITS.rows) faults.add(`It has ${raw.length} rows; the first ${LIMITS.rows} are taken.`);
  const kept = raw.slice(0, LIMITS.rows);
  const texts = names.map((_name, n) =>
    kept.map(({ cells }) => (cells[n] ?? '').trim().slice(0, LIMITS.cell))
  );
  const columns = names.map((name, n): Column => ({ name, type: typeOf(texts[n]!) }));
  const rows = kept.map(({ place }, row): Row => {
    const made = emptyRecord<Row[string]>();
    columns.forEach(({ name, type }, n) => {
      const text = texts[n]![row]!;
      const value = cellOf(text, type);
      if (value === null && text !== '')
        faults.add(`${place}, ${name}: “${text.slice(0, 40)}” is no ${type}.`);
      made[name] = value;
    });
    return { ...made };
  });
  return { columns, rows, faults: faults.told, faultCount: faults.count };
}
