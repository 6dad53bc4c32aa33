import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply } from '../commands/apply';
import type { Command } from '../commands/commands';
import { makeWith } from '../kinds/make';
import { patched, reversed } from '../project/diff';
import type { PageId } from '../project/types';
import { registry } from '../whole';
import { after, sampleProject } from '../testing/project';
import { createPreviewSession, portionsOf, type PreviewPatch } from './preview';
import { compact } from '../data/compact';

const first = 'first' as PageId;

describe('a preview session after any sequence of commands', () => {
  /** What a frame holds that has taken in every patch. */
  const frame = () => {
    const nodes = new Map<string, string>();
    const sheets = new Map<string, string>();
    const values = new Map<string, readonly unknown[]>();
    return {
      take(patch: PreviewPatch | null) {
        for (const { id: node, html } of patch?.nodes ?? []) nodes.set(node, html);
        for (const { id: sheet, css } of patch?.sheets ?? []) sheets.set(sheet, css);
        for (const { id: node, values: own, widths } of patch?.values ?? [])
          values.set(node, [...own, ...widths]);
        for (const node of patch?.removed ?? []) {
          nodes.delete(node);
          values.delete(node);
          sheets.delete(`${node} build`);
          sheets.delete(`${node} look`);
        }
      },
      has: () => ({
        nodes: new Map([...nodes].sort()),
        values: new Map([...values].filter(([, own]) => own.length > 0).sort()),
        sheets
      })
    };
  };

  it('has sent what one sends that starts from nothing', () => {
    const page = makeWith({ exactIds: true })('page', 'Elsewhere', {}, { sections: [] });
    const elsewhere = page.root;
    const base = after(sampleProject(), {
      type: 'add-page',
      page: { id: 'second', name: 'Second', title: '', description: '', language: 'en', root: elsewhere },
      fragment: page
    });
    const anyId = fc.constantFrom(...Object.keys(sampleProject().nodes));
    const place = fc.record({
      parent: fc.oneof(anyId, fc.constant(elsewhere)),
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
      fc.record({
        type: fc.constant('rename'),
        id: anyId,
        name: fc.constantFrom('Blossom', 'Frost', 'Graft')
      }),
      fc
        .array(anyId, { minLength: 1, maxLength: 2 })
        .map(
          (ids) =>
            ({ type: 'wrap', ids, fragment: makeWith()('stack', 'Around', {}, { content: [] }) }) as Command
        ),
      fc.record({ type: fc.constant('unwrap'), id: anyId }),
      fc.record({
        type: fc.constant('swap'),
        id: anyId,
        kind: fc.constantFrom('columns', 'slider', 'accordion', 'tabs', 'stack')
      }),
      fc.record({
        type: fc.constant('set-style'),
        id: anyId,
        part: fc.constant('root'),
        state: fc.constant('rest'),
        condition: fc.constant('always'),
        property: fc.constant('color'),
        value: fc.constantFrom('#112233', '#445566', null)
      })
    );
    let moved = 0;
    fc.assert(
      fc.property(fc.array(fc.tuple(command, fc.boolean(), fc.boolean()), { maxLength: 14 }), (steps) => {
        const session = createPreviewSession(registry);
        const held = frame();
        let project = base;
        held.take(session.patchFor(project, first));
        for (const [each, isTakenBack, isSeen] of steps) {
          const outcome = apply(registry, project, each);
          if (!outcome.ok || !outcome.diff) continue;
          moved += 1;
          project = outcome.project;
          if (isSeen) held.take(session.patchFor(project, first));
          if (isTakenBack) project = patched(project, reversed(outcome.diff));
        }
        held.take(session.patchFor(project, first));
        const anew = frame();
        anew.take(createPreviewSession(registry).patchFor(project, first));
        expect(held.has().nodes).toEqual(anew.has().nodes);
        expect(held.has().values).toEqual(anew.has().values);
        for (const [name, css] of anew.has().sheets) expect(held.has().sheets.get(name)).toBe(css);
      }),
      { numRuns: 300 }
    );
    expect(moved).toBeGreaterThan(300);
  });
});

describe('what an edit touches', () => {
  it('is what the frame gets something of, and not the page around it', () => {
    const session = createPreviewSession(registry);
    const project = sampleProject();
    session.patchFor(project, first);
    expect(session.touchedLast()).toContain('page');
    const written = after(project, {
      type: 'set-setting',
      id: 'heading',
      key: 'text',
      value: 'Other words'
    } as Command);
    session.patchFor(written, first);
    expect(session.touchedLast()).toEqual(['heading']);
    const styled = after(written, {
      type: 'set-style',
      id: 'text-one',
      part: 'root',
      state: 'rest',
      condition: 'always',
      property: 'color',
      value: '#112233'
    } as Command);
    session.patchFor(styled, first);
    expect(session.touchedLast()).toEqual(['text-one']);
    session.patchFor(after(styled, { type: 'remove', ids: ['heading'] } as Command), first);
    expect(session.touchedLast()).toEqual(['section']);
    session.patchFor(after(styled, { type: 'remove', ids: ['heading'] } as Command), first);
    expect(session.touchedLast()).toEqual([]);
  });
});

describe('what a hand turns', () => {
  const turned = (command: Command, from = sampleProject()) => {
    const session = createPreviewSession(registry);
    session.patchFor(from, first);
    return session.patchFor(after(from, command), first)!;
  };
  const fold = (value: number, id = 'tabs'): Command => ({
    type: 'set-setting',
    id,
    key: 'foldUnder',
    value
  });

  it('costs no style sheet: a fold width is a mark of the piece', () => {
    expect(turned(fold(713), after(sampleProject(), fold(712)))).toMatchObject({
      nodes: [],
      sheets: [],
      values: [{ id: 'tabs', widths: [713] }]
    });
  });

  it('is in the sheet where the widths are those of the place, which no window tells', () => {
    const contained = after(sampleProject(), fold(712), {
      type: 'set-setting',
      id: 'tabs',
      key: 'widths',
      value: 'place'
    });
    const { sheets, values } = turned(fold(713), contained);
    expect(sheets.map(({ css }) => css).join('')).toContain('@container (width < 713px)');
    expect(values).toEqual([]);
  });
});

describe('a large patch in portions', () => {
  it('is whole when all have come, and has each node and value in one of them', () => {
    const styled = after(
      sampleProject(),
      ...['heading', 'text-two'].map(
        (node) =>
          ({
            type: 'set-style',
            id: node,
            part: 'root',
            state: 'rest',
            condition: 'always',
            property: 'color',
            value: '#112233'
          }) as Command
      )
    );
    const patch = createPreviewSession(registry).patchFor(styled, first)!;
    expect(portionsOf(patch, 100)).toEqual([patch]);
    expect(portionsOf(patch, 2, 3).map(({ nodes }) => nodes.length)).toEqual(
      compact([
        2,
        ...Array<number>(Math.floor((patch.nodes.length - 2) / 3)).fill(3),
        (patch.nodes.length - 2) % 3 ? (patch.nodes.length - 2) % 3 : null
      ])
    );
    const portions = portionsOf(patch, 4);
    expect(portions.map(({ nodes }) => nodes.length)).toEqual([4, 4, 1]);
    expect(portions.flatMap(({ nodes }) => nodes)).toEqual(patch.nodes);
    expect(portions.flatMap(({ values }) => values).toSorted((a, b) => a.id.localeCompare(b.id))).toEqual(
      patch.values.toSorted((a, b) => a.id.localeCompare(b.id))
    );
    expect(portions[0]).toMatchObject({ sheets: patch.sheets, tokens: patch.tokens });
    for (const { nodes, values } of portions.slice(0, -1))
      for (const { id } of values) expect(nodes.map((node) => node.id)).toContain(id);
  });
});
