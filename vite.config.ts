import { sveltekit } from '@sveltejs/kit/vite';
import { optimizeCss } from 'carbon-preprocess-svelte';
import { generate, parse, walk, type CssNode, type List, type ListItem } from 'css-tree';
import { FIELD_PROPERTIES, STYLE_PROPERTIES } from './src/core/css/properties';
import { TOKEN_PROPERTY } from './src/core/css/tokens';
import type { Plugin } from 'vite';
import { defineConfig } from 'vitest/config';

/** Parts of Carbon that nothing here draws, though components in use are named in their rules. */
const UNUSED_PARTS = (
  'tooltip time-picker date-picker data-table table toolbar pagination pin-code snippet number slider ' +
  'structured-list contained-list copy multi-select skeleton header side-nav tree tile progress ' +
  'breadcrumb action text-area search-menu interstitial-screen combo-button combo-box list-box dropdown tag ' +
  'select toggle menu-option'
).split(' ');
const UNUSED = new RegExp(`^(?:bx--(?:${UNUSED_PARTS.join('|')})(?:[-_]|$)|flatpickr-|numInput)`);

/**
 * Carbon's sheet asks another host for its fonts; Kymation ships its own and nothing may leave the origin. It
 * also brings four themes and many components that are not used: their rules stay behind.
 */
function leanCarbon(): Plugin {
  const isUnused = (selector: CssNode) =>
    selector.type === 'Selector' &&
    selector.children.some(
      (each) =>
        (each.type === 'ClassSelector' && UNUSED.test(each.name)) ||
        (each.type === 'AttributeSelector' && each.name.name === 'theme')
    );
  return {
    name: 'lean-carbon',
    enforce: 'pre',
    transform(code, id) {
      if (!/carbon-components-svelte\/css\/.*\.css/.test(id)) return null;
      const sheet = parse(code, { parseValue: false, parseCustomProperty: false });
      walk(sheet, {
        enter(node: CssNode, item: ListItem<CssNode>, list: List<CssNode>) {
          if (node.type === 'Atrule' && node.name === 'font-face' && /https?:/.test(generate(node)))
            list?.remove(item);
          if (node.type !== 'Rule' || node.prelude.type !== 'SelectorList') return;
          const { children } = node.prelude;
          children.forEach((selector, at) => isUnused(selector) && children.remove(at));
          if (children.isEmpty) list?.remove(item);
        }
      });
      return { code: generate(sheet), map: null };
    }
  };
}

interface Grammar {
  readonly types: Readonly<Record<string, string>>;
  readonly properties: Readonly<Record<string, string>>;
}

/** The grammar of some properties: theirs, and that of all the properties and types it names. */
function grammarOf(wanted: readonly string[], { types, properties }: Grammar): Grammar {
  const kept: { types: Record<string, string>; properties: Record<string, string> } = {
    types: {},
    properties: {}
  };
  const open: (readonly ['types' | 'properties', string])[] = wanted.map(
    (name) => ['properties', name] as const
  );
  for (let next = open.pop(); next; next = open.pop()) {
    const [table, name] = next;
    const syntax = { types, properties }[table][name];
    if (syntax === undefined || kept[table][name] !== undefined) continue;
    kept[table][name] = syntax;
    for (const [, property] of syntax.matchAll(/<'([\w-]+)'/g)) open.push(['properties', property!]);
    for (const [, type] of syntax.matchAll(/<([\w-]+(?:\(\))?)/g)) open.push(['types', type!]);
    // Functions stand in a grammar by their name alone, too.
    for (const [, called] of syntax.matchAll(/([\w-]+\()/g)) open.push(['types', `${called})`]);
  }
  return kept;
}

/**
 * css-tree can write source maps, and knows the grammar of every at-rule and property; nothing here asks for
 * more than some thirty properties, and the rest is a third of its weight.
 */
function leanCssTree(): Plugin {
  const name = 'source-map-js/lib/source-map-generator.js';
  return {
    name: 'lean-css-tree',
    enforce: 'pre',
    resolveId: (id) => (id === name ? `\0${name}` : null),
    load: (id) => (id === `\0${name}` ? 'export class SourceMapGenerator {}' : null),
    async transform(_code, id) {
      if (!/css-tree\/dist\/data\.js$/.test(id)) return null;
      const { default: data } = (await import(id)) as { default: Grammar };
      return {
        code: `export default ${JSON.stringify({ ...data, ...grammarOf([...STYLE_PROPERTIES.keys(), ...FIELD_PROPERTIES, ...Object.values(TOKEN_PROPERTY)], data), atrules: {} })};`,
        map: null
      };
    }
  };
}

/** A worker has no document, so HTML is parsed by parse5 there instead of by the browser. */
function parserForWorkers(): Plugin {
  const name = 'hast-util-from-html-isomorphic';
  return {
    name: 'parser-for-workers',
    enforce: 'pre',
    resolveId: (id) => (id === name ? `\0${name}` : null),
    load: (id) =>
      id === `\0${name}` ? "export { fromHtml as fromHtmlIsomorphic } from 'hast-util-from-html';" : null
  };
}

export default defineConfig({
  plugins: [leanCarbon(), leanCssTree(), sveltekit(), optimizeCss()],
  build: {
    target: 'es2022',
    assetsInlineLimit: 0,
    // Printing takes parse5's serialiser alone; nothing says that its other modules do nothing by being there.
    rolldownOptions: {
      treeshake: { moduleSideEffects: [{ test: /\/node_modules\/parse5\//, sideEffects: false }] }
    }
  },
  // A worker needs all it has, so that it is one file.
  worker: {
    format: 'es',
    rolldownOptions: { output: { codeSplitting: false } },
    plugins: () => [leanCssTree(), parserForWorkers()]
  },
  assetsInclude: ['**/*.kymation'],
  test: {
    include: ['src/**/*.test.ts', 'demo/**/*.test.ts', 'scripts/**/*.test.ts', 'tests/**/*.test.ts'],
    setupFiles: ['src/core/testing/grammar.ts'],
    environment: 'node',
    // The core keeps no state between calls but what it has worked out before, so the files may share one.
    pool: 'threads',
    // A machine shared with others may be slow for a while: this only ends what hangs.
    testTimeout: 300_000,
    hookTimeout: 300_000,
    isolate: false
  }
});
