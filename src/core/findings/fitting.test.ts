import { beforeAll, describe, expect, it } from 'vitest';
import { loadGrammar } from '../css/grammar';
import { makeWith } from '../kinds/make';
import { createProject } from '../project/create';
import { pageOf } from '../project/tree';
import type { Fragment, NodeId, PageId, Project } from '../project/types';
import { templates } from '../templates';
import { after } from '../testing/project';
import { registry } from '../whole';
import { colourMends } from './fitting';
import { loadRules, runFindings } from './run';

const make = makeWith();
const PAGE = 'page' as PageId;
const [DARK, CREAM] = ['#1f3329', '#f6efe0'];

beforeAll(async () => {
  await loadGrammar();
  await loadRules(registry);
});

/** A page with one section on this ground, in which words have this colour. */
function pageOn(ground: string, words: string): { readonly project: Project; readonly section: NodeId } {
  const section = make('section', 'Section', {}, { content: [] });
  const node = section.nodes[section.root]!;
  const styles = { root: { rest: { always: { 'background-color': ground, color: words } } } };
  const tuned = { root: section.root, nodes: { ...section.nodes, [section.root]: { ...node, styles } } };
  const project = createProject('Dark', make('page', 'Page', {}, { sections: [tuned] }), { page: PAGE });
  return { project, section: section.root };
}

function inserted(fragment: Fragment, ground: string, words: string): Project {
  const { project, section } = pageOn(ground, words);
  const isSection = fragment.nodes[fragment.root]!.kind === 'section';
  const parent = isSection ? pageOf(project, PAGE).root : section;
  const slot = isSection ? 'sections' : 'content';
  return after(project, { type: 'insert', fragment, at: { parent, slot, index: 0 } });
}

const all: readonly (readonly [string, () => Fragment])[] = [
  ...registry
    .everyKind()
    .filter(({ insertable }) => insertable)
    .map((kind) => [kind.label, () => kind.create(make)] as const),
  ...templates.map(({ label, build }) => [label, () => build(make)] as const)
];

const CONTRASTS = new Set(['text-contrast', 'ring-contrast', 'mark-contrast', 'faint-change']);

describe('colours of what has just been put in', () => {
  it.each(all)('%s can be read on a dark ground, and its marks and states told', (_label, create) => {
    const fragment = create();
    const project = inserted(fragment, DARK, CREAM);
    const mended = after(project, ...colourMends(registry, project, fragment.root));
    const found = runFindings(registry, mended).filter(({ rule }) => CONTRASTS.has(rule));
    expect(found.map(({ sentence }) => sentence)).toEqual([]);
  });

  it.each(all)('%s stays as it came where it can be read', (_label, create) => {
    const fragment = create();
    const project = inserted(fragment, '#ffffff', '#1f262a');
    expect(colourMends(registry, project, fragment.root)).toEqual([]);
  });

  it('a state that darkens a light ground a little lightens a dark one as much', () => {
    const fragment = registry.kindOf('accordion').create(make);
    const project = inserted(fragment, DARK, CREAM);
    const own = registry.kindOf('accordion').look.header!.hover!.always!['background-color']!;
    expect(colourMends(registry, project, fragment.root)).toContainEqual(
      expect.objectContaining({
        part: 'header',
        state: 'hover',
        property: 'background-color',
        value: own.replace('#000000', '#ffffff')
      })
    );
  });

  it('words take the colour that words around them have, and only the new piece is touched', () => {
    const fragment = registry.kindOf('accordion').create(make);
    const project = inserted(fragment, DARK, CREAM);
    const mends = colourMends(registry, project, fragment.root);
    expect(mends).toContainEqual(
      expect.objectContaining({ part: 'header', state: 'rest', property: 'color', value: CREAM })
    );
    for (const each of mends) expect(Object.keys(fragment.nodes)).toContain((each as { id: string }).id);
  });
});
