import type { Subset } from '$core/faces/shipping';
import { readAsset } from '$core/formats/picture';
import { newId } from '$core/project/ids';
import type { Asset, AssetId, Face, Project } from '$core/project/types';
import { freeFileName, type ReadFile } from './pictures';

const NO_ANSWER = 'Kymation’s server does not answer. Start it again, then try once more.';

const sentenceOf = async (response: Response): Promise<string> =>
  ((await response.json().catch(() => null)) as { sentence?: string } | null)?.sentence ?? 'cannot be used';

/** Reads a file of a typeface as a new one of the project; the server looks into it. */
export async function typefaceFrom(project: Project, file: File): Promise<ReadFile> {
  const read = readAsset(new Uint8Array(await file.arrayBuffer()), file.name);
  if (!read.ok) return read;
  if (!read.type.startsWith('font/'))
    return { ok: false, sentence: `${file.name} is no typeface. Choose a WOFF2, TTF or OTF file.` };
  const blob = new Blob([read.bytes as Uint8Array<ArrayBuffer>], { type: read.type });
  const response = await fetch('/api/typeface', { method: 'POST', body: blob }).catch(() => null);
  if (!response) return { ok: false, sentence: NO_ANSWER };
  if (!response.ok) return { ok: false, sentence: `${file.name} ${await sentenceOf(response)}.` };
  const asset: Asset = {
    id: newId<AssetId>('typeface'),
    file: freeFileName(project, read.file),
    type: read.type,
    width: null,
    height: null,
    bytes: read.bytes.length,
    face: (await response.json()) as Face
  };
  return { ok: true, asset, blob };
}

/** Has the server take the letters out of a typeface that no page needs. Throws where `signal` was aborted. */
export async function subsetOf(bytes: Uint8Array, letters: string, signal: AbortSignal): Promise<Subset> {
  const body = new FormData();
  body.append('file', new Blob([bytes as Uint8Array<ArrayBuffer>]));
  body.append('letters', letters);
  const response = await fetch('/api/typeface', { method: 'PUT', body, signal }).catch((error: unknown) => {
    if (signal.aborted) throw error;
    return null;
  });
  if (!response) return { ok: false, sentence: 'the server does not answer' };
  if (!response.ok) return { ok: false, sentence: await sentenceOf(response) };
  const missing = decodeURIComponent(response.headers.get('x-missing') ?? '');
  return { ok: true, bytes: new Uint8Array(await response.arrayBuffer()), missing };
}
