import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { makeDemo } from '../../demo/make';
import { planExport, requestOf } from '../../src/core/compile/files';
import { renditionPlan } from '../../src/core/compile/rendition-plan';
import { renditionFile, type Rendition } from '../../src/core/compile/renditions';
import type { AssetId, Project } from '../../src/core/project/types';
import { withShippedFaces } from '../../src/core/faces/shipping';
import { registry } from '../../src/core/whole';
import { finish } from '../../src/server/finish';
import { makeRenditions } from '../../src/server/renditions';
import { subsetFace } from '../../src/server/typefaces';

export interface Exported {
  /** Address of the first page on disk. */
  readonly url: string;
  readonly folder: string;
  readonly problems: readonly string[];
  readonly files: ReadonlyMap<string, string>;
}

/**
 * Exports a project the way the interface and the command line do, into a folder of its own.
 * @param marked gives elements the marks by which `partIn` finds them.
 */
export async function exported(
  given: Project,
  files: ReadonlyMap<AssetId, Uint8Array> = new Map(),
  single = false,
  marked = false
): Promise<Exported> {
  const roots = given.info.pageOrder.map((id) => given.pages[id]!.root);
  const { project, bytes } = await withShippedFaces(given, files, roots, subsetFace);
  const folder = mkdtempSync(join(tmpdir(), 'kymation-'));
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
  const plan = planExport(registry, project, project.info.pageOrder, {
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
    url: pathToFileURL(join(folder, 'index.html')).href,
    folder,
    problems: [...broken, ...problems],
    files: new Map(finished.files.map((file) => [file.path, file.text]))
  };
}

/** Exports of the demo that this worker has made, which tests only read. */
const ofDemo = new Map<string, Promise<Exported>>();

/** The demo as it leaves, made once. */
export function exportedDemo(single = false): Promise<Exported> {
  const key = single ? 'one file' : 'site';
  const known = ofDemo.get(key);
  if (known) return known;
  const { project, bytes } = makeDemo();
  const made = exported(project, bytes, single);
  ofDemo.set(key, made);
  return made;
}

/** @returns the selector of a part of a piece in a marked export, or in the preview. */
export const partIn = (where: 'export' | 'preview', node: string, part: string): string => {
  const mark = where === 'export' ? 'data' : 'data-k';
  return `[${mark}-node="${node}"][${mark}-part="${part}"]`;
};
