import { beforeAll, describe, expect, it } from 'vitest';
import type { Command } from '../commands/commands';
import { loadRules, runFindings } from '../findings/run';
import { makeWith } from '../kinds/make';
import type { NodeId, Project } from '../project/types';
import { after, sampleProject } from '../testing/project';
import { registry } from '../whole';
import { contrastOverItems } from './slides';

const make = makeWith({ exactIds: true });

const picture = (id: string, tone: string): Command =>
  ({
    type: 'add-asset',
    asset: { id, file: `${id}.png`, type: 'image/png', width: 900, height: 600, bytes: 1000, tones: [tone] }
  }) as Command;

const slide = (name: string, asset: string) =>
  make('panel', name, {}, { content: [make('image', `${name} shown`, { asset, alt: name })] });

const words = () => make('heading', 'Words', { text: 'Sixty-four kinds', level: '2' });

/** White words over a slider of a black, a grey and a white picture. */
function over(fill = 'transparent'): Project {
  const slider = make(
    'slider',
    'Views',
    {},
    {
      panels: [slide('Night', 'black'), slide('Dusk', 'grey'), slide('Noon', 'white')]
    }
  );
  const layers = make(
    'layers',
    'Opening',
    {},
    {
      layers: [
        make('layer', 'Below', { width: '100%' }, { content: [slider] }),
        make('layer', 'Above', {}, { content: [words()] })
      ]
    }
  );
  const set = (id: string, property: string, value: string) =>
    ({ type: 'set-style', id, part: 'root', state: 'rest', condition: 'always', property, value }) as Command;
  return after(
    sampleProject(),
    picture('black', '#000000ff'),
    picture('grey', '#777777ff'),
    picture('white', '#ffffffff'),
    { type: 'insert', fragment: layers, at: { parent: 'section', slot: 'content', index: 0 } } as Command,
    set('words', 'color', '#ffffff'),
    set('above', 'background-color', fill)
  );
}

const at = { node: 'words' as NodeId, part: 'root' };
const shown = (project: Project) =>
  contrastOverItems(registry, project, at).map(({ name, least }) => [name, Math.round(least * 100) / 100]);

beforeAll(() => loadRules(registry));

describe('words over pictures that change', () => {
  // WCAG 2.2, 1.4.3: white on #777777 is 4.48 : 1, the usual example of a grey that just fails.
  it('have a contrast over each, the worst first', () => {
    expect(shown(over())).toEqual([
      ['Noon', 1],
      ['Dusk', 4.48],
      ['Night', 21]
    ]);
  });

  it('have one over each through a fill that lets them shine, and none of their own behind one that does not', () => {
    const [worst] = shown(over('#000000cc'));
    expect(worst![0]).toBe('Noon');
    expect(worst![1]).toBeGreaterThan(4.5);
    expect(shown(over('#000000'))).toEqual([]);
  });

  it('are told with the worst by name, and over how many they cannot be read', () => {
    const said = runFindings(registry, over()).filter(
      ({ rule, node }) => rule === 'text-contrast' && node === 'words'
    );
    expect(said).toMatchObject([
      { cause: expect.stringContaining('Worst over Noon, 1.0 : 1; too little over 2 of 3.') }
    ]);
  });

  it('have none where nothing changes under them', () => {
    expect(contrastOverItems(registry, sampleProject(), { node: 'heading' as NodeId, part: 'root' })).toEqual(
      []
    );
  });
});

it('words of a header that lies on the next section are held against the slider in it', () => {
  const set = (id: string, key: string, value: unknown) =>
    ({ type: 'set-setting', id, key, value }) as Command;
  const header = make(
    'section',
    'Bar',
    { header: 'over' },
    { content: [make('heading', 'Name', { text: 'Q' })] }
  );
  const slider = make('slider', 'Views', {}, { panels: [slide('Night', 'black'), slide('Noon', 'white')] });
  const project = after(
    sampleProject(),
    picture('black', '#000000ff'),
    picture('white', '#ffffffff'),
    { type: 'insert', fragment: header, at: { parent: 'page', slot: 'sections', index: 0 } } as Command,
    { type: 'insert', fragment: slider, at: { parent: 'section', slot: 'content', index: 0 } } as Command,
    set('section', 'span', 'bleed')
  );
  const found = contrastOverItems(registry, project, { node: 'name' as NodeId, part: 'root' });
  expect(found.map(({ name }) => name).toSorted()).toEqual(['Night', 'Noon']);
  expect(
    contrastOverItems(registry, after(project, set('bar', 'header', 'flow')), {
      node: 'name' as NodeId,
      part: 'root'
    })
  ).toEqual([]);
});
