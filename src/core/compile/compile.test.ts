import type { Command } from '../commands/commands';
import { lexer } from 'css-tree';
import { fromHtmlIsomorphic as fromHtml } from 'hast-util-from-html-isomorphic';
import { parse } from 'postcss';
import { describe, expect, it } from 'vitest';
import { makeWith } from '../kinds/make';
import type { Kind } from '../kinds/contract';
import { registryWith } from '../testing/registry';
import { rule } from '../kinds/rule';
import { createProject } from '../project/create';
import { registry } from '../whole';
import type { PageId, Project } from '../project/types';
import { after, id, sampleProject } from '../testing/project';
import { analyse } from './analyse';
import { documentText } from './document';
import { printPage } from './page';
import { createPreviewSession } from './preview';

const first = 'first' as PageId;
const print = (project: Project) =>
  printPage(registry, project, first, { addressOf: (asset) => `assets/${asset.file}` });
const write = (key: string, value: unknown, node = 'heading') =>
  ({
    type: 'set-setting',
    id: node,
    key,
    value
  }) as Command;

describe('analyse', () => {
  it('is remembered until something it read changes', () => {
    const project = sampleProject();
    const of = (now: Project, node: string) => analyse(registry, now, now.nodes[id(node)]!);
    const next = after(project, write('text', 'Other'));
    expect(of(next, 'tabs')).toBe(of(project, 'tabs'));
    expect(of(next, 'heading')).not.toBe(of(project, 'heading'));
    const renamed = after(project, { type: 'rename', id: 'one', name: 'Uno' });
    expect(of(renamed, 'tabs')).not.toBe(of(project, 'tabs'));
    expect(of(renamed, 'columns')).toBe(of(project, 'columns'));
  });
});

describe('what is shared', () => {
  it('follows a setting that is adapted, in markup as well as in behaviours', () => {
    const height = { form: 'grow', ms: 200, delay: 0, easing: 'ease', step: 0, from: 'first' };
    const project = sampleProject();
    print(project);
    const adapted = print(
      after(project, { type: 'set-setting', id: 'tabs', key: 'height', value: height, condition: 'narrow' })
    );
    expect(adapted.behaviours).toContain('grow');
    expect(adapted.body).toContain('data-k-grow');
  });

  it('is no sheet of a kind that looks at what a node holds', async () => {
    const text = registry.kindOf('text');
    const counting: Kind = {
      ...text,
      kind: 'counting',
      style: (node, ctx) => [
        ...text.style(node, ctx),
        rule(ctx.sel('root'), { '--held': `${(node.slots.content ?? []).length}` })
      ],
      slots: { content: { label: 'Content', accepts: ['block'] } }
    };
    const own = await registryWith([...registry.everyKind(), counting]);
    const make = makeWith({ exactIds: true });
    const held = (count: number) => Array.from({ length: count }, (_, n) => make('text', `In ${count} ${n}`));
    const section = make(
      'section',
      'Section',
      {},
      {
        content: [
          make('counting', 'None', {}, { content: [] }),
          make('counting', 'Three', {}, { content: held(3) })
        ]
      }
    );
    const project = createProject('Counting', make('page', 'Page', {}, { sections: [section] }), {
      page: first
    });
    const { css } = printPage(own, project, first, { addressOf: (asset) => asset.file });
    expect(css).toMatch(/\.counting \{[^}]*--held: 0/);
    expect(css).toMatch(/\.three \{[^}]*--held: 3/);
  });
});

describe('page printer', () => {
  it('gives rows of two and of three columns that nobody has tuned their own grids', () => {
    const make = makeWith({ exactIds: true });
    const columns = (name: string, count: number) =>
      make(
        'columns',
        name,
        {},
        {
          columns: Array.from({ length: count }, (_, n) =>
            make('column', `${name} ${n}`, {}, { content: [] })
          )
        }
      );
    const at = { parent: 'section', slot: 'content', index: 9 };
    const { css } = print(
      after(
        sampleProject(),
        { type: 'insert', fragment: columns('Pair', 2), at },
        { type: 'insert', fragment: columns('Triple', 3), at }
      )
    );
    expect(css).toMatch(/\.triple \{[^}]*grid-template-columns: 1fr 1fr 1fr;/);
    expect(css).toMatch(/\.columns \{[^}]*grid-template-columns: 1fr 1fr;/);
  });

  it('escapes what people write', () => {
    const { body } = print(after(sampleProject(), write('text', '<img src=x onerror=alert(1)> & "co"')));
    expect(body).toContain('&lt;img src=x onerror=alert(1)&gt; &amp; "co"');
  });

  it('prints the same page whether it is indented for reading or not', () => {
    const squeezed = (text: string) =>
      text.replace(/>\s+</g, '><').replaceAll('=""', '').replaceAll('&gt;', '>');
    const project = after(sampleProject(), write('text', 'Looks like <k-slot></k-slot>, is none'), {
      type: 'rename',
      id: 'one',
      name: '"<k-slot></k-slot>"'
    });
    const readable = printPage(registry, project, first, {
      addressOf: (asset) => asset.file,
      readable: true
    });
    expect(squeezed(readable.body)).toBe(squeezed(print(project).body));
    expect(readable.body.split('\n').length).toBeGreaterThan(20);
  });

  it('prints labels and panels from one list', () => {
    const { body } = print(after(sampleProject(), { type: 'rename', id: 'two', name: 'Zwei' }));
    expect(body.match(/Zwei/g)).toHaveLength(2);
    expect(body).not.toContain('Two');
  });

  it('opens the first panel that can be chosen', () => {
    const current = (project: Project) => /data-current="([^"]*)"/.exec(print(project).body)?.[1];
    expect(current(sampleProject())).toBe('one');
    expect(current(after(sampleProject(), write('disabled', true, 'one')))).toBe('two');
    expect(current(after(sampleProject(), write('first', 'two', 'tabs')))).toBe('two');
    expect(
      current(after(sampleProject(), write('first', 'two', 'tabs'), write('disabled', true, 'two')))
    ).toBe('one');
  });

  it('prints only declarations that css-tree’s lexer takes', () => {
    const project = after(
      sampleProject(),
      {
        type: 'set-style',
        id: 'tabs',
        part: 'tab',
        state: 'hover',
        condition: 'narrow',
        property: 'border-width',
        value: '0 0 2px'
      },
      {
        type: 'set-style',
        id: 'tabs',
        part: 'tab',
        state: 'disabled',
        condition: 'print',
        property: 'opacity',
        value: '0.4'
      }
    );
    const invalid: string[] = [];
    let count = 0;
    // Its parser knows no rules in rules, so another one finds the declarations; names stand for what they are.
    const sheet = parse(print(project).css);
    const named = new Map<string, string>();
    sheet.walkDecls(/^--/, ({ prop, value }) => void named.set(prop, value));
    sheet.walkDecls(/^[a-z]/, ({ prop, value: written }) => {
      const value = written.replace(
        /var\((--[\w-]+)(?:, ([\w-]+))?\)/g,
        (_use, name: string, otherwise = '') => named.get(name) ?? otherwise
      );
      count += 1;
      // `text-size-adjust` is a standard property the lexer's data knows with its prefix only.
      if (lexer.matchProperty(prop, value).error && !prop.endsWith('text-size-adjust'))
        invalid.push(`${prop}: ${value}`);
    });
    expect(invalid).toEqual([]);
    expect(count).toBeGreaterThan(50);
  });

  it('folds under the width that is set, and never where it is 0', () => {
    expect(print(after(sampleProject(), write('foldUnder', 712, 'tabs'))).css).toMatch(
      /@media [^{]*\(width < 712px\)/
    );
    expect(print(after(sampleProject(), write('foldUnder', 0, 'tabs'))).css).not.toContain('(width < ');
  });

  it('asks for the script only where something needs it, and for the keyframes likewise', () => {
    expect(print(sampleProject()).behaviours).toEqual(['tabs']);
    const plain = print(after(sampleProject(), { type: 'remove', ids: ['tabs'] }));
    expect(plain.behaviours).toEqual([]);
    expect(plain.css).not.toContain('@keyframes');
  });

  it('keeps headers and footers out of main', () => {
    const project = after(
      sampleProject(),
      { type: 'duplicate', ids: ['section'] },
      write('element', 'header', 'section')
    );
    const body = print(project).body;
    expect(body.indexOf('<header')).toBeLessThan(body.indexOf('<main>'));
    expect(body.match(/<main>/g)).toHaveLength(1);
  });

  it('shares one class among pieces that nobody has tuned', () => {
    const copied = after(sampleProject(), { type: 'duplicate', ids: ['tabs'] });
    expect(print(copied).css.length).toBe(print(sampleProject()).css.length);
    const tuned = after(copied, {
      type: 'set-style',
      id: 'tabs',
      part: 'tab',
      state: 'rest',
      condition: 'always',
      property: 'color',
      value: '#111111'
    });
    expect(print(tuned).body).toMatch(/class="tabs-tab"[\s\S]*class="tabs-tab [\w-]+-tab"/);
  });

  it('carries no mark of the preview', () => {
    const { body, css } = print(sampleProject());
    expect(body).not.toMatch(/data-k-(?:part|node|item)|data-k=|k-slot/);
    expect(css).not.toMatch(/data-k-(?:force|touch|print)/);
  });
});

describe('document', () => {
  const page = {
    title: 'A </title><script>',
    description: '',
    language: 'en',
    picture: null as string | null,
    preloads: [],
    body: '<body></body>'
  };

  it('escapes its texts, and parses back to what was meant', () => {
    const html = documentText(page, { style: { text: 'a{color:red}' }, script: { text: 'x("<b>")' } });
    expect(html).toContain('<title>A &lt;/title>&lt;script></title>');
    const scripts: unknown[] = [];
    JSON.stringify(
      fromHtml(html),
      (_key, value) => (value?.tagName === 'script' && scripts.push(value.children), value)
    );
    expect(scripts).toEqual([[expect.objectContaining({ value: 'x("<b>")' })]]);
  });

  it('says what a shared link shows, where a picture was chosen for it', () => {
    const html = documentText({ ...page, picture: 'assets/a&b.jpg' }, { style: { text: '' }, script: null });
    expect(html).toContain('property="og:image" content="assets/a&amp;b.jpg"');
    expect(html).toContain('property="og:title"');
    expect(documentText(page, { style: { text: '' }, script: null })).not.toContain('og:');
  });

  it('throws where a text would end its element', () => {
    expect(() => documentText(page, { style: { text: '</style><script>' }, script: null })).toThrow(
      'closing tag'
    );
  });
});

describe('preview session', () => {
  it('sends everything once, then only what changed', () => {
    const session = createPreviewSession(registry);
    const project = sampleProject();
    expect(session.patchFor(project, first)!.nodes.map((node) => node.id)).toEqual([
      'page',
      'section',
      'heading',
      'tabs',
      'text-one',
      'text-two',
      'columns',
      'left',
      'right'
    ]);
    expect(session.patchFor(project, first)).toBeNull();
    const styled = after(project, {
      type: 'set-style',
      id: 'tabs',
      part: 'tab',
      state: 'rest',
      condition: 'always',
      property: 'color',
      value: '#111111'
    });
    // The first own value gives the node a class and a sheet of its own; from then on a changed value is sent
    // alone.
    const own = session.patchFor(styled, first)!;
    expect(own).toMatchObject({
      nodes: [{ id: 'tabs', html: expect.stringContaining('class="tabs-tab"') }],
      sheets: [
        { id: 'tabs build' },
        { id: 'tabs look', css: expect.stringContaining('color: var(--k-tabs-') }
      ]
    });
    const at = own.values[0]!.values.indexOf('#111111');
    expect(own.sheets[1]!.css).toContain(`color: var(--k-tabs-${at})`);
    const again = after(styled, {
      type: 'set-style',
      id: 'tabs',
      part: 'tab',
      state: 'rest',
      condition: 'always',
      property: 'color',
      value: '#222222'
    });
    expect(session.patchFor(again, first)).toMatchObject({
      nodes: [],
      sheets: [],
      values: [{ id: 'tabs', values: own.values[0]!.values.with(at, '#222222') }]
    });
    const keyword = after(again, {
      type: 'set-style',
      id: 'tabs',
      part: 'tab',
      state: 'rest',
      condition: 'always',
      property: 'color',
      value: 'inherit'
    });
    expect(session.patchFor(keyword, first)!.sheets[0]!.css).toContain('color: inherit');
    expect(session.patchFor(again, first)!.sheets).toHaveLength(1);
    const written = session.patchFor(after(again, write('text', 'Other')), first)!;
    expect(written).toMatchObject({
      nodes: [{ id: 'heading', html: expect.stringContaining('Other'), behaviours: [] }],
      sheets: []
    });
    expect(
      session.patchFor(after(styled, { type: 'remove', ids: ['tabs'] }), first)!.removed.toSorted()
    ).toEqual(['tabs', 'text-one', 'text-two']);
    session.reset();
    expect(session.patchFor(styled, first)!.nodes).toHaveLength(9);
  });

  it('sends one piece alone, with what is in and around it', () => {
    const session = createPreviewSession(registry);
    const ids = (only: string) =>
      session.patchFor(sampleProject(), first, id(only))!.nodes.map((node) => node.id);
    expect(ids('tabs')).toEqual(['page', 'section', 'tabs', 'text-one', 'text-two']);
    expect(ids('left')).toEqual(['page', 'section', 'columns', 'left']);
  });

  it('of a page or a piece that is gone is nothing, and goes on when it is back', () => {
    const session = createPreviewSession(registry);
    const project = sampleProject();
    const gone = after(project, { type: 'remove', ids: ['tabs'] });
    expect(session.patchFor(project, first, id('tabs'))).not.toBeNull();
    expect(session.patchFor(gone, first, id('tabs'))).toBeNull();
    expect(session.patchFor(gone, 'other' as PageId)).toBeNull();
    expect(session.patchFor(project, first, id('heading'))!.nodes.map((node) => node.id)).toContain(
      'heading'
    );
  });

  it('writes conditions as switches and states so that they can be forced', () => {
    const css = createPreviewSession(registry)
      .patchFor(sampleProject(), first)!
      .sheets.filter(({ id: name }) => name.startsWith('k-tabs '))
      .map((sheet) => sheet.css)
      .join('');
    expect(css).toContain(':where(html:not([data-k-no-script], [data-k-print])) .k-tabs-list');
    expect(css).toContain(':where(html[data-k-less-motion]) .k-tabs-tab');
    expect(css).toContain('.k-tabs-tab:is(:hover, [data-k-force~="hover"])');
    expect(css).not.toContain('scripting');
  });
});
