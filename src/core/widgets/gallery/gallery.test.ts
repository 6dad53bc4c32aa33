import { beforeAll, describe, expect, it } from 'vitest';
import { apply } from '../../commands/apply';
import type { Command } from '../../commands/commands';
import { loadRules, runFindings } from '../../findings/run';
import { printPage } from '../../compile/page';
import { roomOf, shownWidth, sizesOf } from '../../compile/renditions';
import { arrangementsOf } from '../../kinds/arranged';
import { makeWith } from '../../kinds/make';
import type { Node, NodeId, PageId, Project } from '../../project/types';
import { after, refusedWith, sampleProject } from '../../testing/project';
import { registry } from '../../whole';

const make = makeWith({ exactIds: true });

const picture = (id: string, width: number | null, height: number | null): Command =>
  ({
    type: 'add-asset',
    asset: { id, file: `${id}.png`, type: 'image/png', width, height, bytes: 1000 }
  }) as Command;

const place = (name: string, asset: string) =>
  make('panel', name, {}, { content: [make('image', `${name} shown`, { asset, alt: name })] });

/** A gallery of a tall, a wide and a square picture, and of whatever else is asked for. */
function withGallery(
  settings: Node['settings'] = {},
  more: readonly ReturnType<typeof place>[] = []
): Project {
  const panels = [place('Tall', 'a'), place('Wide', 'b'), place('Square', 'c'), ...more];
  return after(
    sampleProject(),
    picture('a', 400, 800),
    picture('b', 800, 400),
    picture('c', 600, 600),
    picture('drawn', null, null),
    {
      type: 'insert',
      fragment: make('gallery', 'Album', settings, { panels }),
      at: { parent: 'section', slot: 'content', index: 0 }
    } as Command
  );
}

const albumOf = (project: Project) => project.nodes['album' as NodeId]!;
const found = (project: Project) =>
  runFindings(registry, project).filter(({ rule }) => rule.startsWith('gallery-'));
const mended = (project: Project): Project =>
  after(project, ...(found(project).flatMap(({ fix }) => fix?.commands ?? []) as Command[]));

beforeAll(() => loadRules(registry));

describe('how pictures lie', () => {
  const layOf = (project: Project, width: number, window: number) =>
    arrangementsOf(registry, project, albumOf(project), width, window)!;

  it('is told for each order at a width, with the gaps and what is left over', () => {
    const project = withGallery({ columns: 2, across: '20px', below: '10px' });
    const { packed, down, rows } = layOf(project, 420, 1280);
    // 200 px each: 400, 100 and 200 px high.
    expect(packed!.boxes.map(({ left, top, height }) => [left, top, height])).toEqual([
      [0, 0, 400],
      [220, 0, 100],
      [220, 110, 200]
    ]);
    expect(packed!.leftover).toBe(90);
    expect(down!.leftover).toBe(90);
    expect(rows!.boxes.map(({ left, top }) => [left, top])).toEqual([
      [0, 0],
      [220, 0],
      [0, 410]
    ]);
  });

  it('is that of the width band, and unknown where a height is', () => {
    expect(layOf(withGallery(), 360, 400).packed!.boxes.map(({ left }) => left)).toEqual([0, 0, 0]);
    expect(layOf(withGallery({}, [place('Drawn', 'drawn')]), 900, 1280)).toBeNull();
  });
});

describe('what can be wrong with a gallery', () => {
  it('is nothing with pictures of known sizes', () => {
    expect(found(withGallery())).toEqual([]);
  });

  it('a picture without a size of its own cannot be packed: told, and its fix mends it', () => {
    const project = withGallery({}, [place('Drawn', 'drawn')]);
    expect(found(project)).toMatchObject([
      { rule: 'gallery-unpackable', number: '1 of 4', sentence: expect.stringMatching(/height of Drawn/) }
    ]);
    expect(found(mended(project))).toEqual([]);
  });

  it('places that wait for a picture are told, and its fix takes them out', () => {
    const project = withGallery({}, [place('Empty', ''), place('Void', '')]);
    expect(found(project)).toMatchObject([
      { rule: 'gallery-unpackable' },
      { rule: 'gallery-empty', number: '2 of 5' }
    ]);
    const fix = found(project)[1]!.fix!.commands as Command[];
    expect(found(after(project, ...fix))).toEqual([]);
  });

  it('a new one, whose places all wait, is told of once and has no fix', () => {
    const fresh = registry.kindOf('gallery').create(make);
    const project = after(sampleProject(), {
      type: 'insert',
      fragment: fresh,
      at: { parent: 'section', slot: 'content', index: 0 }
    } as Command);
    expect(found(project)).toMatchObject([{ rule: 'gallery-empty', number: '6 of 6', fix: null }]);
  });
});

describe('a picture of a gallery', () => {
  const roomIn = (project: Project) => roomOf(registry, project, 'tall-shown' as NodeId);

  it('is as wide as its column however wide it is itself, and is made for the whole window where it opens large', () => {
    const room = roomIn(withGallery());
    expect([1440, 900, 400].map((window) => shownWidth(room, window, 60))).toEqual([373, 450, 400]);
    expect(sizesOf(room)).toBe('(width <= 640px) 100vw, (width <= 960px) 50vw, min(33.3vw, 373px)');
    expect(room.opensLarge).toBe(true);
    expect(roomIn(withGallery({ large: false })).opensLarge).toBe(false);
  });

  it('is in one HTML file once, and its link leads nowhere in it', () => {
    const project = withGallery();
    const bodyOf = (address: string) =>
      printPage(registry, project, 'first' as PageId, { addressOf: ({ file }) => `${address}${file}` }).body;
    expect(bodyOf('assets/')).toContain('href="assets/b.png"');
    expect(bodyOf('data:')).not.toContain('href="data:');
    expect(bodyOf('data:').match(/data:b\.png/g)).toHaveLength(1);
  });
});

it('becomes a slider and back with all it had', () => {
  const project = withGallery({ columns: 4, captions: 'over' });
  const swapped = after(project, { type: 'swap', id: 'album', kind: 'slider' });
  expect(albumOf(swapped)).toMatchObject({ kind: 'slider', slots: albumOf(project).slots });
  const back = after(swapped, { type: 'swap', id: 'album', kind: 'gallery' });
  expect(albumOf(back)).toEqual(albumOf(project));
});

it.each([
  ['columns', 0],
  ['columns', 13],
  ['columns', 2.5],
  ['across', 'wide'],
  ['order', 'spiral'],
  ['captions', true]
])('%s %s is refused', (key, value) => {
  const command = { type: 'set-setting', id: 'album', key, value } as Command;
  expect(refusedWith(apply(registry, withGallery(), command))).toBe('bad-setting');
});
