import { describe, expect, it } from 'vitest';
import { createProject } from '../project/create';
import type { NodeId, PageId, Project } from '../project/types';
import { registry } from '../whole';
import { after, id, sampleProject } from '../testing/project';
import { makeWith } from './make';
import { placeApart, placed, placeFor } from './place';

const make = makeWith({ exactIds: true });
const empty = (...sections: string[]): Project =>
  createProject(
    'Empty',
    make(
      'page',
      'Page',
      {},
      { sections: sections.map((name) => make('section', name, {}, { content: [] })) }
    ),
    { page: 'first' as PageId }
  );
const at = (project: Project, kind: string, current: string, inSight: string | null = null) =>
  placeFor(registry, project, kind, {
    current: id(current),
    page: id('page'),
    inSight: inSight as NodeId | null
  });

describe('where something new goes', () => {
  it('into what is picked, else after it, else after what is around it', () => {
    expect(at(sampleProject(), 'text', 'left')).toEqual({
      at: { parent: 'left', slot: 'content', index: 0 },
      around: null
    });
    expect(at(sampleProject(), 'text', 'heading')).toEqual({
      at: { parent: 'section', slot: 'content', index: 1 },
      around: null
    });
    expect(at(sampleProject(), 'section', 'text-one')).toEqual({
      at: { parent: 'page', slot: 'sections', index: 1 },
      around: null
    });
  });

  it('on the side of a card that what is picked stands on', () => {
    const side = (name: string) => [make('text', name, { html: '<p>Words.</p>' })];
    const project = after(sampleProject(), {
      type: 'insert',
      fragment: make('card', 'Card', {}, { front: side('Before'), back: side('Behind') }),
      at: { parent: 'left', slot: 'content', index: 0 }
    });
    expect(at(project, 'button', 'behind')?.at).toEqual({ parent: 'card', slot: 'back', index: 1 });
    expect(at(project, 'button', 'before')?.at).toEqual({ parent: 'card', slot: 'front', index: 1 });
  });

  it('into an empty section of a new project, with nothing picked', () => {
    expect(at(empty('First section'), 'tabs', 'page')?.at).toEqual({
      parent: 'first-section',
      slot: 'content',
      index: 0
    });
  });

  it('into the section in sight, else into the last one', () => {
    const project = empty('One', 'Two', 'Three');
    expect(at(project, 'tabs', 'page', 'two')?.at.parent).toBe('two');
    expect(at(project, 'tabs', 'page', 'gone')?.at.parent).toBe('three');
  });

  it('into a new section after the one it would go into, where that is asked for and it holds something', () => {
    const project = sampleProject();
    const apart = (kind: string, current: string) =>
      placeApart(registry, project, kind, at(project, kind, current)!);
    expect(apart('tabs', 'heading')).toMatchObject({
      at: { parent: 'page', slot: 'sections', index: 1 },
      around: { kind: 'section' }
    });
    expect(apart('section', 'heading')).toBeNull();
    const one = empty('One', 'Two');
    expect(placeApart(registry, one, 'tabs', at(one, 'tabs', 'one')!)).toBeNull();
  });

  it('into a section of its own where the page has none', () => {
    const project = empty();
    const found = at(project, 'tabs', 'page')!;
    expect(found).toMatchObject({
      at: { parent: 'page', slot: 'sections', index: 0 },
      around: { kind: 'section' }
    });
    const fragment = placed(registry.kindOf('tabs').create(makeWith()), found, makeWith());
    const next = after(project, { type: 'insert', fragment, at: found.at });
    expect(Object.values(next.nodes).map(({ kind }) => kind)).toEqual(
      expect.arrayContaining(['page', 'section', 'tabs', 'panel'])
    );
  });

  it('always somewhere, for all that can be inserted, whatever is picked', () => {
    for (const project of [sampleProject(), empty(), empty('One')]) {
      for (const current of Object.keys(project.nodes)) {
        for (const kind of registry.everyKind().filter(({ insertable }) => insertable)) {
          const found = at(project, kind.kind, current);
          expect([current, kind.kind, found]).toEqual([
            current,
            kind.kind,
            expect.objectContaining({ at: expect.anything() })
          ]);
          const fragment = placed(kind.create(makeWith()), found!, makeWith());
          expect(() => after(project, { type: 'insert', fragment, at: found!.at })).not.toThrow();
        }
      }
    }
  });

  it('nowhere for what only comes with its owner', () => {
    expect(at(empty('One'), 'panel', 'page')).toBeNull();
  });
});
