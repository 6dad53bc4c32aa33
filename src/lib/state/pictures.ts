import { readAsset } from '$core/formats/picture';
import { newId } from '$core/project/ids';
import { readTones } from '$lib/store/tones';
import { isFilm, type Asset, type AssetId, type Project } from '$core/project/types';
import { defined } from '$core/data/compact';
import { freeName } from '$core/data/free-name';

export type ReadFile =
  | { readonly ok: true; readonly asset: Asset; readonly blob: Blob }
  | { readonly ok: false; readonly sentence: string };

/** @returns a file name no other picture of the project has. */
export function freeFileName(project: Project, file: string): string {
  const end = file.slice(file.lastIndexOf('.'));
  const alike = Object.values(project.assets).filter((asset) => asset.file.endsWith(end));
  const taken = new Set(alike.map((asset) => asset.file.slice(0, -end.length)));
  return `${freeName(file.slice(0, -end.length), taken)}${end}`;
}

/**
 * Reads a picture or film from disk, a drop, the clipboard or the web as a new one of the project: cleaned, a
 * picture drawn once and measured, under a name of its own.
 */
export async function assetFrom(project: Project, file: File): Promise<ReadFile> {
  const picture = readAsset(new Uint8Array(await file.arrayBuffer()), file.name || 'picture.png');
  if (!picture.ok) return picture;
  const { type, width, height, bytes } = picture;
  const blob = new Blob([bytes as Uint8Array<ArrayBuffer>], { type });
  const tones = isFilm(picture) ? [] : await readTones(blob, { width, height });
  if (!tones)
    return {
      ok: false,
      sentence: `${file.name || 'This picture'} is damaged: the browser cannot draw it. Save it again where it came from.`
    };
  const asset: Asset = defined({
    id: newId<AssetId>(isFilm(picture) ? 'film' : 'picture'),
    file: freeFileName(project, picture.file),
    type,
    width,
    height,
    bytes: bytes.length,
    tones: tones.length > 0 ? tones : undefined
  });
  return { ok: true, asset, blob };
}

/**
 * Fetches a picture or film from the web, through this app's own server, since the page itself may ask no one
 * else.
 * @returns the file, or a sentence that says why there is none. Throws where `signal` was aborted.
 */
export async function fileFromWeb(address: string, signal: AbortSignal): Promise<File | string> {
  const response = await fetch('/api/fetch', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ address }),
    signal
  }).catch((error: unknown) => {
    if (signal.aborted) throw error;
    return null;
  });
  if (!response) return 'Kymation’s server does not answer. Start it again, then try once more.';
  if (!response.ok)
    return (
      ((await response.json().catch(() => null)) as { sentence?: string } | null)?.sentence ??
      'The file could not be fetched. Try again, or choose the file itself.'
    );
  return new File(
    [await response.blob()],
    decodeURIComponent(response.headers.get('x-file-name') ?? '') || 'picture'
  );
}
