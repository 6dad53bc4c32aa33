import { freeName } from '$core/data/free-name';
import { makeWith } from '$core/kinds/make';
import { headingsBefore } from '$core/kinds/headings';
import { newId } from '$core/project/ids';
import type { Place, Project, Row, Source, SourceId } from '$core/project/types';
import { noteText } from '$core/tables/packed';
import { LIMITS, refused, type ReadTable, type Table } from '$core/tables/table';
import { listOf } from '$core/templates/listed';
import { registry } from '$core/registry';
import type { TableAnswer, TableGiven, TableRequest } from '$lib/workers/table.worker';
import { insertFragment } from './actions';
import { fileFromWeb } from './pictures';
import type { Workbench } from './workbench.svelte';

/** Where a table comes from. */
export type TablePlace =
  | { readonly origin: 'file'; readonly file: File }
  | { readonly origin: 'pasted'; readonly text: string }
  | { readonly origin: 'address'; readonly address: string }
  | { readonly origin: 'catalogue' };

const CATALOGUE = '/api/catalogue';

const withRows = (read: ReadTable, rows: Table['rows']): ReadTable =>
  read.ok ? { ...read, table: { ...read.table, rows } } : read;

/**
 * Reads in a worker, which is ended where it is no longer wanted. Rejects with the signal's reason then. Rows are
 * frozen as they come, so that a command that takes them up need not go through all of them.
 */
function readInWorker(
  given: TableGiven,
  onprogress: (share: number) => void,
  signal: AbortSignal
): Promise<ReadTable> {
  const worker = new Worker(new URL('$lib/workers/table.worker.ts', import.meta.url), { type: 'module' });
  const rows: Row[] = [];
  const ask = (request: TableRequest) => worker.postMessage(request);
  return new Promise<ReadTable>((resolve, reject) => {
    signal.addEventListener('abort', () => reject(signal.reason as Error), { once: true });
    worker.onerror = () =>
      resolve(refused('This table could not be read: the reader stopped. Try a smaller one.'));
    worker.onmessage = ({ data }: MessageEvent<TableAnswer>) => {
      if ('share' in data) onprogress(data.share);
      else if ('rows' in data) {
        rows.push(...data.rows.map((row) => Object.freeze(row)));
        ask('next');
      } else {
        if (data.text !== null) noteText(rows, data.text);
        resolve(withRows(data.read, Object.freeze(rows)));
      }
    };
    ask(given);
  }).finally(() => worker.terminate());
}

async function givenAt(place: TablePlace, signal: AbortSignal): Promise<TableGiven | string> {
  if (place.origin === 'pasted') return { text: place.text };
  const file = await fileFor(place, signal);
  if (typeof file === 'string') return file;
  if (file.size > LIMITS.bytes)
    return `${file.name} is larger than ${LIMITS.bytes / 1e6} MB; tables are smaller.`;
  return { bytes: await file.arrayBuffer(), name: file.name };
}

async function fileFor(place: TablePlace, signal: AbortSignal): Promise<File | string> {
  if (place.origin === 'file') return place.file;
  if (place.origin === 'address') return fileFromWeb(place.address, signal);
  const response = await fetch(CATALOGUE, { signal }).catch((error: unknown) => {
    if (signal.aborted) throw error;
    return null;
  });
  if (!response?.ok)
    return 'The catalogue does not answer. Start Kymation’s server again, then try once more.';
  return new File([await response.blob()], 'catalogue.json');
}

/** @param onprogress told which share is read, 0 to 1. Throws where `signal` was aborted. */
export async function readTableFrom(
  place: TablePlace,
  onprogress: (share: number) => void,
  signal: AbortSignal
): Promise<ReadTable> {
  const given = await givenAt(place, signal);
  return typeof given === 'string' ? refused(given) : readInWorker(given, onprogress, signal);
}

/** What a place is called, for people. */
function nameOf(place: TablePlace): string {
  if (place.origin === 'file') return place.file.name.replace(/\.\w+$/, '') || 'table';
  if (place.origin === 'catalogue') return 'Catalogue';
  if (place.origin === 'pasted') return 'Pasted table';
  const last = place.address.split(/[?#]/)[0]!.split('/').filter(Boolean).at(-1);
  return last?.replace(/\.\w+$/, '') || 'table';
}

function addressOf(place: TablePlace): string {
  if (place.origin === 'file') return place.file.name;
  if (place.origin === 'address') return place.address;
  return place.origin === 'catalogue' ? CATALOGUE : '';
}

/** A source as it is kept. @param known one whose rows are taken anew. */
export function sourceFrom(project: Project, place: TablePlace, table: Table, known: Source | null): Source {
  const taken = new Set(Object.values(project.sources).map(({ name }) => name));
  return {
    id: known?.id ?? newId<SourceId>('source'),
    name: known?.name ?? freeName(nameOf(place), taken),
    origin: place.origin,
    place: addressOf(place),
    taken: new Date().toISOString(),
    columns: table.columns,
    rows: table.rows
  };
}

/** Where the rows of a source can be asked for again; null where a hand has to bring them. */
export function placeAgain({ origin, place }: Source): TablePlace | null {
  if (origin === 'catalogue') return { origin };
  return origin === 'address' ? { origin, address: place } : null;
}

/** A list of cards is not nested deeper, however deep the heading before it is. */
const LEVEL_MOST = 3;

/** The level of a heading at a place of the page on show: one below the last before it. */
function levelAt(wb: Workbench, at: Place): string {
  const before = headingsBefore(wb.project, at, (piece) => registry.of(piece)).at(-1)?.level ?? 0;
  return String(Math.min(LEVEL_MOST, before + 1));
}

/** Puts a list over a source on the page, its columns in a template. */
export function placeList(wb: Workbench, source: Source): void {
  const found = wb.findPlace('list');
  if (!found)
    return void (wb.message = { kind: 'info', text: 'Pick a section first; the list goes into it.' });
  // Which rows it shows, and which column goes where, is set there.
  if (insertFragment(wb, listOf(makeWith(), source, wb.project, levelAt(wb, found.at)), found))
    wb.view = 'Fill';
}
