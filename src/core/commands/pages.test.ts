import { describe, expect, it } from 'vitest';
import { planExport } from '../compile/files';
import { makeWith } from '../kinds/make';
import { pageFiles } from '../project/files';
import type { NodeId, PageId, ShelfId } from '../project/types';
import { registry } from '../whole';
import { runFindings } from '../findings/run';
import { after, refusedWith, sampleProject } from '../testing/project';
import { apply } from './apply';
import type { Command } from './commands';

const fragment = makeWith({ exactIds: true })('page', 'Second', {}, { sections: [] });
const page = {
  id: 'second' as PageId,
  name: 'Second',
  title: 'The second page',
  description: '',
  language: 'en-GB',
  root: fragment.root as NodeId
};
const add: Command = { type: 'add-page', page, fragment };
const refused = (command: Command, ...before: Command[]) =>
  refusedWith(apply(registry, after(sampleProject(), ...before), command));
const write = (key: string, value: unknown, id: string): Command => ({ type: 'set-setting', id, key, value });

describe('pages', () => {
  it('are added, told about, put in order and taken out with all that is on them', () => {
    const project = after(
      sampleProject(),
      add,
      { type: 'set-page', id: 'second', key: 'title', value: 'Another title' },
      { type: 'set-page', id: 'second', key: 'language', value: 'cy' },
      { type: 'move-page', id: 'second', index: 0 }
    );
    expect(project.info.pageOrder).toEqual(['second', 'first']);
    expect(project.pages['second' as PageId]).toMatchObject({ title: 'Another title', language: 'cy' });
    const gone = after(project, { type: 'remove-page', id: 'second' });
    expect(gone.info.pageOrder).toEqual(['first']);
    expect(Object.keys(gone.nodes)).toEqual(Object.keys(sampleProject().nodes));
  });

  it('have a preview picture, which goes along in an export and is not deleted while it is one', () => {
    const asset: Command = {
      type: 'add-asset',
      asset: { id: 'photo', file: 'photo.jpg', type: 'image/jpeg', width: 1200, height: 630, bytes: 90_000 }
    };
    const set = (value: string): Command => ({ type: 'set-page', id: 'first', key: 'picture', value });
    const project = after(sampleProject(), asset, set('photo'));
    const plan = planExport(registry, project, ['first' as PageId], { single: false, dataUri: () => '' });
    expect([plan.pages[0]!.picture, plan.assets.map(({ file }) => file)]).toEqual([
      'assets/photo.jpg',
      ['photo.jpg']
    ]);
    expect(refused({ type: 'remove-asset', id: 'photo' }, asset, set('photo'))).toBe('picture-in-use');
    expect(refused(set('nothing'))).toBe('no-such-asset');
    const none = after(project, set(''));
    expect('picture' in none.pages['first' as PageId]!).toBe(false);
    expect(after(none, { type: 'remove-asset', id: 'photo' }).assets).toEqual({});
  });

  it.each([
    ['last-page', { type: 'remove-page', id: 'first' }],
    ['no-such-page', { type: 'set-page', id: 'nobody', key: 'name', value: 'x' }],
    ['no-name', { type: 'set-page', id: 'first', key: 'name', value: '  ' }],
    ['bad-language', { type: 'set-page', id: 'first', key: 'language', value: 'English please' }],
    ['bad-address', { type: 'set-page', id: 'first', key: 'address', value: 'How to come' }],
    ['address-in-use', { type: 'set-page', id: 'first', key: 'address', value: 'index' }],
    ['too-long', { type: 'set-page', id: 'first', key: 'title', value: 'x'.repeat(501) }]
  ])('are refused a change as %s', (code, command) => {
    expect(refused(command as Command)).toBe(code);
  });

  it('have an address of their own', () => {
    const set = (to: string, value: string): Command => ({ type: 'set-page', id: to, key: 'address', value });
    expect(refused(set('first', 'second'), add)).toBe('address-in-use');
    expect(refused(set('first', 'way'), add, set('second', 'way'))).toBe('address-in-use');
    expect(refused({ ...add, page: { ...page, address: 'first' } } as Command)).toBe('address-in-use');
    // Its id is taken as an address meanwhile, so it cannot go back to it.
    expect(refused(set('second', ''), add, set('second', 'way'), set('first', 'second'))).toBe(
      'address-in-use'
    );
  });

  it('that are linked to are not taken out: it says by what', () => {
    const links = [add, write('html', '<p>See <a href="second.html#top">the other one</a></p>', 'text-two')];
    const outcome = apply(registry, after(sampleProject(), ...links), { type: 'remove-page', id: 'second' });
    expect(outcome.ok ? '' : outcome.refusal.sentence).toMatch(/leads to Second\. Change that link first\.$/);
  });

  it('are followed by links to a new address, on every page, under conditions and on the shelf', () => {
    const project = after(
      sampleProject(),
      add,
      write('html', '<p>In second.html, <a href="second.html#top">the other</a></p>', 'text-two'),
      {
        type: 'insert',
        fragment: makeWith({ exactIds: true })('button', 'Go', { href: './second.html' }),
        at: { parent: 'left', slot: 'content', index: 0 }
      },
      { type: 'shelve', id: 'go', shelf: 'go', name: 'Go' },
      { type: 'set-page', id: 'second', key: 'address', value: 'other' }
    );
    expect(pageFiles(project)).toEqual(['index.html', 'other.html']);
    const { settings } = project.nodes['text-two' as NodeId]!;
    expect(settings.html).toBe('<p>In second.html, <a href="other.html#top">the other</a></p>');
    expect(project.nodes['go' as NodeId]!.settings.href).toBe('other.html');
    const { fragment } = project.shelf['go' as ShelfId]!;
    expect(fragment.nodes[fragment.root]!.settings.href).toBe('other.html');
    const back = after(project, { type: 'set-page', id: 'second', key: 'address', value: '' });
    expect(back.nodes['go' as NodeId]!.settings.href).toBe('second.html');
  });

  it('are followed by links when another page becomes the first, which is the index', () => {
    const project = after(
      sampleProject(),
      add,
      write('html', '<p><a href="index.html">one</a> <a href="second.html">two</a></p>', 'text-two')
    );
    const moved = after(project, { type: 'move-page', id: 'second', index: 0 });
    expect(moved.nodes['text-two' as NodeId]!.settings.html).toBe(
      '<p><a href="first.html">one</a> <a href="index.html">two</a></p>'
    );
    expect(after(moved, { type: 'move-page', id: 'first', index: 0 }).nodes).toEqual(project.nodes);
  });

  it('that are not there make a link to them a finding', () => {
    const dead = (html: string) =>
      runFindings(registry, after(sampleProject(), add, write('html', html, 'text-two')))
        .filter(({ rule }) => rule === 'dead-link')
        .map(({ sentence }) => sentence);
    expect(dead('<p><a href="third.html">three</a></p>')).toEqual([
      expect.stringContaining('leads nowhere: third.html')
    ]);
    expect(
      dead(
        '<p><a href="second.html">two</a> <a href="index.html">one</a> <a href="files/menu.pdf">menu</a></p>'
      )
    ).toEqual([]);
  });
});
