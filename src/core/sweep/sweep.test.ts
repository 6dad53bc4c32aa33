import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Sight, Sights } from '../facts/sights';
import { firstSeedsOf, halvesOf, restOf, seedsOf, signatureOf } from './halving';
import { SWEEP_FROM, SWEEP_TO } from './span';
import { overHeights } from './heights';
import { worstOfEach } from './merging';
import { edgesOf, lanesOf, renewedLanes, worstFirst, wrongOver } from './runs';
import { maybeSectionOf, sectionsOf } from './touched';
import { after, id, sampleProject } from '../testing/project';
import { makeWith } from '../kinds/make';

const sight = (what: Sight['what'], value: number, node = 'a', part = 'root'): Sight => ({
  what,
  node,
  part,
  value
});

const where = (holds: boolean, each: Sight): Sights => (holds ? [each] : []);

/**
 * Looks where it is told to look, as the app does.
 * @param shapeAt how large the words are at a width; left out: of another size at each.
 */
function sweep(
  see: (px: number) => Sights,
  edges: readonly number[] = [],
  shapeAt: (px: number) => number | null = (px) => px
) {
  const samples = new Map<number, Sights>();
  const shapes = new Map<number, number | null>();
  for (const seeds of [() => firstSeedsOf(edges), () => restOf(seedsOf(edges), shapes)])
    for (let due = seeds(); due.length > 0; due = halvesOf(samples))
      for (const px of due) {
        samples.set(px, see(px));
        shapes.set(px, shapeAt(px));
      }
  return { samples, lanes: lanesOf(samples) };
}

const ALL = Array.from({ length: SWEEP_TO - SWEEP_FROM + 1 }, (_, i) => SWEEP_FROM + i);
const everyWidth = (see: (px: number) => Sights) => lanesOf(new Map(ALL.map((px) => [px, see(px)])));

describe('the sweep over all widths', () => {
  it('finds every edge to the px, with a fraction of the layouts', () => {
    const see = (px: number) => (px < 437 ? [sight('sideways', 437 - px)] : []);
    const { samples, lanes } = sweep(see);
    expect(lanes).toEqual([
      { what: 'sideways', node: 'a', part: 'root', runs: [{ from: 280, to: 436, value: 157, at: 280 }] }
    ]);
    expect(samples.size).toBeLessThan(90);
  });

  it('finds the same as looking at every single width, wherever things change that last for 24 px', () => {
    const edges = fc.uniqueArray(fc.integer({ min: 12, max: 78 }), { maxLength: 6 });
    fc.assert(
      fc.property(edges, edges, (first, second) => {
        const counted = (all: readonly number[], px: number) => all.filter((each) => px >= each * 24).length;
        const see = (px: number): Sights => [
          sight('heading', 1 + counted(first, px)),
          ...where(counted(second, px) % 2 === 1, sight('cut', 1, 'b'))
        ];
        expect(sweep(see).lanes).toEqual(everyWidth(see));
      }),
      { numRuns: 60 }
    );
  });

  it('looks at hardly any width where every line of words stands as it is, and finds the same', () => {
    // A page that is 1080 px wide at most; a picture behind it grows with the window.
    const across = (px: number) => Math.min(px, 1080);
    const see = (px: number): Sights => [
      sight('heading', Math.ceil(1500 / across(px))),
      ...where(across(px) >= 820 && across(px) < 860, sight('wrapped', 2, 'b')),
      ...where(px > 1511, sight('enlarged', 110, 'c'))
    ];
    const still = sweep(see, [], across);
    expect(still.lanes).toEqual(everyWidth(see));
    const wide = (samples: ReadonlyMap<number, Sights>) =>
      [...samples.keys()].filter((px) => px > 1080).length;
    expect(wide(still.samples)).toBeLessThan(wide(sweep(see).samples) / 2);
  });

  it('looks everywhere where it is not known how large the words are', () => {
    const { samples } = sweep(
      () => [],
      [],
      () => null
    );
    expect(seedsOf([]).filter((px) => !samples.has(px))).toEqual([]);
  });

  it('finds what lasts for one px only where something is said to change', () => {
    const see = (px: number) => (px === 701 ? [sight('wrapped', 2)] : []);
    expect(sweep(see).lanes).toEqual([]);
    const { lanes } = sweep(see, [700]);
    expect(lanes[0]!.runs).toEqual([{ from: 701, to: 701, value: 2, at: 701 }]);
    expect(edgesOf(lanes)).toEqual([701, 702]);
  });

  it('tells the worst value of a run and where it was, whichever way is worse', () => {
    const see = (px: number) => (px < 300 ? [sight('target', px - 270)] : []);
    expect(everyWidth(see)[0]!.runs).toEqual([{ from: 280, to: 299, value: 10, at: 280 }]);
  });

  it('puts the worst first, and leaves out a heading that never changes', () => {
    const see = (px: number): Sights => [
      sight('heading', 1),
      sight('heading', px < 600 ? 2 : 1, 'b'),
      ...where(px < 400, sight('wrapped', 2, 'c')),
      ...where(px < 320, sight('sideways', 5, 'd')),
      ...where(px < 500, sight('wrapped', 2, 'e'))
    ];
    expect(everyWidth(see).map(({ node }) => node)).toEqual(['d', 'e', 'c', 'b']);
  });

  it('sees no edge in a value that grows with every px', () => {
    expect(signatureOf([sight('cut', 3)])).toBe(signatureOf([sight('cut', 9)]));
    expect(signatureOf([sight('heading', 1)])).not.toBe(signatureOf([sight('heading', 2)]));
  });

  it('has a first answer after a third of the layouts that is the last one, where nothing new has come up', () => {
    const see = (px: number) => [
      sight('heading', px < 437 ? 2 : 1),
      ...where(px >= 700 && px < 760, sight('cut', 4, 'b'))
    ];
    const before = sweep(see);
    const samples = new Map<number, Sights>();
    const first = firstSeedsOf(edgesOf(before.lanes));
    for (let due = first; due.length > 0; due = halvesOf(samples))
      for (const px of due) samples.set(px, see(px));
    expect(lanesOf(samples)).toEqual(before.lanes);
    expect(samples.size).toBeLessThan(before.samples.size / 3);
    const all = new Set(seedsOf(edgesOf(before.lanes)));
    expect(first.filter((px) => !all.has(px))).toEqual([]);
  });

  it('looks at no width outside, and at none twice', () => {
    const seeds = seedsOf([280, 1920, 100, 4000, 641, 641]);
    expect(Math.min(...seeds)).toBe(280);
    expect(Math.max(...seeds)).toBe(1920);
    expect(new Set(seeds).size).toBe(seeds.length);
    expect(seeds).toEqual(expect.arrayContaining([640, 641, 642]));
  });

  it('counts what goes wrong over the widths, and no heading', () => {
    const see = (px: number): Sights => [
      sight('heading', px < 600 ? 2 : 1, 'b'),
      ...where(px < 400, sight('wrapped', 2, 'c')),
      ...where(px < 320, sight('sideways', 5, 'd'))
    ];
    const over = wrongOver(everyWidth(see));
    expect(over.map(({ px, errors, warnings }) => [px, errors, warnings])).toEqual([
      [280, 1, 1],
      [320, 0, 1],
      [400, 0, 0],
      [1920, 0, 0]
    ]);
  });

  it('says the worst of several of the same part, and of copies as of what they are copies of', () => {
    const seen = [
      sight('cut', 3),
      sight('cut', 9),
      sight('target', 20, 'row-1'),
      sight('target', 12, 'row-2')
    ];
    const ownerOf = (node: string) => node.replace(/-\d$/, '');
    expect(worstOfEach(seen, ownerOf)).toEqual([sight('cut', 9), sight('target', 12, 'row')]);
    expect(worstOfEach(seen)).toHaveLength(3);
  });

  it('says of several heights the worst, and at which it is where they differ', () => {
    const low = [
      sight('cut', 40),
      sight('heading', 2, 'b'),
      sight('target', 18, 'c'),
      sight('wrapped', 2, 'd')
    ];
    const tall = [sight('cut', 12), sight('heading', 3, 'b'), sight('wrapped', 2, 'd')];
    expect(
      overHeights(
        new Map([
          [560, low],
          [1200, tall]
        ])
      )
    ).toEqual([
      // It is cut at both, by more or less.
      sight('cut', 40),
      { ...sight('heading', 3, 'b'), height: 1200 },
      { ...sight('target', 18, 'c'), height: 560 },
      sight('wrapped', 2, 'd')
    ]);
  });

  it('ends a run where another height of the window is what it is seen at', () => {
    const see = (px: number) =>
      overHeights(
        new Map([
          [560, [sight('cut', 9)]],
          [1200, where(px < 700, sight('cut', 5))]
        ])
      );
    const samples = new Map(ALL.map((px) => [px, see(px)]));
    expect(lanesOf(samples)[0]!.runs).toEqual([
      { from: 280, to: 699, value: 9, at: 280 },
      { from: 700, to: 1920, value: 9, at: 700, height: 560 }
    ]);
    expect(signatureOf(see(699))).not.toBe(signatureOf(see(700)));
  });
});

describe('a page of which some sections are looked at anew', () => {
  const before = everyWidth((px) => [
    ...where(px < 500, sight('cut', 9, 'edited')),
    ...where(px < 600, sight('cut', 7, 'other')),
    ...where(px < 700, sight('sideways', 3, 'other')),
    sight('heading', px < 400 ? 2 : 1, 'gone')
  ]);
  const isAnew = (node: string) => node !== 'other';

  it('keeps what was seen in the others, and nothing of these', () => {
    const found = everyWidth((px) => where(px < 320, sight('cut', 4, 'edited')));
    const lanes = worstFirst(renewedLanes(before, found, isAnew), () => 0);
    expect(lanes.map(({ what, node, runs }) => [what, node, runs.at(-1)!.to])).toEqual([
      ['cut', 'other', 599],
      ['cut', 'edited', 319]
    ]);
  });

  it('tells what pieces do to the whole page as it is now, whatever section they stand in', () => {
    const found = everyWidth((px) => where(px < 300, sight('sideways', 1, 'other')));
    const lanes = worstFirst(renewedLanes(before, found, isAnew), () => 0);
    expect(lanes.map(({ what, node, runs }) => [what, node, runs.at(-1)!.to])).toEqual([
      ['sideways', 'other', 299],
      ['cut', 'other', 599]
    ]);
  });

  it('is told from its top down where things are as bad', () => {
    const found = everyWidth((px) => where(px < 600, sight('cut', 4, 'edited')));
    const placeOf = (node: string) => ['edited', 'other'].indexOf(node);
    const cuts = worstFirst(renewedLanes(before, found, isAnew), placeOf).filter(
      ({ what }) => what === 'cut'
    );
    expect(cuts.map(({ node }) => node)).toEqual(['edited', 'other']);
  });

  it('is told by where pieces stand: the page itself and what is gone stand in no section', () => {
    const make = makeWith({ exactIds: true });
    const fragment = make(
      'section',
      'Second',
      {},
      { content: [make('text', 'Words', { html: '<p>Words.</p>' })] }
    );
    const { root } = sampleProject().pages['first' as never]!;
    const project = after(sampleProject(), {
      type: 'insert',
      fragment,
      at: { parent: root, slot: 'sections', index: 1 }
    });
    expect(maybeSectionOf(project, root, id('text-one'))).toBe('section');
    expect(sectionsOf(project, root, [id('text-one'), id('words'), id('second')])).toEqual(
      new Set(['section', 'second'])
    );
    expect(sectionsOf(project, root, [id('text-one'), root])).toBeNull();
    expect(sectionsOf(project, root, [id('text-one'), id('gone')])).toBeNull();
    expect(sectionsOf(project, root, [])).toBeNull();
  });
});
