import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { makeWith } from '../kinds/make';
import { patched, reversed } from '../project/diff';
import { maybePlaceOf, nodeOf, subtreeIds } from '../project/tree';
import type { Project } from '../project/types';
import { registry } from '../whole';
import { after, id, refusedWith, sampleProject } from '../testing/project';
import { apply, refusalOf } from './apply';
import type { Command } from './commands';

const make = makeWith();
const run = (project: Project, command: Command) => apply(registry, project, command);

/** Every child is known, stands once, and in a slot that takes it. */
function expectSound(project: Project): void {
  const seen = new Set<string>();
  for (const page of Object.values(project.pages))
    for (const each of subtreeIds(project, page.root)) {
      expect(seen.has(each)).toBe(false);
      seen.add(each);
      const node = nodeOf(project, each);
      for (const [slot, children] of Object.entries(node.slots)) {
        for (const child of children) {
          expect(registry.of(node).slots[slot]!.accepts).toContain(
            registry.of(nodeOf(project, child)).category
          );
        }
      }
    }
  expect(seen.size).toBe(Object.keys(project.nodes).length);
}

describe('the one door', () => {
  it('gives the same project and no diff where nothing changes', () => {
    const project = sampleProject();
    for (const command of [
      { type: 'rename', id: 'heading', name: 'Heading' },
      { type: 'set-setting', id: 'heading', key: 'text', value: 'Hello' },
      {
        type: 'set-style',
        id: 'tabs',
        part: 'tab',
        state: 'hover',
        condition: 'always',
        property: 'color',
        value: null
      },
      { type: 'move', ids: ['heading'], at: { parent: 'section', slot: 'content', index: 0 } },
      { type: 'set-bands', medium: 960, narrow: 640 }
    ]) {
      const outcome = run(project, command as Command);
      expect(outcome.ok && outcome.project).toBe(project);
      expect(outcome.ok && outcome.diff).toBeNull();
    }
  });

  it('keeps the identity of nodes it does not touch, and freezes what it makes', () => {
    const project = sampleProject();
    const next = after(project, { type: 'set-setting', id: 'heading', key: 'text', value: 'Bye' });
    expect(next.nodes[id('tabs')]).toBe(project.nodes[id('tabs')]);
    expect(next.nodes[id('heading')]).not.toBe(project.nodes[id('heading')]);
    expect(Object.isFrozen(next.nodes[id('heading')]!.settings)).toBe(true);
  });

  it('reverses a diff to the very same nodes', () => {
    const project = sampleProject();
    const outcome = run(project, { type: 'remove', ids: ['tabs'] });
    if (!outcome.ok || !outcome.diff) throw new Error('expected a change');
    expect(outcome.project.nodes[id('text-one')]).toBeUndefined();
    const back = patched(outcome.project, reversed(outcome.diff));
    expect(back.nodes[id('text-one')]).toBe(project.nodes[id('text-one')]);
    expect(back).toEqual(project);
  });

  it('holds the document together under any sequence of commands, and every step can be taken back', () => {
    const ids = Object.keys(sampleProject().nodes);
    const anyId = fc.constantFrom(...ids);
    const place = fc.record({
      parent: anyId,
      slot: fc.constantFrom('content', 'panels', 'columns', 'sections'),
      index: fc.nat(4)
    });
    const command: fc.Arbitrary<Command> = fc.oneof(
      fc.record({
        type: fc.constant('move'),
        ids: fc.array(anyId, { minLength: 1, maxLength: 3 }),
        at: place
      }),
      fc.record({ type: fc.constant('remove'), ids: fc.array(anyId, { minLength: 1, maxLength: 2 }) }),
      fc.record({ type: fc.constant('duplicate'), ids: fc.array(anyId, { minLength: 1, maxLength: 2 }) }),
      fc.record({ type: fc.constant('rename'), id: anyId, name: fc.string({ maxLength: 8 }) })
    );
    fc.assert(
      fc.property(fc.array(command, { maxLength: 12 }), (commands) => {
        let project = sampleProject();
        for (const each of commands) {
          const outcome = run(project, each);
          if (!outcome.ok) continue;
          expectSound(outcome.project);
          if (outcome.diff) expect(patched(outcome.project, reversed(outcome.diff))).toEqual(project);
          project = outcome.project;
        }
      }),
      { numRuns: 150 }
    );
  });

  it('takes a batch whole or not at all', () => {
    const project = sampleProject();
    const good = { type: 'rename', id: 'heading', name: 'New' } as Command;
    const bad = { type: 'rename', id: 'heading', name: ' ' } as Command;
    expect(refusedWith(run(project, { type: 'batch', label: 'two', commands: [good, bad] }))).toBe('no-name');
    const done = run(project, {
      type: 'batch',
      label: 'two',
      commands: [good, { type: 'remove', ids: ['columns'] }]
    });
    expect(done.ok && done.project.nodes[id('heading')]!.name).toBe('New');
    expect(done.ok && done.project.nodes[id('columns')]).toBeUndefined();
  });
});

describe('refusals', () => {
  const cases: [string, Command][] = [
    ['unknown-command', { type: 'melt' } as never],
    ['bad-arguments', { type: 'rename', id: 'heading' } as never],
    ['no-such-node', { type: 'rename', id: 'nobody', name: 'x' }],
    ['no-such-node', { type: 'remove', ids: ['constructor'] }],
    ['wrong-place', { type: 'move', ids: ['heading'], at: { parent: 'tabs', slot: 'panels', index: 0 } }],
    ['wrong-place', { type: 'move', ids: ['one'], at: { parent: 'section', slot: 'content', index: 0 } }],
    ['into-itself', { type: 'move', ids: ['columns'], at: { parent: 'left', slot: 'content', index: 0 } }],
    ['too-few', { type: 'remove', ids: ['one', 'two'] }],
    ['too-few', { type: 'remove', ids: ['left', 'right'] }],
    ['root', { type: 'remove', ids: ['page'] }],
    ['no-such-setting', { type: 'set-setting', id: 'heading', key: 'colour', value: 'x' }],
    ['bad-setting', { type: 'set-setting', id: 'heading', key: 'level', value: '7' }],
    ['bad-setting', { type: 'set-setting', id: 'tabs', key: 'foldUnder', value: -3 }],
    ['bad-setting', { type: 'set-setting', id: 'tabs', key: 'foldUnder', value: '640' }],
    [
      'no-such-asset',
      {
        type: 'insert',
        fragment: make('image', 'Image'),
        at: { parent: 'nobody', slot: 'content', index: 0 }
      }
    ],
    [
      'no-such-part',
      {
        type: 'set-style',
        id: 'tabs',
        part: 'lid',
        state: 'rest',
        condition: 'always',
        property: 'color',
        value: 'red'
      }
    ],
    [
      'no-such-state',
      {
        type: 'set-style',
        id: 'tabs',
        part: 'panel',
        state: 'pressed',
        condition: 'always',
        property: 'color',
        value: 'red'
      }
    ],
    [
      'no-such-property',
      {
        type: 'set-style',
        id: 'tabs',
        part: 'tab',
        state: 'rest',
        condition: 'always',
        property: 'position',
        value: 'fixed'
      }
    ],
    [
      'bad-value',
      {
        type: 'set-style',
        id: 'tabs',
        part: 'tab',
        state: 'rest',
        condition: 'always',
        property: 'color',
        value: 'redd'
      }
    ],
    [
      'bad-value',
      {
        type: 'set-style',
        id: 'tabs',
        part: 'tab',
        state: 'rest',
        condition: 'always',
        property: 'padding',
        value: '0;} body{display:none'
      }
    ],
    [
      'bad-value',
      {
        type: 'set-style',
        id: 'tabs',
        part: 'tab',
        state: 'rest',
        condition: 'always',
        property: 'background-color',
        value: 'rgb(200 30 30'
      }
    ],
    ['bad-setting', { type: 'set-setting', id: 'section', key: 'height', value: 'calc(1px + (' }],
    ['bad-setting', { type: 'set-setting', id: 'section', key: 'picture', value: 'toString' }],
    ['bad-setting', { type: 'set-setting', id: 'text-one', key: 'html', value: '<em>'.repeat(5000) }],
    ['no-such-setting', { type: 'set-setting', id: 'heading', key: 'constructor', value: 'x' }],
    [
      'no-such-part',
      {
        type: 'set-style',
        id: 'tabs',
        part: 'toString',
        state: 'rest',
        condition: 'always',
        property: 'color',
        value: 'red'
      }
    ],
    ['no-name', { type: 'rename', id: 'heading', name: '\u200b\u2060\u3164' }],
    ['no-name', { type: 'rename-project', name: '\u00ad' }],
    ['no-such-page', { type: 'set-page', id: 'constructor', key: 'name', value: 'x' }],
    [
      'bad-value',
      { type: 'set-token', token: { id: 'face', name: 'Face', type: 'typeface', value: '"Gill Sans' } }
    ],
    ['band-order', { type: 'set-bands', medium: 600, narrow: 640 }],
    ['band-range', { type: 'set-bands', medium: 960, narrow: 10 }]
  ];
  it.each(cases.filter(([code]) => code !== 'no-such-asset'))('%s', (code, command) => {
    const project = sampleProject();
    const refusal = refusalOf(registry, project, command);
    expect(refusal?.code).toBe(code);
    expect(refusal?.sentence).toMatch(/^\S.{15,}[.!]$/s);
    expect(run(project, command)).toEqual({ ok: false, refusal });
  });

  it('a picture that is not in the project', () => {
    const project = after(sampleProject(), {
      type: 'insert',
      fragment: makeWith({ exactIds: true })('image', 'Shot'),
      at: { parent: 'left', slot: 'content', index: 0 }
    });
    expect(
      refusalOf(registry, project, { type: 'set-setting', id: 'shot', key: 'asset', value: 'nowhere' })?.code
    ).toBe('no-such-asset');
  });
});

describe('moving and copying', () => {
  it('moves several pieces together and keeps their order', () => {
    const next = after(sampleProject(), {
      type: 'move',
      ids: ['heading', 'columns'],
      at: { parent: 'one', slot: 'content', index: 1 }
    });
    expect(next.nodes[id('one')]!.slots.content).toEqual(['text-one', 'heading', 'columns']);
    expect(next.nodes[id('section')]!.slots.content).toEqual(['tabs']);
  });

  it.each([
    [0, ['columns', 'heading', 'tabs']],
    [1, ['heading', 'columns', 'tabs']],
    [3, ['heading', 'tabs', 'columns']]
  ])('index %i counts places before the move', (index, order) => {
    const next = after(sampleProject(), {
      type: 'move',
      ids: ['columns'],
      at: { parent: 'section', slot: 'content', index }
    });
    expect(next.nodes[id('section')]!.slots.content).toEqual(order);
  });

  it('a copy stands behind the original, has new ids all through, a name of its own and no anchor', () => {
    const project = after(sampleProject(), {
      type: 'set-setting',
      id: 'section',
      key: 'anchor',
      value: 'top'
    });
    const next = after(project, { type: 'duplicate', ids: ['section'] });
    const [first, second] = next.nodes[id('page')]!.slots.sections as unknown as [string, string];
    expect(first).toBe('section');
    const copy = subtreeIds(next, id(second));
    expect(copy).toHaveLength(subtreeIds(project, id('section')).length);
    expect(copy.filter((each) => Object.hasOwn(project.nodes, each))).toEqual([]);
    expect(nodeOf(next, id(second))).toMatchObject({ name: 'Section 2', settings: {} });
    expect(maybePlaceOf(next, id(second))).toEqual({ parent: 'page', slot: 'sections', index: 1 });
  });

  it('a copy’s settings name its own pieces, in every condition and in copies of what is around it', () => {
    const project = after(sampleProject(), { type: 'set-setting', id: 'tabs', key: 'first', value: 'two' });
    for (const picked of ['tabs', 'section']) {
      const next = after(project, { type: 'duplicate', ids: [picked] });
      const copies = Object.values(next.nodes).filter((node) => node.kind === 'tabs' && node.id !== 'tabs');
      expect(copies).toHaveLength(1);
      expect(copies[0]!.settings.first).toBe(copies[0]!.slots.panels![1]);
    }
  });

  it('no edit makes a page deeper than a file may be', () => {
    const chain = Array.from({ length: 99 }).reduce<ReturnType<typeof make>>(
      (inside) => make('stack', 'Stack', {}, { content: [inside] }),
      make('text', 'Text')
    );
    const at = { parent: 'left', slot: 'content', index: 0 };
    const once = after(sampleProject(), { type: 'insert', fragment: chain, at });
    const outcome = run(once, {
      type: 'move',
      ids: ['section'],
      at: { parent: 'left', slot: 'content', index: 0 }
    });
    expect(refusedWith(outcome)).not.toBeNull();
    const deepest = Object.values(once.nodes).find(
      ({ kind, slots }) => kind === 'stack' && once.nodes[slots.content![0]!]!.kind === 'text'
    )!;
    const again = make(
      'stack',
      'Top',
      {},
      {
        content: [
          Array.from({ length: 110 }).reduce<ReturnType<typeof make>>(
            (inside) => make('stack', 'Stack', {}, { content: [inside] }),
            make('text', 'Text')
          )
        ]
      }
    );
    expect(
      refusedWith(
        run(once, { type: 'insert', fragment: again, at: { parent: deepest.id, slot: 'content', index: 0 } })
      )
    ).toBe('too-deep');
    expect(
      refusedWith(
        run(once, {
          type: 'insert',
          fragment: make('text', 'Text'),
          at: { parent: deepest.id, slot: 'content', index: 0 }
        })
      )
    ).toBeNull();
  });

  it('only what differs is stored', () => {
    const set = (value: string | null) =>
      ({
        type: 'set-style',
        id: 'tabs',
        part: 'tab',
        state: 'hover',
        condition: 'narrow',
        property: 'color',
        value
      }) as Command;
    const styled = after(sampleProject(), set('#123456'));
    expect(styled.nodes[id('tabs')]!.styles).toEqual({ tab: { hover: { narrow: { color: '#123456' } } } });
    expect(after(styled, set(null)).nodes[id('tabs')]!.styles).toEqual({});
    const level = (value: string) => ({ type: 'set-setting', id: 'heading', key: 'level', value }) as Command;
    expect(after(sampleProject(), level('4'), level('2')).nodes[id('heading')]!.settings).not.toHaveProperty(
      'level'
    );
  });
});
