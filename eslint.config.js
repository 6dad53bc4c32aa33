import globals from 'globals';
import svelte from 'eslint-plugin-svelte';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

/** Foreign text may be `__proto__` or `constructor`; what is looked up or written by it must not reach what every object inherits. */
const FOREIGN_KEYS = [
  'error',
  {
    selector:
      "VariableDeclarator[id.typeAnnotation.typeAnnotation.typeName.name='Record'] > ObjectExpression[properties.length=0]",
    message: 'A map that is filled by text has no prototype: emptyRecord() of core/data/record.'
  },
  {
    selector: "BinaryExpression[operator='in']:not([left.type='Literal'])",
    message: '`in` finds what is inherited too: Object.hasOwn(), or ownOf() of core/data/record.'
  },
  {
    selector:
      "CallExpression[callee.object.name='Object'][callee.property.name='assign'] > ObjectExpression[properties.length=0]:first-child",
    message: 'Object.assign() sets a foreign __proto__; Object.fromEntries() or a spread makes it a key.'
  }
];

/** One idea an expression: what depends on a condition has a name, or a function of its own. */
const SPREADS = [
  'SpreadElement > ConditionalExpression',
  "SpreadElement > LogicalExpression[operator!='??']"
].map((selector) => ({
  selector,
  message: 'No spread of a condition: compact() or defined() of core/data/compact, or a name for it.'
}));

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
      'no-restricted-syntax': [...FOREIGN_KEYS, ...SPREADS],
      'no-nested-ternary': 'error',
      'no-console': 'off'
    }
  },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: { parserOptions: { parser: ts.parser, extraFileExtensions: ['.svelte'], svelteConfig } },
    rules: {
      'svelte/prefer-svelte-reactivity': 'off',
      'prefer-const': 'off',
      'svelte/prefer-const': ['error', { destructuring: 'all' }]
    }
  },
  {
    // The core is numbers and data: no page, no window, no clock of its own.
    files: ['src/core/**/*.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'navigator',
        'localStorage',
        'fetch',
        'process',
        'Buffer',
        'setTimeout'
      ],
      'no-console': 'error'
    }
  },
  { files: ['src/app.d.ts'], rules: { '@typescript-eslint/no-namespace': 'off' } }
);
