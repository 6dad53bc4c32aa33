import { sveltekit } from '@sveltejs/kit/vite';
import { optimizeCss } from 'carbon-preprocess-svelte';
import type { Plugin } from 'vite';
import { defineConfig } from 'vitest/config';

/** Carbon's sheet asks another host for its fonts; Kymation ships its own and nothing may leave the origin. */
function withoutForeignFonts(): Plugin {
  return {
    name: 'without-foreign-fonts',
    enforce: 'pre',
    transform(code, id) {
      if (!/carbon-components-svelte\/css\/.*\.css/.test(id)) return null;
      return { code: code.replace(/@font-face\s*\{[^}]*https?:[^}]*\}/g, ''), map: null };
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
  plugins: [withoutForeignFonts(), sveltekit(), optimizeCss()],
  build: { target: 'es2022', assetsInlineLimit: 0 },
  worker: { format: 'es', plugins: () => [parserForWorkers()] },
  assetsInclude: ['**/*.kymation'],
  test: {
    include: ['src/**/*.test.ts', 'demo/**/*.test.ts'],
    environment: 'node'
  }
});
