import { emptyRecord } from '../data/record';
import { remember } from './lineage';
import type { Change, Diff, Project } from './types';

export type { Diff } from './types';

export const TABLES = ['pages', 'nodes', 'assets', 'tokens', 'shelf', 'sources'] as const;

function tableDiff<T>(
  before: Record<string, T>,
  after: Record<string, T>
): Record<string, Change<T>> | undefined {
  if (before === after) return undefined;
  const changes = emptyRecord<Change<T>>();
  for (const id in before) {
    const now = after[id];
    if (now !== before[id]) changes[id] = [before[id]!, now ?? null];
  }
  for (const id in after) if (!Object.hasOwn(before, id)) changes[id] = [null, after[id]!];
  return Object.keys(changes).length > 0 ? { ...changes } : undefined;
}

/**
 * @param touched paths of what may have changed (`['nodes', id, …]`); left out, every record is compared.
 * @returns the difference, or null where the two are the same.
 */
export function diffOf(
  before: Project,
  after: Project,
  touched?: readonly (readonly (string | number)[])[]
): Diff | null {
  if (before === after) return null;
  const diff: { -readonly [K in keyof Diff]: Diff[K] } = {};
  if (before.info !== after.info) diff.info = [before.info, after.info];
  for (const table of TABLES) {
    const ids = touched?.filter((path) => path[0] === table).map((path) => String(path[1]));
    const changes = ids
      ? recordDiff<unknown>(before[table], after[table], ids)
      : tableDiff<unknown>(before[table], after[table]);
    if (changes) diff[table] = changes as never;
  }
  return Object.keys(diff).length > 0 ? diff : null;
}

function recordDiff<T>(
  before: Record<string, T>,
  after: Record<string, T>,
  ids: readonly string[]
): Record<string, Change<T>> | undefined {
  const changes = emptyRecord<Change<T>>();
  for (const id of ids) if (before[id] !== after[id]) changes[id] = [before[id] ?? null, after[id] ?? null];
  return Object.keys(changes).length > 0 ? { ...changes } : undefined;
}

/** Freezes a value and all in it; what is frozen already is taken to be so throughout. */
export function freezeDeep(value: unknown): void {
  // A value that is no object counts as frozen.
  if (Object.isFrozen(value)) return;
  Object.values(Object.freeze(value) as object).forEach(freezeDeep);
}

const isShipped = (import.meta as { env?: { PROD?: boolean } }).env?.PROD === true;

/**
 * Freezes a changed project: those records that are new, and its tables, which takes time on large pages,
 * outside the shipped app.
 */
export function freezeChanged(project: Project, diff: Diff): void {
  Object.freeze(project);
  freezeDeep(project.info);
  for (const table of TABLES) {
    if (!isShipped) Object.freeze(project[table]);
    for (const [, after] of Object.values(diff[table] ?? {})) freezeDeep(after);
  }
}

/** @returns the diff that undoes `diff`. */
export function reversed(diff: Diff): Diff {
  const back: { -readonly [K in keyof Diff]: Diff[K] } = {};
  if (diff.info) back.info = [diff.info[1], diff.info[0]];
  for (const table of TABLES) {
    const changes = diff[table];
    if (!changes) continue;
    back[table] = Object.fromEntries(
      Object.entries(changes).map(([id, [before, after]]) => [id, [after, before]])
    ) as never;
  }
  return back;
}

function patchedTable<T>(table: Record<string, T>, changes: Record<string, Change<T>>): Record<string, T> {
  const next = { ...table };
  for (const [id, [, after]] of Object.entries(changes)) {
    if (after === null) delete next[id];
    else next[id] = after;
  }
  return isShipped ? next : Object.freeze(next);
}

/** @returns `project` with `diff` done to it. Records the diff does not name keep their identity. */
export function patched(project: Project, diff: Diff): Project {
  const next: { -readonly [K in keyof Project]: Project[K] } = {
    ...project,
    info: diff.info?.[1] ?? project.info
  };
  for (const table of TABLES) {
    const changes = diff[table];
    if (changes) next[table] = patchedTable<unknown>(project[table], changes) as never;
  }
  remember(Object.freeze(next), project, diff);
  return next;
}
