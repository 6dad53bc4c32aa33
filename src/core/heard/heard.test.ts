import { describe, expect, it } from 'vitest';
import { heardWords, maybeRoleWords, type Heard } from './heard';
import { keysAt } from './keys';

const plain: Heard = { role: null, name: '', level: null, states: [], isSilent: false, isStop: false };
const tab: Heard = { ...plain, role: 'tab', name: 'Blossom', isStop: true };

describe('what is heard, in words', () => {
  it('says role, name and states, in the words people who hear pages know', () => {
    expect(heardWords({ ...tab, states: ['selected'] }, null)).toBe('tab “Blossom”, selected');
    expect(heardWords({ ...plain, role: 'heading', level: 2, name: 'Plan a visit' }, null)).toBe(
      'heading 2 “Plan a visit”'
    );
    expect(maybeRoleWords({ ...plain, role: 'contentinfo' })).toBe('footer of the page');
  });

  it('says of another state only what is not as at rest', () => {
    expect(heardWords(tab, tab)).toBe('as rest');
    expect(heardWords({ ...tab, states: ['selected'] }, tab)).toBe('selected');
    expect(heardWords({ ...tab, name: 'Summer' }, tab)).toBe('“Summer”');
  });

  it('says what is no longer so, but not of two that are opposites', () => {
    const closed = { ...tab, states: ['collapsed'] };
    expect(heardWords({ ...tab, states: ['expanded'] }, closed)).toBe('expanded');
    expect(heardWords(tab, { ...tab, states: ['unavailable'] })).toBe('no longer unavailable');
  });

  it('says what is kept silent, and what has nothing of its own to say', () => {
    expect(heardWords({ ...plain, isSilent: true }, null)).toBe('not heard');
    expect(heardWords({ ...plain, role: 'generic' }, null)).toBe('what is in it');
  });

  it('cuts a name that no cell could take', () => {
    const words = heardWords({ ...tab, name: 'A'.repeat(80) }, null);
    expect(words).toBe(`tab “${'A'.repeat(39)}…”`);
  });
});

describe('keys', () => {
  it('come from the element where it can be used, and from the kind', () => {
    expect(keysAt({ ...tab, role: 'link' })).toEqual({ Enter: 'follows it' });
    expect(keysAt({ ...tab, role: 'link', isStop: false })).toEqual({});
    expect(keysAt({ ...tab, role: 'button' }, { Escape: 'closes the menu' })).toEqual({
      'Enter or Space': 'presses it',
      Escape: 'closes the menu'
    });
  });
});
