import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { htmlProblems } from '../../server/validator';
import { makeWith } from '../kinds/make';
import { NO_FACTS } from '../kinds/finding';
import type { NodeId, PageId, Project } from '../project/types';
import { runFindings } from '../findings/run';
import { after, sampleProject } from '../testing/project';
import type { Lane } from '../sweep/runs';
import { registry } from '../whole';
import { specificationCsv } from './csv';
import { printSpecification } from './page';
import { specificationOf, type Asked } from './specification';

const page = 'first' as PageId;
const specOf = (project: Project, more: Partial<Asked> = {}) =>
  specificationOf(registry, project, {
    page,
    piece: null,
    measured: null,
    lanes: null,
    findings: [],
    files: [],
    ...more
  });
const htmlOf = (project: Project, more: Partial<Asked> = {}) =>
  printSpecification(specOf(project, more), { registry, project, page, pictureOf: () => null });

const styled = (project: Project, part: string, state: string, property: string, value: string) =>
  after(project, { type: 'set-style', id: 'tabs', part, state, condition: 'always', property, value });

/** Tabs with a token in a hovered tab, another type size where it is narrow, and a movement. */
function tuned(): Project {
  const token = { id: 'leaf', name: 'Leaf', type: 'colour', value: '#21362b' } as const;
  const withToken = after(sampleProject(), { type: 'set-token', token });
  const hovered = styled(withToken, 'tab', 'hover', 'background-color', '{leaf}');
  return after(
    styled(hovered, 'tab', 'rest', 'transition', 'background-color 200ms ease-out 40ms'),
    {
      type: 'set-style',
      id: 'tabs',
      part: 'tab',
      state: 'rest',
      condition: 'narrow',
      property: 'font-size',
      value: '14px'
    },
    { type: 'set-setting', id: 'tabs', key: 'foldUnder', value: 500 }
  );
}

const tabsIn = (project: Project) => specOf(project).pieces.find(({ node }) => node === ('tabs' as NodeId))!;

describe('a specification', () => {
  it('says each part in each state that looks otherwise, with the token it takes', () => {
    const tab = tabsIn(tuned()).parts.find(({ part }) => part === 'tab')!;
    const states = tab.states.map(({ state }) => state);
    const fill = tab.rows.find(({ property }) => property === 'background-color')!;
    expect(fill.values[states.indexOf('hover')]).toEqual({
      value: '#21362b',
      token: 'Leaf',
      isAsRest: false
    });
    expect(fill.values[0]!.isAsRest).toBe(true);
    expect(tab.element).toBe('button role=tab');
    expect(Object.keys(tab.keys).length).toBeGreaterThan(0);
    expect(tab.conditional).toContainEqual({
      condition: 'narrow',
      state: 'rest',
      property: 'font-size',
      value: '14px',
      token: null
    });
    // A state in which nothing differs has no column.
    expect(
      tab.states.every(
        ({ state }, i) => i === 0 || tab.rows.some(({ values }) => !values[i]!.isAsRest) || state === 'focus'
      )
    ).toBe(true);
  });

  it('says what was chosen, what becomes of it elsewhere, and what moves', () => {
    const { settings, fallbacks, moves } = tabsIn(tuned());
    expect(settings).toContainEqual({ label: 'Fold under', value: '500 px', isOwn: true });
    expect(settings.find(({ label }) => label === 'Tab list on')).toMatchObject({ isOwn: false });
    expect(fallbacks[0]!.cells.narrow).toMatch(/accordion/i);
    expect(moves).toContainEqual(
      expect.objectContaining({ label: 'tab: background-color', ms: 200, delay: 40, easing: 'ease-out' })
    );
  });

  it('describes what looks and behaves the same once', () => {
    const { pieces } = specOf(sampleProject());
    const text = pieces.find(({ kind }) => kind === 'Rich text')!;
    expect([text.name, text.others]).toEqual(['Text one', ['Text two']]);
    const other = after(sampleProject(), {
      type: 'set-style',
      id: 'text-two',
      part: 'root',
      state: 'rest',
      condition: 'always',
      property: 'color',
      value: '#123456'
    });
    expect(specOf(other).pieces.filter(({ kind }) => kind === 'Rich text')).toHaveLength(2);
  });

  it('is of one piece with what is in it, where that is asked for', () => {
    const spec = specOf(sampleProject(), { piece: 'tabs' as NodeId });
    expect(spec.page.name).toBe('Tabs, of First page');
    expect(spec.pieces.map(({ kind }) => kind)).toEqual(['Tabs', 'Rich text']);
  });

  it('tells what was set aside, and why', () => {
    const low = styled(
      styled(sampleProject(), 'tab', 'rest', 'color', '#777777'),
      'tab',
      'rest',
      'background-color',
      '#888888'
    );
    const [finding] = runFindings(registry, low).filter(({ node }) => node === ('tabs' as NodeId));
    const aside = after(low, {
      type: 'set-aside',
      finding: `${finding!.rule} ${finding!.node}`,
      reason: 'The brand wants it'
    });
    const { findings } = specOf(aside, { findings: runFindings(registry, aside) });
    expect(findings).toContainEqual(
      expect.objectContaining({ sentence: finding!.sentence, aside: 'The brand wants it' })
    );
  });

  it('says nothing of the scroll where nothing was measured', () => {
    expect(specOf(sampleProject()).scroll).toBeNull();
    expect(specOf(sampleProject(), { measured: { facts: NO_FACTS, width: 1120 } }).scroll).toEqual({
      width: 1120,
      ranges: []
    });
  });
});

describe('its page', () => {
  it('is valid HTML without a script', async () => {
    const html = htmlOf(tuned(), { files: [{ path: 'index.html', raw: 1200, gzip: 500 }] });
    expect(await htmlProblems('sheet', html)).toEqual([]);
    expect(html).not.toContain('<script');
  });

  it('has the words of a hostile project as words', () => {
    const evil = '</style><script>alert(1)</script>';
    const fragment = makeWith({ exactIds: true })('heading', 'evil', { text: evil });
    const project = after(
      sampleProject(),
      { type: 'set-page', id: 'first', key: 'name', value: evil },
      { type: 'set-page', id: 'first', key: 'title', value: evil },
      { type: 'rename-project', name: evil },
      { type: 'insert', fragment, at: { parent: 'left', slot: 'content', index: 0 } },
      { type: 'rename', id: 'tabs', name: evil }
    );
    expect(htmlOf(project)).not.toMatch(/<script|<\/style>(?!\n<\/head>)/);
  });
});

describe('its drawings', () => {
  const card = (by: string) => {
    const fragment = makeWith({ exactIds: true })('card', 'Turning', { by }, { front: [], back: [] });
    return after(sampleProject(), {
      type: 'insert',
      fragment,
      at: { parent: 'left', slot: 'content', index: 0 }
    });
  };
  const statesOf = (by: string) =>
    specOf(card(by))
      .pieces.find(({ node }) => node === ('turning' as NodeId))!
      .parts[0]!.states.map(({ state }) => state);

  it('show a card from behind in the states that turn it, and list these', () => {
    expect(statesOf('hover')).toEqual(['rest', 'hover', 'focus']);
    expect(statesOf('press')).toEqual(['rest', 'focus']);
    const turned = (by: string) => htmlOf(card(by)).match(/<div[^>]* data-turned(?:=""|[ >])/g)?.length ?? 0;
    expect(turned('hover')).toBe(2);
    expect(turned('press')).toBe(0);
  });
});

describe('its CSV', () => {
  const read = (csv: string) =>
    Papa.parse<Record<string, string>>(csv, { header: true, skipEmptyLines: true });

  it('has one value a line', () => {
    const { data, errors } = read(specificationCsv(specOf(tuned())));
    expect(errors).toEqual([]);
    expect(data).toContainEqual({
      about: 'style',
      piece: 'Tabs',
      kind: 'Tabs',
      part: 'tab',
      state: 'hover',
      condition: 'always',
      property: 'background-color',
      value: '#21362b',
      token: 'Leaf'
    });
    expect(data.filter(({ about }) => about === 'fallback').length % 7).toBe(0);
  });

  it('holds nothing that a spreadsheet takes for a formula', () => {
    const project = after(sampleProject(), {
      type: 'rename',
      id: 'tabs',
      name: '=HYPERLINK("https://example.org")'
    });
    const cells = read(specificationCsv(specOf(project))).data.map(({ piece }) => piece!);
    expect(cells.some((cell) => cell.includes('HYPERLINK'))).toBe(true);
    expect(cells.filter((cell) => cell.startsWith('='))).toEqual([]);
  });

  it('tells what happens over all widths, worst first, with a bar for each, and nothing where it was not swept', () => {
    const lanes: readonly Lane[] = [
      { what: 'sideways', node: 'tabs', part: 'tab', runs: [{ from: 280, to: 311, value: 32, at: 280 }] },
      {
        what: 'heading',
        node: 'heading',
        part: 'root',
        runs: [
          { from: 280, to: 500, value: 2, at: 280 },
          { from: 501, to: 1920, value: 1, at: 501 }
        ]
      },
      { what: 'cut', node: 'elsewhere', part: 'root', runs: [{ from: 280, to: 300, value: 4, at: 280 }] }
    ];
    const { widths } = specOf(sampleProject(), { lanes });
    expect(widths!.lanes).toMatchObject([
      {
        words: 'Tabs, tab makes the page scroll sideways',
        tone: 'error',
        spans: [{ from: 280, to: 311, words: 'by 32 px' }]
      },
      { words: 'Heading changes its lines', spans: [{ words: '2 lines' }, { words: '1 line' }] }
    ]);
    const html = htmlOf(sampleProject(), { lanes });
    expect(html).toContain('280 to 311: by 32 px');
    // The bar of the second line of the heading begins where its width does: 501 - 280.
    expect(html).toMatch(/<rect x="221" width="1420"/);
    expect(Papa.parse<string[]>(specificationCsv(specOf(sampleProject(), { lanes }))).data).toContainEqual(
      expect.arrayContaining(['width', 'Heading changes its lines', '501 to 1920 px', '1 line'])
    );
    const drawn = printSpecification(specOf(sampleProject(), { lanes }), {
      registry,
      project: sampleProject(),
      page,
      pictureOf: () => null,
      chart: 'data:image/png;base64,AAAA'
    });
    expect(drawn).toContain('<img class="s-chart" src="data:image/png;base64,AAAA"');
    expect(drawn).toMatch(/alt="[^"]*Most goes wrong from 280 to 311 px: 1 at once\."/);
    expect(htmlOf(sampleProject(), { lanes: [] })).toContain('Nothing breaks from 280 to 1920 px');
    expect(htmlOf(sampleProject())).not.toContain('Over all widths');
  });
});
