import { gzipSync, strToU8, unzipSync, zipSync } from 'fflate';
import { renditionPlan } from '$core/compile/rendition-plan';
import { renditionFile, type Rendition } from '$core/compile/renditions';
import { planExport, requestOf } from '$core/compile/files';
import { printSnippet, type PrintedSnippet, type SnippetOptions } from '$core/compile/snippet';
import { platformUse, type PlatformUse } from '$core/support/use';
import { withShippedFaces } from '$core/faces/shipping';
import { pageOf } from '$core/project/tree';
import type { Asset, AssetId, NodeId, PageId, Project } from '$core/project/types';
import { subsetOf } from './typefaces';
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
      /** What makes it unfit to be used, as sentences; empty when all is well. */
      readonly broken: readonly string[];
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
  readonly snippet: (Omit<SnippetOptions, 'addressOf'> & { readonly id: NodeId }) | null;
  /** The script without comments and white space. */
  readonly minified: boolean;
  readonly signal: AbortSignal;
  /** Told of pictures that are done, of how many. */
  readonly onprogress?: (done: number, of: number) => void;
}

const snippetOf = ({ prefix, language, html, css, behaviours }: PrintedSnippet) => ({
  prefix,
  language,
  html,
  css,
  behaviours
});

/**
 * Prints pages here, has them finished by the server, and adds the pictures. Throws only when `signal` is
 * aborted.
 */
export async function exportPages({
  project: given,
  blobs,
  pages,
  single,
  snippet,
  minified,
  signal,
  onprogress
}: ExportOrder): Promise<Exported> {
  const all = new Map<AssetId, Uint8Array>();
  for (const [id, blob] of blobs) all.set(id, new Uint8Array(await blob.arrayBuffer()));
  signal.throwIfAborted();
  const roots = snippet ? [snippet.id] : pages.map((id) => pageOf(given, id).root);
  const shipped = await withShippedFaces(given, all, roots, (bytes, letters) =>
    subsetOf(bytes, letters, signal)
  );
  const { project, bytes: bytesOf } = shipped;
  const dataUri = (asset: Asset) => dataAddress(asset, bytesOf.get(asset.id) ?? new Uint8Array());
  const made = snippet || single ? NONE : await renditionsOf(project, bytesOf, signal, onprogress);
  const plan = snippet
    ? null
    : planExport(registry, project, pages, { single, dataUri, renditions: made.renditions });
  const printed = snippet
    ? printSnippet(registry, project, snippet.id, { ...snippet, addressOf: dataUri })
    : null;
  const asked = printed ? { snippet: snippetOf(printed) } : requestOf(plan!);
  const answered = await askToFinish({ ...asked, minified }, signal);
  if (!answered.ok) return answered;
  const { answer } = answered;
  const texts: ExportedFile[] = answer.files.map(
    (file: { path: string; text: string; raw: number; gzip: number }) => ({
      ...file,
      bytes: strToU8(file.text)
    })
  );
  const pictures = (plan?.assets ?? []).flatMap((asset) => pictureFile(asset, bytesOf.get(asset.id)));
  const smaller = (plan?.renditions ?? []).map((file) => renditionOf(file, made.files.get(file)!));
  const { support } = project.info;
  const uses = (printed ? [printed] : plan!.pages).flatMap((each) => platformUse(each, support));
  const byFeature = new Map(uses.map((use) => [use.feature, use]));
  return {
    ok: true,
    files: [...texts, ...pictures, ...smaller],
    problems: [...answer.problems, ...made.notes, ...shipped.notes],
    broken: answer.broken,
    uses: [...byFeature.values()],
    costs: answer.costs
  };
}

const failed = (sentence: string) => ({ ok: false, sentence }) as const;

/** Sends printed pages to be finished. Throws only when `signal` is aborted. */
async function askToFinish(request: object, signal: AbortSignal) {
  const response = await sent(request, signal);
  if (!response)
    return failed(
      'Kymation’s server does not answer. See that it still runs (npm start), then export again.'
    );
  if (response.status === 413)
    return failed(
      'The page is too large to finish in one go. Export it as a folder, or with smaller pictures.'
    );
  const answer = await response.json().catch(() => null);
  if (response.ok && answer) return { ok: true, answer } as const;
  return failed(answer?.sentence ?? 'The export could not be finished. Try again; nothing has changed.');
}

/** @returns null where nobody answers. */
async function sent(request: object, signal: AbortSignal): Promise<Response | null> {
  try {
    const headers = { 'content-type': 'application/json' };
    return await fetch('/api/finish', { method: 'POST', headers, body: JSON.stringify(request), signal });
  } catch (error) {
    if (signal.aborted) throw error;
    return null;
  }
}

function pictureFile({ file }: Asset, bytes: Uint8Array | undefined): readonly ExportedFile[] {
  if (!bytes) return [];
  const gzip = gzipSync(bytes).length;
  return [{ path: `assets/${file}`, text: null, bytes, raw: bytes.length, gzip }];
}

/** Pictures made smaller are packed already, so gzip does nothing for them. */
function renditionOf(file: string, bytes: Uint8Array): ExportedFile {
  return { path: `assets/${file}`, text: null, bytes, raw: bytes.length, gzip: bytes.length };
}

interface Made {
  readonly renditions: ReadonlyMap<AssetId, readonly Rendition[]>;
  readonly files: ReadonlyMap<string, Uint8Array>;
  readonly notes: readonly string[];
}

const NONE: Made = { renditions: new Map(), files: new Map(), notes: [] };

/**
 * Renditions by picture and widths, as long as the window is open: an export after an edit makes only what is
 * new.
 */
const known = new Map<
  string,
  { readonly files: Readonly<Record<string, Uint8Array>> } | { readonly sentence: string }
>();

async function renditionsOf(
  project: Project,
  bytesOf: ReadonlyMap<AssetId, Uint8Array>,
  signal: AbortSignal,
  onprogress?: ExportOrder['onprogress']
): Promise<Made> {
  const plan = [...renditionPlan(registry, project)];
  const renditions = new Map<AssetId, Rendition[]>();
  const files = new Map<string, Uint8Array>();
  const notes: string[] = [];
  for (const [n, [asset, widths]] of plan.entries()) {
    onprogress?.(n, plan.length);
    const bytes = bytesOf.get(asset.id);
    if (!bytes) continue;
    const key = `${asset.id} ${bytes.length} ${widths.join(',')}`;
    const answer = known.get(key) ?? (await askFor(bytes, widths, signal));
    if (!answer) continue;
    known.set(key, answer);
    if ('sentence' in answer) {
      notes.push(`${asset.file} goes along as it is: ${answer.sentence}.`);
      continue;
    }
    for (const [name, made] of Object.entries(answer.files)) {
      const [width, format] = name.split('.') as [string, Rendition['format']];
      const file = renditionFile(asset, Number(width), format);
      files.set(file, made);
      renditions.set(asset.id, [...(renditions.get(asset.id) ?? []), { format, width: Number(width), file }]);
    }
  }
  onprogress?.(plan.length, plan.length);
  return { renditions, files, notes };
}

/**
 * @returns null where the server does not answer: the pictures then go along as they are, and the finishing
 * step says the rest.
 */
async function askFor(
  bytes: Uint8Array,
  widths: readonly number[],
  signal: AbortSignal
): Promise<{ files: Record<string, Uint8Array> } | { sentence: string } | null> {
  try {
    const response = await fetch(`/api/renditions?widths=${widths.join(',')}`, {
      method: 'POST',
      body: bytes as Uint8Array<ArrayBuffer>,
      signal
    });
    if (response.ok) return { files: unzipSync(new Uint8Array(await response.arrayBuffer())) };
    const answer = (await response.json().catch(() => null)) as { sentence?: string } | null;
    return { sentence: answer?.sentence ?? 'it is too large to be made smaller here' };
  } catch (error) {
    if (signal.aborted) throw error;
    return null;
  }
}

/** A file of the project as a data address (RFC 2397). */
export const dataAddress = ({ type }: Pick<Asset, 'type'>, bytes: Uint8Array): string =>
  `data:${type};base64,${base64(bytes)}`;

function base64(bytes: Uint8Array): string {
  let text = '';
  for (let at = 0; at < bytes.length; at += 32_768)
    text += String.fromCharCode(...bytes.subarray(at, at + 32_768));
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
