import { axeViolations } from './support/axe';
import { expect, test, type Page } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { visit } from './support/window';
import { Bench, openWithoutTools } from './support/workbench';

const field = (page: Page) => page.getByRole('combobox', { name: 'What to insert' });
const marked = (page: Page) =>
  page.getByRole('dialog', { name: 'Insert' }).getByRole('option', { selected: true });

test('in a new project, A, tabs, Enter: three panels stand in the page', async ({ page }) => {
  const bench = await Bench.openNew(page);
  await page.keyboard.press('a');
  await expect(field(page)).toBeFocused();
  await page.keyboard.type('tabs');
  await expect(page.getByRole('dialog', { name: 'Insert' })).toContainText('goes into First section');
  await page.keyboard.press('Enter');
  await expect(bench.preview.getByRole('tab')).toHaveCount(3);
  expect(await bench.outline()).toEqual(expect.arrayContaining(['First section', '  Tabs']));
});

test('an empty page says how to begin, until something stands on it', inTurn(1), async ({ page }) => {
  const bench = await Bench.openNew(page);
  const invitation = page.getByRole('complementary', { name: 'Empty page' });
  await invitation.getByRole('button', { name: 'Insert the first piece' }).click();
  await expect(field(page)).toBeFocused();
  await page.keyboard.type('heading');
  await page.keyboard.press('Enter');
  await expect(bench.preview.getByRole('heading')).toBeVisible();
  await expect(invitation).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(invitation).toBeVisible();
  expect(await axeViolations(page)).toEqual([]);
});

test(
  'beside one another, the widest of the empty pages has the invitation, whole',
  thorough,
  async ({ page }) => {
    await Bench.openNew(page);
    const invitation = page.getByRole('complementary', { name: 'Empty page' });
    await expect(invitation).toBeVisible();
    for (const view of ['3 widths', 'Devices']) {
      await page.getByRole('button', { name: view, exact: true }).click();
      await expect
        .poll(async () => {
          const all = await page.locator('.paper').all();
          const boxes = await Promise.all(all.map((paper) => paper.boundingBox()));
          const widest = Math.max(...boxes.map((box) => box!.width));
          const inside = await invitation.evaluate((element) => {
            const page = element.parentElement!.getBoundingClientRect();
            const parts = [...element.children].map((part) => part.getBoundingClientRect());
            return { width: page.width, isWhole: parts.every((part) => isIn(part, page)) };
            function isIn(part: DOMRect, room: DOMRect): boolean {
              return part.left >= room.left && part.right <= room.right && part.top >= room.top;
            }
          });
          return [boxes.length, inside.isWhole, Math.round(inside.width - widest)];
        })
        .toEqual([3, true, 0]);
    }
  }
);

test(
  'a page is put together from its header to its footer, each where it belongs',
  inTurn(3),
  async ({ page }) => {
    const bench = await Bench.openNew(page);
    const sections = async () => (await bench.outline()).filter((name) => !name.startsWith(' '));
    const insert = async (words: string, goes: string) => {
      await page.keyboard.press('a');
      await field(page).fill(words);
      await expect(page.getByRole('dialog', { name: 'Insert' })).toContainText(goes);
      await page.keyboard.press('Enter');
      await expect(page.getByRole('dialog', { name: 'Insert' })).toHaveCount(0);
    };
    await insert('opening on a picture', 'goes into Page, in place of First section');
    expect(await sections()).toEqual(['Opening']);
    await insert('footer', 'goes into Page, after Opening');
    await insert('header with navigation', 'goes into Page');
    expect(await sections()).toEqual(['Header', 'Opening', 'Footer']);
    await insert('three cards', 'goes into a new section of Page, after Header');
    expect(await sections()).toEqual(['Header', 'Section', 'Opening', 'Footer']);
    await expect(bench.preview.getByRole('banner').getByRole('navigation')).toBeVisible();
    for (const left of [
      ['Header', 'Opening', 'Footer'],
      ['Opening', 'Footer'],
      ['Opening'],
      ['First section']
    ]) {
      await page.keyboard.press('Control+z');
      await expect.poll(sections).toEqual(left);
    }
  }
);

test(
  'on a page without a section, it goes into a new one, and one step takes both back',
  inTurn(4),
  async ({ page }) => {
    const bench = await Bench.openNew(page);
    await bench.row('First section').click();
    await page.keyboard.press('Delete');
    await expect(bench.row('First section')).toHaveCount(0);
    await page.keyboard.press('a');
    await page.keyboard.type('quotation');
    await expect(page.getByRole('dialog', { name: 'Insert' })).toContainText(
      'goes into a new section of Page'
    );
    await page.keyboard.press('Enter');
    expect(await bench.outline()).toEqual(['Section', '  Quotation']);
    await page.keyboard.press('Control+z');
    await expect(page.getByRole('treeitem')).toHaveCount(0);
  }
);

test('letters typed faster than the insert drawer opens stand in its field', async ({ page }) => {
  await Bench.openDemo(page);
  // All in one moment, in which nothing can have come from anywhere.
  await page.evaluate(() => {
    const press = (key: string) =>
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
    [...'aquotation'].forEach(press);
  });
  await expect(field(page)).toHaveValue('quotation');
  await expect(marked(page)).toContainText('Quotation');
});

test(
  'keys pressed before the tools have come are answered in their order when they have',
  thorough,
  async ({ page }) => {
    const { arrive } = await openWithoutTools(page);
    await page.keyboard.type('aquotatoin');
    for (const key of ['Backspace', 'Backspace', 'Backspace']) await page.keyboard.press(key);
    await page.keyboard.type('ion');
    await expect(page.getByRole('status').filter({ hasText: 'its tools are coming' })).toHaveCount(1);
    await arrive();
    await expect(field(page)).toHaveValue('quotation');
    await expect(marked(page)).toContainText('Quotation');
  }
);

test('what is inserted is found by what one wants, each with a drawing, by keys alone', async ({ page }) => {
  await Bench.openDemo(page);
  await page.keyboard.press('a');
  await expect(field(page)).toBeFocused();
  const cards = page.getByRole('dialog', { name: 'Insert' }).getByRole('option');
  const all = await cards.count();
  await expect(page.locator('.card img')).toHaveCount(all);
  // What is drawn is really there: not one of the pictures failed.
  await expect
    .poll(() =>
      page
        .locator('.card img')
        .evaluateAll((images) => images.every((image) => (image as HTMLImageElement).naturalWidth > 0))
    )
    .toBe(true);
  // What each of them is can be read to its end.
  const cut = (summaries: Element[]) =>
    summaries
      .filter(({ scrollHeight, clientHeight }) => scrollHeight > clientHeight + 1)
      .map(({ textContent }) => textContent);
  expect(await page.locator('.card .summary').evaluateAll(cut)).toEqual([]);
  for (const [words, label] of [
    ['hero', 'Opening on a picture'],
    ['off-canvas', 'Side panel'],
    ['divider', 'Separator'],
    ['grid', 'Columns'],
    ['testimonial', 'Quotation']
  ] as const) {
    await field(page).fill(words);
    await expect(marked(page)).toContainText(label);
  }
  await field(page).fill('');
  const first = await marked(page).getAttribute('data-entry');
  await page.keyboard.press('ArrowRight');
  await expect(marked(page)).not.toHaveAttribute('data-entry', first!);
  await page.keyboard.press('ArrowLeft');
  await expect(marked(page)).toHaveAttribute('data-entry', first!);
  await page.keyboard.press('ArrowDown');
  await expect(marked(page)).toContainText('Heading');
  expect(await axeViolations(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog', { name: 'Insert' })).toHaveCount(0);
});

test('it goes to the section in sight, not to the end of the page', inTurn(7), async ({ page }) => {
  const bench = await Bench.openDemo(page);
  await bench.preview.locator('#press').evaluate((section) => section.scrollIntoView());
  await page.keyboard.press('a');
  await expect(page.getByRole('dialog', { name: 'Insert' })).toContainText('goes into Press house');
});

test(
  'what would go into a section gets one of its own by Shift Enter, after that section',
  inTurn(8),
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Season tabs');
    const sections = () =>
      page
        .locator('[role="treeitem"][aria-level="1"]')
        .evaluateAll((rows) => rows.map((row) => row.textContent.trim()));
    const before = await sections();
    await page.keyboard.press('a');
    await field(page).fill('quotation');
    await expect(page.getByRole('button', { name: 'In a section of its own instead' })).toBeVisible();
    await page.keyboard.press('Shift+Enter');
    const at = before.findIndex((name) => name.startsWith('Plan a visit'));
    await expect.poll(sections).toHaveLength(before.length + 1);
    expect((await sections())[at + 1]).toMatch(/^Section/);
    await expect(bench.row('Quotation')).toHaveAttribute('aria-selected', 'true');
  }
);

test(
  'what is no piece is found among them, and the picked piece does it; what it cannot is said, and why',
  inTurn(5),
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Season tabs');
    await page.keyboard.press('a');
    await field(page).fill('parallax');
    const drawer = page.getByRole('dialog', { name: 'Insert' });
    await expect(drawer.getByRole('option')).toHaveCount(1);
    await expect(drawer.getByRole('status')).toHaveText('done by Season tabs');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('tab', { name: 'Behaviour', exact: true })).toHaveAttribute(
      'aria-selected',
      'true'
    );
    await expect(page.getByRole('group', { name: 'Drifts' })).toBeVisible();
    await page.keyboard.press('a');
    await field(page).fill('parallax');
    await expect(drawer.getByRole('status')).toContainText('Season tabs');
    await expect(drawer.getByRole('option', { name: 'Drifts', disabled: true })).toBeVisible();
    await page.keyboard.press('Enter');
    await field(page).fill('no such thing');
    await expect(drawer.getByText('Nothing is called “no such thing”.')).toBeVisible();
  }
);

test(
  'a new project starts from a page of ours, or from a copy of another project’s',
  inTurn(6),
  async ({ page }) => {
    await visit(page, '/');
    await expect(page.getByRole('link', { name: 'Open Quillmere Orchard' })).toBeVisible();
    await page.getByRole('button', { name: 'New project' }).click();
    await page.getByRole('radio', { name: /An overview/ }).check();
    await page.getByRole('textbox', { name: 'Name' }).fill('Cider makers');
    await page.keyboard.press('Enter');
    const bench = new Bench(page);
    await expect(bench.row('Offers')).toBeVisible();
    await expect(bench.preview.getByRole('heading', { name: 'What there is' })).toBeVisible();
    await visit(page, '/');
    await page.getByRole('button', { name: 'New project' }).click();
    await page.getByRole('radio', { name: /A copy of a page/ }).check();
    await page
      .getByRole('combobox', { name: 'Project to copy from' })
      .selectOption({ label: 'Quillmere Orchard' });
    await expect(page.getByRole('combobox', { name: 'Page to copy' })).toContainText('Visit page');
    await page.getByRole('button', { name: 'Start', exact: true }).click();
    await expect(bench.row('Season tabs')).toBeVisible();
    await expect
      .poll(() =>
        bench.preview
          .locator('img')
          .first()
          .evaluate((image) => (image as HTMLImageElement).naturalWidth)
      )
      .toBeGreaterThan(0);
  }
);

test('one search finds settings, properties, pieces, pages, tokens and findings, and goes there', async ({
  page
}) => {
  const bench = await Bench.openDemo(page);
  await bench.pick('Season tabs');
  const find = async (words: string) => {
    await page.keyboard.press('Control+k');
    await expect(page.getByRole('combobox', { name: 'What to find' })).toBeFocused();
    await page.getByRole('combobox', { name: 'What to find' }).fill(words);
    await page.keyboard.press('Enter');
  };
  await find('fold');
  await expect(page.getByRole('textbox', { name: 'Fold under' })).toBeFocused();
  await find('radius tab');
  await expect(bench.cell('border-radius', 'rest')).toBeFocused();
  await find('press photo nobody called so');
  await expect(page.getByText(/Nothing is called/)).toBeVisible();
  await page.getByRole('combobox', { name: 'What to find' }).fill('harvest heading');
  await page.keyboard.press('Enter');
  await expect(bench.row('Harvest heading')).toHaveAttribute('aria-selected', 'true');
  await find('harvest story');
  await expect(page.getByRole('combobox', { name: 'Page', exact: true })).toHaveValue('harvest');
  await find('leaf');
  await expect(page.getByRole('dialog', { name: 'Tokens' })).toBeVisible();
});

test(
  'panels stand beside the page: they cover nothing, and keep their width',
  inTurn(5),
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Season tabs');
    for (const [key, name] of [
      ['f', 'Findings'],
      ['Shift+T', 'Tokens'],
      ['Shift+S', 'Shelf'],
      ['h', 'History']
    ] as const) {
      await page.keyboard.press(key);
      const panel = (await page.getByRole('dialog', { name }).boundingBox())!;
      for (const other of ['main', 'section[aria-label="Tuning sheet"]']) {
        const box = (await page.locator(other).boundingBox())!;
        expect(box.x + box.width).toBeLessThanOrEqual(panel.x + 1);
      }
      await page.keyboard.press('Escape');
    }
    await page.keyboard.press('Shift+T');
    const edge = page.getByRole('separator', { name: 'Width of the panel' });
    await edge.focus();
    for (let n = 0; n < 4; n += 1) await page.keyboard.press('ArrowLeft');
    const wide = (await page.getByRole('dialog', { name: 'Tokens' }).boundingBox())!.width;
    await page.reload();
    await expect(bench.preview.locator('.season-tabs')).toBeVisible();
    await page.keyboard.press('Shift+T');
    await expect
      .poll(async () => Math.round((await page.getByRole('dialog', { name: 'Tokens' }).boundingBox())!.width))
      .toBe(Math.round(wide));
  }
);

test('a part has columns only for the states it has', async ({ page }) => {
  const bench = await Bench.openDemo(page);
  await bench.pick('Welcome');
  await bench.view('States');
  await expect(page.getByRole('grid').getByRole('columnheader')).toHaveText(['Property', /rest/, /hover/]);
});

test(
  'help is asked for, and read out all the same; the note where a field acts belongs to it',
  inTurn(6),
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Season tabs');
    await bench.view('Behaviour');
    const link = page.getByRole('switch', { name: 'A link opens its panel' });
    await expect(link).toHaveAccessibleDescription(/visit\.html#summer\. It acts on the exported page/);
    const ask = page.getByRole('button', { name: 'About A link opens its panel' });
    await ask.click();
    await expect(ask).toHaveAttribute('aria-expanded', 'true');
    await expect(page.getByText(/It acts on the exported page/).first()).toBeVisible();
  }
);

test('with less motion tried, timing shows nothing that does not happen', thorough, async ({ page }) => {
  const bench = await Bench.openDemo(page);
  await bench.pick('Season tabs');
  await bench.view('Timing');
  await expect(page.locator('.bar').first()).toBeVisible();
  const bars = await page.locator('.bar').count();
  await page.getByRole('button', { name: 'Less motion', exact: true }).click();
  await expect(page.getByText('does not move with less motion').first()).toBeVisible();
  await expect(page.locator('.bar')).toHaveCount(0);
  await page.getByRole('button', { name: 'Less motion', exact: true }).click();
  await expect(page.locator('.bar')).toHaveCount(bars);
});

test(
  'three widths keep the picked piece in sight; each can be typed, the narrow one starts as a phone',
  inTurn(2),
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Press heading');
    await page.keyboard.press('w');
    const narrow = page.getByRole('textbox', { name: 'Width of the narrow page' });
    await expect(narrow).toHaveValue('390');
    await narrow.fill('320');
    await page.keyboard.press('Enter');
    const frames = [
      'iframe[title^="Preview of"]:not([title*=","])',
      'iframe[title$=", medium"]',
      'iframe[title$=", narrow"]'
    ].map((each) => page.frameLocator(each));
    await expect.poll(() => frames[2]!.locator('body').evaluate(() => innerWidth)).toBe(320);
    await frames[0]!.locator('body').evaluate(() => scrollBy(0, 120));
    const tops = () =>
      Promise.all(
        frames.map((frame) =>
          frame
            .locator('.press-heading')
            .evaluate(
              (heading) =>
                (heading.getBoundingClientRect().top + heading.getBoundingClientRect().height / 2) /
                innerHeight
            )
        )
      );
    // What was drawn after the first one stands where that stands.
    await expect
      .poll(async () => {
        const now = await tops();
        return Math.max(...now) - Math.min(...now);
      })
      .toBeLessThan(0.15);
    // A list says by itself which width is out of sight.
    await expect
      .poll(async () => (await tops()).map((top) => (top >= 0 && top <= 1 ? 'in sight' : top)))
      .toEqual(['in sight', 'in sight', 'in sight']);
  }
);

test('a width that is drawn late, or is typed, takes the others nowhere', thorough, async ({ page }) => {
  const bench = await Bench.openDemo(page);
  await bench.pick('Press heading');
  const first = page.frameLocator('iframe[title^="Preview of"]:not([title*=","])');
  const narrow = page.frameLocator('iframe[title$=", narrow"]');
  const late: (() => void)[] = [];
  await page.route('**/frame', async (route) => {
    await new Promise<void>((arrive) => late.push(arrive));
    await route.continue();
  });
  await page.keyboard.press('w');
  await expect.poll(() => late.length).toBe(2);
  const end = () =>
    first.locator('body').evaluate(() => document.documentElement.scrollHeight - innerHeight - scrollY);
  await first.locator('body').evaluate(() => scrollTo(0, document.documentElement.scrollHeight));
  late.forEach((arrive) => arrive());
  const heading = narrow.locator('.press-heading');
  await expect
    .poll(() => heading.evaluate((each) => each.getBoundingClientRect().top < innerHeight))
    .toBe(true);
  const width = page.getByRole('textbox', { name: 'Width of the narrow page' });
  await width.fill('320');
  await page.keyboard.press('Enter');
  await expect.poll(() => narrow.locator('body').evaluate(() => innerWidth)).toBe(320);
  // What the frames have to tell of it is told within two frames of each.
  for (const frame of [narrow, first])
    await frame
      .locator('body')
      .evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
  expect(await end()).toBeLessThan(2);
});

test('at 320 px and at 200 % zoom everything can be reached', async ({ page }) => {
  await Bench.openDemo(page);
  for (const size of [
    { width: 320, height: 640 },
    { width: 640, height: 400 }
  ]) {
    await page.setViewportSize(size);
    const unreached = await page.evaluate(() => {
      const root = document.scrollingElement!;
      return [
        ...document.querySelectorAll<HTMLElement>(
          'header button, header a, main button, main input, main select, nav button'
        )
      ]
        .filter((each) => {
          each.scrollIntoView({ block: 'nearest', inline: 'nearest' });
          const { left, right, top, bottom, width } = each.getBoundingClientRect();
          const isSeen = right > 0 && left < innerWidth && bottom > 0 && top < innerHeight;
          return width > 1 && !isSeen && getComputedStyle(each).visibility !== 'hidden';
        })
        .map((each) => `${each.textContent?.trim() || each.getAttribute('aria-label')} ${root.scrollWidth}`);
    });
    expect(unreached).toEqual([]);
  }
  await page.setViewportSize({ width: 1280, height: 800 });
});

test(
  'what is typed before the search is there goes into it, and Enter with it',
  thorough,
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Welcome text');
    // What the search brings along comes late.
    let release = () => {};
    const held = new Promise<void>((resolve) => (release = resolve));
    await page.route(/\.js$/, async (route) => {
      await held;
      await route.continue();
    });
    await page.keyboard.press('Control+k');
    await page.keyboard.type('swap for quotation');
    await page.keyboard.press('Enter');
    release();
    await expect(bench.row('Welcome text')).toBeVisible();
    await expect(page.locator('.kind').first()).toHaveText(/quotation/);
    await page.unroute(/\.js$/);
  }
);
