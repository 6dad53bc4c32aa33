import demoUrl from '../../../demo/orchard.kymation?url';
import { withTones } from '$core/colour/tones';
import { readProjectFile, writeProjectFile, FILE_LIMITS } from '$core/formats/project-file';
import type { AssetId, Project, ProjectId } from '$core/project/types';
import { registry } from '$core/registry';
import { bringTools } from '$lib/state/tools';
import { addProject, openProject } from './projects';
import { db } from './db';
import { readTones } from './tones';

export type Imported =
  | { readonly ok: true; readonly id: ProjectId; readonly notes: readonly string[] }
  | { readonly ok: false; readonly sentence: string };

/** Reads a project file into the store. Never throws on a bad file. */
export async function importFile(file: File): Promise<Imported> {
  if (file.size > FILE_LIMITS.file)
    return {
      ok: false,
      sentence: `${file.name} is larger than ${FILE_LIMITS.file / 1e6} MB; project files are smaller.`
    };
  await bringTools();
  const opened = readProjectFile(registry, new Uint8Array(await file.arrayBuffer()));
  if (!opened.ok) return { ok: false, sentence: `${file.name}: ${opened.sentence}` };
  const blobs = new Map<AssetId, Blob>();
  for (const [id, bytes] of opened.bytes)
    blobs.set(id, new Blob([bytes as Uint8Array<ArrayBuffer>], { type: opened.project.assets[id]!.type }));
  return {
    ok: true,
    id: await addProject(
      await withTones(opened.project, async (asset) => readTones(blobs.get(asset.id)!, asset)),
      blobs
    ),
    notes: opened.notes
  };
}

export async function addDemo(): Promise<Imported> {
  const response = await fetch(demoUrl);
  return importFile(new File([await response.arrayBuffer()], 'orchard.kymation'));
}

const SEEDED = 'demo-added';
const DEMO = 'quillmere-orchard' as ProjectId;

/** On the very first start the demo is there to look at; once deleted it stays away until asked for. */
export async function addDemoOnFirstStart(): Promise<void> {
  if (await db.marks.get(SEEDED)) return;
  const added = await addDemo();
  if (added.ok) await db.marks.put({ key: SEEDED, value: true });
}

/** @returns the demo that is there, or a fresh one where there is none (any more). */
export async function demoProject(): Promise<ProjectId> {
  const known = await db.projects.get(DEMO);
  if (known && !known.deleted) return DEMO;
  const added = await addDemo();
  if (!added.ok) throw new Error(added.sentence);
  await db.marks.put({ key: SEEDED, value: true });
  return added.id;
}

export async function projectFileOf(project: Project, blobs: ReadonlyMap<AssetId, Blob>): Promise<Blob> {
  const bytes = new Map<AssetId, Uint8Array>();
  for (const [id, blob] of blobs) bytes.set(id, new Uint8Array(await blob.arrayBuffer()));
  return new Blob([writeProjectFile(project, bytes) as Uint8Array<ArrayBuffer>], { type: 'application/zip' });
}

export async function storedProjectFile(id: ProjectId): Promise<{ name: string; blob: Blob } | null> {
  const stored = await openProject(id);
  if (!stored) return null;
  return { name: stored.project.info.name, blob: await projectFileOf(stored.project, stored.blobs) };
}
