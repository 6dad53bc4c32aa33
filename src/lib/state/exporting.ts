import { gzipSync, strToU8, zipSync } from 'fflate';
import { planExport } from '$core/compile/files';
import { printSnippet } from '$core/compile/snippet';
import { platformUse, type PlatformUse } from '$core/support/use';
import type { Asset, AssetId, NodeId, PageId, Project } from '$core/project/types';
import { registry } from '$core/registry';

export interface ExportedFile {
  readonly path: string;
  readonly bytes: Uint8Array;
  /** Null for pictures. */
  readonly text: string | null;
  readonly raw: number;
  readonly gzip: number;
}

export type Exported =
  | {
      readonly ok: true;
      readonly files: readonly ExportedFile[];
      readonly problems: readonly string[];
      /** What the pages use of the platform, and what each behaviour adds to the script in bytes after gzip. */
      readonly uses: readonly PlatformUse[];
      readonly costs: Readonly<Record<string, number>>;
    }
  | { readonly ok: false; readonly sentence: string };

export interface ExportOrder {
  readonly project: Project;
  readonly blobs: ReadonlyMap<AssetId, Blob>;
  readonly pages: readonly PageId[];
  readonly single: boolean;
  /** Just this piece, to paste into any site. */
  readonly snippet: NodeId | null;
  readonly signal: AbortSignal;
}

/** Prints pages here, has them finished by the server, and adds the pictures. Throws only when `signal` is aborted. */
export async function exportPages({ project, blobs, pages, single, snippet, signal }: ExportOrder): Promise<Exported> {
  const bytesOf = new Map<AssetId, Uint8Array>();
  for (const [id, blob] of blobs) bytesOf.set(id, new Uint8Array(await blob.arrayBuffer()));
  signal.throwIfAborted();
  const dataUri = (asset: Asset) => `data:${asset.type};base64,${base64(bytesOf.get(asset.id) ?? new Uint8Array())}`;
  const plan = snippet ? null : planExport(registry, project, pages, { single, dataUri });
  const printed = snippet ? printSnippet(registry, project, snippet, { addressOf: dataUri }) : null;
  let response: Response;
  try {
    response = await fetch('/api/finish', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(printed ? { snippet: { prefix: printed.prefix, language: printed.language, html: printed.html, css: printed.css, behaviours: printed.behaviours } } : { single, pages: plan!.pages }),
      signal
    });
  } catch (error) {
    if (signal.aborted) throw error;
    return { ok: false, sentence: 'Kymation’s server does not answer. See that it still runs (npm start), then export again.' };
  }
  if (response.status === 413) return { ok: false, sentence: 'The page is too large to finish in one go. Export it as a folder, or with smaller pictures.' };
  const answer = await response.json().catch(() => null);
  if (!response.ok || !answer) return { ok: false, sentence: answer?.sentence ?? 'The export could not be finished. Try again; nothing has changed.' };
  const texts: ExportedFile[] = answer.files.map((file: { path: string; text: string; raw: number; gzip: number }) => ({ ...file, bytes: strToU8(file.text) }));
  const pictures = (plan?.assets ?? []).flatMap((asset): ExportedFile[] => {
    const bytes = bytesOf.get(asset.id);
    return bytes ? [{ path: `assets/${asset.file}`, text: null, bytes, raw: bytes.length, gzip: gzipSync(bytes).length }] : [];
  });
  const { support } = project.info;
  const uses = printed ? platformUse({ ...printed, body: printed.html }, support) : plan!.pages.flatMap((page) => platformUse(page, support));
  const byFeature = new Map(uses.map((use) => [use.feature, use]));
  return { ok: true, files: [...texts, ...pictures], problems: answer.problems, uses: [...byFeature.values()], costs: answer.costs };
}

function base64(bytes: Uint8Array): string {
  let text = '';
  for (let at = 0; at < bytes.length; at += 32_768) text += String.fromCharCode(...bytes.subarray(at, at + 32_768));
  return btoa(text);
}

export function zipOf(files: readonly ExportedFile[]): Blob {
  const zip = zipSync(Object.fromEntries(files.map((file) => [file.path, file.bytes])));
  return new Blob([zip as Uint8Array<ArrayBuffer>], { type: 'application/zip' });
}

/** Hands a file to the browser to save. */
export function saveFile(name: string, blob: Blob): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 30_000);
}
