import { describe, expect, it } from 'vitest';
import type { Row, Source, SourceId } from '../project/types';
import { sampleProject } from '../testing/project';
import {
  areRead,
  noteText,
  packedDiff,
  packedProject,
  ROWS_MANY,
  unpackedDiff,
  unpackedProject
} from './packed';

/** Rows of all kinds of values that a cell may have. */
const rowsOf = (count: number): readonly Row[] =>
  Array.from({ length: count }, (_each, n) => ({
    name: `Apple “${n}”`,
    price: n / 7,
    ripe: n % 2 === 0,
    note: null
  }));

const sourceOf = (rows: readonly Row[]): Source => ({
  id: 'apples' as SourceId,
  name: 'Apples',
  origin: 'file',
  place: 'apples.csv',
  taken: '2026-10-01T08:00:00.000Z',
  columns: [],
  rows
});

const few = sourceOf(rowsOf(ROWS_MANY));
const many = sourceOf(rowsOf(ROWS_MANY + 1));
const projectWith = (source: Source) => ({ ...sampleProject(), sources: { apples: source } });

describe('a project with tables of many rows', () => {
  it('goes as one text for each and comes back as it was, through a copy as stores and workers make it', () => {
    const packed = packedProject(projectWith(many));
    expect(typeof packed.sources['apples' as SourceId]!.rows).toBe('string');
    expect(unpackedProject(structuredClone(packed))).toEqual(projectWith(many));
  });

  it('leaves the rows of small ones as they are, and those that were stored before', () => {
    expect(packedProject(projectWith(few)).sources['apples' as SourceId]).toBe(few);
    expect(unpackedProject(projectWith(many)).sources['apples' as SourceId]).toBe(many);
  });

  it('reads what a store of an older format holds, which knew no sources', () => {
    const { sources: _none, ...old } = sampleProject();
    expect(unpackedProject(old as never)).toEqual(old);
  });

  it('takes the text from whoever has it already', () => {
    const rows = rowsOf(ROWS_MANY + 1);
    noteText(rows, '[{"name":"noted"}]');
    expect(packedProject(projectWith(sourceOf(rows))).sources['apples' as SourceId]!.rows).toBe(
      '[{"name":"noted"}]'
    );
  });
});

describe('rows that a reader of this app has made', () => {
  it('are told from all others, and stay as they are', () => {
    const rows = [{ name: 'Apple' }] as Row[];
    expect(areRead(rows)).toBe(false);
    noteText(rows, JSON.stringify(rows));
    expect(areRead(rows)).toBe(true);
    expect(() => rows.push({ name: 'Pear' })).toThrow(TypeError);
    expect(areRead([...rows])).toBe(false);
  });
});

describe('a step of the history', () => {
  it('goes with both sides of a change packed, and with none of one that came or went', () => {
    const diff = { sources: { apples: [many, few], new: [null, many], gone: [many, null] } } as const;
    const packed = packedDiff(diff);
    const [before, after] = packed.sources!.apples!;
    expect([typeof before!.rows, after]).toEqual(['string', few]);
    expect(unpackedDiff(structuredClone(packed))).toEqual(diff);
  });

  it('is the same object where it says nothing of sources', () => {
    const diff = { nodes: {} };
    expect(packedDiff(diff)).toBe(diff);
    expect(unpackedDiff(diff)).toBe(diff);
  });
});
