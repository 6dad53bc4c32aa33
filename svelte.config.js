import adapter from '@sveltejs/adapter-node';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';
import { optimizeImports } from 'carbon-preprocess-svelte';

/** @type {import('@sveltejs/kit').Config} */
export default {
  preprocess: [vitePreprocess(), optimizeImports()],
  compilerOptions: { runes: undefined },
  kit: {
    adapter: adapter({ precompress: true }),
    alias: {
      $core: 'src/core',
      $preview: 'src/preview',
      $server: 'src/server',
      $runtime: 'src/runtime'
    },
    csp: {
      mode: 'hash',
      directives: {
        'default-src': ['none'],
        'script-src': ['self'],
        // The hash is of the style attribute on SvelteKit's own route announcer.
        'style-src': ['self', 'unsafe-hashes', 'sha256-S8qMpvofolR8Mpjy4kQvEm7m1q8clzU4dfDH0AmvZjo='],
        'img-src': ['self', 'blob:', 'data:'],
        'media-src': ['blob:'],
        'font-src': ['self'],
        'connect-src': ['self'],
        'worker-src': ['self'],
        'frame-src': ['self'],
        'manifest-src': ['self'],
        'base-uri': ['none'],
        'form-action': ['none'],
        'frame-ancestors': ['none'],
        'object-src': ['none']
      }
    }
  }
};
