import { describe, expect, it } from 'vitest';
import { printPage } from '../../compile/page';
import { apply } from '../../commands/apply';
import type { PageId } from '../../project/types';
import { makeWith } from '../../kinds/make';
import { registry } from '../../whole';
import { after, refusedWith, sampleProject } from '../../testing/project';

const make = makeWith({ exactIds: true });
const layers = make(
  'layers',
  'Layers',
  {},
  {
    layers: [
      make('layer', 'Base', { width: '100%' }, { content: [] }),
      make('layer', 'Words', {}, { content: [] })
    ]
  }
);
const project = after(sampleProject(), {
  type: 'insert',
  fragment: layers,
  at: { parent: 'section', slot: 'content', index: 0 }
});
const css = (of: typeof project) => printPage(registry, of, 'first' as PageId, { addressOf: () => '' }).css;

describe('layers', () => {
  it('stand at shares of the free room, another one in each band', () => {
    const moved = after(project, {
      type: 'set-setting',
      id: 'words',
      key: 'place',
      value: '10% 90%',
      condition: 'narrow'
    });
    expect(css(moved)).toMatch(/left: 50%;[^}]*top: 50%;[^}]*transform: translate\(-50%, -50%\)/);
    expect(css(moved)).toMatch(
      /@media[^{]*640px[^{]*\{[^@]*left: 10%;[^}]*top: 90%;[^}]*transform: translate\(-10%, -90%\)/
    );
  });

  it('refuse a place that is none, and keep at least one of them', () => {
    expect(
      refusedWith(
        apply(registry, project, { type: 'set-setting', id: 'words', key: 'place', value: '120% 0%' })
      )
    ).toBe('bad-setting');
    expect(refusedWith(apply(registry, project, { type: 'remove', ids: ['words', 'base'] }))).toBe('too-few');
  });
});
