import type { Diff } from '$core/project/diff';
import { patched } from '$core/project/diff';
import { isOld, migratedDiff, migratedProject } from '$core/formats/migrate';
import { pageAsked, subtreeIds } from '$core/project/tree';
import { repeats } from '$core/rows/rows';
import { registry } from '$core/registry';
import { packedDiff, packedProject, unpackedDiff, unpackedProject } from '$core/tables/packed';
import { mendedProject, rebased } from '$core/project/rebase';
import { newId } from '$core/project/ids';
import { FORMAT, type AssetId, type Node, type Project, type ProjectId } from '$core/project/types';
import { NO_HISTORY, type History, type Step } from '$core/commands/history';
import { db, type AssetRow, type LogRow, type ProjectRow, type SnapshotRow } from './db';

/** A snapshot is written after so many rows of the log, so that opening stays quick. */
const SNAPSHOT_EVERY = 200;
const DELETED_KEPT_MS = 24 * 3600 * 1000;

export interface Stored {
  readonly project: Project;
  readonly history: History;
  readonly blobs: ReadonlyMap<AssetId, Blob>;
  /** Number of the last row of the log it holds. */
  readonly seq: number;
}

/** Lists what is not deleted, newest first, and clears away what was deleted more than a day ago. */
export async function listProjects(): Promise<ProjectRow[]> {
  const rows = await db.projects.orderBy('changed').reverse().toArray();
  const old = rows.filter((row) => row.deleted && Date.now() - row.deleted > DELETED_KEPT_MS);
  for (const row of old) await purge(row.id);
  return rows.filter((row) => !row.deleted);
}

/** Lists what was deleted and is still kept, the last first. */
export async function listDeleted(): Promise<ProjectRow[]> {
  const rows = await db.projects.filter((row) => row.deleted !== undefined).toArray();
  return rows.sort((a, b) => b.deleted! - a.deleted!);
}

/** Adds a whole project under an id of its own where its id is taken. @returns the id it has now. */
export async function addProject(project: Project, blobs: ReadonlyMap<AssetId, Blob>): Promise<ProjectId> {
  return db.transaction('rw', [db.projects, db.snapshots, db.assets], async () => {
    const isTaken = (await db.projects.get(project.id)) !== undefined;
    const id = isTaken ? newId<ProjectId>(project.info.name) : project.id;
    const document = { ...project, id };
    await db.snapshots.put({ project: id, seq: 0, document: packedProject(document) });
    await db.assets.bulkPut([...blobs].map(([asset, blob]) => ({ project: id, id: asset, blob })));
    await db.projects.put({
      id,
      name: project.info.name,
      pages: project.info.pageOrder.length,
      changed: Date.now(),
      seq: 0
    });
    return id;
  });
}

/** Whose code comes with a project: of all its pieces, or of the page that is shown first. */
type Needed = 'all' | { readonly page: string | null };

/** Pieces whose code is needed first: those of one page, and lists of all pages, which are made out before any is. */
function piecesOfPage(project: Project, asked: string | null): Iterable<Node> {
  const lists = Object.values(project.nodes).filter(repeats);
  const roots = [pageAsked(project, asked).root, ...lists.map(({ id }) => id)];
  return roots.flatMap((root) => subtreeIds(project, root)).map((id) => project.nodes[id]!);
}

/** @returns the project as it was last saved, with all that can be undone; null where there is none. */
export async function openProject(id: ProjectId, needed: Needed = 'all'): Promise<Stored | null> {
  const read = await readStored(id, () => 0);
  if (!read) return null;
  const { project, rows } = await asSaved(read, needed);
  return { project, history: historyFrom(rows), seq: read.row.seq, blobs: blobsOf(read.assets) };
}

/** @returns what a project's first page is drawn from, as it was last saved; null where there is none. */
export async function drawnProject(id: ProjectId): Promise<Pick<Stored, 'project' | 'blobs'> | null> {
  const read = await readStored(id, (snapshot) => snapshot.seq);
  if (!read) return null;
  const { project } = await asSaved(read, { page: null });
  return { project, blobs: blobsOf(read.assets) };
}

type Read = NonNullable<Awaited<ReturnType<typeof readStored>>>;

/** What is on disk of a project. @param since the number after which rows of the log are asked for. */
async function readStored(id: ProjectId, since: (snapshot: SnapshotRow) => number) {
  return db.transaction('r', [db.projects, db.snapshots, db.log, db.assets], async () => {
    const row = await db.projects.get(id);
    const kept = await db.snapshots.get(id);
    if (!row || row.deleted || !kept) return null;
    const snapshot = { ...kept, document: unpackedProject(kept.document) };
    const assets = await db.assets.where('project').equals(id).toArray();
    return { row, snapshot, assets, log: await rowsOf(id, since(snapshot)) };
  });
}

/** Brings the code that a project needs, and the project up to today's format. @returns also its rows of the log. */
async function asSaved(
  { snapshot, log }: Read,
  needed: Needed
): Promise<{ readonly project: Project; readonly rows: readonly LogRow[] }> {
  // What the project is made of must be there before it is carried up to today's format.
  const isWhole = needed === 'all' || isOld(snapshot.document);
  const whole = isWhole ? Object.values(snapshot.document.nodes) : [];
  await registry.load([...whole, ...log.flatMap(piecesIn)]);
  const rows = log.map(upToDate);
  const project = rows
    .filter((each) => each.seq > snapshot.seq)
    .reduce((now, each) => patched(now, each.diff), migratedProject(registry, snapshot.document));
  await registry.load(piecesOfPage(project, needed === 'all' ? null : needed.page));
  return { project, rows };
}

const blobsOf = (assets: readonly AssetRow[]): ReadonlyMap<AssetId, Blob> =>
  new Map(assets.map(({ id, blob }) => [id, blob]));

/** Rows of a project's log after a number, in order, as they were written. */
async function rowsOf(id: ProjectId, after: number): Promise<LogRow[]> {
  const rows = await db.log
    .where('[project+seq]')
    .between([id, after], [id, Infinity], false, true)
    .toArray();
  return rows.map((row) => ({ ...row, diff: unpackedDiff(row.diff) }));
}

/** Pieces that a step changed, brought or took away. */
const piecesIn = ({ diff }: LogRow): Node[] =>
  Object.values(diff.nodes ?? {})
    .flat()
    .filter((node) => node !== null);

const upToDate = (row: LogRow): LogRow => ({ ...row, diff: migratedDiff(registry, row.diff, row.format) });

/** Rows of a project's log after a number, in order, as this version has them. */
const logOf = async (id: ProjectId, after: number): Promise<LogRow[]> =>
  (await rowsOf(id, after)).map(upToDate);

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

export interface Entry extends Pick<LogRow, 'op' | 'diff' | 'label' | 'mergeKey'> {
  /** The project after it, where that is known already; never written. */
  readonly after?: Project;
}

/** What a window knows to be on disk: the project, and the number of the last row of the log in it. */
export interface Known {
  readonly project: Project;
  readonly seq: number;
}

export interface Written extends Known {
  /** True where another window had written meanwhile, so that the entries were done on top of its. */
  readonly isMerged: boolean;
}

/**
 * Writes entries of the log, and new pictures with them, in one transaction. Where another window has written
 * since, the entries are done on top of what it wrote: neither loses an edit.
 * @param known what this window last knew to be on disk; the entries were made one after the other from
 * there.
 */
export async function appendToLog(
  known: Known,
  entries: readonly Entry[],
  blobs: ReadonlyMap<AssetId, Blob>
): Promise<Written> {
  const { id } = known.project;
  return db.transaction('rw', [db.projects, db.log, db.snapshots, db.assets], async () => {
    const row = await db.projects.get(id);
    if (!row) throw new Error(`appendToLog: no project ${JSON.stringify(id)} in the store`);
    const isMerged = row.seq > known.seq;
    const foreign = isMerged ? await logOf(id, known.seq) : [];
    let head = foreign.reduce((now, each) => patched(now, each.diff), known.project);
    const rows: LogRow[] = [];
    const at = Date.now();
    const add = ({ op, diff, label, mergeKey }: Entry) =>
      rows.push({
        op,
        diff,
        label,
        mergeKey,
        project: id,
        seq: row.seq + 1 + rows.length,
        at,
        format: FORMAT
      });
    for (const entry of entries) {
      const diff = isMerged ? rebased(entry.diff, head) : entry.diff;
      if (!diff) continue;
      head = isMerged || !entry.after ? patched(head, diff) : entry.after;
      add({ ...entry, diff });
    }
    const mended = isMerged ? mendedProject(head) : null;
    if (mended) {
      head = mended.project;
      add({ op: 'do', diff: mended.diff, label: 'Put two windows’ edits together', mergeKey: null });
    }
    const seq = row.seq + rows.length;
    await db.log.bulkAdd(rows.map((each) => ({ ...each, diff: packedDiff(each.diff) })));
    await db.assets.bulkPut([...blobs].map(([asset, blob]) => ({ project: id, id: asset, blob })));
    await db.projects.put({
      ...row,
      name: head.info.name,
      pages: head.info.pageOrder.length,
      changed: at,
      seq
    });
    const crossesSnapshot = Math.floor(seq / SNAPSHOT_EVERY) > Math.floor(row.seq / SNAPSHOT_EVERY);
    if (crossesSnapshot) await db.snapshots.put({ project: id, seq, document: packedProject(head) });
    return { project: head, seq, isMerged };
  });
}

/** Reads what other windows have written since. @returns null where nothing has. */
export async function pullFromLog(known: Known): Promise<Known | null> {
  // Another window may have brought a kind that this project had not.
  await registry.loadAll();
  const rows = await logOf(known.project.id, known.seq);
  if (rows.length === 0) return null;
  return {
    project: rows.reduce((now, each) => patched(now, each.diff), known.project),
    seq: rows.at(-1)!.seq
  };
}

/** @returns everything that can be undone and redone, from the log. */
export async function readHistory(id: ProjectId): Promise<History> {
  return historyFrom(await logOf(id, 0));
}

/** @returns pictures of a project, by id. */
export async function readBlobs(id: ProjectId): Promise<ReadonlyMap<AssetId, Blob>> {
  return blobsOf(await db.assets.where('project').equals(id).toArray());
}

export async function duplicateProject(id: ProjectId): Promise<ProjectId | null> {
  const stored = await openProject(id);
  if (!stored) return null;
  const name = `${stored.project.info.name} copy`.slice(0, 120);
  const copy: Project = {
    ...stored.project,
    id: newId<ProjectId>(name),
    info: { ...stored.project.info, name }
  };
  return addProject(copy, stored.blobs);
}

export async function renameProject({ project, seq }: Known, name: string, diff: Diff): Promise<void> {
  await appendToLog(
    { project, seq },
    [{ op: 'do', diff, label: `Rename the project to ${name}`, mergeKey: null }],
    new Map()
  );
}

export const deleteProject = (id: ProjectId) => db.projects.update(id, { deleted: Date.now() });

export async function restoreProject(id: ProjectId): Promise<void> {
  const row = await db.projects.get(id);
  if (!row) return;
  const { deleted: _deleted, ...kept } = row;
  await db.projects.put(kept);
}

async function purge(id: ProjectId): Promise<void> {
  await db.transaction('rw', [db.projects, db.log, db.snapshots, db.assets, db.versions], async () => {
    await db.projects.delete(id);
    await db.versions.where('project').equals(id).delete();
    await db.snapshots.delete(id);
    await db.log.where('[project+seq]').between([id, 0], [id, Infinity]).delete();
    await db.assets.where('project').equals(id).delete();
  });
}
