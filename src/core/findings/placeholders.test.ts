import { describe, expect, it } from 'vitest';
import { makeDemo } from '../../../demo/make';
import { makeWith } from '../kinds/make';
import { registry } from '../whole';
import { templates } from '../templates';
import { after, sampleProject } from '../testing/project';
import { placeholdersOf } from './placeholders';

const make = makeWith({ exactIds: true });
const at = { parent: 'section', slot: 'content', index: 0 } as const;
const withNew = (kind: string) =>
  after(sampleProject(), { type: 'insert', fragment: registry.kindOf(kind).create(makeWith()), at });
const isNew = ({ node }: { readonly node: string }) => !Object.hasOwn(sampleProject().nodes, node);
const inserted = (kind: string) => placeholdersOf(registry, withNew(kind)).filter(isNew);

describe('what is still as it came', () => {
  it('names words, labels, pictures, films and frames of pieces nobody has filled', () => {
    expect(inserted('image')).toMatchObject([{ what: 'picture', text: '' }]);
    expect(inserted('video')).toMatchObject([{ what: 'film' }]);
    expect(inserted('embed')).toMatchObject([{ what: 'frame' }]);
    expect(
      inserted('tabs')
        .filter(({ what }) => what === 'label')
        .map(({ text }) => text)
    ).toEqual(['First', 'Second', 'Third']);
    expect(inserted('heading')).toMatchObject([{ what: 'words', text: expect.stringMatching(/\w/) }]);
  });

  it('leaves out what has words of its own, and everything in the demo', () => {
    const project = withNew('heading');
    const [found] = placeholdersOf(registry, project).filter(isNew);
    const mine = after(project, {
      type: 'set-setting',
      id: found!.node,
      key: 'text',
      value: 'Cider in October'
    });
    expect(placeholdersOf(registry, mine).filter(isNew)).toEqual([]);
    expect(placeholdersOf(registry, makeDemo().project)).toEqual([]);
  });

  it('knows the words of every template, which are the same at every load', () => {
    for (const template of templates) {
      const [once, again] = [template.build(make), template.build(make)];
      expect(once).toEqual(again);
      if (template.category !== 'block') continue;
      const project = after(sampleProject(), { type: 'insert', fragment: once, at });
      expect(placeholdersOf(registry, project).length, template.template).toBeGreaterThan(0);
    }
  });
});
