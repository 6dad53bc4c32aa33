import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { chromium, type BrowserContext } from '@playwright/test';
import { makeDemo } from '../demo/make';
import { readProjectFile, writeProjectFile } from '../src/core/formats/project-file';
import { registry } from '../src/core/registry';
// @ts-expect-error plain JavaScript, shared with npm start
import { buildApp, findChromium, freePort, startServer } from '../scripts/lib.mjs';

// Two things that take too long for a test: the browser killed in the middle of work, again and again, and project files damaged
// in ten thousand ways.

const ARGS = ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'];

/** A small generator of numbers that are the same at every run. */
function random(seed: number): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 2 ** 32;
  };
}

/** Damages bytes of a file, and values of its JSON, and reads it. @returns how many readings threw, and how many changed their input. */
function mutations(count: number): { uncaught: number; changed: number; opened: number } {
  const next = random(11);
  const { project, bytes } = makeDemo();
  const whole = writeProjectFile(project, bytes);
  const json = JSON.stringify(project);
  const result = { uncaught: 0, changed: 0, opened: 0 };
  const junk = ['null', '-1', '1e999', '{}', '[]', '"javascript:alert(1)"', '"</style>"', '"\\u0000"', '"__proto__"', '"constructor"', 'true', '"{leaf}"', '99999999'];
  for (let n = 0; n < count; n += 1) {
    let file: Uint8Array;
    if (n % 2 === 0) {
      file = whole.slice();
      const hits = 1 + Math.floor(next() * 20);
      for (let hit = 0; hit < hits; hit += 1) file[Math.floor(next() * file.length)] = Math.floor(next() * 256);
      if (n % 10 === 0) file = file.slice(0, Math.floor(next() * file.length));
    } else {
      // One value of the document, wherever it is, becomes something else.
      const places = [...json.matchAll(/(?<=[:,[])(?:"(?:[^"\\]|\\.)*"|-?\d+(?:\.\d+)?|true|false|null)/g)];
      const place = places[Math.floor(next() * places.length)]!;
      const text = json.slice(0, place.index) + junk[Math.floor(next() * junk.length)]! + json.slice(place.index + place[0].length);
      try {
        file = writeProjectFile(JSON.parse(text), bytes);
      } catch {
        continue;
      }
    }
    const before = Buffer.from(file).toString('base64');
    try {
      if (readProjectFile(registry, file).ok) result.opened += 1;
    } catch (error) {
      console.error(error);
      result.uncaught += 1;
    }
    if (Buffer.from(file).toString('base64') !== before) result.changed += 1;
  }
  return result;
}

/** Starts a browser on a profile of its own; its process is ours to kill. */
async function launch(profile: string): Promise<{ context: BrowserContext; kill: () => Promise<void> }> {
  const port = await freePort(9300);
  const child = spawn(findChromium(), [...ARGS, '--headless', `--remote-debugging-port=${port}`, `--user-data-dir=${profile}`, 'about:blank'], { stdio: 'ignore', detached: true });
  for (let tries = 0; tries < 100; tries += 1) {
    if (await fetch(`http://127.0.0.1:${port}/json/version`).then(({ ok }) => ok, () => false)) break;
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

const { values } = parseArgs({ options: { kills: { type: 'string', default: '500' }, files: { type: 'string', default: '10000' } } });
const damaged = mutations(Number(values.files));
console.log(`${values.files} damaged project files: ${damaged.uncaught} uncaught, ${damaged.changed} inputs changed, ${damaged.opened} could still be opened`);
const killed = await kills(Number(values.kills));
console.log(`${values.kills} kills of the browser: ${killed.lost} saved commands lost, ${killed.saved} labels saved`);
process.exit(damaged.uncaught + damaged.changed + killed.lost > 0 ? 1 : 0);
