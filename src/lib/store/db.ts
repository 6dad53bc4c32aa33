import Dexie, { type DexieOptions, type EntityTable, type Table } from 'dexie';
import type { Diff } from '$core/project/diff';
import type { AssetId, Project, ProjectId } from '$core/project/types';

export interface ProjectRow {
  id: ProjectId;
  name: string;
  pages: number;
  /** Milliseconds since 1970, of the last saved command. */
  changed: number;
  /** Number of the last row of the log. */
  seq: number;
  /** When it was deleted; kept for a while so that it can be brought back. */
  deleted?: number;
}

export interface LogRow {
  project: ProjectId;
  seq: number;
  op: 'do' | 'undo' | 'redo';
  diff: Diff;
  label: string;
  mergeKey: string | null;
  at: number;
  /** The format its pieces are of; rows of the first versions do not say it. */
  format?: number;
}

export interface SnapshotRow {
  project: ProjectId;
  seq: number;
  document: Project;
}

export interface AssetRow {
  project: ProjectId;
  id: AssetId;
  blob: Blob;
}

/** A state of a project kept under a name. */
export interface VersionRow {
  key?: number;
  project: ProjectId;
  name: string;
  /** Milliseconds since 1970. */
  at: number;
  document: Project;
}

interface Mark {
  key: string;
  value: unknown;
}

export class Database extends Dexie {
  projects!: EntityTable<ProjectRow, 'id'>;
  log!: Table<LogRow, [ProjectId, number]>;
  snapshots!: EntityTable<SnapshotRow, 'project'>;
  assets!: Table<AssetRow, [ProjectId, AssetId]>;
  marks!: EntityTable<Mark, 'key'>;
  versions!: Table<VersionRow, number>;

  constructor(name = 'kymation', options: DexieOptions = {}) {
    super(name, options);
    this.version(1).stores({
      projects: 'id, changed',
      log: '[project+seq]',
      snapshots: 'project',
      assets: '[project+id], project',
      marks: 'key'
    });
    this.version(2).stores({ versions: '++key, project' });
    // Tables of many rows are kept as one text, which a window that was opened before cannot read.
    this.version(3).stores({});
  }
}

/** Where projects are kept. Before `prepareStorage` has settled, nobody may ask it anything. */
export let db = new Database();

let preparing: Promise<boolean> | null = null;

/**
 * Errors of a browser that lets this site store nothing, or knows no storage. Any other failure hides
 * projects that may be there.
 */
const FORBIDDEN: readonly string[] = ['SecurityError', 'InvalidStateError', 'MissingAPIError'];

/**
 * Opens the browser's storage. Where a browser forbids it to this site, projects are kept in memory instead:
 * one can still work, and take the work away as a file. Storage that fails in another way is left as it is:
 * who asks it for projects is told.
 * @returns whether what is kept outlives this window.
 */
export function prepareStorage(): Promise<boolean> {
  preparing ??= opened();
  return preparing;
}

async function opened(): Promise<boolean> {
  try {
    await db.open();
    return true;
  } catch (error) {
    if (!FORBIDDEN.includes(causeOf(error))) return true;
    // Only here is it asked for, so that nobody else waits for it.
    const { indexedDB, IDBKeyRange } = await import('fake-indexeddb');
    db = new Database('kymation', { indexedDB, IDBKeyRange });
    return false;
  }
}

/** What is said, in every view, where projects are kept in memory. */
export const NOT_LASTING =
  'This browser lets no site store data here. You can work, but closing this window ends it: export the project file to keep it.';

/** An error as Dexie gives it, which may stand around another. */
interface Caused {
  readonly name?: string;
  readonly inner?: Caused;
}

/** The name of the browser's own error, which Dexie may have wrapped. */
function causeOf(error: unknown): string {
  const { name, inner } = (error ?? {}) as Caused;
  return inner?.name ?? name ?? '';
}

/** What went wrong with the browser's storage, as a sentence with what to do. */
export function storageSentence(error: unknown): string {
  if (causeOf(error) === 'QuotaExceededError')
    return 'Not saved: this browser’s storage is full. Free some space, or export the project file now.';
  return 'Not saved: this browser’s storage did not answer. Export the project file to keep your work, then reload the page.';
}
