import { describe, expect, it } from 'vitest';
import { textContrast } from '../cascade/contrast';
import { apply } from '../commands/apply';
import type { Command } from '../commands/commands';
import type { Project } from '../project/types';
import { registry } from '../whole';
import { after, id, sampleProject } from '../testing/project';
import { makeWith } from '../kinds/make';
import { createFindingsRunner, runFindings } from './run';
import { defined } from '../data/compact';

const photo = (tones?: readonly string[]) =>
  ({
    type: 'add-asset',
    asset: defined({
      id: 'photo',
      file: 'photo.jpg',
      type: 'image/jpeg',
      width: 2000,
      height: 1200,
      bytes: 90_000,
      tones: tones ? tones : undefined
    })
  }) as Command;
const set = (key: string, value: unknown, node = 'section'): Command => ({
  type: 'set-setting',
  id: node,
  key,
  value
});
const white = (node: string): Command => ({
  type: 'set-style',
  id: node,
  part: 'root',
  state: 'rest',
  condition: 'always',
  property: 'color',
  value: '#ffffff'
});
const over = (tones: readonly string[] | undefined, ...more: Command[]): Project =>
  after(sampleProject(), photo(tones), set('picture', 'photo'), ...more);
const heading = (project: Project) => textContrast(registry, project, { node: id('heading'), part: 'root' })!;
const about = (project: Project, node = 'heading') =>
  runFindings(registry, project).filter((each) => each.rule === 'text-contrast' && each.node === node);

describe('text over a picture', () => {
  it('is measured against every tone of it', () => {
    const both = heading(over(['#000000ff', '#777777ff'], white('heading')));
    expect(both.most).toBeCloseTo(21);
    // White on #777777: 4.48 : 1, the usual example of a grey that just fails WCAG 2.2, 1.4.3.
    expect(both.least).toBeCloseTo(4.48, 2);
    expect(about(over(['#000000ff', '#777777ff'], white('heading')))).toMatchObject([
      { number: '4.5 to 21.0 : 1' }
    ]);
    expect(about(over(['#000000ff', '#707070ff'], white('heading')))).toEqual([]);
  });

  it('may stand on black or on white where the tones are not known, or a film runs', () => {
    expect(heading(over(undefined, white('heading'))).least).toBeCloseTo(1);
    expect(
      heading(over(['#000000ff'], white('heading'), set('video', 'https://films.example/orchard.mp4'))).least
    ).toBeCloseTo(1);
  });

  it('is seen where nothing is declared on it', () => {
    expect(about(over(['#101010ff']))).toMatchObject([{ part: 'root', severity: 'error' }]);
  });

  it('is mended by the lightest layer that does', () => {
    const project = over(['#000000ff', '#ffffffff'], white('heading'));
    const { fix } = about(project)[0]!;
    const mended = apply(registry, project, {
      type: 'batch',
      label: '',
      commands: fix!.commands as Command[]
    });
    expect(mended.ok && about(mended.project)).toEqual([]);
    expect(mended.ok && mended.project.nodes[id('section')]!.settings.layer).toBe('#000000');
    const opacity = mended.ok ? Number(mended.project.nodes[id('section')]!.settings.opacity) : 0;
    const lighter = after(project, set('layer', '#000000'), set('opacity', opacity - 1));
    expect(about(lighter)).toHaveLength(1);
  });

  it('is not mended by a layer that would spoil other words on it, and says which', () => {
    const light = over(['#d8d8d8ff', '#f4f4f4ff'], white('heading'), { type: 'remove', ids: ['tabs'] });
    const withNote = (project: Project, name: string) =>
      after(project, {
        type: 'insert',
        fragment: makeWith({ exactIds: true })('text', name, { html: '<p>Free to all</p>' }),
        at: { parent: 'section', slot: 'content', index: 0 }
      });
    const [alone] = about(light);
    expect(alone!.fix!.label).toContain('% black');
    expect(alone!.cause).not.toContain('would do');
    const project = withNote(light, 'Note');
    expect(about(project, 'note')).toEqual([]);
    expect(about(after(project, ...(alone!.fix!.commands as Command[])), 'note')).toHaveLength(1);
    const [finding] = about(project);
    const veil = alone!.fix!.label.match(/\d+ % black/)![0];
    expect(finding!.cause).toContain(`${veil} behind it would do, but would make Note hard to read.`);
    expect(about(withNote(project, 'Hours'))[0]!.cause).toContain('2 others hard to read, among them Hours.');
    const mended = after(project, ...(finding!.fix!.commands as Command[]));
    expect([...about(mended), ...about(mended, 'note')]).toEqual([]);
  });

  it('reads a gradient by its colours', () => {
    const both = heading(
      over(
        ['#ffffffff'],
        white('heading'),
        set('layer', 'linear-gradient(to right, #000000, rgb(119 119 119))'),
        set('opacity', 100)
      )
    );
    expect(both.least).toBeCloseTo(4.48, 2);
    expect(both.most).toBeCloseTo(21);
  });

  it('is what a header over the next section stands on, and follows when that changes', () => {
    const make = makeWith({ exactIds: true });
    const header = make(
      'section',
      'Header',
      { header: 'over', element: 'header' },
      { content: [make('heading', 'Name', { text: 'Quillmere', level: '2' })] }
    );
    const project = after(
      over(['#000000ff']),
      { type: 'insert', fragment: header, at: { parent: 'page', slot: 'sections', index: 0 } },
      white('name')
    );
    const runner = createFindingsRunner(registry);
    const name = (now: Project) =>
      runner.run(now).filter((each) => each.node === 'name' && each.rule === 'text-contrast');
    expect(name(project)).toEqual([]);
    const bare = after(project, set('picture', ''));
    expect(name(bare)).toMatchObject([{ number: '1.0 : 1' }]);
  });
});

describe('text in a layer over others', () => {
  const make = makeWith({ exactIds: true });
  const layered = (
    tones: readonly string[],
    base: Record<string, string> = { width: '100%' },
    ...more: Command[]
  ): Project => {
    const layers = make(
      'layers',
      'Cover',
      {},
      {
        layers: [
          make('layer', 'Base', base, {
            content: [make('image', 'Orchard', { asset: 'photo', decorative: true })]
          }),
          make('layer', 'Words', {}, { content: [make('heading', 'Title', { text: 'Orchard', level: '2' })] })
        ]
      }
    );
    return after(
      sampleProject(),
      photo(tones),
      { type: 'insert', fragment: layers, at: { parent: 'section', slot: 'content', index: 0 } },
      white('title'),
      ...more
    );
  };
  const title = (project: Project, conditions: readonly 'narrow'[] = []) =>
    textContrast(registry, project, { node: id('title'), part: 'root', conditions })!;

  it('has the picture below it behind, and nothing else where that takes the whole width', () => {
    expect(title(layered(['#777777ff'])).least).toBeCloseTo(4.48, 2);
    expect(title(layered(['#777777ff'])).most).toBeCloseTo(4.48, 2);
    expect(about(layered(['#000000ff', '#ffffffff']), 'title')).toMatchObject([
      { severity: 'error', number: '1.0 to 21.0 : 1' }
    ]);
    expect(about(layered(['#101010ff']), 'title')).toEqual([]);
  });

  it('may lie beside a narrower picture, on what is around', () => {
    expect(title(layered(['#000000ff'], { width: '320px' })).least).toBeCloseTo(1);
    const narrowed = layered(
      ['#000000ff'],
      { width: '320px' },
      { type: 'set-setting', id: 'base', key: 'width', value: '100%', condition: 'narrow' }
    );
    expect(title(narrowed, ['narrow']).least).toBeCloseTo(21);
  });

  it('reads a film as any tone, and what lies above it as nothing', () => {
    const film = make('video', 'Film', { address: 'https://films.example/orchard.mp4' });
    const project = after(layered(['#000000ff']), {
      type: 'insert',
      fragment: film,
      at: { parent: 'base', slot: 'content', index: 1 }
    });
    expect(title(project).least).toBeCloseTo(1);
    expect(
      title(
        after(project, { type: 'move', ids: ['base'], at: { parent: 'cover', slot: 'layers', index: 2 } })
      ).most
    ).toBeCloseTo(1);
  });

  it('is mended by the lightest colour on its own layer, and follows what lies below', () => {
    const project = layered(['#000000ff', '#ffffffff']);
    const runner = createFindingsRunner(registry);
    const seen = (now: Project) =>
      runner.run(now).filter((each) => each.rule === 'text-contrast' && each.node === 'title');
    const [found] = seen(project);
    const mended = apply(registry, project, {
      type: 'batch',
      label: '',
      commands: found!.fix!.commands as Command[]
    });
    expect(mended.ok && seen(mended.project)).toEqual([]);
    expect(
      mended.ok && mended.project.nodes[id('words')]!.styles.root!.rest!.always!['background-color']
    ).toMatch(/^#000000[0-9a-f]{2}$/);
    expect(
      seen(after(project, { type: 'set-setting', id: 'orchard', key: 'asset', value: '' }))[0]!.number
    ).toBe('1.0 : 1');
  });
});

describe('a colour set on a column or a layer', () => {
  it('is what stands in it takes over', () => {
    const make = makeWith({ exactIds: true });
    const row = make(
      'columns',
      'Row',
      {},
      {
        columns: [
          make('column', 'Dark', {}, { content: [make('heading', 'Inside', { text: 'Press', level: '2' })] })
        ]
      }
    );
    const dark = (property: string, value: string): Command => ({
      type: 'set-style',
      id: 'dark',
      part: 'root',
      state: 'rest',
      condition: 'always',
      property,
      value
    });
    const project = after(
      sampleProject(),
      { type: 'insert', fragment: row, at: { parent: 'section', slot: 'content', index: 0 } },
      dark('background-color', '#000000'),
      dark('color', '#ffffff')
    );
    expect(textContrast(registry, project, { node: id('inside'), part: 'root' })!.least).toBeCloseTo(21);
  });
});

describe('buttons over slides', () => {
  const make = makeWith({ exactIds: true });
  const slide = make('panel', 'Slide', {}, { content: [make('image', 'Orchard', { asset: 'photo' })] });
  const withArrows = (place: string, tones: readonly string[]): Project =>
    after(sampleProject(), photo(tones), {
      type: 'insert',
      fragment: make('slider', 'Views', { place }, { panels: [slide] }),
      at: { parent: 'section', slot: 'content', index: 0 }
    });
  const tones = ['#202020ff', '#f0f0f0ff'];

  it('are measured against the pictures they lie over, and are given a ground that goes with any of them', () => {
    expect(about(withArrows('above', tones), 'views')).toEqual([]);
    const project = withArrows('over', tones);
    expect(about(project, 'views').map(({ part }) => part)).toEqual(expect.arrayContaining(['arrow']));
    const commands = about(project, 'views').flatMap(({ fix }) => fix!.commands) as Command[];
    const mended = after(project, ...commands);
    expect(about(mended, 'views')).toEqual([]);
    expect(mended.nodes[id('views')]!.styles.arrow!.rest!.always).toHaveProperty('background-color');
  });

  it('are looked at anew when a picture under them becomes another', () => {
    const dark = photo(['#202020ff']) as unknown as { readonly asset: object };
    const other = { type: 'add-asset', asset: { ...dark.asset, id: 'night', file: 'night.jpg' } } as unknown;
    const light = after(withArrows('over', ['#f0f0f0ff']), other as Command);
    const runner = createFindingsRunner(registry);
    expect(runner.run(light).filter(({ node }) => node === 'views')).toEqual([]);
    const night = after(light, set('asset', 'night', 'orchard'));
    expect(runner.run(night)).toEqual(runFindings(registry, night));
    expect(about(night, 'views')).not.toEqual([]);
  });

  it('need none over pictures that are light throughout', () => {
    expect(about(withArrows('over', ['#e0e0e0ff', '#f0f0f0ff']), 'views')).toEqual([]);
  });
});

describe('text on a colour', () => {
  it('is mended by the nearest colour that can be read', () => {
    const grey: Command = {
      type: 'set-style',
      id: 'heading',
      part: 'root',
      state: 'rest',
      condition: 'always',
      property: 'color',
      value: '#999999'
    };
    const project = after(sampleProject(), grey);
    const { fix } = about(project)[0]!;
    const mended = apply(registry, project, {
      type: 'batch',
      label: '',
      commands: fix!.commands as Command[]
    });
    expect(mended.ok && about(mended.project)).toEqual([]);
    expect(mended.ok && heading(mended.project).least).toBeLessThan(5.2);
  });
});
