import { remembered } from '../data/remembered';
import type { Change, Diff, Project, Row, Source } from '../project/types';

/**
 * A source with more rows travels and is stored with all of them as one text, which a browser copies some ten times as
 * fast as thousands of records: a window that waits for the copy shows no frame meanwhile.
 */
export const ROWS_MANY = 2000;

type Rows = Source['rows'];

const texts = new WeakMap<Rows, string>();

/** Notes what rows are as JSON, where whoever read them has worked that out already. The rows stay as they are. */
export function noteText(rows: Rows, text: string): void {
  Object.freeze(rows);
  texts.set(rows, text);
}

/** Whether rows have come out of a reader, a store or a worker of this app, which make nothing but sound ones. */
export const areRead = (rows: readonly unknown[]): boolean => texts.has(rows as Rows);

/** What stands for a source between two places: nothing else may look at its rows. */
type Packed = Omit<Source, 'rows'> & { readonly rows: Rows | string };

function packedSource(source: Source): Source {
  if (source.rows.length <= ROWS_MANY) return source;
  const packed: Packed = {
    ...source,
    rows: remembered(texts, source.rows, () => JSON.stringify(source.rows))
  };
  return packed as Source;
}

function unpackedSource(source: Source): Source {
  const { rows: text } = source as Packed;
  if (typeof text !== 'string') return source;
  const rows = Object.freeze((JSON.parse(text) as Row[]).map((row) => Object.freeze(row)));
  noteText(rows, text);
  return { ...source, rows };
}

type Each = (source: Source) => Source;

function mapped<T>(records: Readonly<Record<string, T>>, each: (value: T) => T): Readonly<Record<string, T>> {
  return Object.fromEntries(Object.entries(records).map(([id, value]) => [id, each(value)]));
}

function inProject(project: Project, each: Each): Project {
  // Stores of older formats have no sources.
  const { sources } = project as Partial<Project>;
  return sources ? { ...project, sources: mapped(sources, each) } : project;
}

function inDiff(diff: Diff, each: Each): Diff {
  if (!diff.sources) return diff;
  const inChange = ([before, after]: Change<Source>): Change<Source> => [
    before && each(before),
    after && each(after)
  ];
  return { ...diff, sources: mapped(diff.sources, inChange) };
}

/** @returns a project to be stored or sent; whoever gets it unpacks it. */
export const packedProject = (project: Project): Project => inProject(project, packedSource);

/** @returns the project as it was before `packedProject`; one that was never packed is as it is. */
export const unpackedProject = (project: Project): Project => inProject(project, unpackedSource);

/** @returns a step of the history to be stored or sent; whoever gets it unpacks it. */
export const packedDiff = (diff: Diff): Diff => inDiff(diff, packedSource);

/** @returns the step as it was before `packedDiff`; one that was never packed is as it is. */
export const unpackedDiff = (diff: Diff): Diff => inDiff(diff, unpackedSource);
