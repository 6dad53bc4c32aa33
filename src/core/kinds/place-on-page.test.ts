import { describe, expect, it } from 'vitest';
import { createProject } from '../project/create';
import { nodeOf } from '../project/tree';
import type { Fragment, NodeId, PageId, Project } from '../project/types';
import { templates } from '../templates';
import { after, id } from '../testing/project';
import { registry } from '../whole';
import { makeWith } from './make';
import { placed } from './place';
import { placeOnPage } from './place-on-page';

const make = makeWith({ exactIds: true });
const fresh = makeWith();

const projectOf = (...sections: readonly Fragment[]): Project =>
  createProject('Some', make('page', 'Page', {}, { sections }), { page: 'first' as PageId });
const text = (name: string) => make('text', name, { html: '<p>Words.</p>' });
const section = (name: string, element = 'section', ...content: readonly Fragment[]) =>
  make('section', name, element === 'section' ? {} : { element }, { content });
const ready = (name: string) => templates.find(({ template }) => template === name)!.build(fresh);
const place = (project: Project, fragment: Fragment, current = 'page') =>
  placeOnPage(registry, project, fragment, { current: id(current), page: id('page'), inSight: null });

/** What the page holds, by name, after pieces were put where they find a place. */
function sectionsAfter(project: Project, fragment: Fragment, current = 'page'): readonly string[] {
  const found = place(project, fragment, current)!;
  const gone = found.instead ? [{ type: 'remove', ids: [found.instead] } as const] : [];
  const inserted = { type: 'insert', fragment: placed(fragment, found, fresh), at: found.at } as const;
  const next = after(project, inserted, ...gone);
  return nodeOf(next, id('page')).slots.sections!.map((each) => nodeOf(next, each).name);
}

const whole = projectOf(
  section('Top', 'header', text('Site name')),
  section('Story', 'section', text('Words')),
  section('Bottom', 'footer', text('Small print'))
);

describe('where pieces stand on their page', () => {
  it('a header at its start and a footer at its end, whatever is picked', () => {
    const project = projectOf(
      section('One', 'section', text('Words')),
      section('Two', 'section', text('More'))
    );
    for (const current of ['page', 'one', 'words', 'two']) {
      expect(sectionsAfter(project, ready('header'), current)).toEqual(['Header', 'One', 'Two']);
      expect(sectionsAfter(project, ready('footer'), current)).toEqual(['One', 'Two', 'Footer']);
    }
  });

  it('sections between them, though the footer is picked, or nothing', () => {
    for (const current of ['bottom', 'small-print', 'page', 'story'])
      expect(sectionsAfter(whole, ready('opening'), current)).toEqual(['Top', 'Story', 'Opening', 'Bottom']);
    expect(sectionsAfter(whole, ready('opening'), 'top')).toEqual(['Top', 'Opening', 'Story', 'Bottom']);
  });

  it('what brings pieces of its own beside a picked header or footer; a text, links or a side panel in it', () => {
    expect(sectionsAfter(whole, ready('cards'), 'top')).toEqual(['Top', 'Section', 'Story', 'Bottom']);
    expect(sectionsAfter(whole, ready('cards'), 'bottom')).toEqual(['Top', 'Story', 'Section', 'Bottom']);
    for (const kind of ['text', 'links', 'drawer'])
      expect(place(whole, registry.kindOf(kind).create(fresh), 'top')?.at.parent).toBe('top');
    expect(place(whole, ready('cards'), 'site-name')?.at.parent).toBe('top');
  });

  it('in an empty section next to the picked header', () => {
    const project = projectOf(section('Top', 'header', text('Site name')), section('First section'));
    expect(place(project, ready('cards'), 'top')?.at.parent).toBe('first-section');
  });

  it('with nothing picked in the last section before the footer', () => {
    expect(place(whole, text('Note'))?.at).toEqual({ parent: 'story', slot: 'content', index: 1 });
  });

  it('a section in place of an empty one beside it that is as it came, and of no other', () => {
    const blank = projectOf(section('First section'));
    expect(sectionsAfter(blank, ready('opening'))).toEqual(['Opening']);
    expect(sectionsAfter(blank, ready('opening'), 'first-section')).toEqual(['Opening']);
    expect(sectionsAfter(blank, ready('header'))).toEqual(['Header', 'First section']);
    expect(sectionsAfter(blank, registry.kindOf('section').create(fresh))).toEqual([
      'First section',
      'Section'
    ]);
    const tuned = after(blank, {
      type: 'set-setting',
      id: 'first-section' as NodeId,
      key: 'anchor',
      value: 'top'
    });
    expect(sectionsAfter(tuned, ready('opening'))).toEqual(['First section', 'Opening']);
    const far = projectOf(section('First section'), section('Story', 'section', text('Words')));
    expect(sectionsAfter(far, ready('opening'), 'story')).toEqual(['First section', 'Story', 'Opening']);
  });

  it('nowhere for what only comes with its owner', () => {
    expect(place(whole, registry.kindOf('panel').create(fresh))).toBeNull();
  });
});
