import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { planExport, requestOf } from '../../src/core/compile/files';
import { renditionPlan } from '../../src/core/compile/rendition-plan';
import { renditionFile, type Rendition } from '../../src/core/compile/renditions';
import { pageFile } from '../../src/core/project/files';
import type { AssetId, PageId, Project } from '../../src/core/project/types';
import { withShippedFaces } from '../../src/core/faces/shipping';
import { registry } from '../../src/core/whole';
import { finish } from '../../src/server/finish';
import { makeRenditions } from '../../src/server/renditions';
import { subsetFace } from '../../src/server/typefaces';
import { bytes, demo } from './demo';
import { newFolder } from './folder';

export interface Exported {
  /** Address of the first page on disk. */
  readonly url: string;
  readonly folder: string;
  readonly problems: readonly string[];
  readonly files: ReadonlyMap<string, string>;
}

/** Exports that this worker has made, which tests only read; by project, then by what was asked of them. */
const known = new WeakMap<Project, Map<string, Promise<Exported>>>();

/**
 * Exports a project the way the interface and the command line do, into a folder of its own; the same project once.
 * @param marked gives elements the marks by which `partIn` finds them.
 * @param pages those that leave; all where none are named.
 */
export function exported(
  given: Project,
  files: ReadonlyMap<AssetId, Uint8Array> = new Map(),
  single = false,
  marked = false,
  pages: readonly PageId[] = given.info.pageOrder
): Promise<Exported> {
  const key = [files.size, single, marked, ...pages].join(' ');
  const ofProject = known.get(given) ?? new Map<string, Promise<Exported>>();
  known.set(given, ofProject);
  const made = ofProject.get(key) ?? make(given, files, { single, marked, pages });
  ofProject.set(key, made);
  return made;
}

interface Asked {
  readonly single: boolean;
  readonly marked: boolean;
  readonly pages: readonly PageId[];
}

async function make(
  given: Project,
  files: ReadonlyMap<AssetId, Uint8Array>,
  { single, marked, pages }: Asked
): Promise<Exported> {
  const roots = pages.map((id) => given.pages[id]!.root);
  const { project, bytes } = await withShippedFaces(given, files, roots, subsetFace);
  const folder = newFolder();
  const renditions = new Map<AssetId, Rendition[]>();
  const small = new Map<string, Uint8Array>();
  for (const [asset, widths] of renditionPlan(registry, project)) {
    const made = await makeRenditions(bytes.get(asset.id) ?? new Uint8Array(), widths);
    if (!made.ok) continue;
    renditions.set(
      asset.id,
      made.made.map(({ format, width }) => ({ format, width, file: renditionFile(asset, width, format) }))
    );
    made.made.forEach((each) => small.set(renditionFile(asset, each.width, each.format), each.bytes));
  }
  const plan = planExport(registry, project, pages, {
    single,
    marked,
    renditions,
    dataUri: (asset) =>
      `data:${asset.type};base64,${Buffer.from(bytes.get(asset.id) ?? []).toString('base64')}`
  });
  const finished = await finish({ ...requestOf(plan), minified: false });
  const { problems, broken } = finished;
  const write = (path: string, content: string | Uint8Array) => {
    mkdirSync(dirname(join(folder, path)), { recursive: true });
    writeFileSync(join(folder, path), content);
  };
  finished.files.forEach((file) => write(file.path, file.text));
  plan.renditions.forEach((file) => write(`assets/${file}`, small.get(file)!));
  plan.assets.forEach((asset) => write(`assets/${asset.file}`, bytes.get(asset.id) ?? new Uint8Array()));
  return {
    url: pathToFileURL(join(folder, pageFile(project, pages[0]!))).href,
    folder,
    problems: [...broken, ...problems],
    files: new Map(finished.files.map((file) => [file.path, file.text]))
  };
}

/** The demo as it leaves. */
export const exportedDemo = (single = false): Promise<Exported> => exported(demo, bytes, single);

/** @returns the selector of a part of a piece in a marked export, or in the preview. */
export const partIn = (where: 'export' | 'preview', node: string, part: string): string => {
  const mark = where === 'export' ? 'data' : 'data-k';
  return `[${mark}-node="${node}"][${mark}-part="${part}"]`;
};
