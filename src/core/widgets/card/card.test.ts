import { beforeAll, describe, expect, it } from 'vitest';
import type { Command } from '../../commands/commands';
import { loadRules, runFindings } from '../../findings/run';
import { makeWith } from '../../kinds/make';
import type { NodeId, Project } from '../../project/types';
import { after, sampleProject } from '../../testing/project';
import { registry } from '../../whole';

const make = makeWith({ exactIds: true });

const withCard = (
  front: readonly ReturnType<typeof make>[],
  back: readonly ReturnType<typeof make>[]
): Project =>
  after(sampleProject(), {
    type: 'insert',
    fragment: make('card', 'Tasting', {}, { front, back }),
    at: { parent: 'section', slot: 'content', index: 0 }
  } as Command);

const found = (project: Project) =>
  runFindings(registry, project).filter(({ rule }) => rule.startsWith('card-'));
const mended = (project: Project) =>
  after(project, ...(found(project).flatMap(({ fix }) => fix?.commands ?? []) as Command[]));

beforeAll(() => loadRules(registry));

describe('a two-sided card', () => {
  it('with an empty back is told, and the back is made from the front, all of it', () => {
    const stack = make(
      'stack',
      'Words',
      {},
      { content: [make('heading', 'Name', { text: 'Russet', level: '3' })] }
    );
    const project = withCard([stack], []);
    expect(found(project)).toMatchObject([{ rule: 'card-empty-back' }]);
    const done = mended(project);
    expect(found(done)).toEqual([]);
    const [copy] = done.nodes['tasting' as NodeId]!.slots.back!;
    expect(done.nodes[copy!]).toMatchObject({ kind: 'stack', name: 'Words' });
    expect(done.nodes[done.nodes[copy!]!.slots.content![0]!]).toMatchObject({
      kind: 'heading',
      settings: { text: 'Russet', level: '3' }
    });
  });

  it('with something to press on the front is told, unless it turns when it is pressed', () => {
    const button = make('button', 'Buy', { label: 'Buy a tree', href: '#plan' });
    const project = withCard([button], [make('text', 'Back', { html: '<p>Sharp.</p>' })]);
    expect(found(project)).toMatchObject([{ rule: 'card-front-link', severity: 'error' }]);
    expect(found(mended(project))).toEqual([]);
  });
});
