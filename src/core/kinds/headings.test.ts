import { beforeAll, describe, expect, it } from 'vitest';
import { loadRules, runFindings } from '../findings/run';
import { createProject } from '../project/create';
import { nodeOf, subtreeIds } from '../project/tree';
import type { Fragment, PageId, Place, Project } from '../project/types';
import { templates } from '../templates';
import { after, id } from '../testing/project';
import { registry } from '../whole';
import { maybeHeading, withFittingLevels } from './headings';
import { makeWith } from './make';

const make = makeWith({ exactIds: true });
const fresh = makeWith();
const heading = (name: string, level: string) => make('heading', name, { text: name, level });

const pageWith = (...content: readonly Fragment[]): Project =>
  createProject(
    'Some',
    make('page', 'Page', {}, { sections: [make('section', 'Section', {}, { content })] }),
    {
      page: 'first' as PageId
    }
  );

const end = (project: Project): Place => ({
  parent: id('section'),
  slot: 'content',
  index: nodeOf(project, id('section')).slots.content!.length
});

const of = registry.of.bind(registry);

/** Levels of the headings in pieces, in document order. */
const levelsIn = (project: Pick<Project, 'nodes'>, root: string): readonly number[] =>
  subtreeIds(project, id(root)).flatMap((each) => maybeHeading(nodeOf(project, each), of)?.level ?? []);

const fitted = (project: Project, fragment: Fragment, at = end(project)): readonly number[] =>
  levelsIn(withFittingLevels(registry, project, fragment, at), fragment.root);

const ready = (name: string) => templates.find(({ template }) => template === name)!.build(fresh);
const accordion = () => registry.kindOf('accordion').create(fresh);

beforeAll(() => loadRules(registry));

describe('levels of the headings of something new', () => {
  it('leave none out after the heading before them', () => {
    expect(fitted(pageWith(heading('Title', '1')), accordion())).toEqual([2]);
    expect(fitted(pageWith(heading('Title', '1'), heading('Part', '2')), accordion())).toEqual([3]);
    expect(fitted(pageWith(heading('Title', '1'), heading('Part', '2')), ready('cards'))).toEqual([3, 3, 3]);
    expect(fitted(pageWith(heading('Title', '1')), ready('cards'))).toEqual([2, 2, 2]);
  });

  it('go by what stands before them, not by what follows', () => {
    const project = pageWith(heading('Title', '1'), heading('Part', '2'));
    expect(fitted(project, accordion(), { ...end(project), index: 1 })).toEqual([2]);
  });

  it('leave room for the title of a page that has none yet', () => {
    expect(fitted(pageWith(), accordion())).toEqual([2]);
    expect(fitted(pageWith(), ready('opening'))).toEqual([1]);
  });

  it('are those of a second opening where the page has its title', () => {
    expect(fitted(pageWith(heading('Title', '1')), ready('opening'))).toEqual([2]);
  });

  it('are those of the items they join', () => {
    const pinned = registry.kindOf('pinned').create(make);
    const project = after(pageWith(heading('Title', '1'), heading('Part', '4')), {
      type: 'insert',
      fragment: withFittingLevels(registry, pageWith(heading('Title', '1')), pinned, end(pageWith())),
      at: { parent: id('section'), slot: 'content', index: 1 }
    });
    const list = nodeOf(project, pinned.root).slots;
    const [slot] = Object.keys(list);
    const step = nodeOf(project, list[slot!]![0]!);
    const item = make('panel', 'Another', {}, { content: [heading('Said', '3')] });
    expect(levelsIn(project, step.id)).toEqual([2]);
    expect(fitted(project, item, { parent: pinned.root, slot: slot!, index: 4 })).toEqual([2]);
  });

  it('are left alone where they are right, and where there are none', () => {
    const text = make('text', 'Words');
    const project = pageWith(heading('Title', '1'), heading('Part', '2'));
    const at = end(project);
    const cards = ready('cards');
    expect(withFittingLevels(registry, project, text, at)).toBe(text);
    expect(withFittingLevels(registry, project, cards, at)).toBe(cards);
  });

  it.each([
    ...registry.everyKind().filter(({ insertable, category }) => insertable && category === 'block'),
    ...templates.filter(({ category }) => category === 'block')
  ])('bring no finding with $label', (entry) => {
    const fragment = 'build' in entry ? entry.build(fresh) : entry.create(fresh);
    for (const before of [[], [heading('Part', '2')]]) {
      const project = pageWith(heading('Title', '1'), ...before);
      const at = end(project);
      const whole = after(project, {
        type: 'insert',
        fragment: withFittingLevels(registry, project, fragment, at),
        at
      });
      expect(runFindings(registry, whole).filter(({ rule }) => rule === 'heading-order')).toEqual([]);
    }
  });
});
