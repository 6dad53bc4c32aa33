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

export default defineConfig({
  plugins: [withoutForeignFonts(), sveltekit(), optimizeCss()],
  build: { target: 'es2022', assetsInlineLimit: 0 },
  assetsInclude: ['**/*.kymation'],
  test: {
    include: ['src/**/*.test.ts', 'demo/**/*.test.ts'],
    environment: 'node'
  }
});
