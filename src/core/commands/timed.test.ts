import type { Token } from '../project/types';
import { describe, expect, it } from 'vitest';
import { printPage } from '../compile/page';
import { trackOf, withTiming, type Track } from '../motion/track';
import type { PageId, Project } from '../project/types';
import { registry } from '../whole';
import { after, id, refusedWith, sampleProject } from '../testing/project';
import { apply } from './apply';
import type { Command } from './commands';

const token = (name: string, type: Token['type'], value: string): Command => ({
  type: 'set-token',
  token: { id: name, name, type, value }
});
const enter = (value: Partial<Track>, more: object = {}): Command => ({
  type: 'set-setting',
  id: 'tabs',
  key: 'enter',
  value: trackOf({ ms: 200, easing: 'ease-out', ...value }),
  ...more
});
const base = after(
  sampleProject(),
  token('quick', 'duration', '150ms'),
  token('calm', 'easing', 'cubic-bezier(0.2, 0, 0, 1)'),
  token('leaf', 'colour', '#556b2f')
);
const track = (project: Project) => project.nodes[id('tabs')]!.settings.enter as unknown as Track;
const css = (project: Project) =>
  printPage(registry, project, 'first' as PageId, { addressOf: () => '' }).css;

describe('a movement that follows tokens', () => {
  const followed = after(
    base,
    enter({ ms: 150, lasts: '{quick}', easing: 'cubic-bezier(0.2, 0, 0, 1)', eases: '{calm}' })
  );

  it('has their values anew when they change, in one step that can be taken back', () => {
    const changed = after(
      followed,
      token('quick', 'duration', '0.4s'),
      token('calm', 'easing', 'spring(0.2)')
    );
    expect(track(changed)).toMatchObject({
      ms: 400,
      easing: 'spring(0.2)',
      lasts: '{quick}',
      eases: '{calm}'
    });
    expect(css(changed)).toContain('400ms linear(');
    const through = after(
      followed,
      token('base', 'duration', '300ms'),
      token('quick', 'duration', '{base}'),
      token('base', 'duration', '90ms')
    );
    expect(track(through).ms).toBe(90);
  });

  it('does so on the shelf, under a condition too', () => {
    const shelved = after(followed, enter({ ms: 150, lasts: '{quick}' }, { condition: 'narrow' }), {
      type: 'shelve',
      id: 'tabs',
      shelf: 'kept',
      name: 'Kept'
    });
    const [kept] = Object.values(after(shelved, token('quick', 'duration', '70ms')).shelf);
    const root = kept!.fragment.nodes[kept!.fragment.root]!;
    expect([root.settings.enter, root.adapt.narrow!.enter]).toEqual([
      expect.objectContaining({ ms: 70 }),
      expect.objectContaining({ ms: 70 })
    ]);
    expect(after(shelved, token('calm', 'easing', 'cubic-bezier(0.2, 0, 0, 1)')).shelf).toBe(shelved.shelf);
  });

  it('does so under a condition too', () => {
    const narrow = after(
      base,
      enter({ ms: 150, lasts: '{quick}' }, { condition: 'narrow' }),
      token('quick', 'duration', '80ms')
    );
    expect((narrow.nodes[id('tabs')]!.adapt.narrow!.enter as unknown as Track).ms).toBe(80);
  });

  it('keeps a token from being deleted, and says where it is used', () => {
    const outcome = apply(registry, followed, { type: 'remove-token', id: 'quick' });
    expect(outcome.ok || outcome.refusal.sentence).toMatch(/quick is used by .* of Tabs/);
  });

  it('refuses one that is not there or of another sort', () => {
    for (const wrong of [
      { lasts: '{slow}' },
      { lasts: '{calm}' },
      { eases: '{quick}' },
      { eases: '{leaf}' },
      { lasts: 'quick' }
    ]) {
      expect(refusedWith(apply(registry, base, enter(wrong))), JSON.stringify(wrong)).toBe('bad-setting');
    }
  });

  it('goes its own way once it is set by hand', () => {
    expect(withTiming(track(followed), { ms: 220 })).toEqual({
      ...trackOf({ ms: 220, easing: 'cubic-bezier(0.2, 0, 0, 1)' }),
      eases: '{calm}'
    });
    expect(withTiming(track(followed), { delay: 40 })).toMatchObject({
      lasts: '{quick}',
      eases: '{calm}',
      delay: 40
    });
    expect(withTiming(track(followed), { easing: 'ease' }).eases).toBeUndefined();
  });
});
