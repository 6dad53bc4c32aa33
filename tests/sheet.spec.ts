import chroma from 'chroma-js';
import { expect, test, type Locator } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { Bench } from './support/workbench';

/** Follows a property frame by frame from now on. @returns asks for its values since then, each once. */
async function seenInFrames(
  root: Locator,
  selector: string,
  property: string
): Promise<() => Promise<string[]>> {
  const seen = await root.evaluateHandle(
    (_, [of, name]) => {
      const values = new Set<string>();
      const look = () => {
        const element = document.querySelector(of!);
        if (element) values.add(getComputedStyle(element).getPropertyValue(name!));
        requestAnimationFrame(look);
      };
      look();
      return values;
    },
    [selector, property]
  );
  return () => seen.evaluate((values) => [...values]);
}

test.describe('state sheet', () => {
  test('a value typed into a cell reaches the preview, its own column only, and can be taken away', async ({
    page
  }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Season tabs', 'tab');
    await bench.set('background-color', 'Background', 'rest', '#cfe8ff');
    const summer = bench.preview.locator('#summer-tab');
    await expect(summer).toHaveCSS('background-color', 'rgb(207, 232, 255)');
    await expect(bench.cell('background-color', 'hover')).toContainText('Cream, deeper');
    await expect(bench.cell('background-color', 'focus')).toContainText('as rest');
    await bench.cell('background-color', 'rest').focus();
    await page.keyboard.press('Delete');
    await expect(summer).toHaveCSS('background-color', 'rgb(242, 239, 231)');
  });

  test('takes arithmetic and units, and steps by keys', inTurn(7), async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Season tabs', 'tab');
    const summer = bench.preview.locator('#summer-tab');
    await bench.set('border-radius', 'Radius', 'rest', '80-40');
    await expect(summer).toHaveCSS('border-radius', '40px');
    await bench.set('padding', 'Padding', 'rest', '2*6 1rem');
    await expect(summer).toHaveCSS('padding', '12px 16px');
    await bench.set('font-size', 'Type size', 'rest', '20');
    await bench.cell('font-size', 'rest').click();
    await page.keyboard.press('Shift+ArrowUp');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await expect(summer).toHaveCSS('font-size', '29px');
    await page.keyboard.press('Control+z');
    await expect(summer).toHaveCSS('font-size', '20px');
    // What it was opened with, typed again after a step, is a new value like any other.
    await bench.cell('font-size', 'rest').click();
    await page.keyboard.press('ArrowUp');
    await expect(summer).toHaveCSS('font-size', '21px');
    await page.keyboard.press('Control+a');
    await page.keyboard.type('20px');
    await page.keyboard.press('Enter');
    await expect(summer).toHaveCSS('font-size', '20px');
  });

  test('a value that is none is refused at the field and the old one stays', async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Season tabs', 'tab');
    await bench.set('color', 'Text', 'rest', 'redd');
    await expect(page.getByRole('alert')).toContainText(
      '“redd” is not a value of color: write a colour such as'
    );
    await page.keyboard.press('Escape');
    await expect(bench.preview.locator('#summer-tab')).toHaveCSS('color', 'rgb(64, 54, 42)');
    await expect(bench.cell('color', 'rest')).toBeFocused();
  });

  test('the first row is the part itself, drawn in each state', inTurn(3), async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Season tabs', 'tab');
    const stage = page.frameLocator('iframe[title="tab in each state"]').locator('k-stage .season-tabs-tab');
    await expect(stage).toHaveCount(7);
    const backgrounds = () =>
      stage.evaluateAll((all) => all.map((each) => getComputedStyle(each).backgroundColor));
    const [beige, hover, pressed, selected] = [
      'rgb(246, 239, 224)',
      'rgb(240, 228, 203)',
      'rgb(227, 210, 174)',
      'rgb(33, 54, 43)'
    ];
    await expect.poll(backgrounds).toEqual([beige, hover, beige, pressed, selected, selected, beige]);
    await expect(stage.nth(2)).toHaveCSS('outline-style', 'solid');
    // Its other icon, too, is there only where it is chosen.
    const others = stage.locator('[data-chosen]');
    const seen = await others.evaluateAll((all) => all.map((each) => getComputedStyle(each).opacity));
    expect(seen).toEqual(['0', '0', '0', '0', '1', '1', '0']);
    await bench.set('background-color', 'Background', 'hover', '#123456');
    await expect.poll(async () => (await backgrounds())[1]).toBe('rgb(18, 52, 86)');
    await bench.pick('Season tabs', 'panel');
    await expect(
      page.frameLocator('iframe[title="panel in each state"]').locator('k-stage > div > *')
    ).toHaveCount(3);
  });

  test(
    'of what is wider than its column the beginning is drawn, large enough to be read',
    inTurn(5),
    async ({ page }) => {
      const bench = await Bench.openDemo(page);
      await bench.pick('Welcome heading');
      await bench.view('States');
      const heading = page
        .frameLocator('iframe[title="heading in each state"]')
        .locator('k-stage h1')
        .first();
      await expect
        .poll(() =>
          heading.evaluate((element) => {
            const around = element.closest('k-stage > div');
            // It may just be drawn anew.
            if (!around) return null;
            const [drawn, cell] = [element.getBoundingClientRect(), around.getBoundingClientRect()];
            return {
              starts: Math.round(drawn.left - cell.left),
              isReadable: drawn.height > 16 && drawn.height <= cell.height
            };
          })
        )
        .toEqual({ starts: 6, isReadable: true });
    }
  );

  test(
    'of what has its words at its end, those are drawn, not the room before them',
    thorough,
    async ({ page }) => {
      const bench = await Bench.openDemo(page);
      await page.setViewportSize({ width: 1000, height: 800 });
      await bench.pick('Site links');
      await bench.view('States');
      const words = page
        .frameLocator('iframe[title="links in each state"]')
        .locator('k-stage')
        .getByText('Seasons');
      await expect
        .poll(() =>
          words.evaluate((element) => {
            const [drawn, cell] = [
              element.getBoundingClientRect(),
              element.closest('[data-k-cell]')!.getBoundingClientRect()
            ];
            return drawn.left >= cell.left && drawn.right <= cell.right && drawn.height > 8;
          })
        )
        .toBe(true);
    }
  );

  test('the part is drawn as it is under the condition that is looked at', inTurn(8), async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Season tabs', 'tab');
    await bench.view('States');
    const frame = page.frameLocator('iframe[title="tab in each state"]');
    const drawn = frame.locator('k-stage .season-tabs-tab').first();
    const beige = 'rgb(246, 239, 224)';
    await expect(drawn).toHaveCSS('background-color', beige);
    for (const [band, value, colour] of [
      ['≤ medium', '#ff0000', 'rgb(255, 0, 0)'],
      ['≤ narrow', '#00ff00', 'rgb(0, 255, 0)']
    ] as const) {
      await page.getByRole('tab', { name: band, exact: true }).click();
      await bench.set('background-color', 'Background', 'rest', value);
      await expect(drawn).toHaveCSS('background-color', colour);
    }
    // The frame is narrower than the row then, and shown as much larger: what is drawn in it keeps its size, as far
    // as its cell has room.
    const width = await drawn.evaluate((tab: HTMLElement) => tab.offsetWidth);
    const seen = await drawn.evaluate((tab) => tab.getBoundingClientRect().width);
    const [inFrame, onScreen] = await Promise.all([
      frame.locator('html').evaluate(() => innerWidth),
      page.locator('iframe[title="tab in each state"]').evaluate((each) => each.getBoundingClientRect().width)
    ]);
    expect(onScreen).toBeGreaterThan(inFrame);
    const room = onScreen / (await frame.locator('k-stage .season-tabs-tab').count());
    expect((seen * onScreen) / inFrame).toBeGreaterThan(0.9 * Math.min(width, 0.9 * room));
    await page.getByRole('combobox', { name: 'Other conditions' }).selectOption('touch');
    await expect(drawn).toHaveCSS('background-color', beige);
    await bench.set('background-color', 'Background', 'rest', '#0000ff');
    await expect(drawn).toHaveCSS('background-color', 'rgb(0, 0, 255)');
    await page.getByRole('tab', { name: 'all widths', exact: true }).click();
    await expect(drawn).toHaveCSS('background-color', beige);
  });

  test(
    'what is edited or drawn is seen at once, though the page fades from one state to another',
    inTurn(6),
    async ({ page }) => {
      const bench = await Bench.openDemo(page);
      await bench.pick('Season tabs', 'tab');
      await bench.view('States');
      const summer = bench.preview.locator('#summer-tab');
      await expect(summer).not.toHaveCSS('transition-duration', '0s');
      const drawn = page
        .frameLocator('iframe[title="tab in each state"]')
        .locator('k-stage .season-tabs-tab');
      await expect(drawn).toHaveCount(7);
      const stage = page.frameLocator('iframe[title="tab in each state"]').locator('html');
      const backgrounds = await seenInFrames(
        bench.preview.locator('html'),
        '#summer-tab',
        'background-color'
      );
      const scales = await seenInFrames(stage, 'k-stage .season-tabs-tab', 'scale');
      await bench.set('background-color', 'Background', 'rest', '#123456');
      await expect(drawn.first()).toHaveCSS('background-color', 'rgb(18, 52, 86)');
      await expect(summer).toHaveCSS('background-color', 'rgb(18, 52, 86)');
      expect(await backgrounds()).toEqual(['rgb(246, 239, 224)', 'rgb(18, 52, 86)']);
      expect(await scales()).toHaveLength(1);
    }
  );

  test(
    'what is set for a condition that the page is not shown in says so, and shows it',
    inTurn(2),
    async ({ page }) => {
      const bench = await Bench.openDemo(page);
      await bench.pick('Season tabs', 'tab');
      await bench.view('States');
      const show = page.getByRole('button', { name: /^(?:Show it at|Switch) / });
      await expect(show).toHaveCount(0);
      await page.getByRole('tab', { name: '≤ narrow', exact: true }).click();
      await show.click();
      await expect(page.getByRole('slider', { name: 'Width of the preview' })).toHaveAttribute(
        'aria-valuenow',
        '640'
      );
      await expect(show).toHaveCount(0);
      await page.getByRole('tab', { name: '≤ medium', exact: true }).click();
      await expect(show).toHaveCount(0);
      await page.getByRole('combobox', { name: 'Other conditions' }).selectOption('touch');
      await show.click();
      await expect(page.getByRole('button', { name: 'Touch', exact: true })).toHaveAttribute(
        'aria-pressed',
        'true'
      );
      await expect(show).toHaveCount(0);
    }
  );

  test(
    'of a whole widget the row is as high as it takes to see it, with what is open in it',
    thorough,
    async ({ page }) => {
      const bench = await Bench.openNew(page);
      await bench.insert('accordion');
      await bench.view('States');
      const row = page.getByRole('gridcell', { name: 'The part as it is drawn in each state' });
      const height = async () => (await row.boundingBox())!.height;
      const items = page.frameLocator('iframe[title="accordion in each state"]').locator('k-stage details');
      await expect(items).toHaveCount(6);
      const areOpen = await items.evaluateAll((all) => all.map((each) => (each as HTMLDetailsElement).open));
      expect(areOpen).toEqual([true, false, false, true, false, false]);
      await expect.poll(height).toBeGreaterThan(60);
      const cell = (await row.boundingBox())!;
      const last = (await items.last().boundingBox())!;
      expect(last.y + last.height).toBeLessThanOrEqual(cell.y + cell.height);
      await bench.pick('Accordion', 'header');
      await expect.poll(height).toBe(52);
    }
  );

  test(
    'what a state does not show is told in its cell, and what it fades in is there at once',
    thorough,
    async ({ page }) => {
      const bench = await Bench.openNew(page);
      await bench.insert('slider');
      await bench.view('Behaviour');
      await page.getByRole('combobox', { name: 'Slides', exact: true }).selectOption('fade into one another');
      await bench.view('States');
      await bench.pick('Slider', 'slide');
      const cells = page.frameLocator('iframe[title="slide in each state"]').locator('k-stage > div');
      await expect(cells).toHaveText([
        /Not seen$/,
        /Not seen$/,
        /Not seen$/,
        /^What the first slide shows\.$/
      ]);
      await expect(cells.last().locator('[data-k-force]')).toHaveCSS('opacity', '1');
    }
  );

  test(
    'of a part that is turned away, sticks or is not there, the cell shows what it is or says so',
    thorough,
    async ({ page }) => {
      const bench = await Bench.openNew(page);
      const cells = (part: string) =>
        page.frameLocator(`iframe[title="${part} in each state"]`).locator('k-stage > div');
      await bench.insert('two-sided');
      await bench.view('States');
      await bench.pick('Card', 'back');
      await expect(cells('back')).toHaveText([
        'What there is to know of it.',
        'What there is to know of it.'
      ]);
      await expect(cells('back').first().locator('[data-k-force]')).toHaveCSS('visibility', 'visible');
      await bench.pick('Card', 'turn button');
      await expect(cells('turn button').first()).toHaveText('Not there');
      const heard = page
        .getByRole('row')
        .filter({ has: page.getByText('Is heard as') })
        .getByRole('gridcell');
      await expect(heard.first()).toHaveText('—');

      await bench.insert('pinned picture');
      await bench.pick('Pinned picture', 'picture');
      const [cell, picture] = [cells('picture').first(), cells('picture').locator('[data-k-force]').first()];
      await expect
        .poll(async () => {
          const [around, drawn] = [await cell.boundingBox(), await picture.boundingBox()];
          return drawn!.y >= around!.y && drawn!.y + drawn!.height <= around!.y + around!.height;
        })
        .toBe(true);
    }
  );

  test(
    'the part is drawn of whatever is picked after it, what stands beside it in the same piece too',
    thorough,
    async ({ page }) => {
      const bench = await Bench.openDemo(page);
      await bench.view('States');
      const drawn = (part: string) =>
        page.frameLocator(`iframe[title="${part} in each state"]`).locator('k-stage > div').first();
      // What is around them is the same, and says the same.
      for (const [piece, part, words] of [
        ['Header row', 'stack', /Quillmere.*The press/],
        ['Site name', 'text', 'Quillmere'],
        ['Site links', 'links', /The press/],
        ['The press', 'link', /The press|Seasons/],
        ['Site name', 'text', 'Quillmere'],
        ['Welcome heading', 'heading', /./],
        ['Welcome text', 'text', /./]
      ] as const) {
        await bench.pick(piece);
        await expect(drawn(part)).toHaveText(words);
        await expect(drawn(part)).not.toHaveText('Not there');
      }
    }
  );

  test(
    'a card is seen from behind in the states that turn it, a slide that has gone round stands in its cell',
    thorough,
    async ({ page }) => {
      const bench = await Bench.openNew(page);
      await bench.insert('cards that turn');
      await bench.view('States');
      await bench.pick('First two-sided card');
      const card = page.frameLocator('iframe[title="card in each state"]').locator('k-stage > div');
      const behind = card.getByText('What there is to know of it, in a line or two.');
      const front = card.getByText('First name');
      await expect(behind.nth(1)).toHaveCSS('visibility', 'visible');
      for (const [i, side] of ['hidden', 'visible', 'visible'].entries())
        await expect(behind.nth(i)).toHaveCSS('visibility', side);
      await expect(front.first()).toHaveCSS('visibility', 'visible');
      await expect(front.nth(1)).toHaveCSS('visibility', 'hidden');

      // A piece in a slide that has faded out is seen by itself.
      await bench.insert('opening slider');
      await bench.pick('Second opening picture');
      const picture = page
        .frameLocator('iframe[title="picture in each state"]')
        .locator('k-stage > div')
        .first();
      await expect(picture.locator('[data-k-force]')).toHaveCSS('visibility', 'visible');

      // What goes round keeps its slides far from where they stand in the page.
      await bench.pick('Second card');
      const slides = page.frameLocator('iframe[title="slide in each state"]').locator('k-stage > div');
      await expect
        .poll(() =>
          slides.evaluateAll((all) =>
            all.every((cell) => {
              const around = cell.getBoundingClientRect();
              const { left, right } = cell.querySelector('[data-k-force]')!.getBoundingClientRect();
              return left >= around.left && right <= around.right;
            })
          )
        )
        .toBe(true);
    }
  );

  test(
    'states scrolled to the side: rows keep their names in sight, and tabs their words in one line',
    thorough,
    async ({ page }) => {
      const bench = await Bench.openDemo(page);
      await bench.pick('Season tabs', 'tab');
      await bench.view('States');
      await page.keyboard.press('Shift+t');
      await expect(page.getByRole('textbox', { name: 'Name of Leaf' })).toBeVisible();
      const disabled = bench.cell('background-color', 'disabled');
      await disabled.focus();
      const name = page.getByRole('rowheader', { name: 'Background', exact: true });
      await expect(name).toBeInViewport({ ratio: 1 });
      const [right, left] = [
        await name.evaluate((each) => each.getBoundingClientRect().right),
        await disabled.evaluate((each) => each.getBoundingClientRect().left)
      ];
      expect(right).toBeLessThanOrEqual(left);
      const tabs = page.frameLocator('iframe[title="tab in each state"]').locator('k-stage .season-tabs-tab');
      const lines = () =>
        tabs.evaluateAll((all) =>
          all.map((tab) => {
            const words = document.createRange();
            words.selectNodeContents(tab.querySelector('span[dir]')!);
            return new Set([...words.getClientRects()].map(({ top }) => Math.round(top))).size;
          })
        );
      await expect.poll(lines).toEqual([1, 1, 1, 1, 1, 1, 1]);
    }
  );

  test(
    'what is scrolled away goes under the head of the sheet, the names of the rows too',
    thorough,
    async ({ page }) => {
      const bench = await Bench.openDemo(page);
      await bench.pick('Season tabs', 'tab');
      await bench.view('States');
      await bench.cell('outline', 'rest').focus();
      const head = page.getByRole('row').filter({ has: page.getByRole('columnheader', { name: 'rest' }) });
      const covered = () =>
        head.evaluate((row) => {
          const { left, top, height } = row.getBoundingClientRect();
          const spots = [0.2, 0.5, 0.8].map((share) =>
            document.elementFromPoint(left + 40, top + height * share)
          );
          return spots.every((spot) => row.contains(spot));
        });
      await expect
        .poll(() => page.getByRole('rowheader', { name: 'Text', exact: true }).isVisible())
        .toBe(true);
      expect(await covered()).toBe(true);
    }
  );

  test('contrast is worked out below, and a poor one becomes a finding', async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Season tabs', 'tab');
    const row = page.getByRole('row', { name: /Text contrast/ });
    // The expected ratios come from chroma-js, an independent library; WCAG 2.2 exempts what is disabled.
    const ratio = (text: string, ground: string) => `${chroma.contrast(text, ground).toFixed(1)} : 1`;
    const rest = ratio('#40362a', '#f6efe0');
    await expect(row.getByRole('gridcell')).toHaveText([
      rest,
      ratio('#5b4312', '#f0e4cb'),
      rest,
      ratio('#5b4312', '#e3d2ae'),
      ratio('#f4ebd8', '#21362b'),
      ratio('#f4ebd8', '#21362b'),
      'exempt'
    ]);
    await bench.set('color', 'Text', 'hover', '#c0a060');
    await expect(page.getByRole('button', { name: /finding/ })).toContainText('2 findings');
    await page.getByRole('button', { name: /finding/ }).click();
    await page.getByRole('button', { name: /2 places/ }).click();
    await page.getByRole('button', { name: 'Show it' }).first().click();
    await expect(bench.row('Season tabs')).toHaveAttribute('aria-selected', 'true');
  });

  test('an edit at ≤ narrow holds there only', inTurn(3), async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Plan heading');
    await page.getByRole('tab', { name: '≤ narrow' }).click();
    await bench.set('font-size', 'Type size', 'rest', '22');
    const heading = bench.preview.locator('.plan-heading');
    await expect(heading).toHaveCSS('font-size', '32px');
    for (let i = 0; i < 4; i += 1) await page.keyboard.press('[');
    await expect(heading).toHaveCSS('font-size', '22px');
  });

  test(
    'a colour is picked with the picker, and the whole movement is one step of the history',
    inTurn(5),
    async ({ page }) => {
      const bench = await Bench.openDemo(page);
      await bench.pick('Season tabs', 'tab');
      await bench.cell('background-color', 'rest').click();
      await page.getByRole('button', { name: 'Pick a colour' }).click();
      const field = page.locator('.picker .picker').first();
      await expect(field).toBeVisible();
      const box = (await field.boundingBox())!;
      await page.mouse.move(box.x + 20, box.y + 20);
      await page.mouse.down();
      for (let i = 1; i < 8; i += 1) await page.mouse.move(box.x + 20 + i * 9, box.y + 20 + i * 6);
      await page.mouse.up();
      const summer = bench.preview.locator('#summer-tab');
      await expect(summer).not.toHaveCSS('background-color', 'rgb(246, 239, 224)');
      await page.keyboard.press('Escape');
      await bench.row('Season tabs').click();
      await page.keyboard.press('Control+z');
      await expect(summer).toHaveCSS('background-color', 'rgb(246, 239, 224)');
    }
  );
});

test.describe('width and folding', () => {
  test('the flag is dragged on the ruler and the preview folds there', async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Season tabs');
    const flag = page.getByRole('slider', { name: 'Season tabs folds' });
    await expect(flag).toHaveAttribute('aria-valuenow', '640');
    const width = page.getByRole('slider', { name: 'Width of the preview' });
    const ruler = (await width.boundingBox())!;
    await bench.drag(flag, ruler.x + ruler.width + 60);
    const under = Number(await flag.getAttribute('aria-valuenow'));
    expect(under).toBeGreaterThan(1120);
    await expect(bench.preview.getByRole('button', { name: 'Summer', exact: true })).toBeVisible();
    await expect(bench.preview.getByRole('tablist')).toHaveCount(0);
    await bench.view('Fallbacks');
    await expect(page.getByRole('textbox', { name: 'Fold under' })).toHaveValue(`${under} px`);
    await page.getByRole('textbox', { name: 'Fold under' }).fill('720-80');
    await page.keyboard.press('Enter');
    await expect(bench.preview.getByRole('tablist')).toBeVisible();
    await bench.row('Season tabs').click();
    await page.keyboard.press('Control+z');
    await page.keyboard.press('Control+z');
    await expect(flag).toHaveAttribute('aria-valuenow', '640');
  });

  test(
    'the width is dragged, from 280 to 1920, and the page is scaled to fit',
    inTurn(1),
    async ({ page }) => {
      const bench = await Bench.openDemo(page);
      const width = page.getByRole('slider', { name: 'Width of the preview' });
      await bench.drag(width, 240);
      await expect(width).toHaveAttribute('aria-valuenow', '280');
      await expect(bench.preview.getByRole('button', { name: 'Summer', exact: true })).toBeVisible();
      expect(await bench.preview.locator('body').evaluate(() => innerWidth)).toBe(280);
      await bench.drag(width, 1279);
      await expect(width).toHaveAttribute('aria-valuenow', '1920');
      const paper = (await page.locator('iframe[title^="Preview of"]').boundingBox())!;
      expect(paper.x).toBeGreaterThanOrEqual(232);
      expect(paper.x + paper.width).toBeLessThanOrEqual(1280);
    }
  );

  test('a fold width that is none is refused with the reason', inTurn(4), async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Season tabs');
    await bench.view('Fallbacks');
    for (const [text, reason] of [
      ['-40', 'from 0 to 2400'],
      ['wide', 'takes a width in px'],
      ['9999', 'from 0 to 2400']
    ] as const) {
      await page.getByRole('textbox', { name: 'Fold under' }).fill(text);
      await page.keyboard.press('Enter');
      await expect(page.getByText(reason)).toBeVisible();
    }
    await expect(page.getByRole('slider', { name: 'Season tabs folds' })).toHaveAttribute(
      'aria-valuenow',
      '640'
    );
    // A good one stays good when the field is left, with or without the space it is shown with.
    const field = page.getByRole('textbox', { name: 'Fold under' });
    for (const [text, px] of [
      ['700', '700'],
      ['720 px', '720']
    ] as const) {
      await field.fill(text);
      await page.keyboard.press('Enter');
      await field.blur();
      await expect(page.getByRole('slider', { name: 'Season tabs folds' })).toHaveAttribute(
        'aria-valuenow',
        px
      );
      await expect(field).not.toHaveAttribute('aria-invalid', 'true');
    }
  });

  test('conditions are tried by switches', async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await page.getByRole('button', { name: 'No script' }).click();
    await expect(bench.preview.getByText('Toast in the branches')).toBeVisible();
    await expect(bench.preview.getByRole('tablist')).toHaveCount(0);
    await page.getByRole('button', { name: 'No script' }).click();
    await expect(bench.preview.getByRole('tab')).toHaveCount(4);
    await page.getByRole('button', { name: 'Touch' }).click();
    await page.keyboard.press('t');
    await bench.preview.locator('#summer-tab').hover();
    await expect(bench.preview.locator('#summer-tab')).toHaveCSS('background-color', 'rgb(246, 239, 224)');
  });
});
