import type { Project, ProjectId } from '$core/project/types';
import { packedProject, unpackedProject } from '$core/tables/packed';
import { db, type VersionRow } from './db';

export type { VersionRow } from './db';

/** Keeps the project as it is under a name. Rejects where the browser stores nothing more. */
export async function saveVersion(project: Project, name: string): Promise<void> {
  await db.versions.add({ project: project.id, name, at: Date.now(), document: packedProject(project) });
}

/** @returns versions of a project, newest first. */
export async function listVersions(id: ProjectId): Promise<VersionRow[]> {
  const rows = await db.versions.where('project').equals(id).toArray();
  const unpacked = rows.map((row) => ({ ...row, document: unpackedProject(row.document) }));
  return unpacked.sort((a, b) => b.at - a.at);
}

export const deleteVersion = (key: number) => db.versions.delete(key);
