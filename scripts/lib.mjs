// Shared by start and test. Only Node's own modules: on a new machine nothing else is there yet.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = join(dirname(fileURLToPath(import.meta.url)), '..');

export function run(command, args, options = {}) {
  return spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
}

const digest = (text) => createHash('sha256').update(text).digest('hex');

/** Installs the packages where they are missing or the lock file has changed since. */
export function installPackages() {
  const stamp = join(root, 'node_modules/.kymation-lock');
  const wanted = digest(readFileSync(join(root, 'package-lock.json')));
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  console.log('Installing packages…');
  // Whatever NODE_ENV says: building and testing need what is only there for development.
  const { status } = run('npm', ['ci', '--include=dev', '--no-fund', '--no-audit'], {
    stdio: ['ignore', 'ignore', 'inherit']
  });
  if (status !== 0)
    fail('The packages could not be installed. Check that npm reaches its registry, then run this again.');
  writeFileSync(stamp, wanted);
}

export function fail(sentence) {
  console.error(sentence);
  process.exit(1);
}

function* files(folder) {
  for (const entry of readdirSync(join(root, folder), { withFileTypes: true })) {
    const path = `${folder}/${entry.name}`;
    if (entry.isDirectory()) yield* files(path);
    else yield path;
  }
}

/** Builds where anything the build reads is newer than it was for the last one. */
export function buildApp() {
  const stamp = join(root, 'build/.stamp');
  const inputs = [
    ...files('src'),
    ...files('static'),
    ...files('demo'),
    'package-lock.json',
    'svelte.config.js',
    'vite.config.ts'
  ].filter((path) => !path.endsWith('.test.ts'));
  const wanted = digest(inputs.map((path) => `${path} ${digest(readFileSync(join(root, path)))}`).join('\n'));
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  console.log('Building…');
  const { status, stdout, stderr } = run('npx', ['vite', 'build'], { stdio: 'pipe', encoding: 'utf8' });
  if (status !== 0) fail(`${stdout}\n${stderr}\nThe build failed; the lines above say where.`);
  mkdirSync(join(root, 'build'), { recursive: true });
  writeFileSync(stamp, wanted);
}

const isFree = (port) =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });

export async function freePort(first) {
  for (let port = first; port < first + 50; port += 1) if (await isFree(port)) return port;
  return fail(`No free port from ${first} to ${first + 49}.`);
}

/** Where Chromium may be. Debian's without a window starts in a third of the time and paints the same. */
const CHROMIUMS = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium', '/usr/bin/chromium-browser'];

/**
 * The browser that everything here uses: the one named in CHROMIUM, else Debian's, installed where it is missing and that can be done.
 * Ends with a sentence where there is none.
 */
export function findChromium() {
  const known = () => [process.env.CHROMIUM, ...CHROMIUMS].find((path) => path && existsSync(path));
  const mayInstall = process.getuid?.() === 0 && existsSync('/usr/bin/apt-get') && !process.env.CHROMIUM;
  if (mayInstall && !known()?.endsWith('-shell')) {
    console.log('Installing Chromium from the system’s packages…');
    run('apt-get', ['update', '-qq'], { stdio: 'ignore' });
    for (const name of ['chromium-headless-shell', 'chromium']) {
      if (known() && name === 'chromium') break;
      run('apt-get', ['install', '-y', '-qq', name], { stdio: ['ignore', 'ignore', 'inherit'] });
    }
  }
  return (
    known() ??
    fail(
      'This needs Chromium. Install it (on Debian: apt-get install chromium) or name it in CHROMIUM, then run it again.'
    )
  );
}

/** Starts the built server on this machine only; resolves with its address once it answers. */
export async function startServer(port) {
  const address = `http://localhost:${port}`;
  const env = {
    ...process.env,
    HOST: '127.0.0.1',
    PORT: String(port),
    ORIGIN: address,
    BODY_SIZE_LIMIT: '64M'
  };
  const server = spawn(process.execPath, ['scripts/serve.mjs'], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
    env
  });
  server.once('exit', (code) => code && fail(`The server stopped with code ${code}.`));
  for (let tries = 0; tries < 200; tries += 1) {
    const answered = await fetch(address).then(
      (response) => response.ok,
      () => false
    );
    if (answered) return { address, server };
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  return fail('The server did not answer within 10 seconds.');
}
