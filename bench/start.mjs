// Bundles the bench before it runs, as it is shipped: the TypeScript loader wraps every function, and libraries check
// more while they are developed with, which would be measured along.
import { mkdirSync } from 'node:fs';
import { installPackages, root, run } from '../scripts/lib.mjs';

installPackages();
// Writes the paths that imports by `$core` and the like are found by.
run('npx', ['svelte-kit', 'sync']);
const { build } = await import('esbuild');

mkdirSync(`${root}/test-results`, { recursive: true });
const name = process.argv[2] === 'stress' ? 'stress' : 'run';
const outfile = `${root}/test-results/bench-${name}.mjs`;
await build({
  entryPoints: [`${root}/bench/${name}.ts`],
  outfile,
  bundle: true,
  packages: 'external',
  platform: 'node',
  format: 'esm',
  logLevel: 'error',
  define: { 'import.meta.env': '{"PROD":true}' }
});
process.exit(
  run(process.execPath, [outfile, ...process.argv.slice(name === 'stress' ? 3 : 2)], {
    env: { ...process.env, NODE_ENV: 'production' }
  }).status ?? 1
);
