import { readFileSync } from 'node:fs';
import { bytes, demo as project } from './support/demo';
import { expect, test, type Page } from './support/test';
import { inTurn, isThorough, thorough } from './support/thorough';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { writeProjectFile } from '../src/core/formats/project-file';
import { axeViolations } from './support/axe';
import { visit } from './support/window';
import { Bench, openWithoutTools } from './support/workbench';

const importFile = (page: Page, name: string, content: Uint8Array) =>
  page
    .locator('input[type=file]')
    .setInputFiles({ name, mimeType: 'application/zip', buffer: Buffer.from(content) });

/** The demo with its project.json changed by hand, as an attacker would. */
function tampered(change: (document: any) => void): Uint8Array {
  const entries = unzipSync(writeProjectFile(project, bytes));
  const document = JSON.parse(strFromU8(entries['project.json']!));
  change(document);
  return zipSync({ ...entries, 'project.json': strToU8(JSON.stringify(document)) });
}

test.describe('bad files', () => {
  const cases: [string, () => Uint8Array, RegExp][] = [
    ['no zip', () => strToU8('hello'), /not a zip/],
    ['broken', () => zipSync({ 'project.json': strToU8('{') }), /damaged/],
    ['newer', () => tampered((document) => (document.format = 9)), /newer Kymation \(format 9/],
    ['climbing', () => zipSync({ '../x': strToU8('x') }), /leads outside/],
    ['huge', () => zipSync({ 'project.json': new Uint8Array(41e6) }), /more than 40 MB/]
  ];
  for (const [name, content, sentence] of cases) {
    test(`${name}: one plain sentence, and the list stays as it was`, async ({ page }) => {
      await page.goto('/');
      await expect(page.getByRole('link', { name: 'Open Quillmere Orchard' })).toBeVisible();
      await importFile(page, `${name}.kymation`, content());
      await expect(page.getByText(sentence)).toContainText(`${name}.kymation: `);
      await expect(page.getByRole('listitem')).toHaveCount(1);
    });
  }
});

test('a hostile project opens without anything of it running, in the app or in its export', async ({
  page
}) => {
  const asked: string[] = [];
  page.on('request', (request) => asked.push(request.url()));
  await page.addInitScript(() => ((window as any).hacked = () => ((window as any).wasHacked = true)));
  await page.goto('/');
  const file = tampered((document) => {
    document.info.name = '<img src=x onerror=hacked()>';
    document.nodes['blossom-text'].settings.html =
      '<p onclick="hacked()">Kept words</p><script>hacked()</script><img src="https://evil.example/x.png" onerror="hacked()"><a href="javascript:hacked()">go</a>';
    document.nodes['plan-heading'].settings.text = '</h2><script>hacked()</script>';
    document.nodes.blossom.name = '"><svg onload=hacked()>';
    document.nodes['season-tabs'].styles.tab.rest.always.color =
      'red; background: url(https://evil.example/y)';
    document.nodes['press-button'].settings.href = 'javascript:hacked()';
  });
  await importFile(page, 'hostile.kymation', file);
  await expect(page.getByText(/things left out/)).toBeVisible();
  await page.getByRole('link', { name: 'Open <img' }).click();
  const bench = new Bench(page);
  await expect(bench.preview.getByText('Kept words')).toBeVisible();
  await bench.preview.getByText('Kept words').click();
  await page.keyboard.press('Control+e');
  await expect(page.getByRole('button', { name: 'index.html' })).toBeVisible();
  const text = (await page.getByLabel('Text of index.html').textContent())!;
  expect(text).toContain('Kept words');
  expect(text).not.toMatch(
    /<script>|javascript:|onclick=|onerror=(?!hacked\(\)>)|evil\.example|<svg (?!class="symbol)/
  );
  for (const frame of page.frames())
    expect(await frame.evaluate(() => (window as any).wasHacked ?? false)).toBe(false);
  expect(asked.filter((url) => !/^(?:http:\/\/localhost:\d+\/|blob:|data:)/.test(url))).toEqual([]);
});

test('no request leaves the origin, and the policy is on every answer', async ({ page }) => {
  const asked: string[] = [];
  const complaints: string[] = [];
  page.on('request', (request) => asked.push(request.url()));
  page.on('console', (message) => message.type() === 'error' && complaints.push(message.text()));
  const bench = await Bench.openDemo(page);
  await bench.pick('Blossom text');
  await page.keyboard.press('Enter');
  await expect(bench.preview.getByRole('textbox', { name: 'Text of Blossom text' })).toBeFocused();
  await page.keyboard.type('Now ');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+e');
  await expect(page.getByRole('button', { name: 'index.html' })).toBeVisible();
  expect(asked.filter((url) => !/^(?:http:\/\/localhost:\d+\/|blob:|data:)/.test(url))).toEqual([]);
  expect(complaints).toEqual([]);
  for (const path of ['/', '/frame', '/frame/probe.js', '/frame/writer.js', '/project/none']) {
    const policy = (await page.request.get(path)).headers()['content-security-policy'];
    expect(policy ?? (await (await page.request.get(path)).text())).toContain("default-src 'none'");
  }
  expect((await page.request.get('/frame')).headers()['content-security-policy']).toContain(
    'sandbox allow-scripts'
  );
});

test('the frame cannot reach the app', async ({ page }) => {
  await Bench.openDemo(page);
  const frame = page.frames().find((each) => each.url().endsWith('/frame'))!;
  const reached = await frame.evaluate(async () => {
    const tries: string[] = [];
    try {
      tries.push(String(parent.document.title));
    } catch {
      tries.push('no parent');
    }
    try {
      tries.push(String(localStorage.length));
    } catch {
      tries.push('no storage');
    }
    tries.push(
      await fetch('/').then(
        () => 'fetched',
        () => 'no fetch'
      )
    );
    return tries;
  });
  expect(reached).toEqual(['no parent', 'no storage', 'no fetch']);
});

test('a message that does not fit is dropped and counted', async ({ page }) => {
  await page.addInitScript(() => {
    // Stands in for a frame gone wrong: the port is caught as it is handed over.
    const original = MessagePort.prototype.postMessage;
    (window as any).ports = [];
    MessagePort.prototype.postMessage = function (this: MessagePort, ...args: [any, any]) {
      if (!(window as any).ports.includes(this)) (window as any).ports.push(this);
      return original.apply(this, args);
    };
  });
  await Bench.openDemo(page);
  const frame = page
    .frames()
    .find((each) => each.url().endsWith('/frame') && each.parentFrame() === page.mainFrame())!;
  await frame.evaluate(() =>
    (window as any).ports[0].postMessage({ type: 'picked', pick: { node: '__proto__' }, opens: 'yes' })
  );
  await frame.evaluate(() => (window as any).ports[0].postMessage({ type: 'run', code: 'alert(1)' }));
  await expect(page.locator('iframe[data-dropped="2"]')).toHaveCount(1);
});

test(
  'a script of the page that stops is told; a resize that waits for the next frame is not',
  thorough,
  async ({ page }) => {
    await Bench.openDemo(page);
    const frame = page
      .frames()
      .find((each) => each.url().endsWith('/frame') && each.parentFrame() === page.mainFrame())!;
    await page.evaluate(() => {
      const said = document.querySelector('.said')!;
      (window as any).said = '';
      new MutationObserver(() => ((window as any).said += said.textContent)).observe(said, {
        subtree: true,
        childList: true,
        characterData: true
      });
    });
    const heard = await frame.evaluate(
      () =>
        new Promise<string>((done) => {
          window.addEventListener('error', ({ message }) => done(message), { once: true });
          const box = document.body.appendChild(document.createElement('div'));
          box.style.height = '1px';
          new ResizeObserver(() => (box.style.height = `${Math.min(40, box.offsetHeight + 1)}px`)).observe(
            box
          );
        })
    );
    expect(heard).toContain('ResizeObserver');
    await frame.evaluate(
      () =>
        void setTimeout(() => {
          throw new Error('out of apples');
        })
    );
    await expect(page.getByText('out of apples')).toBeVisible();
    expect(await page.evaluate(() => (window as any).said)).not.toContain('ResizeObserver');
  }
);

/** @param part what is new on this screen; `npm run thorough` looks at all of it every time. */
async function checkScreen(page: Page, screen: string, part?: string): Promise<void> {
  const found = await axeViolations(page, isThorough ? undefined : part);
  expect([screen, found]).toEqual([screen, []]);
}

test('axe-core finds nothing on the list of projects, nor in the workbench', async ({ page }) => {
  await visit(page, '/');
  await expect(page.getByRole('link', { name: 'Open Quillmere Orchard' })).toBeVisible();
  await checkScreen(page, 'home');
  const bench = await Bench.openDemo(page);
  await checkScreen(page, 'workbench, nothing picked');
  await bench.pick('Season tabs', 'tab');
  await checkScreen(page, 'workbench, a part picked');
});

test('axe-core finds nothing in any view of the workbench', inTurn(7), async ({ page }) => {
  const bench = await Bench.openDemo(page);
  await bench.pick('Season tabs', 'tab');
  for (const view of ['Fill', 'Behaviour', 'States', 'Timing', 'Scroll', 'Fallbacks'] as const) {
    await bench.view(view);
    await checkScreen(page, view, '[aria-label="Tuning sheet"]');
  }
});

test('axe-core finds nothing in any window and panel of the workbench', inTurn(6), async ({ page }) => {
  const bench = await Bench.openDemo(page);
  await bench.pick('Season tabs', 'tab');
  for (const [key, name] of [
    ['a', 'insert'],
    ['Control+k', 'search'],
    ['Shift+?', 'keys'],
    ['Control+e', 'export'],
    ['Shift+T', 'tokens'],
    ['Shift+S', 'shelf'],
    ['h', 'history']
  ] as const) {
    await bench.row('Season tabs').focus();
    await page.keyboard.press(key);
    await expect(page.getByRole('dialog')).toBeVisible();
    if (name === 'export') await expect(page.getByRole('button', { name: 'index.html' })).toBeVisible();
    await checkScreen(page, name, '[role=dialog]');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
  }
  await page.getByRole('button', { name: 'No findings' }).click();
  await checkScreen(page, 'findings');
  await visit(page, '/project/none');
  await expect(page.getByText('This project is not here')).toBeVisible();
  await checkScreen(page, 'no such project');
});

test(
  'axe-core finds nothing while the tools are coming, and it is said that they are',
  thorough,
  async ({ page }) => {
    const { bench, arrive } = await openWithoutTools(page);
    const waits = page.getByRole('status').filter({ hasText: 'its tools are coming' });
    await expect(waits).toHaveCount(1);
    expect(await axeViolations(page)).toEqual([]);
    await arrive();
    await expect(waits).toHaveCount(0);
    await bench.pick('Season tabs', 'tab');
    expect(await axeViolations(page)).toEqual([]);
  }
);

test('home: new, rename, duplicate, export, import, delete and bring back', async ({ page }) => {
  await visit(page, '/');
  const more = (name: string) => page.getByRole('button', { name: `More for ${name}` });
  await more('Quillmere Orchard').click();
  await page.getByRole('menuitem', { name: 'Duplicate' }).click();
  await expect(page.getByRole('link', { name: 'Open Quillmere Orchard copy' })).toBeVisible();
  await more('Quillmere Orchard copy').click();
  await page.getByRole('menuitem', { name: 'Rename' }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill('Second orchard');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('link', { name: 'Open Second orchard' })).toBeVisible();
  await more('Second orchard').click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'Export project file' }).click()
  ]);
  expect(download.suggestedFilename()).toBe('second-orchard.kymation');
  const file = readFileSync(await download.path());
  await more('Second orchard').click();
  await page.getByRole('menuitem', { name: 'Delete' }).click();
  await expect(page.getByRole('link', { name: 'Open Second orchard' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(page.getByRole('link', { name: 'Open Second orchard' })).toBeVisible();
  await importFile(page, 'again.kymation', file);
  await expect(page.getByRole('link', { name: 'Open Second orchard' })).toHaveCount(2);
  await page.getByRole('button', { name: 'Add the demo' }).click();
  await expect(page.getByRole('listitem')).toHaveCount(4);
});

test('export: a zip whose page works, and one HTML file', async ({ page }) => {
  await Bench.openDemo(page);
  await page.keyboard.press('Control+e');
  await expect(page.getByRole('button', { name: 'script.js' })).toBeVisible();
  const [zip] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save zip' }).click()
  ]);
  const entries = unzipSync(readFileSync(await zip.path()));
  expect(Object.keys(entries).toSorted()).toEqual([
    'assets/orchard-blossom.svg',
    'assets/orchard-harvest.svg',
    'assets/orchard-summer.svg',
    'assets/orchard-wassail.svg',
    'assets/press-house.svg',
    'index.html',
    'script.js',
    'style.css'
  ]);
  await page.getByRole('tab', { name: 'One HTML file' }).click();
  await expect(page.getByRole('button', { name: 'style.css' })).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Save HTML file' })).toBeEnabled();
  const [html] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save HTML file' }).click()
  ]);
  const path = `${await html.path()}.html`;
  await html.saveAs(path);
  await page.goto(`file://${path}`);
  await page.getByRole('tab', { name: 'Wassail' }).click();
  await expect(page.getByText('Toast in the branches')).toBeVisible();
});
