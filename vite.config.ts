import { sveltekit } from '@sveltejs/kit/vite';
import { optimizeCss } from 'carbon-preprocess-svelte';
import { generate, parse, walk, type CssNode, type List, type ListItem } from 'css-tree';
import type { Plugin } from 'vite';
import { defineConfig } from 'vitest/config';

/** Parts of Carbon that nothing here draws, though components in use are named in their rules. */
const UNUSED = /^bx--(?:tooltip|time-picker|date-picker|data-table|table|toolbar|pagination|pin-code|snippet|number|slider|structured-list|contained-list|copy|multi-select|skeleton|header|side-nav|tree|tile|progress|breadcrumb|action)(?:-|$)/;

/**
 * Carbon's sheet asks another host for its fonts; Kymation ships its own and nothing may leave the origin. It also brings four
 * themes and many components that are not used: their rules stay behind.
 */
function leanCarbon(): Plugin {
  const isUnused = (selector: CssNode) =>
    selector.type === 'Selector' && selector.children.some((each) => (each.type === 'ClassSelector' && UNUSED.test(each.name)) || (each.type === 'AttributeSelector' && each.name.name === 'theme'));
  return {
    name: 'lean-carbon',
    enforce: 'pre',
    transform(code, id) {
      if (!/carbon-components-svelte\/css\/.*\.css/.test(id)) return null;
      const sheet = parse(code, { parseValue: false, parseCustomProperty: false });
      walk(sheet, {
        enter(node: CssNode, item: ListItem<CssNode>, list: List<CssNode>) {
          if (node.type === 'Atrule' && node.name === 'font-face' && /https?:/.test(generate(node))) list?.remove(item);
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

/**
 * css-tree can write source maps, and knows the grammar of at-rules and of every maker's own properties; nothing here asks for
 * either, and they are a fifth of its weight.
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
      const { default: data } = (await import(id)) as { default: { types: object; properties: object } };
      const properties = Object.fromEntries(Object.entries(data.properties).filter(([property]) => !/^-[a-z]+-/.test(property)));
      return { code: `export default ${JSON.stringify({ ...data, properties, atrules: {} })};`, map: null };
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
    load: (id) => (id === `\0${name}` ? "export { fromHtml as fromHtmlIsomorphic } from 'hast-util-from-html';" : null)
  };
}

export default defineConfig({
  plugins: [leanCarbon(), leanCssTree(), sveltekit(), optimizeCss()],
  build: { target: 'es2022', assetsInlineLimit: 0 },
  worker: { format: 'es', plugins: () => [leanCssTree(), parserForWorkers()] },
  assetsInclude: ['**/*.kymation'],
  test: {
    include: ['src/**/*.test.ts', 'demo/**/*.test.ts'],
    environment: 'node'
  }
});
