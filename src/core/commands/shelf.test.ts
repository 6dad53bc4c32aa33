import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readProjectFile, writeProjectFile } from '../formats/project-file';
import { reversed, patched } from '../project/diff';
import { isAsShelved, linkedTo } from '../project/shelf';
import { maybePlaceOf, subtreeIds } from '../project/tree';
import type { Project, ShelfId } from '../project/types';
import { registry } from '../whole';
import { after, id, refusedWith, sampleProject } from '../testing/project';
import { apply } from './apply';
import type { Command } from './commands';
import { placedFrom } from './shelf';

const shelf = 'seasons' as ShelfId;
const put: Command = { type: 'shelve', id: 'tabs', shelf, name: 'Seasons' };
const set = (node: string, key: string, value: unknown): Command => ({
  type: 'set-setting',
  id: node,
  key,
  value
});
const place = (project: Project, isLinked: boolean, parent = 'left'): Project =>
  after(project, {
    type: 'insert',
    fragment: placedFrom(registry, project.shelf[shelf]!, isLinked),
    at: { parent, slot: 'content', index: 0 }
  });
const shelved = () => place(place(after(sampleProject(), put), true), true, 'right');
const others = (project: Project) => linkedTo(project, shelf).filter((node) => node.id !== 'tabs');
/** Words of all rich texts below a node. */
const words = (project: Project, node: string) =>
  subtreeIds(project, id(node)).flatMap((each) =>
    project.nodes[each]!.kind === 'text' ? [project.nodes[each]!.settings.html] : []
  );

describe('the shelf', () => {
  it('keeps a piece, and places it again linked or free', () => {
    const project = place(shelved(), false);
    expect(linkedTo(project, shelf)).toHaveLength(3);
    expect(Object.values(project.nodes).filter(({ kind }) => kind === 'tabs')).toHaveLength(4);
    for (const { id: each } of linkedTo(project, shelf)) expect(isAsShelved(project, each, shelf)).toBe(true);
  });

  it('gives a change of one to the shelf and to all others, and takes it back in one step', () => {
    const before = after(shelved(), set('text-one', 'html', '<p>Changed</p>'), set('tabs', 'foldUnder', 700));
    expect(isAsShelved(before, id('tabs'), shelf)).toBe(false);
    const outcome = apply(registry, before, { type: 'update-linked', id: 'tabs' });
    if (!outcome.ok) throw new Error(outcome.refusal.sentence);
    for (const { id: each, settings } of others(outcome.project)) {
      expect(words(outcome.project, each)).toEqual(['<p>Changed</p>', '<p>Second</p>']);
      expect(settings.foldUnder).toBe(700);
      expect(isAsShelved(outcome.project, each, shelf)).toBe(true);
    }
    expect(patched(outcome.project, reversed(outcome.diff!))).toEqual(before);
  });

  it('leaves a linked piece its place, its name and its anchor', () => {
    const before = shelved();
    const [first] = others(before);
    const own = after(before, { type: 'rename', id: first!.id, name: 'My seasons' });
    const place = maybePlaceOf(own, first!.id);
    const updated = after(own, set('text-one', 'html', '<p>Changed</p>'), {
      type: 'update-linked',
      id: 'tabs'
    });
    expect(updated.nodes[first!.id]!.name).toBe('My seasons');
    expect(maybePlaceOf(updated, first!.id)).toEqual(place);
    const section = after(sampleProject(), set('section', 'anchor', 'top'), {
      type: 'shelve',
      id: 'section',
      shelf,
      name: 'Part'
    });
    expect(isAsShelved(section, id('section'), shelf)).toBe(true);
    const back = after(section, set('heading', 'text', 'Other'), { type: 'take-shelved', id: 'section' });
    expect(back.nodes[id('section')]!.settings.anchor).toBe('top');
    expect(isAsShelved(back, id('section'), shelf)).toBe(true);
  });

  it('lets a detached piece go its own way', () => {
    const before = shelved();
    const [first] = others(before);
    const project = after(
      before,
      { type: 'detach', id: first!.id },
      set('text-one', 'html', '<p>Changed</p>'),
      { type: 'update-linked', id: 'tabs' }
    );
    expect(words(project, first!.id)).toEqual(['<p>First</p>', '<p>Second</p>']);
    expect(refusedWith(apply(registry, project, { type: 'update-linked', id: first!.id }))).toBe(
      'not-linked'
    );
  });

  it('says who follows a piece that should go, and lets it go once they are detached', () => {
    const project = shelved();
    const refused = apply(registry, project, { type: 'unshelve', shelf, detaches: false });
    expect(refused).toMatchObject({
      ok: false,
      refusal: {
        code: 'piece-in-use',
        sentence: expect.stringMatching(
          /Seasons is followed by Tabs on First page, .* Detach them, and it can go\./
        )
      }
    });
    const gone = after(project, { type: 'unshelve', shelf, detaches: true });
    expect(gone.shelf).toEqual({});
    expect(Object.values(gone.nodes).some((node) => 'linked' in node)).toBe(false);
  });

  it('refuses what cannot be', () => {
    const project = shelved();
    expect(refusedWith(apply(registry, project, put))).toBe('linked');
    expect(
      refusedWith(apply(registry, project, { type: 'shelve', id: 'page', shelf: 'other', name: 'Page' }))
    ).toBe('root');
    expect(
      refusedWith(
        apply(registry, project, { type: 'shelve', id: 'heading', shelf: 'other', name: 'Seasons' })
      )
    ).toBe('name-in-use');
    expect(refusedWith(apply(registry, project, { type: 'rename-shelved', shelf, name: '  ' }))).toBe(
      'no-name'
    );
    expect(refusedWith(apply(registry, project, { type: 'take-shelved', id: 'heading' }))).toBe('not-linked');
  });

  it('survives a linked piece that stands in another of its kind', () => {
    const inside = place(after(sampleProject(), put), true, 'one');
    const updated = after(inside, { type: 'update-linked', id: 'tabs' });
    expect(Object.keys(updated.nodes)).toHaveLength(Object.keys(inside.nodes).length);
  });

  it('goes into project files and comes back, and what is damaged of it is left out with a note', () => {
    const project = shelved();
    const opened = readProjectFile(registry, writeProjectFile(project, new Map()));
    expect(opened.ok && opened.project).toEqual(project);
    const broken = {
      ...project,
      shelf: {
        ...project.shelf,
        evil: { id: 'evil', name: 'Evil', fragment: { root: 'nothing', nodes: {} } }
      }
    } as Project;
    const read = readProjectFile(registry, writeProjectFile(broken, new Map()));
    expect(read.ok && [Object.keys(read.project.shelf), read.notes.length]).toEqual([['seasons'], 1]);
  });

  it('never loses or doubles a piece, whatever is done to it', () => {
    const step = fc.constantFrom<Command[]>(
      [put],
      [{ type: 'update-linked', id: 'tabs' }],
      [{ type: 'take-shelved', id: 'tabs' }],
      [set('text-one', 'html', '<p>A</p>')],
      [set('tabs', 'foldUnder', 600)],
      [{ type: 'detach', id: 'tabs' }],
      [{ type: 'unshelve', shelf, detaches: true }]
    );
    fc.assert(
      fc.property(fc.array(step, { maxLength: 12 }), (steps) => {
        let project = sampleProject();
        for (const [command] of steps) {
          const outcome = apply(registry, project, command!);
          if (outcome.ok) project = outcome.project;
        }
        const standing = subtreeIds(project, project.pages['first' as keyof typeof project.pages]!.root);
        expect([...standing].sort()).toEqual(Object.keys(project.nodes).sort());
      }),
      { numRuns: 60 }
    );
  });
});
