import { describe, expect, it } from 'vitest';
import { makeWith } from '../kinds/make';
import { maybePageOf, nodeOf, pageOf, subtreeOf } from '../project/tree';
import type { NodeId, Page, PageId, Project, ShelfId } from '../project/types';
import { after, id, sampleProject } from '../testing/project';
import { registry } from '../whole';
import { printPage } from '../compile/page';
import type { Command } from './commands';
import { addingPage, copyOf, skeletonOf } from './new-page';
import { placesOf, placingOn, sharedByMost, takingOff } from './sharing';

const make = makeWith({ exactIds: true });
const [first, second, third] = ['first', 'second', 'third'] as PageId[] as [PageId, PageId, PageId];
const footer = 'footer' as ShelfId;
const header = 'header' as ShelfId;

const section = (name: string, element = 'section') => make('section', name, { element }, { content: [] });

function pageAdded(pageId: PageId, ...sections: string[]): Command {
  const fragment = make('page', `${pageId} root`, {}, { sections: sections.map((each) => section(each)) });
  const about = { name: pageId, title: pageId, description: '', language: 'en-GB' };
  return { type: 'add-page', page: { id: pageId, ...about, root: fragment.root }, fragment };
}

/** Three pages; the first has a header and a footer that are on the shelf. */
function site(): Project {
  const root = pageOf(sampleProject(), first).root;
  const insert = (name: string, element: string, index: number): Command => ({
    type: 'insert',
    fragment: section(name, element),
    at: { parent: root, slot: 'sections', index }
  });
  return after(
    sampleProject(),
    insert('Top', 'header', 0),
    insert('Foot', 'footer', 2),
    pageAdded(second, 'Opening', 'Middle'),
    pageAdded(third, 'Only'),
    { type: 'shelve', id: 'top', shelf: header, name: 'Header' },
    { type: 'shelve', id: 'foot', shelf: footer, name: 'Footer' }
  );
}

const names = (project: Project, page: PageId) =>
  nodeOf(project, pageOf(project, page).root).slots.sections!.map((each) => nodeOf(project, each).name);
const placed = (project: Project, shelf: ShelfId, ...pages: PageId[]) =>
  after(project, placingOn(registry, project, shelf, pages)!);

describe('a piece of the shelf on several pages', () => {
  it('goes where it stands on the others, in one step, and follows the shelf', () => {
    const both = placed(placed(site(), footer, second, third), header, second, third);
    expect(names(both, second)).toEqual(['Top', 'Opening', 'Middle', 'Foot']);
    expect(names(both, third)).toEqual(['Top', 'Only', 'Foot']);
    expect([...placesOf(both, header).keys()]).toEqual([first, second, third]);
    expect(placingOn(registry, both, header, [first, second, third])).toBeNull();
  });

  it('keeps its order among others that are shared', () => {
    const bar = after(
      site(),
      {
        type: 'insert',
        fragment: section('Bar'),
        at: { parent: pageOf(site(), first).root, slot: 'sections', index: 0 }
      },
      { type: 'shelve', id: 'bar', shelf: 'bar', name: 'Bar' }
    );
    const withHeader = placed(bar, header, second);
    expect(names(placed(withHeader, 'bar' as ShelfId, second), second)).toEqual([
      'Bar',
      'Top',
      'Opening',
      'Middle'
    ]);
    const withBar = placed(bar, 'bar' as ShelfId, second);
    expect(names(placed(withBar, header, second), second)).toEqual(['Bar', 'Top', 'Opening', 'Middle']);
  });

  it('that stands nowhere goes to the start, a footer to the end', () => {
    const bare = after(site(), { type: 'remove', ids: ['top', 'foot'] });
    const both = placed(placed(bare, header, second), footer, second);
    expect(names(both, second)).toEqual(['Top', 'Opening', 'Middle', 'Foot']);
  });

  it('that is no section goes into one', () => {
    const shelved = after(site(), { type: 'shelve', id: 'heading', shelf: 'title', name: 'Title' });
    const there = placed(shelved, 'title' as ShelfId, third);
    const [node] = placesOf(there, 'title' as ShelfId).get(third)!;
    expect(nodeOf(there, nodeOf(there, pageOf(there, third).root).slots.sections![0]!).slots.content).toEqual(
      [node!.id]
    );
  });

  it('is taken off pages in one step', () => {
    const everywhere = placed(site(), footer, second, third);
    const off = after(everywhere, takingOff(everywhere, footer, [first, third])!);
    expect([...placesOf(off, footer).keys()]).toEqual([second]);
    expect(takingOff(off, footer, [first, third])).toBeNull();
    expect(off.shelf[footer]).toBeDefined();
  });
});

const newOne = (fragment: { readonly root: NodeId }): Page => ({
  id: 'fourth' as PageId,
  name: 'Fourth',
  title: '',
  description: '',
  language: 'en-GB',
  root: fragment.root
});

describe('a new page', () => {
  it('gets what stands on most pages, in its place', () => {
    const project = placed(placed(site(), footer, second, third), header, second);
    expect(sharedByMost(project)).toEqual([header, footer]);
    expect(sharedByMost(site())).toEqual([]);
    const fragment = make('page', 'New root', {}, { sections: [section('Fresh')] });
    const added = after(project, addingPage(registry, project, newOne(fragment), fragment));
    expect(names(added, 'fourth' as PageId)).toEqual(['Top', 'Fresh', 'Foot']);
  });

  it('as a skeleton has all pieces and looks of another, and none of its words', () => {
    const project = after(placed(site(), header, second), {
      type: 'set-style',
      id: 'heading',
      part: 'root',
      state: 'rest',
      condition: 'always',
      property: 'color',
      value: '#123456'
    });
    const fragment = skeletonOf(registry, project, project.pages[first]!);
    const added = after(project, addingPage(registry, project, newOne(fragment), fragment));
    const kinds = (page: Page) => subtreeOf(added, page.root).map(({ kind }) => kind);
    expect(kinds(added.pages['fourth' as PageId]!)).toEqual(kinds(added.pages[first]!));
    const print = printPage(registry, added, 'fourth' as PageId, { addressOf: ({ file }) => file });
    expect(print.body).not.toContain('Hello');
    expect(print.body).not.toContain('>One<');
    expect(print.body).toContain('Panel 1');
    expect(print.css).toContain('#123456');
    const shared = placesOf(added, header).get('fourth' as PageId)!;
    expect(shared.map((node) => maybePageOf(added, node.id)?.id)).toEqual(['fourth']);
  });

  it('as a copy says the same', () => {
    const project = site();
    const fragment = copyOf(registry, project, project.pages[first]!);
    const added = after(project, { type: 'add-page', page: newOne(fragment), fragment });
    const html = (page: PageId) =>
      printPage(registry, added, page, { addressOf: ({ file }) => file }).body.replaceAll(/<[^>]*>/g, '');
    expect(html('fourth' as PageId)).toBe(html(first));
    expect(added.nodes[id('heading')]).toBe(project.nodes[id('heading')]);
  });
});
