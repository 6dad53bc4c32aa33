import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { chromium, type BrowserContext } from '@playwright/test';
import {
  damagedDrawings,
  damagedProjects,
  damagedTokenFiles,
  random,
  type Tally
} from '../tests/hostile/mutations';
// @ts-expect-error plain JavaScript, shared with npm start
import { buildApp, findChromium, freePort, run, startServer } from '../scripts/lib.mjs';

// What takes too long for a test: files damaged in thousands of ways, links written by a fast hand, two
// windows at once, and the
// browser killed in the middle of work, again and again. A sample of each is in `npm test`.

const ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync'
];

/** Starts a browser on a profile of its own; its process is ours to kill. */
async function launch(profile: string): Promise<{ context: BrowserContext; kill: () => Promise<void> }> {
  const port = await freePort(9300);
  const child = spawn(
    findChromium(),
    [...ARGS, '--headless', `--remote-debugging-port=${port}`, `--user-data-dir=${profile}`, 'about:blank'],
    { stdio: 'ignore', detached: true }
  );
  for (let tries = 0; tries < 100; tries += 1) {
    if (
      await fetch(`http://127.0.0.1:${port}/json/version`).then(
        ({ ok }) => ok,
        () => false
      )
    )
      break;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  const browser = await chromium.connectOverCDP(`http://127.0.0.1:${port}`);
  const kill = () =>
    new Promise<void>((resolve) => {
      child.once('exit', () => resolve());
      process.kill(-child.pid!, 'SIGKILL');
    });
  return { context: browser.contexts()[0]!, kill };
}

/** @returns how many commands were said to be saved and were gone after the browser was killed. */
async function kills(count: number): Promise<{ lost: number; saved: number }> {
  buildApp();
  const { address, server } = await startServer(await freePort(4700));
  const profile = mkdtempSync(join(tmpdir(), 'kymation-kill-'));
  const next = random(3);
  let url = '';
  let saved = 0;
  let lost = 0;
  for (let n = 0; n < count; n += 1) {
    const { context, kill } = await launch(profile);
    const page = context.pages()[0] ?? (await context.newPage());
    page.setDefaultTimeout(20_000);
    if (url) await page.goto(url);
    else {
      await page.goto(address);
      await page.getByRole('link', { name: 'Open Quillmere Orchard' }).click();
    }
    await page.locator('[data-row="season-tabs"]').click();
    url = page.url();
    await page.keyboard.press('1');
    const field = page.getByRole('textbox', { name: 'Label 2', exact: true });
    const now = Number(/\d+$/.exec(await field.inputValue())?.[0] ?? 0);
    if (now < saved) lost += 1;
    // Types on without a pause, notes the last label that was said to be on disk, and dies whenever it dies.
    await page.evaluate(
      ({ from }) => {
        const input = document.querySelector<HTMLInputElement>('[aria-label="Label 2"]')!;
        let at = from;
        Object.assign(window, { surely: from });
        input.focus();
        setInterval(() => {
          const status = document.querySelector('[role=status]')?.textContent?.trim();
          if (status === 'Saved') Object.assign(window, { surely: at });
          at += 1;
          input.value = `Summer ${at}`;
          input.dispatchEvent(new Event('input', { bubbles: true }));
        }, 7);
      },
      { from: now }
    );
    await page.waitForTimeout(20 + next() * 400);
    saved = Math.max(now, await page.evaluate(() => (window as unknown as { surely: number }).surely));
    await kill();
    if (n % 50 === 49) console.log(`${n + 1} kills, ${lost} lost`);
  }
  server.kill();
  rmSync(profile, { recursive: true, force: true });
  return { lost, saved };
}

/** Tests that do as many rounds as they are told. @returns whether all of them held. */
function rounds(test: string, count: string): boolean {
  const { status } = run('npx', ['playwright', 'test', test, '--workers', '1'], {
    env: { ...process.env, CHROMIUM: findChromium(), THOROUGH: '1', KYMATION_ROUNDS: count }
  });
  return status === 0;
}

function told(what: string, count: string, { thrown, slow, mute, changed, opened }: Tally): boolean {
  console.log(
    `${count} damaged ${what}: ${thrown.length} uncaught, ${slow.length} over 2 s, ${mute.length} without a sentence, ${changed} inputs changed, ${opened} could still be read`
  );
  [...thrown, ...slow].slice(0, 5).forEach((each) => console.log(`  ${each}`));
  return thrown.length + slow.length + mute.length + changed === 0;
}

const text = (value: string) => ({ type: 'string', default: value }) as const;
const { values } = parseArgs({
  options: {
    files: text('20000'),
    tokens: text('2000'),
    drawings: text('2000'),
    links: text('100'),
    windows: text('50'),
    kills: text('500')
  }
});
const held = [
  told('project files', values.files, damagedProjects(Number(values.files))),
  told('token files', values.tokens, damagedTokenFiles(Number(values.tokens))),
  told('drawings', values.drawings, damagedDrawings(Number(values.drawings))),
  Number(values.links) === 0 || rounds('tests/writing.spec.ts', values.links),
  Number(values.windows) === 0 || rounds('tests/together.spec.ts', values.windows)
];
const killed = await kills(Number(values.kills));
console.log(
  `${values.kills} kills of the browser: ${killed.lost} saved commands lost, ${killed.saved} labels saved`
);
process.exit(held.every(Boolean) && killed.lost === 0 ? 0 : 1);
