// Everything that must hold, from a bare machine on. Ends with `N passed, N failed`.
import { existsSync, readFileSync } from 'node:fs';
import { run, buildApp, fail, installPackages, root } from './lib.mjs';

const asked = process.argv.includes('--only') ? process.argv[process.argv.indexOf('--only') + 1].split(',') : null;
let passed = 0;
let failed = 0;

installPackages();
run('npx', ['svelte-kit', 'sync']);

function check(name, command, args) {
  console.log(`\n== ${name}`);
  const isGood = run(command, args).status === 0;
  if (isGood) passed += 1;
  else failed += 1;
}

/** Runs tests whose own count is read from a JSON report; a run that could not count is one failure. */
function count(name, command, args, report, numbers) {
  console.log(`\n== ${name}`);
  const { status } = run(command, args);
  try {
    const [good, bad] = numbers(JSON.parse(readFileSync(`${root}/${report}`, 'utf8')));
    passed += good;
    failed += bad + (status !== 0 && bad === 0 ? 1 : 0);
  } catch {
    failed += 1;
  }
}

/** Debian's Chromium without a window starts in a third of the time and paints the same; the whole browser does where only that is there. */
function findChromium() {
  const known = () => [process.env.CHROMIUM, '/usr/bin/chromium-headless-shell', '/usr/bin/chromium', '/usr/bin/chromium-browser'].find((path) => path && existsSync(path));
  const mayInstall = process.getuid?.() === 0 && existsSync('/usr/bin/apt-get');
  if (!mayInstall || process.env.CHROMIUM || known()?.endsWith('-shell')) return known() ?? null;
  console.log('Installing Chromium from the system’s packages…');
  run('apt-get', ['update', '-qq'], { stdio: 'ignore' });
  for (const name of ['chromium-headless-shell', 'chromium']) {
    if (known() && name === 'chromium') break;
    run('apt-get', ['install', '-y', '-qq', name], { stdio: ['ignore', 'ignore', 'inherit'] });
  }
  return known() ?? null;
}

const wants = (part) => asked === null || asked.includes(part);

if (wants('types')) {
  check('types of the core, without DOM', 'npx', ['tsc', '-p', 'src/core/tsconfig.json']);
  check('types', 'npx', ['svelte-check', '--tsconfig', './tsconfig.json', '--fail-on-warnings', '--output', 'human']);
}
if (wants('lint')) check('lint', 'npx', ['eslint', '.', '--max-warnings', '0']);
if (wants('boundaries')) check('boundaries and cycles', 'npx', ['depcruise', 'src', 'demo', '--config', '.dependency-cruiser.cjs', '--output-type', 'err']);
if (wants('unit')) {
  count('unit tests', 'npx', ['vitest', 'run', '--reporter=default', '--reporter=json', '--outputFile.json=test-results/unit.json'], 'test-results/unit.json', (report) => [report.numPassedTests, report.numFailedTests]);
}
if (wants('browser')) {
  const chromium = findChromium();
  if (!chromium) fail('The browser tests need Chromium. Install it (on Debian: apt-get install chromium) or name it in CHROMIUM, then run npm test again.');
  process.env.CHROMIUM = chromium;
  buildApp();
  count('browser tests', 'npx', ['playwright', 'test'], 'test-results/browser.json', ({ stats }) => [stats.expected + stats.flaky, stats.unexpected]);
}

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed > 0 ? 1 : 0);
