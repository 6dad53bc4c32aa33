import { build } from 'esbuild';
import type { Look } from '../src/preview/sights';
import { expect, test, type Page } from './support/test';

/** What the frame has, as far as it is called here. */
interface Frame {
  createLook(page: HTMLElement): Look;
}

/** The reader as the frame has it, on pages written by hand. */
let reader = '';
test.beforeAll(async () => {
  const { outputFiles } = await build({
    stdin: {
      contents: "import { createLook } from './index'; globalThis.createLook = createLook;",
      resolveDir: 'src/preview/sights',
      loader: 'ts'
    },
    alias: { $core: `${process.cwd()}/src/core` },
    bundle: true,
    write: false,
    format: 'iife'
  });
  reader = outputFiles[0]!.text;
});

/** @returns what is seen of a page: "what node value", in order. */
async function seen(page: Page, body: string, width = 400, trial = 'own'): Promise<readonly string[]> {
  await page.setViewportSize({ width, height: 600 });
  await page.setContent(
    `<!doctype html><style>* { box-sizing: border-box } body { margin: 0; font: 16px/1.25 monospace }</style>${body}`
  );
  await page.evaluate(reader);
  const sights = await page.evaluate(
    (texts) => (globalThis as unknown as Frame).createLook(document.body).whole(texts),
    trial
  );
  return sights.map(({ what, node, value }) => `${what} ${node} ${value}`);
}

const piece = (node: string, tag: string, style: string, content: string, more = '') =>
  `<${tag} data-k-node="${node}" data-k-part="root" style="${style}" ${more}>${content}</${tag}>`;

test('the outermost piece that sticks out makes the page scroll sideways, and what is kept in does not', async ({
  blank: page
}) => {
  const wide = piece('outer', 'div', 'width: 460px', piece('inner', 'div', 'width: 450px; height: 9px', ''));
  expect(await seen(page, piece('page', 'div', '', wide))).toEqual(['sideways outer 60']);
  const kept = piece('strip', 'div', 'overflow-x: auto', wide);
  expect(await seen(page, kept)).toEqual([]);
  const drawn = piece(
    'veil',
    'div',
    'overflow: clip',
    piece('far', 'div', 'translate: 300px; width: 200px; height: 9px', '')
  );
  expect(await seen(page, drawn)).toEqual([]);
});

test('a page written from right to left scrolls sideways to the left', async ({ blank: page }) => {
  const wide = piece('wide', 'div', 'width: 430px; height: 9px', '');
  expect(await seen(page, `<script>document.documentElement.dir = 'rtl'</script>${wide}`)).toEqual([
    'sideways wide 30'
  ]);
});

test('words that stick out of a box that clips are cut by so many px; what is put away whole is not', async ({
  blank: page
}) => {
  const line = piece('words', 'p', 'margin: 0; line-height: 20px', 'Late apples keep until the spring');
  expect(await seen(page, piece('box', 'div', 'height: 12px; overflow: hidden', line))).toEqual([
    'cut words 7'
  ]);
  expect(await seen(page, piece('box', 'div', 'height: 20px; overflow: hidden', line))).toEqual([]);
  const away = piece(
    'box',
    'div',
    'height: 20px; overflow: hidden',
    `<div style="height: 40px"></div>${line}`
  );
  expect(await seen(page, away)).toEqual([]);
  const heard = piece(
    'heard',
    'span',
    'position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%)',
    'Only heard'
  );
  expect(await seen(page, heard)).toEqual([]);
  expect(await seen(page, piece('box', 'div', 'height: 12px; overflow: auto', line))).toEqual([]);
});

test('labels wrap in a button and in a row of links; a link in a text and a card that is pressed whole do not', async ({
  blank: page
}) => {
  const button = piece('button', 'button', 'width: 90px', 'Book a round');
  expect(await seen(page, button)).toEqual(['wrapped button 2']);
  const inText = piece('text', 'p', 'width: 160px', 'Read <a href="#a">all about the old sorts</a> here', '');
  expect(await seen(page, inText)).toEqual([]);
  const card = piece(
    'card',
    'a',
    'display: block; width: 90px',
    '<b>Bell</b> <i>late and sweet to eat</i>',
    'href="#a"'
  );
  expect(await seen(page, card)).toEqual([]);
  const links = Array.from(
    { length: 4 },
    (_, i) => `<li style="width: 120px"><a href="#${i}">Link ${i}</a></li>`
  );
  const row = (more: string) =>
    `<nav>${piece('row', 'ul', `display: flex; ${more}; padding: 0; list-style: none`, links.join(''))}</nav>`;
  expect(await seen(page, row('flex-wrap: wrap'))).toEqual(['wrapped row 2']);
  expect(await seen(page, row('flex-direction: column'))).toEqual([]);
});

// WCAG 2.2, 2.5.8 and its figures: small targets are let be where a circle of 24 px around each meets no other.
test('small targets are told where they stand close, not where there is room around them, nor in a text', async ({
  blank: page
}) => {
  const dots = (gap: number) =>
    `<div style="display: flex; gap: ${gap}px">${['one', 'two']
      .map((name) =>
        piece(name, 'button', 'width: 18px; height: 18px; padding: 0; border: 0', '', `aria-label="${name}"`)
      )
      .join('')}</div>`;
  expect(await seen(page, dots(4))).toEqual(['target one 18', 'target two 18']);
  expect(await seen(page, dots(6))).toEqual([]);
  const inText = piece('text', 'p', '', 'Open <a href="#a">daily</a> or <a href="#b">by word</a> all year');
  expect(await seen(page, inText)).toEqual([]);
});

test('columns of one word, and lines of a heading, are counted', async ({ blank: page }) => {
  const narrow = piece('narrow', 'p', 'width: 90px', 'Cellared orchards understand patience');
  expect(await seen(page, narrow)).toEqual(['sparse narrow 1']);
  const heading = (px: number) =>
    piece('heading', 'h2', `width: ${px}px; font-size: 16px`, 'An orchard of old names');
  expect(await seen(page, heading(390))).toEqual(['heading heading 1']);
  expect(await seen(page, heading(150))).toEqual(['heading heading 2']);
  expect(await seen(page, `<div hidden>${heading(150)}</div>`)).toEqual([]);
});

// 23 letters of 9.6 px: 221 px; 30 more letters a hundred, 0.12 em a letter and 0.16 em a word, or twice the size.
test('the same texts longer, spaced out, or twice as large take the lines they would take', async ({
  blank: page
}) => {
  const heading = (px: number) =>
    piece('heading', 'h2', `width: ${px}px; font-size: 16px`, 'An orchard of old names');
  for (const [trial, fits] of [
    ['longer', 320],
    ['large', 470],
    ['spaced', 300]
  ] as const) {
    expect(await seen(page, heading(fits), 500, trial)).toEqual(['heading heading 1']);
    expect(await seen(page, heading(230), 500, trial)).not.toContain('heading heading 1');
  }
});

test('pictures drawn larger than they are, by how much; drawings never are', async ({ blank: page }) => {
  const image = (node: string, style: string, more = '') =>
    piece(node, 'div', '', `<img alt="" width="100" height="50" style="display: block; ${style}" ${more}>`);
  const body = [
    image('itself', 'width: 100px; height: 50px'),
    image('wide', 'width: 150px; height: 50px'),
    image('covering', 'width: 100px; height: 100px; object-fit: cover'),
    image('within', 'width: 300px; height: 60px; object-fit: contain'),
    image('never', 'width: 300px; height: 300px; object-fit: scale-down'),
    image('drawing', 'width: 300px; height: 150px', 'data-k-vector')
  ];
  expect(await seen(page, body.join(''))).toEqual([
    'enlarged wide 150',
    'enlarged covering 200',
    'enlarged within 120'
  ]);
});

test('boxes side by side that end apart are uneven; those without a box, or below one another, are not', async ({
  blank: page
}) => {
  const card = (node: string, height: number, style = 'background: #eee') =>
    piece(node, 'div', `height: ${height}px; width: 90px; ${style}`, '');
  const row = (align: string, ...cards: readonly string[]) =>
    piece('row', 'div', `display: flex; flex-wrap: wrap; align-items: ${align}`, cards.join(''));
  expect(await seen(page, row('start', card('a', 40), card('b', 52), card('c', 40)))).toEqual([
    'uneven b 12'
  ]);
  expect(await seen(page, row('start', card('a', 40), card('b', 40)))).toEqual([]);
  expect(await seen(page, row('start', card('a', 40, ''), card('b', 52, '')))).toEqual([]);
  const one = 'border-bottom: 2px solid; margin-inline: 60px';
  expect(await seen(page, row('start', card('a', 40, one), card('b', 52, one)), 300)).toEqual([]);
});

test('the words have one shape as long as no line of them is longer, higher or broken elsewhere', async ({
  blank: page
}) => {
  await seen(
    page,
    `<div style="max-width: 320px; margin: auto">${piece('a', 'p', '', 'as long as it can be')}</div>`
  );
  const shapeAt = async (width: number) => {
    await page.setViewportSize({ width, height: 600 });
    return page.evaluate(() => (globalThis as unknown as Frame).createLook(document.body).shape());
  };
  const wide = await shapeAt(400);
  expect(await shapeAt(500)).toBe(wide);
  // Twenty letters of 9.6 px: two lines below that.
  expect(await shapeAt(200)).toBe(wide);
  expect(await shapeAt(190)).not.toBe(wide);
  await page.addStyleTag({ content: 'p { letter-spacing: 1px }' });
  expect(await shapeAt(400)).not.toBe(wide);
});
