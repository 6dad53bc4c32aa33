import { isRecord, type Loose } from '../data/record';
import { Faults, refused, tableOf, type RawRow, type ReadTable } from './table';

/** The list in what was read: itself, or the only one that it holds. */
function listIn(value: unknown): readonly unknown[] | null {
  if (Array.isArray(value)) return value;
  if (!isRecord(value)) return null;
  const lists = Object.values(value).filter(Array.isArray);
  return lists.length === 1 ? lists[0]! : null;
}

/** A value as a text of one cell; null where it is too deep for one. */
function textOf(value: unknown): string | null {
  if (value === null || value === undefined) return '';
  if (typeof value === 'number') return Number.isFinite(value) ? String(value) : null;
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string') return value;
  const isFlat = Array.isArray(value) && value.every((each) => typeof each !== 'object');
  return isFlat ? value.join(', ') : null;
}

/** Values of a record by their column; what stands one level down as `price.net`. */
function flat(record: Loose): [string, unknown][] {
  return Object.entries(record).flatMap(([name, value]): [string, unknown][] =>
    isRecord(value)
      ? Object.entries(value).map(([inner, each]) => [`${name}.${inner}`, each])
      : [[name, value]]
  );
}

/**
 * Reads a list of records in JSON (RFC 8259), or what holds one such list. Columns are the names of all records.
 * Never throws.
 */
export function readJson(text: string): ReadTable {
  let parsed: unknown;
  try {
    parsed = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    return refused(`This is no JSON: ${(error as Error).message}.`);
  }
  const list = listIn(parsed);
  if (!list) return refused('This JSON holds no list of records. It should look like [{ "name": "…" }, …].');
  const faults = new Faults();
  const header: string[] = [];
  const places = new Map<string, number>();
  const raw: RawRow[] = [];
  for (const [n, record] of list.entries()) {
    const place = `record ${n + 1}`;
    if (!isRecord(record)) {
      faults.add(`${place} is no record and was left out.`);
      continue;
    }
    const cells: string[] = [];
    for (const [name, value] of flat(record)) {
      if (!places.has(name)) places.set(name, header.push(name) - 1);
      const words = textOf(value);
      if (words === null) faults.add(`${place}, ${name}: its value fits in no cell.`);
      cells[places.get(name)!] = words ?? '';
    }
    raw.push({ cells: Array.from(header, (_name, at) => cells[at] ?? ''), place });
  }
  if (header.length === 0)
    return refused('This list holds no record. It should look like [{ "name": "…" }, …].');
  return { ok: true, table: tableOf(header, raw, faults) };
}
