import type { PublishedFile, Publishing, Site } from '$server/host/store';

export type { Publishing, Site } from '$server/host/store';

/** A site as its host tells it. */
export interface Told extends Site {
  /** Where it can be looked at; null where the host has found no port. */
  readonly address: string | null;
}

export type Answer =
  { readonly ok: true; readonly site: Told } | { readonly ok: false; readonly sentence: string };

const SILENT = 'Kymation’s server does not answer. See that it still runs (npm start), then try again.';

async function ask(name: string, options: RequestInit): Promise<Answer> {
  const response = await fetch(`/api/publish/${encodeURIComponent(name)}`, options).catch(() => null);
  if (!response) return { ok: false, sentence: SILENT };
  const answer = (await response.json().catch(() => null)) as (Told & { readonly sentence?: string }) | null;
  if (response.ok && answer) return { ok: true, site: answer };
  return {
    ok: false,
    sentence: answer?.sentence ?? 'It could not be published. Try again; what was there still is.'
  };
}

export const askForSite = (name: string): Promise<Answer> => ask(name, {});

export const publish = (name: string, zip: Blob): Promise<Answer> => ask(name, { method: 'POST', body: zip });

/** Gives readers an earlier publishing again. */
export const showAgain = (name: string, id: string): Promise<Answer> =>
  ask(name, { method: 'PUT', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ id }) });

const counted = (count: number, what: string): readonly string[] => (count > 0 ? [`${count} ${what}`] : []);

const byPath = (files: readonly PublishedFile[]): ReadonlyMap<string, string> =>
  new Map(files.map(({ path, hash }) => [path, hash]));

/** What is otherwise than in the publishing before it, in a few words. */
export function changesSince(now: Publishing, before: Publishing | undefined): string {
  if (!before) return `${now.files.length} files`;
  const [is, was] = [byPath(now.files), byPath(before.files)];
  const changed = [...is].filter(([path, hash]) => was.has(path) && was.get(path) !== hash).length;
  const added = [...is.keys()].filter((path) => !was.has(path)).length;
  const gone = [...was.keys()].filter((path) => !is.has(path)).length;
  const words = [...counted(changed, 'changed'), ...counted(added, 'new'), ...counted(gone, 'gone')];
  return words.length > 0 ? words.join(', ') : 'the same';
}

export const sizeOf = ({ files }: Publishing): number => files.reduce((sum, { bytes }) => sum + bytes, 0);
