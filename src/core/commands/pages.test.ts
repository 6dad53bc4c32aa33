import { describe, expect, it } from 'vitest';
import { planExport } from '../compile/files';
import { makeWith } from '../kinds/make';
import type { NodeId, PageId } from '../project/types';
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
    ['too-long', { type: 'set-page', id: 'first', key: 'title', value: 'x'.repeat(501) }]
  ])('are refused a change as %s', (code, command) => {
    expect(refused(command as Command)).toBe(code);
  });

  it('that are linked to are not taken out: it says by what', () => {
    const links = [add, write('html', '<p>See <a href="second.html#top">the other one</a></p>', 'text-two')];
    const outcome = apply(registry, after(sampleProject(), ...links), { type: 'remove-page', id: 'second' });
    expect(outcome.ok ? '' : outcome.refusal.sentence).toMatch(/leads to Second\. Change that link first\.$/);
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
