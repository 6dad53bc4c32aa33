import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply } from '../commands/apply';
import type { Command } from '../commands/commands';
import { NO_HISTORY, recorded, redone, undone } from '../commands/history';
import { after, id, sampleProject } from '../testing/project';
import { registry } from '../whole';
import { patched, type Diff } from './diff';
import { isWholeTree, mendedNodes, rebased } from './rebase';
import { subtreeIds } from './tree';
import type { Project } from './types';

const style = (node: string, property: string, value: string): Command => ({
  type: 'set-style',
  id: node,
  part: 'root',
  state: 'rest',
  condition: 'always',
  property,
  value
});
const rename = (node: string, name: string): Command => ({ type: 'rename', id: node, name });

function diffOf(project: Project, command: Command): Diff {
  const outcome = apply(registry, project, command);
  if (!outcome.ok || !outcome.diff) throw new Error(`no diff: ${JSON.stringify(outcome)}`);
  return outcome.diff;
}

/** Two hands start from the same project; the second one's change is done on top of the first one's. */
function both(first: Command, second: Command): Project {
  const start = sampleProject();
  const head = patched(start, diffOf(start, first));
  const diff = rebased(diffOf(start, second), head);
  return diff ? patched(head, diff) : head;
}

describe('two hands', () => {
  it('on one piece both keep what they changed', () => {
    const project = both(rename('heading', 'Welcome'), style('heading', 'color', '#123456'));
    expect(project.nodes[id('heading')]).toMatchObject({
      name: 'Welcome',
      styles: { root: { rest: { always: { color: '#123456' } } } }
    });
  });

  it('on one look keep both cells; on one cell the later one holds', () => {
    expect(
      both(style('heading', 'color', '#111111'), style('heading', 'opacity', '0.5')).nodes[id('heading')]!
        .styles.root!.rest!.always
    ).toEqual({ color: '#111111', opacity: '0.5' });
    expect(
      both(style('heading', 'color', '#111111'), style('heading', 'color', '#222222')).nodes[id('heading')]!
        .styles.root!.rest!.always
    ).toEqual({ color: '#222222' });
  });

  it('inserting into one list keep both', () => {
    const start = sampleProject();
    const copy = (node: string) => diffOf(start, { type: 'duplicate', ids: [node] });
    const [one, two] = [copy('heading'), copy('columns')];
    const head = patched(start, one);
    const project = patched(head, rebased(two, head)!);
    const names = project.nodes[id('section')]!.slots.content!.map((child) => project.nodes[child]!.name);
    expect(names).toEqual(['Heading', 'Heading 2', 'Tabs', 'Columns', 'Columns 2']);
  });

  it('one deleting what the other edits: it stays deleted, and the tree is whole', () => {
    const project = both({ type: 'remove', ids: ['tabs'] }, rename('text-one', 'Late'));
    expect(project.nodes[id('text-one')]).toBeUndefined();
    expect(isWholeTree(project)).toBe(true);
  });

  it('one deleting what the other fills: nothing hangs in the air', () => {
    const project = both(
      { type: 'remove', ids: ['columns'] },
      { type: 'move', ids: ['heading'], at: { parent: 'left', slot: 'content', index: 0 } }
    );
    const mended = { ...project, nodes: mendedNodes(project) };
    expect(isWholeTree(mended)).toBe(true);
    expect(subtreeIds(mended, id('page')).length).toBe(Object.keys(mended.nodes).length);
  });

  it('any two of many commands leave a whole tree, and a rename is never lost', () => {
    const commands: readonly Command[] = [
      { type: 'remove', ids: ['tabs'] },
      { type: 'remove', ids: ['one'] },
      { type: 'duplicate', ids: ['tabs'] },
      { type: 'move', ids: ['heading'], at: { parent: 'one', slot: 'content', index: 0 } },
      { type: 'move', ids: ['heading'], at: { parent: 'left', slot: 'content', index: 0 } },
      { type: 'move', ids: ['two'], at: { parent: 'tabs', slot: 'panels', index: 0 } },
      { type: 'set-bands', medium: 1000, narrow: 500 },
      { type: 'set-token', token: { id: 'leaf', name: 'Leaf', type: 'colour', value: '#0b6a5f' } },
      style('section', 'color', '#333333'),
      rename('section', 'Renamed')
    ];
    fc.assert(
      fc.property(fc.constantFrom(...commands), fc.constantFrom(...commands), (first, second) => {
        const project = both(first, second);
        const mended = { ...project, nodes: mendedNodes(project) };
        expect(isWholeTree(mended)).toBe(true);
        if (first.type === 'rename') expect(mended.nodes[id('section')]!.name).toBe('Renamed');
        if (first.type === 'set-token') expect(mended.tokens).toHaveProperty('leaf');
      }),
      { numRuns: 200 }
    );
  });

  it('taking back or doing again on what has moved on leaves a whole tree, and the other hand’s work', () => {
    const commands: readonly Command[] = [
      { type: 'remove', ids: ['tabs'] },
      { type: 'remove', ids: ['text-one'] },
      { type: 'remove', ids: ['columns'] },
      { type: 'duplicate', ids: ['tabs'] },
      { type: 'duplicate', ids: ['one'] },
      { type: 'move', ids: ['heading'], at: { parent: 'one', slot: 'content', index: 0 } },
      { type: 'move', ids: ['heading'], at: { parent: 'left', slot: 'content', index: 0 } },
      { type: 'move', ids: ['two'], at: { parent: 'tabs', slot: 'panels', index: 0 } },
      rename('section', 'Renamed')
    ];
    const step = fc.constantFrom(...commands);
    fc.assert(
      fc.property(
        step,
        fc.array(step, { minLength: 1, maxLength: 3 }),
        fc.array(fc.boolean(), { maxLength: 6 }),
        (mine, others, turns) => {
          const start = sampleProject();
          const first = apply(registry, start, mine);
          if (!first.ok || !first.diff) return;
          let project = first.project;
          let history = recorded(NO_HISTORY, { diff: first.diff, label: '', mergeKey: null });
          for (const other of others) {
            const outcome = apply(registry, project, other);
            if (outcome.ok) project = outcome.project;
          }
          for (const isBack of turns) {
            const turned = (isBack ? undone : redone)(project, history);
            if (!turned) continue;
            expect(turned.diffs.reduce(patched, project)).toEqual(turned.project);
            ({ project, history } = turned);
            expect(isWholeTree(project)).toBe(true);
          }
          if (others.some(({ type }) => type === 'rename') && mine.type !== 'rename')
            expect(project.nodes[id('section')]!.name).toBe('Renamed');
        }
      ),
      { numRuns: 1000 }
    );
  });

  it('a whole tree is left as it is', () => {
    const project = after(sampleProject(), rename('heading', 'Other'));
    expect(mendedNodes(project)).toBe(project.nodes);
  });
});
