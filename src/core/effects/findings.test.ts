import { describe, expect, it } from 'vitest';
import type { Command } from '../commands/commands';
import type { Box } from '../facts/box';
import { runFindings } from '../findings/run';
import { makeWith } from '../kinds/make';
import { NO_FACTS, type Facts, type Finding } from '../kinds/finding';
import type { NodeId, Project } from '../project/types';
import { registry } from '../whole';
import { BOX } from '../testing/boxes';
import { after, id, sampleProject } from '../testing/project';

const boxes = (all: Readonly<Record<string, Partial<Box>>>): Facts => ({
  ...NO_FACTS,
  boxes: new Map(Object.entries(all).map(([node, box]) => [node as NodeId, { ...BOX, ...box }]))
});

const OF_EFFECTS = /^(?:sticky|enter|effect|screen)-/;
const found = (project: Project, facts: Facts): readonly Finding[] =>
  runFindings(registry, project, facts).filter(({ rule }) => OF_EFFECTS.test(rule));
const said = (project: Project, facts: Facts) =>
  found(project, facts).map(({ rule, number }) => [rule, number]);

const sticking = (...ids: string[]): Project =>
  after(sampleProject(), ...ids.map((node): Command => ({ type: 'add-effect', id: node, effect: 'sticky' })));

const mended = (project: Project, { fix }: Finding): Project =>
  after(project, ...(fix!.commands as Command[]));

describe('what sticks', () => {
  it('is said nothing of where it has way to go, or has not been measured', () => {
    expect(said(sticking('left'), boxes({ left: {} }))).toEqual([]);
    expect(said(sticking('left'), NO_FACTS)).toEqual([]);
    expect(said(sampleProject(), boxes({ left: { withinBottom: 600 } }))).toEqual([]);
  });

  it('that fills its place never sticks, and equal heights in its row give it so much way', () => {
    const project = sticking('left', 'tabs');
    expect(said(project, boxes({ left: { withinBottom: 600, outerBottom: 600 } }))).toEqual([
      ['sticky-no-travel', '0 px']
    ]);
    const inColumn = after(sampleProject(), {
      type: 'move',
      ids: ['tabs'],
      at: { parent: 'left', slot: 'content', index: 0 }
    });
    const stuck = after(inColumn, { type: 'add-effect', id: 'tabs', effect: 'sticky' });
    const [finding] = found(stuck, boxes({ tabs: { withinBottom: 600, outerBottom: 1268, within: 'left' } }));
    expect(finding!.sentence).toBe('Tabs never sticks: it is 100 px high and Left leaves no room');
    expect(finding!.fix!.label).toBe('Equal heights in Columns: 668 px of travel');
    expect(mended(stuck, finding!).nodes[id('columns')]!.settings).toEqual({ align: 'stretch' });
  });

  it('that is stretched is told to keep its own height', () => {
    const project = after(sticking('left'), {
      type: 'set-setting',
      id: 'left',
      key: 'sticky-own',
      value: false
    });
    const [finding] = found(project, boxes({ left: { bottom: 1300, isStretched: true } }));
    expect([finding!.rule, finding!.fix!.label]).toEqual(['sticky-stretched', 'Let it keep its own height']);
    expect(mended(project, finding!).nodes[id('left')]!.settings['sticky-own']).toBe(true);
  });

  it('inside something that scrolls or clips is said to stick there alone, by name', () => {
    const [finding] = found(sticking('left'), boxes({ left: { scroller: 'section' } }));
    expect(finding!.sentence).toBe('Left does not stick in the window: Section clips or scrolls');
  });

  it('that is taller than a low window is said to be cut', () => {
    expect(said(sticking('left'), boxes({ left: { bottom: 1100 } }))).toEqual([
      ['sticky-too-tall', '624 of 600 px']
    ]);
  });

  // Common practice, no source: an inset of at least the sticky header and some air, 90 → 150 px.
  it('that slides under a header is given the header’s height and some air', () => {
    const header = { top: 0, bottom: 90, insetTop: 0, withinTop: 0, withinBottom: 5000, right: 1200 };
    const project = sticking('left', 'section');
    const [finding] = found(project, boxes({ left: {}, section: header }));
    expect([finding!.rule, finding!.number]).toEqual(['sticky-under', '24 of 90 px']);
    const next = mended(project, finding!);
    expect(next.nodes[id('left')]!.settings['sticky-inset']).toBe(106);
    expect(said(next, boxes({ left: { insetTop: 106 }, section: header }))).toEqual([]);
    // Beside it, it is not under it.
    expect(said(project, boxes({ left: {}, section: { ...header, left: 400 } }))).toEqual([]);
  });

  it('that has no way to go where it is narrow is switched off there', () => {
    const narrow = new Map([[id('left'), { ...BOX, withinBottom: 600 }]]);
    const facts = { ...boxes({ left: {} }), elsewhere: new Map([[390, narrow]]) };
    const project = sticking('left');
    const [finding] = found(project, facts);
    expect([finding!.rule, finding!.fix!.label]).toEqual(['sticky-lost', 'Switch it off where it is narrow']);
    expect(mended(project, finding!).nodes[id('left')]!.adapt).toEqual({ narrow: { 'sticky-on': false } });
  });

  it('is said to be unfit once it has been moved to where it cannot stick', () => {
    const layers: Command = {
      type: 'insert',
      fragment: registry.kindOf('layers').create(makeWith({ exactIds: true })),
      at: { parent: 'section', slot: 'content', index: 0 }
    };
    const project = after(sampleProject(), layers);
    const layer = Object.values(project.nodes).find(({ kind }) => kind === 'layer')!;
    const odd = {
      ...project,
      nodes: { ...project.nodes, [layer.id]: { ...layer, effects: ['sticky'] } }
    } as Project;
    const [finding] = found(odd, NO_FACTS);
    expect(finding!.rule).toBe('effect-unfit');
    expect(mended(odd, finding!).nodes[layer.id]!.effects).toBeUndefined();
  });
});

describe('what enters', () => {
  const entering = (node: string): Project =>
    after(sampleProject(), { type: 'add-effect', id: node, effect: 'enter' });

  it('in the first screen is told, and further down it is not', () => {
    const project = entering('columns');
    const [finding] = found(project, boxes({ columns: { top: 300, bottom: 700, insetTop: null } }));
    expect([finding!.rule, finding!.number]).toEqual(['enter-first-screen', '300 px']);
    expect(mended(project, finding!).nodes[id('columns')]!.effects).toBeUndefined();
    expect(said(project, boxes({ columns: { top: 900, bottom: 1400, insetTop: null } }))).toEqual([]);
  });

  it('in a panel is said to enter when that opens', () => {
    const [finding] = found(entering('text-one'), NO_FACTS);
    expect(finding!.sentence).toBe('Text one enters each time One is opened, not when it comes into view');
  });
});

describe('links to something on the page', () => {
  const linked = after(
    sampleProject(),
    { type: 'add-effect', id: 'section', effect: 'sticky' },
    {
      type: 'insert',
      fragment: makeWith({ exactIds: true })('button', 'Jump', { label: 'Down', href: '#tabs' }),
      at: { parent: 'section', slot: 'content', index: 0 }
    }
  );
  const header = { top: 0, bottom: 90, insetTop: 0, withinTop: 0, withinBottom: 5000 };
  const ofPage = (project: Project) =>
    runFindings(registry, project, boxes({ section: header })).filter(
      ({ rule }) => rule === 'links-under-header'
    );

  it('come to rest clear of a header that sticks, once the page keeps room for it', () => {
    const [finding] = ofPage(linked);
    expect([finding!.number, finding!.fix!.label]).toEqual(['0 of 90 px', 'Keep 106 px free at the top']);
    const next = mended(linked, finding!);
    expect(ofPage(next)).toEqual([]);
    expect(next.nodes[id('page')]!.settings).toEqual({ jump: 106 });
  });
});

describe('what fills the screen', () => {
  const project = after(sampleProject(), { type: 'add-effect', id: 'section', effect: 'screen' });
  const at = (bottom: number, height: number) =>
    said(project, boxes({ section: { top: 0, bottom, height } }));

  it('is said to be too high for the window that it is looked at in', () => {
    expect(at(900, 900)).toEqual([]);
    expect(at(1000, 900)).toEqual([['screen-too-tall', '100 px']]);
  });

  it('is not for a preview that is lower than any window', () => {
    expect(at(590, 380)).toEqual([]);
    expect(at(640, 380)).toEqual([['screen-too-tall', '40 px']]);
  });
});
