import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import Ajv from 'ajv';
import { describe, expect, it } from 'vitest';
import { makeDemo } from '../../demo/make';
import { apply } from '../core/commands/apply';
import { writeProjectFile } from '../core/formats/project-file';
import { registry } from '../core/whole';
import { kymation as called } from './run';
import { newFolder } from './testing/folder';

describe('command line', () => {
  const kymation = async (...args: string[]) => {
    const lines: Record<'out' | 'note', string[]> = { out: [], note: [] };
    const code = await called(args, {
      out: (text) => lines.out.push(text),
      note: (text) => lines.note.push(text)
    });
    return { code, text: (code === 2 ? lines.note : lines.out).join('\n') };
  };

  it('exports all pages as a folder, or one page as one file', async () => {
    const out = newFolder();
    expect(await kymation('export', 'demo/orchard.kymation', '--out', join(out, 'all'))).toMatchObject({
      code: 0,
      text: expect.stringMatching(/index\.html[\s\S]*harvest\.html[\s\S]*assets\/press-house\.svg/)
    });
    expect(existsSync(join(out, 'all/assets/orchard-blossom.svg'))).toBe(true);
    expect(
      (
        await kymation(
          'export',
          'demo/orchard.kymation',
          '--out',
          join(out, 'one'),
          '--page',
          'harvest',
          '--single'
        )
      ).code
    ).toBe(0);
    expect(readFileSync(join(out, 'one/harvest.html'), 'utf8')).toContain('data:image/svg+xml;base64,');
    expect(existsSync(join(out, 'one/harvest.css'))).toBe(false);
  });

  it('writes one piece as a snippet', async () => {
    const out = newFolder();
    const tabs = ['export', 'demo/orchard.kymation', '--out', out, '--snippet', 'season-tabs'];
    const written = () => readFileSync(join(out, 'snippet.html'), 'utf8');
    expect(await kymation(...tabs)).toMatchObject({ code: 0 });
    expect(written()).toContain('class="ky-season-tabs ky-season-tabs-page"');
    expect(await kymation(...tabs, '--look', 'site')).toMatchObject({ code: 0 });
    expect(written()).toContain('class="ky-season-tabs"');
    const size = (rem: string) => written().includes(`font-size: ${rem};`);
    expect([size('0.9375rem'), size('1.5rem')]).toEqual([true, false]);
    expect(await kymation(...tabs, '--root', '10')).toMatchObject({ code: 0 });
    expect([size('0.9375rem'), size('1.5rem')]).toEqual([false, true]);
    for (const [option, value] of [
      ['--look', 'both'],
      ['--root', 'ten'],
      ['--root', '0']
    ] as const)
      expect(await kymation(...tabs, option, value)).toEqual({
        code: 2,
        text: expect.stringContaining(`${option} is`)
      });
    expect(await kymation('export', 'demo/orchard.kymation', '--out', out, '--snippet', 'blossom')).toEqual({
      code: 2,
      text: expect.stringContaining('no piece “blossom” in this project that can stand alone')
    });
  });

  it('checks a project: exit code 1 on errors, as text, JSON and a SARIF log that its published schema takes', async () => {
    const folder = newFolder();
    const { project, bytes } = makeDemo();
    const outcome = apply(registry, project, {
      type: 'batch',
      label: '',
      commands: [
        {
          type: 'set-style',
          id: 'plan-heading',
          part: 'root',
          state: 'rest',
          condition: 'always',
          property: 'color',
          value: '#dddddd'
        },
        { type: 'set-setting', id: 'press-heading', key: 'level', value: '5' },
        { type: 'set-aside', finding: 'heading-order press-heading', reason: 'It is a caption' }
      ]
    });
    if (!outcome.ok) throw new Error(outcome.refusal.sentence);
    const file = join(folder, 'faulty project.kymation');
    writeFileSync(file, writeProjectFile(outcome.project, bytes));
    expect(await kymation('check', 'demo/orchard.kymation')).toMatchObject({
      code: 0,
      text: expect.stringContaining('0 findings')
    });
    expect(await kymation('check', file, '--json')).toMatchObject({ code: 1 });
    const log = JSON.parse((await kymation('check', file, '--sarif')).text);
    // The OASIS schema, as the schemastore package carries it.
    const schema = JSON.parse(
      readFileSync(
        createRequire(import.meta.url).resolve('schemastore/schemas/json/sarif-2.1.0.json'),
        'utf8'
      )
    );
    const ajv = new Ajv({
      strict: false,
      validateFormats: false,
      unicodeRegExp: false,
      code: { optimize: false }
    });
    const isValid = ajv.validate(schema, log);
    expect(ajv.errors).toBeNull();
    expect(isValid).toBe(true);
    const [run] = log.runs;
    expect(
      run.results.map((each: { ruleId: string; suppressions?: unknown[] }) => [
        each.ruleId,
        each.suppressions?.length ?? 0
      ])
    ).toEqual([
      ['text-contrast', 0],
      ['heading-order', 1]
    ]);
    expect(run.tool.driver.rules[run.results[0].ruleIndex].id).toBe('text-contrast');
  });

  it('writes the specification of a page, or of a piece, as a page and as CSV', async () => {
    const out = newFolder();
    const called = await kymation('sheet', 'demo/orchard.kymation', '--out', out, '--piece', 'season-tabs');
    expect(called).toMatchObject({
      code: 0,
      text: expect.stringContaining('index-season-tabs-specification.html')
    });
    const csv = readFileSync(join(out, 'index-season-tabs-specification.csv'), 'utf8');
    expect(csv).toContain('style,Season tabs,Tabs,tab,hover,always,background-color,');
    expect((await kymation('sheet', 'demo/orchard.kymation', '--out', out)).code).toBe(0);
    expect(readFileSync(join(out, 'harvest-specification.html'), 'utf8')).toContain('<h1>Harvest story</h1>');
  });

  it('writes tokens as a design-tokens file', async () => {
    const { code, text } = await kymation('tokens', 'demo/orchard.kymation');
    expect([code, Object.keys(JSON.parse(text))]).toEqual([0, expect.arrayContaining(['Leaf', 'Cream'])]);
  });

  it('says how each command is called', async () => {
    for (const command of ['export', 'check', 'refresh', 'sheet', 'tokens', 'publish']) {
      const { code, text } = await kymation(command, '--help');
      expect([code, text.match(/npm run kymation -- \w+/g)]).toEqual([0, [`npm run kymation -- ${command}`]]);
    }
  });

  it.each([
    [['sheet', 'demo/orchard.kymation', '--out', 'x', '--piece', 'attic'], /no piece “attic”/],
    [['sheet', 'demo/orchard.kymation'], /--out DIR/],
    [['publish', 'demo/orchard.kymation', '--to', '../up'], /cannot be an address/],
    [['publish', 'demo/orchard.kymation'], /--to NAME/],
    [['export', 'nowhere.kymation', '--out', 'x'], /nowhere\.kymation cannot be read/],
    [['export', 'README.md', '--out', 'x'], /not a zip/],
    [['export', 'demo/orchard.kymation'], /--out DIR/],
    [
      ['export', 'demo/orchard.kymation', '--out', 'x', '--page', 'attic'],
      /no page “attic”[\s\S]*visit, harvest/
    ],
    [['melt'], /no command “melt”/],
    [['check', 'nowhere.kymation'], /nowhere\.kymation cannot be read/],
    [['check'], /Name the project file to check/],
    [['export', '--nonsense'], /nonsense/]
  ])('%j: one sentence, exit code 2', async (args, expected) => {
    expect(await kymation(...args)).toEqual({ code: 2, text: expect.stringMatching(expected) });
  });
});
