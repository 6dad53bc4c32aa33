import { strFromU8, strToU8, zipSync } from 'fflate';
import { emptyRecord } from '../data/record';
import type { Registry } from '../kinds/registry';
import type { Asset, AssetId, Project } from '../project/types';
import { readDocument, type Fault } from './document';
import { readAsset } from './picture';
import { unzip } from './zip';

/** Bytes of the pictures, by asset id. */
export type AssetBytes = ReadonlyMap<AssetId, Uint8Array>;

export type Opened =
  | {
      readonly ok: true;
      readonly project: Project;
      readonly bytes: AssetBytes;
      /** What was mended or left out on the way. */ readonly notes: readonly string[];
    }
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

/**
 * Reads a `.kymation` file. Never throws on bad input; what cannot be used is a sentence, what was mended a
 * note.
 */
export function readProjectFile(registry: Registry, file: Uint8Array): Opened {
  if (file.length === 0) return no('This file is empty. Choose a project file (.kymation).');
  if (file.length > FILE_LIMITS.file)
    return no(
      `This file is ${megabytes(file.length)} MB; project files are ${megabytes(FILE_LIMITS.file)} MB at most.`
    );
  if (file[0] !== 0x50 || file[1] !== 0x4b)
    return no('This is no project file: it is not a zip. Choose a file that ends in .kymation.');
  const unpacked = unzip(file, FILE_LIMITS, isEntry);
  if ('sentence' in unpacked) return unpacked;
  const json = unpacked.entries.get('project.json');
  if (unpacked.damaged.includes('project.json') && !json)
    return no(
      'The project.json in this file is damaged and cannot be unpacked. Try an older copy of the file.'
    );
  if (!json)
    return no(
      'This zip holds no project.json, so it is no project file. Choose a file that Kymation has exported.'
    );
  let parsed: unknown;
  try {
    parsed = JSON.parse(strFromU8(json));
  } catch {
    return no('The project.json in this file is damaged and cannot be read. Try an older copy of the file.');
  }
  const document = readDocument(registry, parsed);
  if (!document.ok) return no(document.sentence);
  const damaged = unpacked.damaged.map(
    (name) => `${name} is damaged: it is not as it was written. Compare it with an older copy of the file.`
  );
  const opened = withPictures(document.project, document.faults, unpacked.entries);
  return opened.ok ? { ...opened, notes: [...damaged, ...opened.notes] } : opened;
}

function withPictures(
  project: Project,
  faults: readonly Fault[],
  entries: ReadonlyMap<string, Uint8Array>
): Opened {
  const bytes = new Map<AssetId, Uint8Array>();
  const assets = emptyRecord<Asset>();
  const notes = faults.map((fault) => `${fault.sentence} (${fault.path})`);
  for (const asset of Object.values(project.assets)) {
    const content = entries.get(`assets/${asset.file}`);
    const picture = content ? readAsset(content, asset.file) : null;
    if (!content) notes.push(`The picture ${asset.file} is missing from the file.`);
    else if (picture && !picture.ok) notes.push(picture.sentence);
    if (!picture?.ok) continue;
    bytes.set(asset.id, picture.bytes);
    const { type, width, height } = picture;
    const unchanged =
      type === asset.type &&
      width === asset.width &&
      height === asset.height &&
      picture.bytes.length === asset.bytes;
    assets[asset.id] = unchanged ? asset : { ...asset, type, width, height, bytes: picture.bytes.length };
  }
  return { ok: true, project: { ...project, assets: { ...assets } as Project['assets'] }, bytes, notes };
}

/** What a project file may hold; anything else in it is passed over. */
const isEntry = (name: string) => /^(?:project\.json|assets\/[a-z0-9][a-z0-9._-]{0,99})$/.test(name);

const no = (sentence: string) => ({ ok: false as const, sentence });
const megabytes = (bytes: number) => Math.round(bytes / 1e6);
