// Imports go one way. The folders of the core stand here in the order data flows; each may use only those before it.
const order = [
  'data',
  'project',
  'tables',
  'faces',
  'facts',
  'sweep',
  'motion',
  'css',
  'colour',
  'html',
  'support',
  'kinds',
  'rows',
  'scroll',
  'layout',
  'cascade',
  'blocks',
  'widgets',
  'effects',
  'registry',
  'commands',
  'compile',
  'findings',
  'specification',
  'comparison',
  'formats',
  'testing'
];
const path = (name) => (name === 'registry' ? '^src/core/registry\\.ts$' : `^src/core/${name}/`);

module.exports = {
  forbidden: [
    { name: 'no-cycle', severity: 'error', from: {}, to: { circular: true } },
    ...order.slice(0, -1).map((name, i) => ({
      name: `core-${name}-imports-upwards`,
      severity: 'error',
      from: { path: path(name), pathNot: '\\.test\\.ts$' },
      to: { path: order.slice(i + 1).map(path) }
    })),
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { path: '^(src/(?!core/)|demo/|tests/|bench/)' }
    },
    {
      name: 'core-without-node',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] }
    },
    {
      name: 'core-without-interface',
      severity: 'error',
      from: { path: '^src/core/' },
      to: { path: 'node_modules/(svelte|carbon-|dexie|@sveltejs|@tiptap)' }
    },
    {
      name: 'runtime-has-no-dependency',
      severity: 'error',
      from: { path: '^src/runtime/' },
      to: { pathNot: '^src/runtime/' }
    },
    {
      name: 'kinds-stand-apart',
      severity: 'error',
      from: { path: '^src/core/(blocks|widgets|effects)/([^/]+)/' },
      to: { path: '^src/core/(blocks|widgets|effects)/', pathNot: '^src/core/$1/$2/' }
    },
    {
      name: 'server-stays-on-the-server',
      severity: 'error',
      from: { path: '^src/(lib|preview|runtime)/' },
      to: { path: '^src/(server|cli)/' }
    }
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      extensions: ['.ts', '.js', '.svelte', '.mjs'],
      conditionNames: ['import', 'browser', 'svelte', 'default']
    }
  }
};
