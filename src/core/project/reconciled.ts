import { diffOf, patched, TABLES } from './diff';
import type { Project } from './types';

type Table = Record<string, unknown>;

const saysTheSame = (one: unknown, other: unknown): boolean => JSON.stringify(one) === JSON.stringify(other);

/** @returns `now`, in which what says the same as before is what was there before. */
const kept = <T>(before: T, now: T): T => (saysTheSame(before, now) ? before : now);

function keptTable(before: Table, now: Table): Table {
  const entries = Object.entries(now);
  return Object.fromEntries(
    entries.map(([id, each]) => [id, Object.hasOwn(before, id) ? kept(before[id], each) : each])
  );
}

const hasSameOrder = (one: Project, other: Project): boolean =>
  TABLES.every((table) => saysTheSame(Object.keys(one[table]), Object.keys(other[table])));

/**
 * A project that was read once more, as a step from what was known of it: what is remembered of its records, and
 * what hangs on how it came about, holds on.
 * @param before what was known; null where nothing was.
 * @returns what says the same as `now`: `before` where that does, `now` itself where no step leads to it.
 */
export function reconciled(before: Project | null, now: Project): Project {
  if (before?.id !== now.id) return now;
  const tables = TABLES.map((table) => [table, keptTable(before[table] as Table, now[table] as Table)]);
  const diff = diffOf(before, { ...now, info: kept(before.info, now.info), ...Object.fromEntries(tables) });
  const next = diff ? patched(before, diff) : before;
  return hasSameOrder(next, now) ? next : now;
}
