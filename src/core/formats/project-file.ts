import { strFromU8, strToU8, Unzip, UnzipInflate, zipSync } from 'fflate';
import type { Registry } from '../kinds/registry';
import type { Asset, AssetId, Project } from '../project/types';
import { readDocument, type Fault } from './document';
import { readAsset } from './picture';

/** Bytes of the pictures, by asset id. */
export type AssetBytes = ReadonlyMap<AssetId, Uint8Array>;

export type Opened =
  | { readonly ok: true; readonly project: Project; readonly bytes: AssetBytes; /** What was mended or left out on the way. */ readonly notes: readonly string[] }
  | { readonly ok: false; readonly sentence: string };

/** Limits of a project file: all in bytes but for the count of entries. */
export const FILE_LIMITS = { file: 200e6, json: 40e6, asset: 50e6, unpacked: 400e6, entries: 2000 } as const;

/** Writes a `.kymation` file: a zip of `project.json` and `assets/`. Pictures are stored as they are. */
export function writeProjectFile(project: Project, bytes: AssetBytes): Uint8Array {
  const files: Record<string, [Uint8Array, { level: 0 | 6 }]> = {
    'project.json': [strToU8(`${JSON.stringify(project, null, 1)}\n`), { level: 6 }]
  };
  for (const asset of Object.values(project.assets)) {
    const content = bytes.get(asset.id);
    if (content) files[`assets/${asset.file}`] = [content, { level: asset.type === 'image/svg+xml' ? 6 : 0 }];
  }
  // A fixed date: the same project gives the same file.
  return zipSync(files, { mtime: new Date('2026-01-01T00:00:00') });
}

/** Reads a `.kymation` file. Never throws on bad input; what cannot be used is a sentence, what was mended a note. */
export function readProjectFile(registry: Registry, file: Uint8Array): Opened {
  if (file.length === 0) return no('This file is empty. Choose a project file (.kymation).');
  if (file.length > FILE_LIMITS.file) return no(`This file is ${megabytes(file.length)} MB; project files are ${megabytes(FILE_LIMITS.file)} MB at most.`);
  if (file[0] !== 0x50 || file[1] !== 0x4b) return no('This is no project file: it is not a zip. Choose a file that ends in .kymation.');
  const unpacked = unzip(file);
  if ('sentence' in unpacked) return unpacked;
  const json = unpacked.entries.get('project.json');
  if (!json) return no('This zip holds no project.json, so it is no project file. Choose a file that Kymation has exported.');
  let parsed: unknown;
  try {
    parsed = JSON.parse(strFromU8(json));
  } catch {
    return no('The project.json in this file is damaged and cannot be read. Try an older copy of the file.');
  }
  const document = readDocument(registry, parsed);
  if (!document.ok) return no(document.sentence);
  return withPictures(document.project, document.faults, unpacked.entries);
}

function withPictures(project: Project, faults: readonly Fault[], entries: ReadonlyMap<string, Uint8Array>): Opened {
  const bytes = new Map<AssetId, Uint8Array>();
  const assets: Record<string, Asset> = {};
  const notes = faults.map((fault) => `${fault.sentence} (${fault.path})`);
  for (const asset of Object.values(project.assets)) {
    const content = entries.get(`assets/${asset.file}`);
    const picture = content ? readAsset(content, asset.file) : null;
    if (!content) notes.push(`The picture ${asset.file} is missing from the file.`);
    else if (picture && !picture.ok) notes.push(picture.sentence);
    if (!picture?.ok) continue;
    bytes.set(asset.id, picture.bytes);
    const { type, width, height } = picture;
    const unchanged = type === asset.type && width === asset.width && height === asset.height && picture.bytes.length === asset.bytes;
    assets[asset.id] = unchanged ? asset : { ...asset, type, width, height, bytes: picture.bytes.length };
  }
  return { ok: true, project: { ...project, assets: assets as Project['assets'] }, bytes, notes };
}

const no = (sentence: string) => ({ ok: false as const, sentence });
const megabytes = (bytes: number) => Math.round(bytes / 1e6);

class Limit extends Error {}

/** Unpacks in chunks, so a small file that grows without end is stopped on the way, not after. */
function unzip(file: Uint8Array): { readonly entries: ReadonlyMap<string, Uint8Array> } | { readonly ok: false; readonly sentence: string } {
  const entries = new Map<string, Uint8Array>();
  let total = 0;
  let count = 0;
  let ended = 0;
  let wanted = 0;
  const unzipper = new Unzip((entry) => {
    count += 1;
    if (count > FILE_LIMITS.entries) throw new Limit(`This file holds more than ${FILE_LIMITS.entries} entries, which no project needs. It was not opened.`);
    const isSafe = /^(?:project\.json|assets\/[a-z0-9][a-z0-9._-]{0,99})$/.test(entry.name);
    if (entry.name.includes('..') || entry.name.startsWith('/') || entry.name.includes('\\')) {
      throw new Limit(`This file holds a path that leads outside (“${entry.name.slice(0, 60)}”). It was not opened.`);
    }
    if (!isSafe) return;
    wanted += 1;
    const chunks: Uint8Array[] = [];
    let size = 0;
    entry.ondata = (error, chunk, final) => {
      if (error) throw error;
      size += chunk.length;
      total += chunk.length;
      const most = entry.name === 'project.json' ? FILE_LIMITS.json : FILE_LIMITS.asset;
      if (size > most) throw new Limit(`${entry.name} in this file unpacks to more than ${megabytes(most)} MB. It was not opened.`);
      if (total > FILE_LIMITS.unpacked) throw new Limit(`This file unpacks to more than ${megabytes(FILE_LIMITS.unpacked)} MB. It was not opened.`);
      chunks.push(chunk);
      if (!final) return;
      ended += 1;
      entries.set(entry.name, joined(chunks, size));
    };
    entry.start();
  });
  unzipper.register(UnzipInflate);
  try {
    const step = 65_536;
    for (let at = 0; at < file.length; at += step) unzipper.push(file.subarray(at, at + step), at + step >= file.length);
  } catch (error) {
    if (error instanceof Limit) return no(error.message);
    return no('This zip is damaged and cannot be unpacked. Try an older copy of the file.');
  }
  return ended < wanted ? no('This zip is cut short. Copy the file again, or try an older one.') : { entries };
}

function joined(chunks: readonly Uint8Array[], size: number): Uint8Array {
  const all = new Uint8Array(size);
  let at = 0;
  for (const chunk of chunks) {
    all.set(chunk, at);
    at += chunk.length;
  }
  return all;
}
