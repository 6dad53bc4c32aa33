import { readPicture } from '$core/formats/picture';
import { newId } from '$core/project/ids';
import { readTones } from '$lib/store/tones';
import type { Asset, AssetId, Project } from '$core/project/types';

export type ReadFile = { readonly ok: true; readonly asset: Asset; readonly blob: Blob } | { readonly ok: false; readonly sentence: string };

/** @returns a file name no other picture of the project has. */
function freeName(project: Project, file: string): string {
  const taken = new Set(Object.values(project.assets).map((asset) => asset.file));
  if (!taken.has(file)) return file;
  const dot = file.lastIndexOf('.');
  for (let count = 2; ; count += 1) {
    const name = `${file.slice(0, dot)}-${count}${file.slice(dot)}`;
    if (!taken.has(name)) return name;
  }
}

/** Reads a picture from disk, a drop or the clipboard as a new one of the project: cleaned, drawn once, measured, under a name of its own. */
export async function pictureFrom(project: Project, file: File): Promise<ReadFile> {
  const picture = readPicture(new Uint8Array(await file.arrayBuffer()), file.name || 'picture.png');
  if (!picture.ok) return picture;
  const { type, width, height, bytes } = picture;
  const blob = new Blob([bytes as Uint8Array<ArrayBuffer>], { type });
  const tones = await readTones(blob, { width, height });
  if (!tones) return { ok: false, sentence: `${file.name || 'This picture'} is damaged: the browser cannot draw it. Save it again where it came from.` };
  const asset: Asset = { id: newId<AssetId>('picture'), file: freeName(project, picture.file), type, width, height, bytes: bytes.length, tones };
  return { ok: true, asset, blob };
}
