import { find, html } from 'property-information';
import { REFERENCES as renamedOnPage } from '../../runtime/scoped';
import { REFERENCES } from './naming';
import { describe, expect, it } from 'vitest';
import type { Kind } from '../kinds/contract';
import { makeWith } from '../kinds/make';
import { registryWith } from '../testing/registry';
import { createProject } from '../project/create';
import type { NodeId } from '../project/types';
import { registry } from '../whole';
import { printSnippet } from './snippet';

const make = makeWith({ exactIds: true });
const addressOf = (asset: { readonly file: string }) => asset.file;

const projectWith = (...content: ReturnType<typeof make>[]) =>
  createProject(
    'Snippet',
    make('page', 'Page', {}, { sections: [make('section', 'Section', {}, { content })] })
  );

describe('a snippet', () => {
  it('plays keyframes of its own, and leaves classes alone that end like them', () => {
    const tabs = make(
      'tabs',
      'Deck k slide',
      {},
      {
        panels: ['One k fade', 'Two'].map((name) =>
          make('panel', name, {}, { content: [make('text', `${name} k-grow`)] })
        )
      }
    );
    const { css, html } = printSnippet(registry, projectWith(tabs), 'deck-k-slide' as NodeId, { addressOf });
    expect(css).toMatch(/animation: ky-deck-k-slide-wait 4s/);
    expect(css).toMatch(/@keyframes ky-deck-k-slide-wait \{/);
    const classes = new Set([...html.matchAll(/class="([^"]*)"/g)].flatMap(([, names]) => names!.split(' ')));
    for (const [, name] of css.matchAll(/\.([a-z][\w-]*)/g))
      expect([...classes, 'ky-deck-k-slide']).toContain(name);
  });

  it('keeps groups of details and radio buttons apart from those of the page', async () => {
    const text = registry.kindOf('text');
    const folds: Kind = {
      ...text,
      kind: 'folds',
      markup: (node, ctx) =>
        ctx.part('root', 'div', {}, [
          { type: 'element', tagName: 'details', properties: { name: 'plan' }, children: [] },
          { type: 'element', tagName: 'input', properties: { type: 'radio', name: 'plan' }, children: [] },
          { type: 'element', tagName: 'input', properties: { type: 'text', name: 'email' }, children: [] }
        ])
    };
    const own = await registryWith([...registry.everyKind(), folds]);
    const { html } = printSnippet(own, projectWith(make('folds', 'Plan')), 'plan' as NodeId, { addressOf });
    expect([...html.matchAll(/ name="([^"]*)"/g)].map(([, name]) => name)).toEqual([
      'ky-plan-plan',
      'ky-plan-plan',
      'email'
    ]);
  });
});

it('names by id are renamed alike when a snippet is printed and when two of them meet', () => {
  const printed = REFERENCES.map((name) => find(html, name).attribute);
  expect(printed).toEqual(renamedOnPage);
});
