import { createServer } from 'node:http';
import { existsSync, readFileSync } from 'node:fs';
import { join, normalize } from 'node:path';
import { lexer, parse, walk } from 'css-tree';
import { axeViolations } from './support/axe';
import { exportedDemo } from './support/exported';
import { expect, test } from './support/test';

test('html-validate and lightningcss have nothing to object', async () => {
  expect((await exportedDemo()).problems).toEqual([]);
  expect((await exportedDemo(true)).problems).toEqual([]);
});

test('css-tree’s lexer finds no invalid declaration in the finished style sheets', async () => {
  const { files } = await exportedDemo();
  const invalid: string[] = [];
  for (const [path, text] of files) {
    if (!path.endsWith('.css')) continue;
    // The lexer takes no var(); tokens are put in their places, and one that is not declared stays and is found.
    const tokens = new Map(
      [...text.matchAll(/--([a-z][a-z0-9-]*): ([^;]+);/g)].map(([, name, value]) => [name!, value!])
    );
    // What only the page itself says while it runs has a value behind it.
    const told = text.replace(/var\(--k-[a-z]+, ([^()]+)\)/g, '$1');
    walk(
      parse(told.replace(/var\(--([a-z][a-z0-9-]*)\)/g, (use, name: string) => tokens.get(name) ?? use)),
      (node) => {
        if (
          node.type !== 'Declaration' ||
          node.property.startsWith('--') ||
          node.property === 'text-size-adjust'
        )
          return;
        if (lexer.matchProperty(node.property, node.value).error) invalid.push(`${path}: ${node.property}`);
      }
    );
  }
  expect(invalid).toEqual([]);
});

for (const [form, width] of [
  ['tabs', 1280],
  ['accordion', 400]
] as const) {
  for (const name of ['index', 'harvest']) {
    test(`axe-core finds nothing on ${name}.html as ${form}`, async ({ blank: page }) => {
      await page.setViewportSize({ width, height: 800 });
      await page.goto((await exportedDemo()).url.replace('index.html', `${name}.html`));
      await expect(
        page.locator(form === 'tabs' ? '[role=tablist]' : '[aria-expanded=true]').first()
      ).toBeVisible();
      expect(await axeViolations(page)).toEqual([]);
    });
  }
}

test('axe-core finds nothing on questions.html, with all closed, all open, and its side panel open', async ({
  blank: page
}) => {
  await page.goto((await exportedDemo()).url.replace('index.html', 'questions.html'));
  await expect(page.locator('summary').first()).toBeVisible();
  expect(await axeViolations(page)).toEqual([]);
  const closed = page.locator('details:not([open]) > summary');
  for (let count = await closed.count(); count > 0; count -= 1) await closed.first().click();
  await expect(page.locator('details[open]')).toHaveCount(3);
  expect(await axeViolations(page)).toEqual([]);
  await page.getByRole('button', { name: 'Opening hours' }).click();
  await expect(page.getByRole('dialog', { name: 'Opening hours' })).toBeVisible();
  expect(await axeViolations(page)).toEqual([]);
});

test('works under script-src self, with no inline script or style', async ({ page }) => {
  const { folder } = await exportedDemo();
  const types: Record<string, string> = {
    html: 'text/html',
    css: 'text/css',
    js: 'text/javascript',
    svg: 'image/svg+xml'
  };
  const server = createServer((request, response) => {
    const path = normalize(request.url ?? '/');
    response.setHeader(
      'content-security-policy',
      "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self'"
    );
    response.setHeader('content-type', types[path.split('.').at(-1)!] ?? 'text/plain');
    const file = join(folder, path);
    response.end(existsSync(file) ? readFileSync(file) : '');
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as { port: number };
  const complaints: string[] = [];
  page.on(
    'console',
    (message) =>
      message.type() === 'error' && !/favicon/.test(message.location().url) && complaints.push(message.text())
  );
  await page.goto(`http://127.0.0.1:${port}/index.html`);
  await page.getByRole('tab', { name: 'Wassail' }).click();
  await expect(page.getByText('Toast in the branches')).toBeVisible();
  expect(complaints).toEqual([]);
  server.close();
});

// A rule that asks the whole page anew (`html:has(…) *`) makes every press slow, on every page of the project.
test('what is focused and pressed has the browser style a few elements anew, and never the page', async ({
  blank: page,
  browser
}) => {
  await page.goto((await exportedDemo()).url.replace('index.html', 'varieties.html'));
  const buttons = page.getByRole('button');
  await expect(buttons.first()).toBeVisible();
  const all = await page.locator('*').count();
  await browser.startTracing(page, { categories: ['devtools.timeline'] });
  for (const name of ['Hold', '→', 'Turn over']) await buttons.filter({ hasText: name }).first().click();
  const { traceEvents } = JSON.parse((await browser.stopTracing()).toString()) as {
    traceEvents: readonly { name: string; args: { elementCount?: number } }[];
  };
  const counts = traceEvents
    .filter(({ name }) => name === 'UpdateLayoutTree')
    .map(({ args }) => args.elementCount ?? 0);
  expect(counts.length).toBeGreaterThan(3);
  expect(Math.max(...counts)).toBeLessThan(all / 5);
});

test('does not shift while it loads', async ({ blank: page }) => {
  await page.addInitScript(() => {
    (window as unknown as { shift: number }).shift = 0;
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries())
        (window as unknown as { shift: number }).shift += (entry as unknown as { value: number }).value;
    }).observe({ type: 'layout-shift', buffered: true });
  });
  await page.goto((await exportedDemo()).url);
  await expect(page.locator('[data-k-on]')).toHaveCount(1);
  await page.evaluate(() =>
    document.fonts.ready.then(
      () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))
    )
  );
  expect(await page.evaluate(() => (window as unknown as { shift: number }).shift)).toBe(0);
});
