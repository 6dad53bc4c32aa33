// Everything that must hold, from a bare machine on. Ends with `N passed, N failed`.
import { spawn } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { run, buildApp, fail, findChromium, installPackages, root } from './lib.mjs';
import { TURNS, turnHere } from './turn.mjs';

const asked = process.argv.includes('--only')
  ? process.argv[process.argv.indexOf('--only') + 1].split(',')
  : null;
const turn = turnNow();
const from = Date.now();
const before = processors();
let passed = 0;
/** What did not hold, by name: told once more at the very end, which is what is read first. */
const failed = [];

installPackages();
run('npx', ['svelte-kit', 'sync']);

/** Said before anything is done: who asks for a turn that is none learns it at once. */
function turnNow() {
  try {
    return turnHere();
  } catch ({ message }) {
    return fail(message);
  }
}

const told = (name, since) => console.log(`\n== ${name} (${((Date.now() - since) / 1000).toFixed(0)} s)`);

/**
 * Seconds that the processors have worked since this machine began, and that its host gave to others meanwhile
 * (proc(5), /proc/stat: hundredths of a second); null where the system does not say.
 */
function processors() {
  if (!existsSync('/proc/stat')) return null;
  const [, user, nice, system, , , irq, softirq, steal] = readFileSync('/proc/stat', 'utf8').split(/\s+/);
  const seconds = (...ticks) => ticks.reduce((sum, each) => sum + Number(each), 0) / 100;
  return { worked: seconds(user, nice, system, irq, softirq), taken: seconds(steal) };
}

/** What a run took by the clock says little on a shared machine; what it had the processors do says more. */
function tellTime() {
  const after = processors();
  console.log(`${((Date.now() - from) / 1000).toFixed(0)} s in all`);
  if (!before || !after) return;
  const [worked, taken] = ['worked', 'taken'].map((key) => (after[key] - before[key]).toFixed(0));
  console.log(`${worked} s of processor time on this machine; ${taken} s were taken from it`);
}

/** Counts tests by their JSON report; a run that could not count, or ended badly without one, is one failure. */
function count({ name, report, tests }, status) {
  try {
    const all = tests(JSON.parse(readFileSync(`${root}/${report}`, 'utf8')));
    const bad = all.filter(({ isGood }) => !isGood).map(({ title }) => `${name}: ${title}`);
    passed += all.length - bad.length;
    failed.push(...bad);
    if (status !== 0 && bad.length === 0) failed.push(name);
  } catch {
    failed.push(name);
  }
}

/** Tests as Vitest reports them. */
const unitTests = ({ testResults }) =>
  testResults
    .flatMap(({ assertionResults }) => assertionResults)
    .map(({ fullName, status }) => ({ title: fullName, isGood: status === 'passed' }));

/** Tests as Playwright reports them: in files, which hold tests and suites of tests. */
const browserTests = ({ suites }) => suites.flatMap(testsIn);

const testsIn = ({ specs, suites = [] }) => [
  ...specs.map(({ file, line, title, ok }) => ({ title: `${file}:${line} ${title}`, isGood: ok })),
  ...suites.flatMap(testsIn)
];

/** A check that says all it has to say when it is done, so that two can run at once. */
function check(part) {
  const { name, args, report, counts = true } = part;
  const since = Date.now();
  return new Promise((resolve) => {
    const child = spawn(args[0], args.slice(1), { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
    const parts = [];
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => parts.push(part));
    child.on('close', (status) => {
      told(name, since);
      process.stdout.write(Buffer.concat(parts));
      if (report) count(part, status);
      else if (status !== 0) failed.push(name);
      else if (counts) passed += 1;
      resolve();
    });
  });
}

const wants = (part) => asked === null || asked.includes(part);

// The longest first; two at a time, as many as the smallest machine this is for has cores.
const due = [
  {
    part: 'unit',
    name: 'unit tests',
    args: [
      'npx',
      'vitest',
      'run',
      '--reporter=default',
      '--reporter=json',
      '--outputFile.json=test-results/unit.json'
    ],
    report: 'test-results/unit.json',
    tests: unitTests
  },
  {
    part: 'types',
    name: 'types',
    args: [
      'npx',
      'svelte-check',
      '--tsgo',
      '--tsconfig',
      './tsconfig.json',
      '--fail-on-warnings',
      '--output',
      'human'
    ]
  },
  { part: 'browser', name: 'build', args: [process.execPath, 'scripts/build.mjs'], counts: false },
  { part: 'lint', name: 'lint', args: ['npx', 'eslint', '.', '--max-warnings', '0'] },
  { part: 'lint', name: 'format', args: ['npx', 'prettier', '--check', '--log-level', 'warn', '.'] },
  {
    part: 'types',
    name: 'types of the core, without DOM',
    args: [process.execPath, 'node_modules/@typescript/native/bin/tsc', '-p', 'src/core/tsconfig.json']
  },
  {
    part: 'boundaries',
    name: 'boundaries and cycles',
    args: ['npx', 'depcruise', 'src', 'demo', '--config', '.dependency-cruiser.cjs', '--output-type', 'err']
  }
].filter(({ part }) => wants(part));
const lane = async () => {
  for (let next = due.shift(); next; next = due.shift()) await check(next);
};
await Promise.all([lane(), lane()]);

if (wants('browser')) {
  const since = Date.now();
  const isAll = process.env.THOROUGH === '1';
  const name = isAll ? 'browser tests' : `browser tests, those in turn of TURN=${turn} of ${TURNS}`;
  process.env.CHROMIUM = findChromium();
  process.env.TURN = `${turn}`;
  buildApp();
  const { status } = run('npx', ['playwright', 'test']);
  count({ name, report: 'test-results/browser.json', tests: browserTests }, status);
  told(name, since);
}

tellTime();
if (failed.length > 0) console.log(`\nWhat failed:\n${failed.map((each) => `  ${each}`).join('\n')}`);
console.log(`\n${passed} passed, ${failed.length} failed`);
process.exit(failed.length > 0 ? 1 : 0);
