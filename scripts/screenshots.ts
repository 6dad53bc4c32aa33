import { chromium, type Page } from '@playwright/test';
import { mkdirSync } from 'node:fs';
// @ts-expect-error plain JavaScript, shared with npm start
import { buildApp, findChromium, freePort, startServer } from './lib.mjs';

const folder = 'docs/screenshots';

async function workbench(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Open Quillmere Orchard' }).click();
  await page.frameLocator('iframe[title^="Preview of"]').locator('.season-tabs').waitFor();
  await page.locator('[data-row="season-tabs"]').click();
  await page.getByRole('group', { name: 'Parts' }).getByRole('button', { name: 'tab', exact: true }).click();
}

async function shot(page: Page, name: string): Promise<void> {
  await page.waitForTimeout(900);
  await page.screenshot({ path: `${folder}/${name}.png` });
  console.log(`${folder}/${name}.png`);
}

async function main(): Promise<void> {
  mkdirSync(folder, { recursive: true });
  buildApp();
  const { address, server } = await startServer(await freePort(4500));
  const browser = await chromium.launch({
    executablePath: findChromium(),
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking']
  });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(address);
  await page.getByRole('link', { name: 'Open Quillmere Orchard' }).waitFor();
  await page.waitForTimeout(1500);
  await shot(page, 'home');
  await page.getByRole('link', { name: 'Open Quillmere Orchard' }).click();
  await page.frameLocator('iframe[title^="Preview of"]').locator('.season-tabs').waitFor();
  await page.getByRole('button', { name: 'No hints' }).click();
  await page.goto(address);
  await workbench(page);
  await page.waitForTimeout(1500);
  await shot(page, 'states');
  await page.keyboard.press('1');
  await shot(page, 'fill');
  await page.keyboard.press('4');
  await page.getByRole('button', { name: /Content follows/ }).click();
  await shot(page, 'timing');
  await page.keyboard.press('6');
  await page.waitForTimeout(1500);
  await shot(page, 'fallbacks');
  await page.getByRole('button', { name: 'Never fold' }).click();
  await page.waitForTimeout(900);
  await page.keyboard.press('7');
  await page.getByText(/^swept in /).waitFor();
  await page.getByRole('button', { name: 'Fold under 526 px' }).waitFor();
  await shot(page, 'widths');
  await page.keyboard.press('6');
  await page.getByRole('textbox', { name: 'Fold under' }).fill('300');
  await page.keyboard.press('Enter');
  await page.waitForTimeout(900);
  await page.locator('[data-row="season-tabs"]').focus();
  await page.keyboard.press('f');
  await shot(page, 'findings');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('h');
  await page.getByRole('textbox', { name: 'Name of the version' }).fill('Before the opening');
  await page.getByRole('button', { name: 'Keep version' }).click();
  await page.locator('[data-row="welcome-heading"]').click();
  await page.keyboard.press('1');
  await page
    .getByRole('textbox', { name: 'Text', exact: true })
    .fill('An orchard that still has its old names');
  await page.locator('[data-row="season-tabs"]').click();
  await page.keyboard.press('Shift+H');
  const compare = page.getByRole('dialog', { name: 'Compare two versions' });
  await compare.frameLocator('iframe[title^="Then"]').locator('h1').waitFor();
  await page.waitForTimeout(1500);
  await shot(page, 'compare');
  await page.keyboard.press('Escape');
  await compare.waitFor({ state: 'hidden' });
  await page.keyboard.press('Control+z');
  await page.keyboard.press('h');
  await page.keyboard.press('Escape');
  await page.getByRole('combobox', { name: 'Page', exact: true }).selectOption('Questions');
  await page.keyboard.press('Escape');
  await page.getByRole('combobox', { name: 'Page', exact: true }).selectOption('Varieties');
  await page.locator('[data-row="bell-russet-back"]').click();
  await page.waitForTimeout(600);
  await page.locator('[data-row="quotations"]').click();
  await page.keyboard.press('4');
  await page.getByRole('region', { name: 'One round' }).waitFor();
  await shot(page, 'round');
  await page.locator('[data-row="year-gallery"]').click();
  await page.keyboard.press('2');
  await page
    .getByText(/px left over/)
    .first()
    .waitFor();
  await shot(page, 'behaviour');
  await page.getByRole('combobox', { name: 'Page', exact: true }).selectOption('Visit page');
  await page.locator('[data-row="press-columns"]').click();
  await page.keyboard.press('1');
  await page.keyboard.press('Shift+T');
  await page
    .getByRole('button', { name: /^×[1-9]/ })
    .first()
    .click();
  await shot(page, 'tokens');
  await page.keyboard.press('Escape');
  await page.keyboard.press('a');
  await page.getByRole('combobox', { name: 'What to insert' }).waitFor();
  await shot(page, 'insert');
  await page.keyboard.press('Escape');
  await page.locator('[data-row="season-tabs"]').click();
  await page.keyboard.press('Control+e');
  await page.getByRole('button', { name: 'index.html' }).waitFor();
  await shot(page, 'export');
  await page.keyboard.press('Escape');
  await page
    .locator('.bx--modal.is-visible')
    .waitFor({ state: 'detached' })
    .catch(() => {});
  await page.locator('[data-row="season-tabs"]').click();
  await page.keyboard.press('Shift+S');
  await page.getByRole('button', { name: 'Put Season tabs on the shelf' }).click();
  await page.getByRole('button', { name: /^Where Season tabs/ }).click();
  await shot(page, 'shelf');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Shift+P');
  await page.getByRole('textbox', { name: 'Title of Questions' }).waitFor();
  await shot(page, 'pages');
  await page.keyboard.press('Escape');
  await page.locator('[data-row="season-tabs"]').click();
  await page.keyboard.press('Control+Shift+E');
  const sheet = page.getByRole('dialog', { name: 'Specification sheet' });
  await sheet.getByRole('tab', { name: 'Season tabs' }).click();
  await sheet.frameLocator('iframe').getByRole('heading', { name: 'Files of the export' }).waitFor();
  await sheet.locator('iframe').hover();
  await page.mouse.wheel(0, 1290);
  await shot(page, 'specification');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await page.locator('[data-row="welcome-text"]').click();
  await page.keyboard.press('1');
  await page.keyboard.press('Enter');
  await page.frameLocator('iframe[title^="Preview of"]').locator('[data-k-writing]').waitFor();
  await shot(page, 'writing');
  await page.keyboard.press('Escape');
  await page.locator('header select').first().selectOption({ label: 'From tree to glass' });
  await page.locator('[data-row="year-across"]').click();
  await page.keyboard.press('5');
  await page.keyboard.press('m');
  await page.getByRole('img', { name: /Scroll map in a phone/ }).waitFor();
  await shot(page, 'scroll');
  await page.keyboard.press('m');
  await page.locator('header select').first().selectOption({ label: 'Shop' });
  await page.locator('[data-row="reduced-list"]').click();
  await page.keyboard.press('1');
  await page.keyboard.press('Shift+D');
  await page.getByRole('dialog', { name: 'Data' }).getByRole('region', { name: 'Catalogue' }).waitFor();
  await page.getByRole('button', { name: 'Add a condition' }).waitFor();
  await shot(page, 'data');
  await browser.close();
  server.kill();
  process.exit();
}

main().catch((error: unknown) => {
  console.error(error);
  process.exit(1);
});
