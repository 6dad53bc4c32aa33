import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Query, Source, SourceId } from '../project/types';
import { cellOf } from './cells';
import { readCsv } from './csv';
import { readJson } from './json';
import { emptyQuery, matching, rowsOf } from './query';
import { LIMITS, type ReadTable, type Table } from './table';

const tableIn = (read: ReadTable): Table => {
  if (!read.ok) throw new Error(read.sentence);
  return read.table;
};

// RFC 4180, and every file of csv-spectrum 2.0 with what its authors say stands in it.
describe('comma-separated values', () => {
  const folder = join(import.meta.dirname, '../../../node_modules/csv-spectrum');
  const names = readdirSync(join(folder, 'csvs')).map((file) => file.replace('.csv', ''));

  it.each(names)('%s of csv-spectrum', (name) => {
    const read = tableIn(readCsv(readFileSync(join(folder, 'csvs', `${name}.csv`), 'utf8')));
    const expected = [
      JSON.parse(readFileSync(join(folder, 'json', `${name}.json`), 'utf8'))
    ].flat() as Record<string, string>[];
    // The set's own JSON has another number there than its CSV.
    if (name === 'location_coordinates') expected[0]!['Contact Phone Number'] = '2095257564';
    const words = (value: unknown) =>
      String(value ?? '')
        .replace(/\r\n/g, '\n')
        .trim();
    expect(read.rows.map((row) => Object.values(row).map(words))).toEqual(
      expected.map((row) => Object.values(row).map(words))
    );
    expect(read.columns.map((column) => column.name)).toEqual(Object.keys(expected[0]!));
  });

  it('gives back what was written, whatever stands in the cells', () => {
    const cell = fc.string({ maxLength: 12 }).map((text) => `t${text.replace(/\r\n?/g, '\n').trim()}`);
    const quoted = (text: string) => `"${text.replaceAll('"', '""')}"`;
    fc.assert(
      fc.property(fc.array(fc.tuple(cell, cell), { minLength: 1, maxLength: 8 }), (rows) => {
        const text = ['a,b', ...rows.map((row) => row.map(quoted).join(','))].join('\r\n');
        expect(tableIn(readCsv(text)).rows).toEqual(rows.map(([a, b]) => ({ a, b })));
      })
    );
  });

  it('is read with semicolons and with tabs, as spreadsheets write and copy it', () => {
    expect(tableIn(readCsv('name;price\nQuince;4,20\nPerry;1.011,00')).rows).toEqual([
      { name: 'Quince', price: 4.2 },
      { name: 'Perry', price: 1011 }
    ]);
    expect(tableIn(readCsv('name\tprice\nQuince\t4.20')).rows).toEqual([{ name: 'Quince', price: 4.2 }]);
  });

  it('says by line what is wrong, also after cells of several lines, and keeps the rest', () => {
    const rows = Array.from({ length: 20 }, (_, n) => `Row ${n},${n}`).join('\n');
    const { table } = readCsv(`name,price\n"Two\nlines",1\nshort\n${rows}\nOdd,n/a\n`) as { table: Table };
    expect(table.faults).toEqual(['line 4 has 1 cells of 2.', 'line 25, price: “n/a” is no number.']);
    expect(table.rows).toHaveLength(23);
    expect(table.rows.at(-1)).toEqual({ name: 'Odd', price: null });
  });

  it('gives columns without a name one, and the same name to no two', () => {
    const { columns, faultCount } = tableIn(readCsv('a,,a,__proto__\n1,2,3,4'));
    expect(columns.map(({ name }) => name)).toEqual(['a', 'column 2', 'a 2', 'proto']);
    expect(faultCount).toBeGreaterThanOrEqual(2);
  });

  it('leaves codes, long digits, formulas and markup the texts they are', () => {
    const cells = ['007', '123456789012345678901234567890', '=SUM(A1)', '<script>alert(1)</script>'];
    const { columns, rows } = tableIn(readCsv(`a,b,c,d\n${cells.join(',')}`));
    expect(columns.every(({ type }) => type === 'text')).toBe(true);
    expect(Object.values(rows[0]!)).toEqual(cells);
  });

  // The calendar of ECMA-262, 21.4.1, as the engine has it.
  it('takes for a day what the calendar has, leap years and all', () => {
    const two = (n: number) => String(n).padStart(2, '0');
    const texts = [0, 4, 1900, 2000, 2023, 2024, 2100].flatMap((year) =>
      Array.from({ length: 14 }, (_, month) =>
        Array.from(
          { length: 33 },
          (_each, day) => `${String(year).padStart(4, '0')}-${two(month)}-${two(day)}`
        )
      ).flat()
    );
    const isDay = (text: string) => {
      const date = new Date(`${text}T00:00:00Z`);
      return !Number.isNaN(date.getTime()) && date.toISOString().startsWith(text);
    };
    expect(texts.map((text) => cellOf(text, 'date'))).toEqual(
      texts.map((text) => (isDay(text) ? text : null))
    );
  });

  it('refuses what is empty, and takes no more than it says', () => {
    expect(readCsv(' \n\n').ok).toBe(false);
    const many = tableIn(readCsv(`a\n${'x\n'.repeat(LIMITS.rows + 5)}`));
    expect(many.rows).toHaveLength(LIMITS.rows);
    expect(many.faults.at(-1)).toContain(String(LIMITS.rows + 5));
    expect(tableIn(readCsv(Array.from({ length: 310 }, (_, n) => `c${n}`).join(','))).columns).toHaveLength(
      300
    );
  });
});

// RFC 8259.
describe('JSON', () => {
  it('is a list of records, or holds one such list; what is deeper is a column of its own', () => {
    const records = [{ name: 'Quince', price: { net: 4, gross: 4.2 }, tags: ['sweet', 'old'], fresh: true }];
    const row = { name: 'Quince', 'price.net': 4, 'price.gross': 4.2, tags: 'sweet, old', fresh: true };
    expect(tableIn(readJson(JSON.stringify(records))).rows).toEqual([row]);
    expect(tableIn(readJson(JSON.stringify({ page: 1, items: records }))).rows).toEqual([row]);
  });

  it('says what is no number, no record or too deep, by record', () => {
    const text = `[{ "a": 1e999, "b": "x" }, 7, { "a": 2, "b": [[1]] }, ${Array(20).fill('{"a":1}').join(',')}]`;
    const { rows, faults } = tableIn(readJson(text));
    expect(rows.slice(0, 2)).toEqual([
      { a: null, b: 'x' },
      { a: 2, b: null }
    ]);
    expect(faults).toEqual([
      'record 1, a: its value fits in no cell.',
      'record 2 is no record and was left out.',
      'record 3, b: its value fits in no cell.'
    ]);
  });

  it.each(['{"a":', '"words"', '{"a":1}', '[]', '[1,2]', ''])('refuses %s with what to do', (text) => {
    const read = readJson(text);
    expect(read.ok).toBe(false);
    expect(read.ok ? '' : read.sentence).toMatch(/JSON|list/);
  });

  it('makes no prototype of a column that is called so', () => {
    const { rows } = tableIn(readJson('[{"__proto__": "x", "a": "y"}]'));
    expect(Object.getPrototypeOf(rows[0])).toBe(Object.prototype);
    expect(rows[0]).toEqual({ proto: 'x', a: 'y' });
  });
});

describe('a query', () => {
  const id = 'shop' as SourceId;
  const source: Source = {
    id,
    name: 'Shop',
    origin: 'file',
    place: 'shop.csv',
    taken: '2026-11-27',
    ...tableIn(
      readCsv(
        [
          'name,price,added,season,reduced',
          'Äpple butter,5.10,2026-10-11,no,',
          'apple juice,2.90,2026-09-30,no,2.40',
          'Perry,11.00,2026-10-24,yes,9.90',
          'Quince paste,4.20,2026-11-01,yes,',
          'zest,,2026-11-02,yes,'
        ].join('\n')
      )
    )
  };
  const asked = (more: Partial<Query>): Query => ({ ...emptyQuery(id), ...more });
  const names = (more: Partial<Query>) =>
    rowsOf({ sources: { [id]: source } }, asked(more), 'en-GB').map(({ name }) => name);
  const where = (column: string, is: Query['where'][number]['is'], value = '') => ({ column, is, value });

  it.each<[string, Partial<Query>, string[]]>([
    ['number more', { where: [where('price', 'more', '5')] }, ['Äpple butter', 'Perry']],
    ['number at most', { where: [where('price', 'at-most', '4.20')] }, ['apple juice', 'Quince paste']],
    ['yes', { where: [where('season', 'is', 'yes')] }, ['Perry', 'Quince paste', 'zest']],
    ['a day', { where: [where('added', 'at-least', '2026-11-01')] }, ['Quince paste', 'zest']],
    ['words in it, whatever the case', { where: [where('name', 'contains', 'APPLE')] }, ['apple juice']],
    ['filled', { where: [where('reduced', 'filled')] }, ['apple juice', 'Perry']],
    ['empty', { where: [where('price', 'empty')] }, ['zest']],
    ['both', { where: [where('season', 'is', 'yes'), where('reduced', 'filled')] }, ['Perry']],
    [
      'either',
      { any: true, where: [where('price', 'less', '3'), where('price', 'more', '10')] },
      ['apple juice', 'Perry']
    ],
    ['a condition still without a value', { most: 1, where: [where('name', 'is')] }, ['Äpple butter']],
    ['a column that is gone', { where: [where('weight', 'more', '1')] }, []],
    ['so many after some', { by: 'price', skip: 1, most: 2 }, ['Quince paste', 'Äpple butter']]
  ])('%s', (_what, more, expected) => expect(names(more)).toEqual(expected));

  it('puts nothing last, upwards and downwards', () => {
    expect(names({ by: 'price' }).at(-1)).toBe('zest');
    expect(names({ by: 'price', down: true })).toEqual([
      'Perry',
      'Äpple butter',
      'Quince paste',
      'apple juice',
      'zest'
    ]);
  });

  it('is sorted anew where the page is told to be in another language', () => {
    const rows = ['zest', 'öl', 'ol'].map((name) => ({ name }));
    const sources = { [id]: { ...source, columns: [{ name: 'name', type: 'text' as const }], rows } };
    const same = asked({ by: 'name' });
    const inOrder = (language: string) => rowsOf({ sources }, same, language).map(({ name }) => name);
    expect(inOrder('de')).toEqual(['ol', 'öl', 'zest']);
    expect(inOrder('sv')).toEqual(['ol', 'zest', 'öl']);
  });

  it('sorts texts as Intl.Collator does in the language of the page', () => {
    const texts = ['zebra', 'Öl', 'ol', 'Apfel', 'äpfel', '10', '9', 'éclair', 'eclair'];
    const rows = texts.map((name) => ({ name }));
    for (const language of ['de', 'sv', 'en']) {
      const collator = new Intl.Collator(language, { numeric: true });
      const found = matching(
        { ...source, columns: [{ name: 'name', type: 'text' }], rows },
        asked({ by: 'name' }),
        language
      );
      expect(found.map(({ name }) => name)).toEqual(texts.toSorted(collator.compare));
    }
  });
});
