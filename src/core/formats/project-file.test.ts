import fc from 'fast-check';
import { strFromU8, strToU8, unzipSync, zipSync, type Zippable } from 'fflate';
import { describe, expect, it } from 'vitest';
import { makeDemo } from '../../../demo/make';
import { FORMAT, type AssetId } from '../project/types';
import { registry } from '../whole';
import { sampleProject } from '../testing/project';
import { readProjectFile, writeProjectFile } from './project-file';

const noBytes = new Map<AssetId, Uint8Array>();
const sample = () => JSON.parse(JSON.stringify(sampleProject()));
const fileOf = (document: unknown, more: Zippable = {}) =>
  zipSync({ 'project.json': strToU8(JSON.stringify(document)), ...more });
const read = (file: Uint8Array) => readProjectFile(registry, file);
const sentence = (file: Uint8Array) => {
  const opened = read(file);
  if (opened.ok) throw new Error('was opened');
  return opened.sentence;
};

describe('project file', () => {
  it('comes back as it was written, pictures too', () => {
    const { project, bytes } = makeDemo();
    const opened = read(writeProjectFile(project, bytes));
    expect(opened).toMatchObject({ ok: true, notes: [] });
    if (!opened.ok) return;
    expect(opened.project).toEqual(project);
    expect(new Map([...opened.bytes].map(([id, each]) => [id, strFromU8(each)]))).toEqual(
      new Map([...bytes].map(([id, each]) => [id, strFromU8(each)]))
    );
  });

  it('is a zip of project.json and assets', () => {
    const { project, bytes } = makeDemo();
    const entries = unzipSync(writeProjectFile(project, bytes));
    const files = Object.values(project.assets).map(({ file }) => `assets/${file}`);
    expect(Object.keys(entries).toSorted()).toEqual([...files, 'project.json'].toSorted());
    expect(JSON.parse(strFromU8(entries['project.json']!)).format).toBe(FORMAT);
  });

  it.each([
    ['an empty file', new Uint8Array(), /empty/],
    ['no zip', strToU8('{"format":1}'), /not a zip/],
    ['a zip of something else', zipSync({ 'readme.txt': strToU8('hi') }), /no project\.json/],
    ['a cut zip', writeProjectFile(sampleProject(), noBytes).slice(0, 300), /cut short|damaged|no project/],
    ['broken JSON', zipSync({ 'project.json': strToU8('{"format":') }), /damaged/],
    ['JSON that is no project', fileOf([1]), /not a project/],
    ['no format', fileOf({}), /which format/],
    ['a newer format', fileOf({ ...sample(), format: FORMAT + 1 }), /newer Kymation \(format 4/],
    ['a path that climbs out', fileOf(sample(), { '../../etc/passwd': strToU8('x') }), /leads outside/],
    ['an absolute path', fileOf(sample(), { '/etc/passwd': strToU8('x') }), /leads outside/],
    ['a lost page', fileOf({ ...sample(), pages: {} }), /page “first”/],
    ['a page without content', fileOf({ ...sample(), nodes: {} }), /lost its content/],
    ['no entry of its own', fileOf({ ...sample(), info: undefined }), /own entry is damaged/],
    ['a bad id', fileOf({ ...sample(), id: '../x' }), /damaged/],
    [
      'a file that unpacks without end',
      zipSync({ 'project.json': new Uint8Array(41e6) }),
      /unpacks to more than 40 MB/
    ]
  ])('refuses %s in one sentence', (_name, file, expected) => {
    expect(sentence(file)).toMatch(expected);
  });

  it('refuses nesting without end, in finite time', () => {
    const document = sample();
    const chain = Array.from({ length: 400 }, (_, i) => `c${i}`);
    chain.forEach((each, i) => {
      document.nodes[each] =
        i % 2
          ? {
              id: each,
              kind: 'column',
              name: 'x',
              settings: {},
              slots: { content: chain[i + 1] ? [chain[i + 1]] : [] },
              styles: {}
            }
          : {
              id: each,
              kind: 'columns',
              name: 'x',
              settings: {},
              slots: { columns: [chain[i + 1]] },
              styles: {}
            };
    });
    document.nodes.section.slots.content.push('c0');
    expect(sentence(fileOf(document))).toMatch(/nested more than 200/);
  });

  it('leaves out what does not fit, says so, and keeps the rest', () => {
    const document = sample();
    document.nodes.heading.settings = { text: 'Kept', level: '9', onclick: 'alert(1)' };
    document.nodes.tabs.styles = {
      tab: { rest: { always: { color: 'red;}', 'border-radius': '4px' } } },
      __proto__: {},
      lid: {}
    };
    document.nodes.heading2 = { ...document.nodes.heading, id: 'heading2', kind: 'marquee' };
    document.nodes.section.slots.content.push('heading2', 'heading', 'constructor', 42);
    const opened = read(fileOf(document));
    if (!opened.ok) throw new Error(opened.sentence);
    const { nodes } = opened.project as unknown as {
      nodes: Record<string, { settings: object; styles: object; slots: { content: string[] } }>;
    };
    expect(nodes.heading!.settings).toEqual({ text: 'Kept' });
    expect(nodes.tabs!.styles).toEqual({ tab: { rest: { always: { 'border-radius': '4px' } } } });
    expect(nodes.section!.slots.content).toEqual(['heading', 'tabs', 'columns']);
    expect(opened.notes.join('\n')).toMatch(/Level is one of[\s\S]*no such setting[\s\S]*no kind “marquee”/);
  });

  it('takes no state a part does not have, no page twice, and no text that only looks like one', () => {
    const document = sample();
    document.nodes.tabs.styles = {
      panel: { selected: { always: { color: '#111111' } } },
      tab: { selected: { always: { color: '#222222' } } }
    };
    document.info.pageOrder = ['first', 'first'];
    document.nodes.heading.kind = { toString: 1 };
    document.nodes.section.settings = { picture: 'toString', film: 'constructor' };
    const opened = read(fileOf(document));
    if (!opened.ok) throw new Error(opened.sentence);
    const { nodes, info } = opened.project as unknown as {
      nodes: Record<string, { settings: object; styles: object }>;
      info: { pageOrder: string[] };
    };
    expect(nodes.tabs!.styles).toEqual({ tab: { selected: { always: { color: '#222222' } } } });
    expect(info.pageOrder).toEqual(['first']);
    expect(Object.keys(nodes)).not.toContain('heading');
    expect(nodes.section!.settings).toEqual({});
    expect(opened.notes.join('\n')).toMatch(/stood twice[\s\S]*|no kind “a value of the sort/);
  });

  it('takes no name that cannot be seen, and no id that every object has', () => {
    const unseen = { ...sample(), info: { ...sample().info, name: '\u200b\u00ad' } };
    expect(sentence(fileOf(unseen))).toMatch(/nothing that can be seen/);
    const document = sample();
    document.nodes.heading.name = '\u2060';
    document.tokens = { constructor: { id: 'constructor', name: 'Ink', type: 'colour', value: '#111111' } };
    const opened = read(fileOf(document));
    if (!opened.ok) throw new Error(opened.sentence);
    expect(
      (opened.project as unknown as { nodes: Record<string, { name: string }> }).nodes.heading!.name
    ).toBe('Heading');
    expect(opened.project.tokens).toEqual({});
  });

  it('says so where a file is nested without end', () => {
    const deep = JSON.stringify(sample()).replace(
      '"settings":{}',
      () => `"settings":{"text":${'['.repeat(5000)}${']'.repeat(5000)}}`
    );
    expect(sentence(zipSync({ 'project.json': strToU8(deep) }))).toMatch(/nested more than 40 deep/);
  });

  it('says of every bit that was turned over that the file is damaged, or is not changed by it', () => {
    const good = writeProjectFile(sampleProject(), noBytes);
    const whole = read(good);
    fc.assert(
      fc.property(fc.nat(good.length - 1), fc.integer({ min: 0, max: 7 }), (at, bit) => {
        const bad = good.slice();
        bad[at]! ^= 1 << bit;
        const opened = read(bad);
        if (opened.ok && opened.notes.length === 0) expect(opened).toEqual(whole);
      }),
      { numRuns: 400 }
    );
  });

  it('opens with a note where one picture cannot be unpacked', () => {
    const { project, bytes } = makeDemo();
    const file = writeProjectFile(project, bytes);
    const name = strToU8('assets/press-house.svg');
    const at = file.findIndex((_byte, i) => name.every((each, n) => file[i + n] === each));
    file.fill(0xff, at + name.length, at + name.length + 40);
    const opened = read(file);
    if (!opened.ok) throw new Error(opened.sentence);
    expect(Object.keys(opened.project.nodes)).toHaveLength(Object.keys(project.nodes).length);
    expect(opened.notes.join('\n')).toMatch(/assets\/press-house\.svg is damaged/);
  });

  it('takes widths of columns as they were written before there were shares', () => {
    const document = JSON.parse(JSON.stringify(sample())) as {
      format: number;
      nodes: Record<string, { settings: object }>;
    };
    document.format = 1;
    document.nodes.columns!.settings = { ratio: '3:2', align: 'center' };
    const opened = read(fileOf(document));
    if (!opened.ok) throw new Error(opened.sentence);
    expect((opened.project as unknown as typeof document).nodes.columns!.settings).toEqual({
      shares: '3/5 2/5',
      align: 'center'
    });
    expect(opened.notes).toEqual([]);
  });

  it('cleans pictures on the way in, and leaves out what only calls itself one', () => {
    const document = { ...sample(), assets: {} as Record<string, unknown> };
    document.assets.a = { id: 'a', file: 'a.svg', type: 'image/svg+xml', width: 1, height: 1, bytes: 1 };
    document.assets.b = { id: 'b', file: 'b.png', type: 'image/png', width: 1, height: 1, bytes: 1 };
    const svg =
      '<svg xmlns="http://www.w3.org/2000/svg" onload="alert(1)" viewBox="0 0 8 4"><script>alert(2)</script><a href="javascript:alert(3)"><path d="M0 0h8" onclick="x()" fill="url(https://example.org/x)"/></a><use href="https://example.org/#x"/><foreignObject><iframe src="x"/></foreignObject></svg>';
    const opened = read(
      fileOf(document, { 'assets/a.svg': strToU8(svg), 'assets/b.png': strToU8('<script>alert(1)</script>') })
    );
    if (!opened.ok) throw new Error(opened.sentence);
    const clean = strFromU8(opened.bytes.get('a' as AssetId)!);
    expect(clean).toContain('<path d="M0 0h8"');
    expect(clean).not.toMatch(/alert|script|onload|onclick|example\.org|foreignObject|iframe/i);
    expect(opened.project.assets['a' as AssetId]).toMatchObject({ width: 8, height: 4 });
    expect(Object.keys(opened.project.assets)).toEqual(['a']);
    expect(opened.notes.join()).toContain('b.png');
  });

  it('never throws, whatever is changed in a file', () => {
    const good = writeProjectFile(sampleProject(), noBytes);
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(good.length - 1), fc.integer({ min: 0, max: 255 })), {
          minLength: 1,
          maxLength: 12
        }),
        (changes) => {
          const bad = good.slice();
          for (const [at, value] of changes) bad[at] = value;
          const opened = read(bad);
          return opened.ok || opened.sentence.length > 10;
        }
      ),
      { numRuns: 300 }
    );
  });

  it('never throws on any JSON in place of any part of a document', () => {
    const paths = [
      ['info'],
      ['info', 'bands'],
      ['pages'],
      ['pages', 'first'],
      ['nodes'],
      ['nodes', 'tabs'],
      ['nodes', 'tabs', 'slots'],
      ['nodes', 'tabs', 'styles'],
      ['nodes', 'heading', 'settings'],
      ['assets'],
      ['info', 'pageOrder']
    ];
    fc.assert(
      fc.property(fc.constantFrom(...paths), fc.jsonValue({ maxDepth: 3 }), (path, value) => {
        const document = sample();
        let at = document;
        for (const key of path.slice(0, -1)) at = at[key];
        at[path.at(-1)!] = value;
        const opened = read(fileOf(document));
        return opened.ok ? opened.project.format === FORMAT : opened.sentence.length > 10;
      }),
      { numRuns: 400 }
    );
  });
});
