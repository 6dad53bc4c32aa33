import { YEAR } from '../demo/year';
import { makeWith, panelWith } from '../src/core/kinds/make';
import { Counted } from './support/counted';
import { expect, test, type Page } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { changed, put } from './support/visit';
import { Bench } from './support/workbench';

const make = makeWith({ exactIds: true });
const WORDS = 'Nutty and dry; the cider makers’ own choice since the mill was built. '.repeat(3);

const playing = changed(
  put(
    make(
      'slider',
      'Varieties',
      { plays: true, rest: 5 },
      {
        panels: [
          panelWith(make, 'Ashen', 'Sharp.'),
          panelWith(make, 'Russet', WORDS),
          panelWith(make, 'Quince', 'For jelly.')
        ]
      }
    )
  )
);

const inserted = async (hand: Counted, page: Page, words: string) => {
  await hand.act('A', () => page.keyboard.press('a'));
  await page.keyboard.type(words);
  await hand.act('Enter', () => page.keyboard.press('Enter'));
};
const frame = (page: Page) => page.frameLocator('iframe[title^="Preview of"]:not([title*=","])');
const toggle = (page: Page, field: string) =>
  page.locator(`[data-field="${field}"]`).getByRole('switch').click();

test('one round says what rests, what is read and what is gone too soon; each gets its time in one step', async ({
  page
}) => {
  const bench = new Bench(page);
  await bench.importProject(playing);
  await bench.pick('Varieties');
  await bench.view('Timing');
  const round = page.getByRole('region', { name: 'One round' });
  await expect(round).toContainText('3 × 5.5 s = 16.5 s');
  await expect(round).toContainText('Russet is gone before it is read.');
  await round.getByRole('textbox', { name: 'Ashen rests' }).fill('2 s');
  await page.keyboard.press('Enter');
  await expect(round).toContainText('13.5 s');
  await round.getByRole('button', { name: 'Give every slide its reading time' }).click();
  await expect(round).not.toContainText('gone before it is read');
  await expect(round.getByRole('textbox', { name: 'Russet rests' })).toHaveValue(/9\.5 s|10 s/);
  await page.keyboard.press('Control+z');
  await expect(round).toContainText('Russet is gone before it is read.');
  await round.getByRole('textbox', { name: 'Ashen rests' }).fill('long');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText(/number|0 to 600/);
});

test(
  'the slide one picks is the one that is seen, and what is tuned does not play',
  inTurn(8),
  async ({ page }) => {
    const bench = new Bench(page);
    await bench.importProject(playing);
    await bench.pick('Quince text');
    const slides = bench.preview.locator('[data-k-node="varieties"][data-k-part="slide"]');
    await expect(slides.nth(2)).toHaveAttribute('aria-current', 'true');
    const clock = () =>
      bench.preview
        .locator('[data-k-node="varieties"][data-k-part="progress"]')
        .evaluate((each) => each.getAnimations().length);
    expect(await clock()).toBe(0);
    await page
      .getByRole('tab', { name: 'Try it' })
      .or(page.getByRole('button', { name: 'Try it' }))
      .first()
      .click();
    await expect.poll(clock).toBe(1);
  }
);

test('Play goes on to the next slide, and Escape leaves a rest as it was', thorough, async ({ page }) => {
  const bench = new Bench(page);
  await bench.importProject(playing);
  await bench.pick('Varieties');
  await bench.view('Timing');
  const slides = bench.preview.locator('[data-k-node="varieties"][data-k-part="slide"]');
  await page.getByRole('button', { name: '▶ Play', exact: true }).click();
  await expect(slides.nth(1)).toHaveAttribute('aria-current', 'true');
  await page.getByRole('button', { name: '▶ Play', exact: true }).click();
  await expect(slides.nth(2)).toHaveAttribute('aria-current', 'true');
  const rest = page.getByRole('textbox', { name: 'Ashen rests' });
  await rest.fill('40 s');
  await page.keyboard.press('Escape');
  await expect(rest).not.toBeFocused();
  await expect(rest).toHaveValue(/5 s/);
  await expect(page.getByRole('region', { name: 'One round' })).toContainText('16.5 s');
});

test(
  'a hand has the clock of a round: at rest, between two slides, and run on and held',
  thorough,
  async ({ page }) => {
    const bench = new Bench(page);
    await bench.importProject(playing);
    await bench.pick('Varieties');
    await bench.view('Timing');
    const slides = bench.preview.locator('[data-k-node="varieties"][data-k-part="slide"]');
    const view = bench.preview.locator('[data-k-node="varieties"][data-k-part="view"]');
    const along = () => view.evaluate((each) => each.scrollLeft / each.clientWidth);
    const moment = page.getByRole('slider', { name: 'Moment of the round' });
    const box = (await moment.boundingBox())!;
    // A round of 16.5 s: the second slide rests from 5.5 to 10.5 s and moves until 11.
    const at = async (seconds: number) => {
      await page.mouse.move(box.x + 2, box.y + 8);
      await page.mouse.down();
      await page.mouse.move(box.x + (seconds / 16.5) * box.width, box.y + 8, { steps: 3 });
      await page.mouse.up();
    };
    await at(8);
    await expect(slides.nth(1)).toHaveAttribute('aria-current', 'true');
    await expect.poll(along).toBeCloseTo(1, 1);
    await at(10.75);
    await expect.poll(along).toBeGreaterThan(1.1);
    expect(await along()).toBeLessThan(1.99);
    const held = await along();
    await page.evaluate(
      () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))
    );
    expect(await along()).toBeCloseTo(held, 2);
    await moment.press('Shift+ArrowRight');
    await expect(moment).toHaveAttribute('aria-valuetext', /^11\.[678] s$/);
    await expect.poll(along).toBeCloseTo(2, 1);
    await page.getByRole('button', { name: '▶ Play the round' }).click();
    await page.getByRole('button', { name: '❚❚ Hold' }).click();
    await moment.press('Escape');
    await expect(page.getByRole('button', { name: 'Let go' })).toHaveCount(0);
    await expect(moment).toHaveAttribute('aria-valuetext', '0 s');
  }
);

test(
  'two settings of a round stand one below the other and play side by side',
  thorough,
  async ({ page }) => {
    const bench = new Bench(page);
    await bench.importProject(playing);
    await bench.pick('Varieties');
    await bench.view('Timing');
    await page.getByRole('button', { name: 'Keep as A' }).click();
    await page.getByRole('textbox', { name: 'Ashen rests' }).fill('2 s');
    await page.keyboard.press('Enter');
    const round = page.getByRole('region', { name: 'One round' });
    await expect(round).toContainText('13.5 s');
    await expect(round).toContainText('A rests 16.5 s');
    await round.getByRole('button', { name: 'Next slide' }).click();
    const slides = (title: RegExp) =>
      page
        .frameLocator(`iframe[title^="${title.source}"]`)
        .locator('[data-k-node="varieties"][data-k-part="slide"]');
    await expect(slides(/Preview of/).nth(1)).toHaveAttribute('aria-current', 'true');
    // At 2.5 s the kept one still rests on its first.
    await expect(slides(/Kept setting of/).nth(0)).toHaveAttribute('aria-current', 'true');
  }
);

test('tabs become a slider and back, with all they hold', async ({ page }) => {
  const bench = await Bench.openDemo(page);
  await bench.pick('Season tabs');
  const before = await bench.outline();
  const swapTo = async (kind: string) => {
    await page.keyboard.press('Control+k');
    await page.keyboard.type(`swap ${kind}`);
    await page.keyboard.press('Enter');
  };
  await swapTo('slider');
  await expect(page.getByText(/Slider has no place for .*kept for when you swap back/)).toBeVisible();
  await expect(bench.preview.locator('[aria-roledescription="slide"]')).toHaveCount(4);
  expect(await bench.outline()).toEqual(before);
  await swapTo('tabs');
  await expect(bench.preview.getByRole('tab')).toHaveCount(4);
  expect(await bench.outline()).toEqual(before);
});

test.describe('jobs, counted', () => {
  test(
    'a quotation slider of three, 5 s, with dots that can be seen, in two actions',
    thorough,
    async ({ page }) => {
      await Bench.openNew(page);
      const hand = new Counted();
      await inserted(hand, page, 'quotations that play');
      const slides = frame(page).locator('[aria-roledescription="slide"]');
      await expect(slides).toHaveCount(3);
      await expect(frame(page).locator('[data-k-part="dot"]').first()).toBeVisible();
      expect(hand.done.length).toBeLessThanOrEqual(7);
    }
  );

  test('four counting numbers under a heading, in four actions', thorough, async ({ page }) => {
    const bench = await Bench.openNew(page);
    const hand = new Counted();
    await hand.act('A', async () => {});
    await hand.act('a heading', () => bench.insert('heading'));
    await hand.act('A', async () => {});
    await hand.act('numbers', () => bench.insert('four numbers'));
    await expect(frame(page).locator('[data-k-counts]')).toHaveCount(4);
    expect(hand.done.length).toBeLessThanOrEqual(6);
  });

  test(
    'six two-sided cards from one, in a slider, centred, going round, playing, held on hover',
    thorough,
    async ({ page }) => {
      const bench = await Bench.openNew(page);
      const hand = new Counted();
      await inserted(hand, page, 'cards that turn');
      const slides = frame(page).locator('[aria-roledescription="slide"]');
      await expect(slides).toHaveCount(5);
      await hand.act('a slide', () => bench.row('Fifth card').click());
      await hand.act('Ctrl D', () => page.keyboard.press('Control+d'));
      await expect(slides).toHaveCount(6);
      await hand.act('the slider', () => bench.row('Cards that turn').click());
      await hand.act('Behaviour', () => page.keyboard.press('2'));
      await hand.act('five', () => page.getByRole('textbox', { name: 'Slides in sight' }).fill('5'));
      await page.keyboard.press('Enter');
      await hand.act('centred', () =>
        page.getByRole('combobox', { name: 'Current slide stands' }).selectOption('in the middle')
      );
      await hand.act('plays', () => toggle(page, 'plays'));
      await expect(frame(page).getByRole('button', { name: 'Hold' })).toBeVisible();
      await expect(frame(page).locator('[data-k-rounds][data-looped]')).toHaveCount(1);
      expect(hand.done.length).toBeLessThanOrEqual(16);
    }
  );

  test(
    'an opening slider: four pictures of 2 s, words that stay, the whole width',
    thorough,
    async ({ page }) => {
      const bench = await Bench.openNew(page);
      const hand = new Counted();
      await inserted(hand, page, 'opening slider');
      await hand.act('the slider', () => bench.row('Opening pictures').click());
      await hand.act('Behaviour', () => page.keyboard.press('2'));
      await hand.act('rests', () => page.getByRole('textbox', { name: 'A slide rests' }).fill('2 s'));
      await page.keyboard.press('Enter');
      await hand.act('the section', () => bench.row('First section').click());
      await hand.act('Fill', () => page.keyboard.press('1'));
      await hand.act('the whole width', () =>
        page.getByRole('combobox', { name: 'Content takes' }).selectOption('the whole width')
      );
      const slider = frame(page).locator('[data-k-slider]');
      await expect(slider.locator('[aria-roledescription="slide"]')).toHaveCount(4);
      const width = () => slider.evaluate((each) => each.getBoundingClientRect().width / innerWidth);
      await expect.poll(width).toBeGreaterThan(0.9);
      await expect(frame(page).getByRole('heading', { name: 'What this place is' })).toBeVisible();
      expect(hand.done.length).toBeLessThanOrEqual(18);
    }
  );

  test(
    'nine pictures as a gallery of 3, 2, 1 columns, large on press, sliding in at 25 %',
    thorough,
    async ({ page }) => {
      const bench = await Bench.openNew(page);
      const hand = new Counted();
      await inserted(hand, page, 'gallery');
      await expect(bench.row('Gallery')).toBeVisible();
      await hand.act('Fill', () => page.keyboard.press('1'));
      const [chooser] = await Promise.all([
        page.waitForEvent('filechooser'),
        hand.act('Add pictures…', () => page.getByRole('button', { name: 'Add pictures…' }).first().click())
      ]);
      const files = Object.entries(YEAR).map(([name, svg]) => ({
        name,
        mimeType: 'image/svg+xml',
        buffer: Buffer.from(svg)
      }));
      await hand.act('nine files', () => chooser.setFiles(files));
      const list = page.getByRole('group', { name: 'Pictures', exact: true });
      await expect(list.getByRole('textbox')).toHaveCount(9);
      await expect(list.getByRole('textbox', { name: 'Label 1', exact: true })).toHaveValue('First blossom');
      await hand.act('Behaviour', () => page.keyboard.press('2'));
      await hand.act('Enters', () => page.getByRole('button', { name: /^Enters/ }).click());
      await hand.act('slides', () =>
        page.getByRole('combobox', { name: 'Entrance' }).selectOption('from the right')
      );
      const pictures = frame(page).locator('[data-k-large] li');
      await expect(pictures).toHaveCount(9);
      const columns = () =>
        pictures.evaluateAll((all) => new Set(all.map((each) => each.getBoundingClientRect().left)).size);
      expect(await columns()).toBe(3);
      await expect(page.getByRole('textbox', { name: 'Starts when in view' })).toHaveValue('25 %');
      await expect(page.getByText(/px left over/)).toHaveCount(3);
      expect(hand.done.length).toBeLessThanOrEqual(8);
      await page.keyboard.press('Control+z');
      await page.keyboard.press('Control+z');
      await page.keyboard.press('Control+z');
      await expect(frame(page).locator('[data-k-large]')).toHaveCount(0);
    }
  );
});

test(
  'a file that is no picture is told by name, and those that are come in all the same',
  inTurn(1),
  async ({ page }) => {
    const bench = await Bench.openNew(page);
    await bench.insert('gallery');
    await page.keyboard.press('1');
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Add pictures…' }).first().click()
    ]);
    await chooser.setFiles([
      { name: 'windfalls.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(YEAR['windfalls.svg']!) },
      { name: 'notes.png', mimeType: 'image/png', buffer: Buffer.from('no picture') }
    ]);
    await expect(page.getByRole('alert').filter({ hasText: 'notes.png' })).toBeVisible();
    await expect(page.getByRole('textbox', { name: 'Label 1', exact: true })).toHaveValue('Windfalls');
  }
);

test('pieces of the shelf become slides, several at once and linked', thorough, async ({ page }) => {
  const bench = await Bench.openDemo(page);
  for (const name of ['Find heading', 'Press heading']) {
    await bench.pick(name);
    await page.keyboard.press('Control+k');
    await page.keyboard.type('put on the shelf');
    await page.keyboard.press('Enter');
  }
  await bench.pick('Season tabs');
  await bench.insert('slider');
  await page.keyboard.press('1');
  const slides = page.getByRole('group', { name: 'Slides', exact: true });
  await expect(slides.getByRole('textbox')).toHaveCount(3);
  await slides.getByRole('button', { name: 'From the shelf…' }).click();
  const shelf = page.getByRole('group', { name: 'Pieces of the shelf' });
  await expect(shelf.getByRole('button', { name: 'Choose what to add' })).toBeDisabled();
  for (const each of await shelf.getByRole('checkbox').all()) await each.check({ force: true });
  await shelf.getByRole('button', { name: 'Add 2 linked' }).click();
  await expect(slides.getByRole('textbox')).toHaveCount(5);
  await page.keyboard.press('Control+z');
  await expect(slides.getByRole('textbox')).toHaveCount(3);
});
