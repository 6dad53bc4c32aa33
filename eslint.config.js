import globals from 'globals';
import svelte from 'eslint-plugin-svelte';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

export default ts.config(
  { ignores: ['build/', '.svelte-kit/', 'node_modules/', 'test-results/', 'out/'] },
  ...ts.configs.recommended,
  ...svelte.configs.recommended,
  {
    languageOptions: { globals: { ...globals.browser, ...globals.node } },
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-explicit-any': 'off',
      '@typescript-eslint/no-empty-object-type': 'off',
      'prefer-const': 'error',
      eqeqeq: ['error', 'always', { null: 'ignore' }],
      'no-console': 'off'
    }
  },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: { parserOptions: { parser: ts.parser, extraFileExtensions: ['.svelte'], svelteConfig } },
    rules: { 'svelte/prefer-svelte-reactivity': 'off', 'prefer-const': 'off', 'svelte/prefer-const': ['error', { destructuring: 'all' }] }
  },
  {
    // The core is numbers and data: no page, no window, no clock of its own.
    files: ['src/core/**/*.ts'],
    rules: { 'no-restricted-globals': ['error', 'window', 'document', 'navigator', 'localStorage', 'fetch', 'process', 'Buffer', 'setTimeout'], 'no-console': 'error' }
  },
  { files: ['src/app.d.ts'], rules: { '@typescript-eslint/no-namespace': 'off' } }
);
