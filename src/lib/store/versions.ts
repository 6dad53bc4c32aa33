import type { Project, ProjectId } from '$core/project/types';
import { db, type VersionRow } from './db';

export type { VersionRow } from './db';

/** Keeps the project as it is under a name. Rejects where the browser stores nothing more. */
export async function saveVersion(project: Project, name: string): Promise<void> {
  await db.versions.add({ project: project.id, name, at: Date.now(), document: project });
}

/** @returns versions of a project, newest first. */
export async function listVersions(id: ProjectId): Promise<VersionRow[]> {
  const rows = await db.versions.where('project').equals(id).toArray();
  return rows.sort((a, b) => b.at - a.at);
}

export const deleteVersion = (key: number) => db.versions.delete(key);
