import type { Diff } from '$core/project/diff';
import { patched } from '$core/project/diff';
import { newId } from '$core/project/ids';
import type { AssetId, Project, ProjectId } from '$core/project/types';
import { NO_HISTORY, type History, type Step } from '$core/commands/history';
import { db, type LogRow, type ProjectRow } from './db';

/** A snapshot is written after so many rows of the log, so that opening stays quick. */
const SNAPSHOT_EVERY = 200;
const DELETED_KEPT_MS = 24 * 3600 * 1000;

export interface Stored {
  readonly project: Project;
  readonly history: History;
  readonly blobs: ReadonlyMap<AssetId, Blob>;
}

/** Lists what is not deleted, newest first, and clears away what was deleted more than a day ago. */
export async function listProjects(): Promise<ProjectRow[]> {
  const rows = await db.projects.orderBy('changed').reverse().toArray();
  const old = rows.filter((row) => row.deleted && Date.now() - row.deleted > DELETED_KEPT_MS);
  for (const row of old) await purge(row.id);
  return rows.filter((row) => !row.deleted);
}

/** Adds a whole project under an id of its own where its id is taken. @returns the id it has now. */
export async function addProject(project: Project, blobs: ReadonlyMap<AssetId, Blob>): Promise<ProjectId> {
  return db.transaction('rw', [db.projects, db.snapshots, db.assets], async () => {
    const isTaken = (await db.projects.get(project.id)) !== undefined;
    const id = isTaken ? newId<ProjectId>(project.info.name) : project.id;
    const document = { ...project, id };
    await db.snapshots.put({ project: id, seq: 0, document });
    await db.assets.bulkPut([...blobs].map(([asset, blob]) => ({ project: id, id: asset, blob })));
    await db.projects.put({ id, name: project.info.name, pages: project.info.pageOrder.length, changed: Date.now(), seq: 0 });
    return id;
  });
}

/** @returns the project as it was last saved, with all that can be undone; null where there is none. */
export async function openProject(id: ProjectId): Promise<Stored | null> {
  return db.transaction('r', [db.projects, db.snapshots, db.log, db.assets], async () => {
    const row = await db.projects.get(id);
    const snapshot = await db.snapshots.get(id);
    if (!row || row.deleted || !snapshot) return null;
    const rows = await db.log.where('[project+seq]').between([id, 0], [id, Infinity]).toArray();
    const assets = await db.assets.where('project').equals(id).toArray();
    return {
      project: rows.filter((each) => each.seq > snapshot.seq).reduce((now, each) => patched(now, each.diff), snapshot.document),
      history: historyFrom(rows),
      blobs: new Map(assets.map((asset) => [asset.id, asset.blob]))
    };
  });
}

/** Replays the log's bookkeeping: what was done, undone and redone. */
export function historyFrom(rows: readonly Pick<LogRow, 'op' | 'diff' | 'label' | 'mergeKey'>[]): History {
  const past: Step[] = [];
  let future: Step[] = [];
  for (const { op, diff, label, mergeKey } of rows) {
    if (op === 'do') {
      past.push({ diff, label, mergeKey });
      future = [];
    } else {
      const [from, to] = op === 'undo' ? [past, future] : [future, past];
      const step = from.pop();
      if (step) to.push(step);
    }
  }
  return rows.length === 0 ? NO_HISTORY : { past, future };
}

export type Entry = Pick<LogRow, 'op' | 'diff' | 'label' | 'mergeKey'>;

/** Writes entries of the log, and new pictures with them, in one transaction. `project` is the document after the last entry. */
export async function appendToLog(project: Project, entries: readonly Entry[], blobs: ReadonlyMap<AssetId, Blob>): Promise<void> {
  const { id, info } = project;
  await db.transaction('rw', [db.projects, db.log, db.snapshots, db.assets], async () => {
    const row = await db.projects.get(id);
    if (!row) throw new Error(`appendToLog: no project ${JSON.stringify(id)} in the store`);
    const at = Date.now();
    const last = row.seq + entries.length;
    await db.log.bulkAdd(entries.map((entry, i) => ({ ...entry, project: id, seq: row.seq + 1 + i, at })));
    await db.assets.bulkPut([...blobs].map(([asset, blob]) => ({ project: id, id: asset, blob })));
    await db.projects.put({ ...row, name: info.name, pages: info.pageOrder.length, changed: at, seq: last });
    const crossesSnapshot = Math.floor(last / SNAPSHOT_EVERY) > Math.floor(row.seq / SNAPSHOT_EVERY);
    if (crossesSnapshot) await db.snapshots.put({ project: id, seq: last, document: project });
  });
}

export async function duplicateProject(id: ProjectId): Promise<ProjectId | null> {
  const stored = await openProject(id);
  if (!stored) return null;
  const name = `${stored.project.info.name} copy`.slice(0, 120);
  const copy: Project = { ...stored.project, id: newId<ProjectId>(name), info: { ...stored.project.info, name } };
  return addProject(copy, stored.blobs);
}

export async function renameProject(id: ProjectId, name: string, diff: Diff, project: Project): Promise<void> {
  await appendToLog(project, [{ op: 'do', diff, label: `Rename the project to ${name}`, mergeKey: null }], new Map());
}

export const deleteProject = (id: ProjectId) => db.projects.update(id, { deleted: Date.now() });

export async function restoreProject(id: ProjectId): Promise<void> {
  const row = await db.projects.get(id);
  if (!row) return;
  const { deleted: _deleted, ...kept } = row;
  await db.projects.put(kept);
}

async function purge(id: ProjectId): Promise<void> {
  await db.transaction('rw', [db.projects, db.log, db.snapshots, db.assets], async () => {
    await db.projects.delete(id);
    await db.snapshots.delete(id);
    await db.log.where('[project+seq]').between([id, 0], [id, Infinity]).delete();
    await db.assets.where('project').equals(id).delete();
  });
}
