import { describe, expect, it } from 'vitest';
import { readDocument } from '../formats/document';
import { makeWith } from '../kinds/make';
import { childIds, maybePlaceOf } from '../project/tree';
import type { Project } from '../project/types';
import { registry } from '../whole';
import { after, id, refusedWith, sampleProject } from '../testing/project';
import { apply } from './apply';
import type { Command } from './commands';
import { undone, recorded, NO_HISTORY } from './history';

const make = makeWith({ exactIds: true });
const stack = () => make('stack', 'Around', {}, { content: [] });
const inside = (project: Project, parent: string) => childIds(project.nodes[id(parent)]!);
const refused = (command: Command, project = sampleProject()) =>
  refusedWith(apply(registry, project, command));

/** Makes the sample's heading another kind. */
const swap = (kind: string): Command => ({ type: 'swap', id: 'heading', kind });
const set = (node: string, key: string, value: string): Command => ({
  type: 'set-setting',
  id: node,
  key,
  value
});

describe('wrapping', () => {
  it('puts pieces that stand side by side into a new one, in the order they stand, and takes them out again', () => {
    const before = sampleProject();
    const wrapped = after(before, { type: 'wrap', ids: ['tabs', 'heading'], fragment: stack() });
    expect(inside(wrapped, 'around')).toEqual(['heading', 'tabs']);
    expect(maybePlaceOf(wrapped, id('around'))).toEqual({ parent: 'section', slot: 'content', index: 0 });
    const back = after(wrapped, { type: 'unwrap', id: 'around' });
    expect(inside(back, 'section')).toEqual(inside(before, 'section'));
    expect(back.nodes).toEqual(before.nodes);
  });

  it('takes a piece that is named twice once', () => {
    const wrapped = after(sampleProject(), { type: 'wrap', ids: ['heading', 'heading'], fragment: stack() });
    expect(inside(wrapped, 'around')).toEqual(['heading']);
  });

  it('goes into the first place inside that takes them', () => {
    const columns = make(
      'columns',
      'Pair',
      {},
      {
        columns: [
          make('column', 'Left side', {}, { content: [] }),
          make('column', 'Right side', {}, { content: [] })
        ]
      }
    );
    const wrapped = after(sampleProject(), { type: 'wrap', ids: ['heading'], fragment: columns });
    expect(inside(wrapped, 'left-side')).toEqual(['heading']);
  });

  it('unwraps columns with what stands in them', () => {
    const project = after(
      sampleProject(),
      { type: 'move', ids: ['text-two'], at: { parent: 'left', slot: 'content', index: 0 } },
      { type: 'unwrap', id: 'columns' }
    );
    expect(project.nodes[id('columns')]).toBeUndefined();
    expect(project.nodes[id('left')]).toBeUndefined();
    expect(inside(project, 'section')).toContain('text-two');
  });

  it('is one step that can be undone', () => {
    const before = sampleProject();
    const outcome = apply(registry, before, { type: 'wrap', ids: ['heading'], fragment: stack() });
    if (!outcome.ok || !outcome.diff) throw new Error('refused');
    const turned = undone(
      outcome.project,
      recorded(NO_HISTORY, { diff: outcome.diff, label: outcome.label, mergeKey: null })
    )!;
    expect(turned.project.nodes).toEqual(before.nodes);
  });

  it.each([
    ['not-siblings', { type: 'wrap', ids: ['heading', 'text-two'], fragment: stack() }],
    ['wrong-place', { type: 'wrap', ids: ['section'], fragment: stack() }],
    ['wrong-place', { type: 'unwrap', id: 'section' }],
    ['empty', { type: 'unwrap', id: 'heading' }],
    ['root', { type: 'unwrap', id: 'page' }]
  ])('is refused as %s', (code, command) => {
    expect(refused(command as Command)).toBe(code);
  });
});

describe('swapping the kind', () => {
  it('makes an accordion a stack of pieces that collapse, called as its items were, and back', () => {
    const there = after(sampleProject(), { type: 'swap', id: 'tabs', kind: 'stack' } as Command);
    const { content } = there.nodes[id('tabs')]!.slots;
    const before = sampleProject().nodes[id('tabs')]!.slots.panels;
    expect(content).toEqual(before);
    expect(content!.map((each) => there.nodes[each])).toMatchObject(
      before!.map((each) => ({
        kind: 'stack',
        name: sampleProject().nodes[each]!.name,
        effects: ['collapse'],
        settings: { 'collapse-level': '3' }
      }))
    );
    expect(after(there, { type: 'swap', id: 'tabs', kind: 'tabs' } as Command).nodes[id('tabs')]).toEqual(
      sampleProject().nodes[id('tabs')]
    );
    expect(
      refusedWith(apply(registry, sampleProject(), { type: 'swap', id: 'section', kind: 'tabs' } as Command))
    ).toBe('wrong-place');
  });

  it('makes columns a slider, a gallery, tabs or an accordion, and back, with all they hold', () => {
    const make = makeWith({ exactIds: true });
    const column = (name: string) =>
      make('column', name, {}, { content: [make('text', `${name} words`, { html: `<p>${name}</p>` })] });
    const before = after(
      sampleProject(),
      {
        type: 'insert',
        fragment: make(
          'columns',
          'Row',
          { shares: '1/4 3/4' },
          { columns: [column('West'), column('East')] }
        ),
        at: { parent: 'section', slot: 'content', index: 0 }
      } as Command,
      {
        type: 'set-style',
        id: 'west',
        part: 'root',
        state: 'rest',
        condition: 'always',
        property: 'padding',
        value: '20px'
      } as Command
    );
    for (const kind of ['slider', 'gallery', 'tabs', 'accordion']) {
      const there = after(before, { type: 'swap', id: 'row', kind } as Command);
      expect(there.nodes[id('row')]).toMatchObject({ kind, slots: { panels: ['west', 'east'] } });
      expect(there.nodes[id('west')]).toMatchObject({ kind: 'panel', slots: { content: ['west-words'] } });
      expect(after(there, { type: 'swap', id: 'row', kind: 'columns' } as Command).nodes).toEqual(
        before.nodes
      );
    }
  });

  it('keeps the words, whatever each kind calls them, and the look of parts both have', () => {
    const styled = after(
      sampleProject(),
      {
        type: 'set-style',
        id: 'heading',
        part: 'root',
        state: 'rest',
        condition: 'always',
        property: 'color',
        value: '#123456'
      },
      { type: 'set-setting', id: 'heading', key: 'text', value: 'Pears & quinces' }
    );
    const text = after(styled, { type: 'swap', id: 'heading', kind: 'text' });
    expect(text.nodes[id('heading')]).toMatchObject({
      kind: 'text',
      settings: { html: '<p>Pears &amp; quinces</p>' },
      styles: { root: { rest: { always: { color: '#123456' } } } }
    });
    const button = after(text, { type: 'swap', id: 'heading', kind: 'button' });
    expect(button.nodes[id('heading')]!.settings).toEqual({ label: 'Pears & quinces' });
    const two = after(text, set('heading', 'html', '<p>Pears &amp; <b>quin</b>ces</p><p>and plums</p>'));
    expect(after(two, swap('button')).nodes[id('heading')]!.settings).toEqual({
      label: 'Pears & quinces and plums'
    });
    // What says nothing gives no name to what needs one.
    const silent = after(sampleProject(), swap('image'), set('heading', 'alt', ''), swap('button'));
    expect(silent.nodes[id('heading')]!.settings).not.toHaveProperty('label');
  });

  it('gives words back as they were, unless others were written meanwhile', () => {
    const html = '<p>Ask <a href="#us">the <strong>counter</strong></a></p>';
    const before = after(sampleProject(), swap('text'), set('heading', 'html', html));
    const settingsOf = (project: Project) => project.nodes[id('heading')]!.settings;
    const heading = after(before, swap('heading'));
    expect(settingsOf(heading)).toMatchObject({ text: 'Ask the counter' });
    expect(settingsOf(after(heading, swap('text')))).toMatchObject({ html });
    const written = after(heading, set('heading', 'text', 'Ask us'), swap('text'));
    expect(settingsOf(written)).toMatchObject({ html: '<p>Ask us</p>' });
    // Both call their words the same, and one has them marked up.
    const quote = after(before, swap('quote'), set('heading', 'words', '<p>In <em>baskets</em></p>'));
    const card = after(quote, swap('card'));
    expect(settingsOf(card)).toMatchObject({ words: 'In baskets' });
    expect(settingsOf(after(card, swap('quote')))).toMatchObject({ words: '<p>In <em>baskets</em></p>' });
    // A number cannot take them: what it starts with is nobody's words.
    expect(settingsOf(after(before, swap('number'), swap('text')))).toMatchObject({ html });
  });

  it('keeps what one owner lists where another lists the same, there and back', () => {
    const before = after(
      sampleProject(),
      { type: 'set-setting', id: 'tabs', key: 'several', value: true },
      {
        type: 'set-style',
        id: 'tabs',
        part: 'header',
        state: 'hover',
        condition: 'always',
        property: 'color',
        value: '#123456'
      },
      {
        type: 'set-style',
        id: 'tabs',
        part: 'header',
        state: 'selected',
        condition: 'narrow',
        property: 'color',
        value: '#654321'
      },
      {
        type: 'set-style',
        id: 'tabs',
        part: 'header',
        state: 'selected-hover',
        condition: 'always',
        property: 'color',
        value: '#135790'
      }
    );
    const accordion = after(before, { type: 'swap', id: 'tabs', kind: 'accordion' });
    const panels = before.nodes[id('tabs')]!.slots.panels;
    expect(accordion.nodes[id('tabs')]).toMatchObject({
      kind: 'accordion',
      settings: { several: true },
      slots: { panels },
      styles: {
        header: {
          hover: { always: { color: '#123456' } },
          open: { narrow: { color: '#654321' } },
          'open-hover': { always: { color: '#135790' } }
        }
      }
    });
    const tabs = after(accordion, { type: 'swap', id: 'tabs', kind: 'tabs' });
    expect(tabs.nodes[id('tabs')]!.styles).toEqual(before.nodes[id('tabs')]!.styles);
    expect(tabs.nodes[id('tabs')]).toMatchObject({
      kind: 'tabs',
      settings: { several: true },
      slots: { panels }
    });
  });

  it('gives everything back that the other kind had no place for, behind what was set meanwhile', () => {
    const set = (key: string, value: unknown, condition = 'always'): Command =>
      ({ type: 'set-setting', id: 'tabs', key, value, condition }) as Command;
    const list = {
      type: 'set-style',
      id: 'tabs',
      part: 'list',
      state: 'rest',
      condition: 'narrow',
      property: 'gap',
      value: '7px'
    } as const;
    const before = after(
      sampleProject(),
      set('side', 'left'),
      set('foldUnder', 500),
      set('form', 'scroll', 'narrow'),
      { type: 'add-effect', id: 'tabs', effect: 'enter' },
      list
    );
    const there = after(before, { type: 'swap', id: 'tabs', kind: 'accordion' });
    expect(Object.keys(there.nodes[id('tabs')]!.settings)).not.toContain('side');
    const back = after(there, { type: 'swap', id: 'tabs', kind: 'tabs' });
    expect(back.nodes[id('tabs')]).toEqual(before.nodes[id('tabs')]);
    // As a file has it, too.
    const read = readDocument(registry, JSON.parse(JSON.stringify(there)));
    if (!read.ok) throw new Error(read.sentence);
    expect(read.faults).toEqual([]);
    expect(after(read.project, { type: 'swap', id: 'tabs', kind: 'tabs' }).nodes[id('tabs')]).toEqual(
      before.nodes[id('tabs')]
    );
    // What is set in between has the last word.
    const later = after(there, set('several', true), { type: 'swap', id: 'tabs', kind: 'tabs' });
    expect(later.nodes[id('tabs')]!.settings).toMatchObject({ side: 'left', several: true });
  });

  it('keeps content where the other kind has a place for it', () => {
    const project = after(
      sampleProject(),
      { type: 'wrap', ids: ['heading'], fragment: stack() },
      { type: 'swap', id: 'around', kind: 'figure' }
    );
    expect(inside(project, 'around')).toEqual(['heading']);
  });

  it('puts what stood on two sides back on them, also after a file was read', () => {
    const card = registry.kindOf('card').create(makeWith({ exactIds: true }));
    const before = after(sampleProject(), {
      type: 'insert',
      fragment: card,
      at: { parent: 'left', slot: 'content', index: 0 }
    });
    const [front, back] = ['front', 'back'].map((side) => before.nodes[card.root]!.slots[side]!);
    expect(back).not.toHaveLength(0);
    const stack = after(before, { type: 'swap', id: card.root, kind: 'stack' });
    expect(stack.nodes[card.root]!.slots).toEqual({ content: [...front!, ...back!] });
    const read = readDocument(registry, JSON.parse(JSON.stringify(stack)));
    if (!read.ok) throw new Error(read.sentence);
    expect(read.faults).toEqual([]);
    // One has gone meanwhile, and one has come.
    const added = after(
      read.project,
      { type: 'remove', ids: [front![0]!] },
      { type: 'duplicate', ids: [back![0]!] }
    );
    const copied = after(stack, { type: 'duplicate', ids: [card.root] });
    const copy = inside(copied, 'left')[1]!;
    const turned = after(copied, { type: 'swap', id: copy, kind: 'card' }).nodes[copy]!;
    expect(turned.slots.back).toHaveLength(back!.length);
    const came = added.nodes[card.root]!.slots.content!.find((each) => !stack.nodes[each])!;
    const again = after(added, { type: 'swap', id: card.root, kind: 'card' });
    expect(again.nodes[card.root]!.slots).toEqual({
      front: front!.slice(1),
      back: [back![0], came, ...back!.slice(1)]
    });
  });

  it.each([
    ['would-lose', { type: 'swap', id: 'tabs', kind: 'figure' }],
    ['needs-items', { type: 'swap', id: 'heading', kind: 'tabs' }],
    ['same-kind', { type: 'swap', id: 'heading', kind: 'heading' }],
    ['wrong-place', { type: 'swap', id: 'heading', kind: 'section' }],
    ['unknown-kind', { type: 'swap', id: 'heading', kind: 'marquee' }]
  ])('is refused as %s', (code, command) => {
    expect(refused(command as Command)).toBe(code);
  });
});
