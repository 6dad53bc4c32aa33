import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, expect, it } from 'vitest';
import { readProjectFile, writeProjectFile } from '../core/formats/project-file';
import type { Source, SourceId } from '../core/project/types';
import { after, sampleProject } from '../core/testing/project';
import { registry } from '../core/whole';
import { kymation } from './run';

const folder = mkdtempSync(join(tmpdir(), 'kymation-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const source = (name: string, more: Partial<Source>): Source => ({
  id: name.toLowerCase() as SourceId,
  name,
  origin: 'file',
  place: '',
  taken: '2026-11-01',
  columns: [{ name: 'name', type: 'text' }],
  rows: [{ name: 'Quince' }],
  ...more
});

/** A project file with these sources and no others. @returns its path. */
function fileWith(...sources: readonly Source[]): string {
  const made = after(
    sampleProject(),
    ...sources.map((each) => ({ type: 'set-source', source: each }) as const)
  );
  const path = join(folder, `${sources.map(({ id }) => id).join('-') || 'none'}.kymation`);
  writeFileSync(path, writeProjectFile(made, new Map()));
  return path;
}

async function called(...args: string[]): Promise<{ code: number; out: string; note: string }> {
  const lines = { out: [] as string[], note: [] as string[] };
  const code = await kymation(args, {
    out: (text) => void lines.out.push(text),
    note: (text) => void lines.note.push(text)
  });
  return { code, out: lines.out.join('\n'), note: lines.note.join('\n') };
}

const rowsIn = (file: string, id: string) => {
  const read = readProjectFile(registry, new Uint8Array(readFileSync(file)));
  if (!read.ok) throw new Error(read.sentence);
  return read.project.sources[id as SourceId]!.rows;
};

it('takes new rows from a file and from the catalogue, and says what has changed', async () => {
  const file = fileWith(
    source('Shop', {}),
    source('Catalogue', { origin: 'catalogue', place: '/api/catalogue' })
  );
  const table = join(folder, 'shop.csv');
  writeFileSync(table, Buffer.from('name\nQuince\nGew\xfcrz', 'latin1'));
  const { code, out } = await called('refresh', file, '--from', `Shop=${table}`);
  expect(code).toBe(0);
  expect(out).toContain('Shop: 1 new');
  expect(rowsIn(file, 'shop')).toEqual([{ name: 'Quince' }, { name: 'Gewürz' }]);
  expect(rowsIn(file, 'catalogue').length).toBeGreaterThan(8);
});

it('keeps what cannot be read anew, and says so', async () => {
  const file = fileWith(
    source('Shop', {}),
    source('Far', { origin: 'address', place: 'http://127.0.0.1:9/x.csv' })
  );
  const before = readFileSync(file);
  const { code, out, note } = await called('refresh', file);
  expect(code).toBe(1);
  expect(out).toContain('Shop: as it was; bring a new file with --from "Shop=FILE"');
  expect(note).toContain('error: Far: ');
  expect(readFileSync(file).equals(before)).toBe(true);
});

it('names its sources where a wrong one is asked for', async () => {
  const { code, note } = await called('refresh', fileWith(source('Shop', {})), '--from', 'Stop=x.csv');
  expect(code).toBe(2);
  expect(note).toContain('names no source of this project. It has: Shop.');
  expect((await called('refresh', fileWith())).out).toContain('no source of rows');
});
