import sharp from 'sharp';
import type { Command } from '../src/core/commands/commands';
import { makeWith } from '../src/core/kinds/make';
import { columnWidths, sharesFor } from '../src/core/css/shares';
import type { AssetId } from '../src/core/project/types';
import { templates } from '../src/core/templates';
import { axeViolations } from './support/axe';
import { exported, partIn } from './support/exported';
import { previewFrame } from './support/frames';
import { everyKind } from './support/kinds';
import { expect, test, type Page } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { bytes, changed, open, put } from './support/visit';
import { Bench } from './support/workbench';

const make = makeWith({ exactIds: true });

test(
  'columns are as wide in Chromium as their shares say, at 20 widths',
  inTurn(2),
  async ({ blank: page }) => {
    const sets = [
      '3/4 1/4',
      '2/5 3/5',
      '1/4 1/4 1/4 1/4',
      '1/3 1/3 1/3',
      '+1/4 1/2 1/4',
      '4 8',
      '+2 4 +1 5',
      ''
    ];
    const rows = sets.map((shares, i) => {
      const count = shares === '' ? 5 : shares.split(' ').filter((each) => !each.startsWith('+')).length;
      return make(
        'columns',
        `Row ${i}`,
        { shares, stack: 'never' },
        {
          columns: Array.from({ length: count }, (_, n) =>
            make('column', `Row ${i} column ${n}`, {}, { content: [] })
          )
        }
      );
    });
    await open(page, changed(...rows.map((row) => put(row))));
    for (let n = 0; n < 20; n += 1) {
      const width = 320 + n * 83;
      await page.setViewportSize({ width, height: 900 });
      for (const [i, shares] of sets.entries()) {
        const { room, gap, widths } = await page
          .locator(partIn('export', `row-${i}`, 'root'))
          .evaluate((row) => ({
            room: row.getBoundingClientRect().width,
            gap: parseFloat(getComputedStyle(row).columnGap),
            widths: [...row.children].map((child) => child.getBoundingClientRect().width)
          }));
        const expected = columnWidths(sharesFor(shares, widths.length), room, gap);
        widths.forEach((each, at) =>
          expect(Math.abs(each - expected[at]!), `${shares} at ${width} px, column ${at}`).toBeLessThan(1)
        );
      }
    }
  }
);

test('every kind of content and every template leaves as valid HTML, and axe-core has nothing to say', async ({
  blank: page
}) => {
  const pieces = templates.map(({ category, build }): Command =>
    category === 'section' ? put(build(makeWith()), 2, 'visit-page', 'sections') : put(build(makeWith()), 99)
  );
  const project = changed(...everyKind('welcome'), ...pieces);
  // Headings and landmarks of eight templates on one page come twice and in any order; what is looked at here
  // is the markup of each kind.
  const made = await exported(project, bytes);
  expect(made.problems.filter((each) => !/\((?:heading-level|unique-landmark)\)$/.test(each))).toEqual([]);
  await page.goto(made.url);
  expect(
    (await axeViolations(page)).filter(
      (each) =>
        !/^(?:heading-order|image-alt|landmark-no-duplicate|landmark-unique|page-has-heading)/.test(each)
    )
  ).toEqual([]);
});

test.describe('a navigation', () => {
  const links = make(
    'links',
    'Own links',
    { element: 'navigation', label: 'Own', foldUnder: 700, spy: true },
    {
      links: [
        make('link', 'To the welcome', { href: '#welcome' }),
        make('link', 'To the plan', { href: '#plan' }),
        make('link', 'To the press', { href: '#press' })
      ]
    }
  );
  const project = changed(put(links));

  test('is a row of links where it is wide, and a menu button with the keys of a disclosure below its width', async ({
    blank: page
  }) => {
    await open(page, project, 1000);
    const navigation = page.getByRole('navigation', { name: 'Own' });
    await expect(navigation.getByRole('link')).toHaveText(['To the welcome', 'To the plan', 'To the press']);
    await expect(navigation.getByRole('button')).toHaveCount(0);
    await page.setViewportSize({ width: 699, height: 900 });
    const menu = navigation.getByRole('button', { name: 'Menu' });
    await expect(navigation.getByRole('link')).toHaveCount(0);
    await expect(menu).toHaveAttribute('aria-expanded', 'false');
    expect(await axeViolations(page)).toEqual([]);
    // ARIA Authoring Practices, disclosure navigation: Enter and Space toggle, Escape closes and the button
    // has the keys again.
    await menu.focus();
    await page.keyboard.press('Enter');
    await expect(menu).toHaveAttribute('aria-expanded', 'true');
    expect(await axeViolations(page)).toEqual([]);
    await page.keyboard.press('Tab');
    await expect(navigation.getByRole('link', { name: 'To the welcome' })).toBeFocused();
    await page.keyboard.press('Escape');
    await expect(menu).toBeFocused();
    await expect(navigation.getByRole('link')).toHaveCount(0);
    await page.keyboard.press('Space');
    await navigation.getByRole('link', { name: 'To the press' }).click();
    await expect(menu).toHaveAttribute('aria-expanded', 'false');
  });

  test('marks the section that is being read', async ({ blank: page }) => {
    await open(page, project);
    await page.evaluate(() =>
      document.querySelector('#plan')!.scrollIntoView({ behavior: 'instant', block: 'start' })
    );
    const current = page.getByRole('navigation', { name: 'Own' }).locator('[aria-current]');
    await expect(current).toHaveText(['To the plan']);
    await expect(current).toHaveAttribute('aria-current', 'location');
  });

  test('marks another section where sections have moved: a page that is shown late, a part that is folded', async ({
    blank: page
  }) => {
    await page.addInitScript(() => {
      new MutationObserver((_changes, parsing) => {
        if (!document.body) return;
        document.body.style.display = 'none';
        parsing.disconnect();
      }).observe(document, { childList: true, subtree: true });
    });
    await open(page, project);
    const current = page.getByRole('navigation', { name: 'Own' }).locator('[aria-current]');
    // What is not drawn has all its sections at one place, so any of them could be the one.
    await page.evaluate(() => (document.body.style.display = ''));
    await expect(current).toHaveText(['To the welcome']);
    const small = 'height: 0; min-height: 0; padding: 0; overflow: clip';
    await page.locator('#welcome').evaluate((section, style) => section.setAttribute('style', style), small);
    await expect(current).toHaveText(['To the plan']);
    await page.locator('#welcome').evaluate((section) => section.removeAttribute('style'));
    await expect(current).toHaveText(['To the welcome']);
  });

  test('shows all its links where there is no script', async ({ browser }) => {
    const context = await browser.newContext({
      javaScriptEnabled: false,
      viewport: { width: 500, height: 900 }
    });
    const page = await context.newPage();
    await page.goto((await exported(project, bytes)).url);
    await expect(page.getByRole('navigation', { name: 'Own' }).getByRole('link')).toHaveCount(3);
    await expect(page.getByRole('button', { name: 'Menu' })).toHaveCount(0);
    await context.close();
  });
});

test('layers stand where their shares say, and 50% 50% is where flex would centre them', async ({
  blank: page
}) => {
  const words = (place: string, n: number) =>
    make(
      'layer',
      `Words ${n}`,
      { place },
      { content: [make('heading', `Words heading ${n}`, { text: 'Pick', level: '2' })] }
    );
  const places = ['50% 50%', '0% 100%', '100% 0%', '20% 70%'];
  const layers = make(
    'layers',
    'Pile',
    { height: '300px' },
    { layers: [make('layer', 'Base', { width: '100%' }, { content: [] }), ...places.map(words)] }
  );
  await open(page, changed(put(layers, 2)));
  for (const width of [1280, 480]) {
    await page.setViewportSize({ width, height: 900 });
    const box = (await page.locator('[data-node="pile"][data-part="root"]').boundingBox())!;
    for (const [n, place] of places.entries()) {
      const own = (await page
        .locator(`[data-node="pile"][data-part="root"] > :nth-child(${n + 2})`)
        .boundingBox())!;
      const [x, y] = place.split(' ').map((each) => parseFloat(each) / 100) as [number, number];
      expect(own.x - box.x).toBeCloseTo((box.width - own.width) * x, 0);
      expect(own.y - box.y).toBeCloseTo((box.height - own.height) * y, 0);
    }
  }
  // Common practice, no source: what is placed by halves of the room and of itself stands where flex centring
  // puts it.
  const centred = await page.evaluate(() => {
    const [pile, own] = [
      '[data-node="pile"][data-part="root"]',
      '[data-node="pile"][data-part="root"] > :nth-child(2)'
    ].map((each) => document.querySelector(each)!) as [Element, Element];
    const room = document.createElement('div');
    room.style.cssText = `display:flex;align-items:center;justify-content:center;position:absolute;width:${pile.getBoundingClientRect().width}px;height:300px;left:0;top:0`;
    const twin = document.createElement('div');
    twin.style.cssText = `width:${own.getBoundingClientRect().width}px;height:${own.getBoundingClientRect().height}px`;
    room.append(twin);
    document.body.append(room);
    const [a, b] = [own.getBoundingClientRect(), pile.getBoundingClientRect()];
    const found = [
      twin.getBoundingClientRect().left - room.getBoundingClientRect().left - (a.left - b.left),
      twin.getBoundingClientRect().top - room.getBoundingClientRect().top - (a.top - b.top)
    ];
    room.remove();
    return found;
  });
  expect(Math.max(...centred.map(Math.abs))).toBeLessThan(0.6);
});

test('a section stands on a picture under a layer, as tall as it is told, and overlaps by its share', async ({
  blank: page
}) => {
  const set = (id: string, key: string, value: unknown): Command => ({ type: 'set-setting', id, key, value });
  await open(
    page,
    changed(
      set('welcome', 'picture', 'orchard-harvest'),
      set('welcome', 'layer', '#000000'),
      set('welcome', 'opacity', 45),
      set('welcome', 'height', '50svh'),
      set('plan-a-visit', 'height', '80px'),
      set('plan-a-visit', 'overlap', 50)
    )
  );
  const welcome = page.locator('[data-node="welcome"][data-part="root"]');
  const box = (await welcome.boundingBox())!;
  expect(box.height).toBeGreaterThanOrEqual(450);
  expect(await page.locator('[data-node="welcome"][data-part="picture"]').boundingBox()).toEqual(box);
  await expect(page.locator('[data-node="welcome"][data-part="picture"]')).toHaveCSS('object-fit', 'cover');
  await expect(page.locator('[data-node="welcome"][data-part="layer"]')).toHaveCSS('opacity', '0.45');
  // Common practice, no source: half of an 80 px bar is 40 px.
  const plan = (await page.locator('[data-node="plan-a-visit"][data-part="root"]').boundingBox())!;
  expect(box.y + box.height - plan.y).toBeCloseTo(40, 0);
  // The content is above the layer: a click reaches it.
  expect(
    await page.locator('[data-node="welcome-heading"][data-part="root"]').evaluate((heading) => {
      const { left, top } = heading.getBoundingClientRect();
      return document.elementFromPoint(left + 5, top + 5) === heading;
    })
  ).toBe(true);
});

test('the browser picks the rendition its window and its pixels need', inTurn(1), async ({ browser }) => {
  const photo = new Uint8Array(
    await sharp({ create: { width: 2400, height: 1600, channels: 3, background: '#7a9a4c' } })
      .jpeg()
      .toBuffer()
  );
  const asset = {
    id: 'photo' as AssetId,
    file: 'photo.jpg',
    type: 'image/jpeg' as const,
    width: 2400,
    height: 1600,
    bytes: photo.length
  };
  const project = changed(
    { type: 'add-asset', asset },
    { type: 'set-setting', id: 'press-picture', key: 'asset', value: 'photo' }
  );
  const made = await exported(project, new Map([...bytes, [asset.id, photo]]));
  expect(made.problems).toEqual([]);
  // 2/5 of 1,120 px is 448; the window is 1,280 px wide, or 400 and then it has the whole room.
  for (const [width, ratio, expected] of [
    [1280, 1, 480],
    [1280, 2, 960],
    [1280, 3, 1280],
    [400, 2, 960]
  ] as const) {
    const context = await browser.newContext({ viewport: { width, height: 900 }, deviceScaleFactor: ratio });
    const page = await context.newPage();
    await page.goto(made.url);
    const image = page.getByRole('img', { name: /press house/ });
    await expect
      .poll(
        () => image.evaluate((element: HTMLImageElement) => element.currentSrc.split('/').at(-1)),
        `${width} px at ${ratio}`
      )
      .toBe(`photo-${expected}.avif`);
    await expect
      .poll(() => image.evaluate((element: HTMLImageElement) => element.complete && element.naturalWidth > 0))
      .toBe(true);
    await context.close();
  }
});

/** Drops so many pictures drawn on the spot, and files that are none, on the workbench. */
async function dropOn(page: Page, pictures: number, broken: number): Promise<void> {
  await page.evaluate(
    async ({ pictures, broken }) => {
      const data = new DataTransfer();
      for (let n = 0; n < pictures; n += 1) {
        const canvas = new OffscreenCanvas(900, 600);
        const context = canvas.getContext('2d')!;
        context.fillStyle = `hsl(${n * 7} 60% 60%)`;
        context.fillRect(0, 0, 900, 600);
        data.items.add(
          new File([await canvas.convertToBlob({ type: 'image/jpeg' })], `row-${n}.jpg`, {
            type: 'image/jpeg'
          })
        );
      }
      // A picture by its first bytes only.
      for (let n = 0; n < broken; n += 1)
        data.items.add(
          new File([new Uint8Array([0xff, 0xd8, 0xff, 0xe0, 0, 4, 0, 0])], `broken-${n}.jpg`, {
            type: 'image/jpeg'
          })
        );
      document.dispatchEvent(new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true }));
    },
    { pictures, broken }
  );
}

test(
  'many pictures are dropped at once: one step of the history, and what is broken is named',
  inTurn(7),
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    const before = await bench.preview.locator('img').count();
    await bench.pick('Welcome text');
    await dropOn(page, 11, 1);
    await expect(bench.preview.locator('img')).toHaveCount(before + 11);
    await expect(page.getByText('broken-0.jpg is damaged: the browser cannot draw it.')).toBeVisible();
    await page.keyboard.press('Control+z');
    await expect(bench.preview.locator('img')).toHaveCount(before);
  }
);

test('reading many pictures can be stopped, and then none has come in', thorough, async ({ page }) => {
  const bench = await Bench.openDemo(page);
  const before = await bench.preview.locator('img').count();
  await bench.pick('Welcome text');
  await dropOn(page, 120, 0);
  await expect(page.getByText(/of 120 pictures read/)).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByText('No picture was added.')).toBeVisible();
  await expect(bench.preview.locator('img')).toHaveCount(before);
});

test('no margin leaks out of any piece: sections meet without a strip between them', async ({
  blank: page
}) => {
  await open(page, changed(...everyKind('find-us')));
  const gaps = await page.evaluate(() => {
    const rows = [document.body, ...document.querySelectorAll('main')].map((row) =>
      [...row.children].filter(
        (child) => child.getClientRects().length > 0 && getComputedStyle(child).position !== 'absolute'
      )
    );
    return rows.flatMap((row) =>
      row
        .slice(1)
        .map((child, i) => child.getBoundingClientRect().top - row[i]!.getBoundingClientRect().bottom)
    );
  });
  expect(gaps.length).toBeGreaterThan(3);
  for (const gap of gaps) expect(Math.abs(gap)).toBeLessThan(0.5);
});

test.describe('in the workbench', () => {
  test('shares are typed, dragged and refused with the reason', inTurn(4), async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Press columns');
    await bench.view('Fill');
    const field = page.getByRole('textbox', { name: 'Widths', exact: true });
    await expect(field).toHaveValue('2/5 3/5');
    const share = () =>
      bench.preview
        .locator('.press-columns')
        .evaluate(
          (row) =>
            row.children[0]!.getBoundingClientRect().width /
            (row.getBoundingClientRect().width - parseFloat(getComputedStyle(row).columnGap))
        );
    await field.fill('1/4 3/4');
    await field.press('Enter');
    await expect.poll(share).toBeCloseTo(0.25, 2);
    await field.fill('1/4 1/2');
    await field.press('Enter');
    await expect(page.getByText('These shares sum to 3/4; they have to sum to 1.').first()).toBeVisible();
    await expect.poll(share).toBeCloseTo(0.25, 2);
    const border = page.getByRole('separator', { name: /Border after/ });
    await border.focus();
    await page.keyboard.press('ArrowRight');
    await expect.poll(share).toBeCloseTo(0.3, 2);
    const handle = (await border.boundingBox())!;
    const bar = (await page.locator('.bar').boundingBox())!;
    await page.mouse.move(handle.x + 4, handle.y + 10);
    await page.mouse.down();
    await page.mouse.move(bar.x + bar.width * 0.5, handle.y + 10, { steps: 5 });
    await page.mouse.up();
    await expect.poll(share).toBeCloseTo(0.5, 2);
  });

  test('pieces are wrapped, unwrapped and swapped by keys and by name', inTurn(8), async ({ page }) => {
    const bench = await Bench.openDemo(page);
    const from = async (name: string, count: number) => {
      const rows = await bench.outline();
      return rows.slice(rows.indexOf(name), rows.indexOf(name) + count);
    };
    await bench.pick('Welcome heading');
    await bench.row('Welcome text').click({ modifiers: ['Control'] });
    await page.keyboard.press('Control+g');
    expect(await from('Welcome', 4)).toEqual([
      'Welcome',
      '  Stack',
      '    Welcome heading',
      '    Welcome text'
    ]);
    await page.keyboard.press('Control+Shift+g');
    expect(await from('Welcome', 3)).toEqual(['Welcome', '  Welcome heading', '  Welcome text']);
    await bench.pick('Welcome heading');
    await page.keyboard.press('Control+k');
    await page.getByRole('combobox', { name: 'What to find' }).fill('swap for quotation');
    await page.keyboard.press('Enter');
    await expect(bench.preview.locator('.welcome blockquote')).toHaveText(
      'An orchard that has kept its old names'
    );
    await page.keyboard.press('Control+z');
    await expect(
      bench.preview.getByRole('heading', { name: 'An orchard that has kept its old names' })
    ).toBeVisible();
    await page.keyboard.press('u');
    await expect(bench.row('Welcome')).toHaveAttribute('aria-selected', 'true');
  });

  test('pieces go through the system clipboard to another project in another window, pictures and all', async ({
    page
  }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Press columns');
    await page.keyboard.press('Control+c');
    await expect(page.getByText('Copied Press columns')).toBeVisible();
    const other = await page.context().newPage();
    const fresh = await Bench.openNew(other);
    await fresh.row('First section').click();
    await other.keyboard.press('Control+v');
    await expect(fresh.preview.getByRole('heading', { name: 'From tree to glass' })).toBeVisible();
    await expect
      .poll(() => fresh.preview.locator('img').evaluate((image: HTMLImageElement) => image.naturalWidth))
      .toBeGreaterThan(0);
    // The token it is painted with comes along.
    await expect(fresh.preview.getByText('See the harvest story')).toHaveCSS(
      'background-color',
      'rgb(176, 69, 46)'
    );
    // As one step, and with ids of its own.
    await other.keyboard.press('Control+z');
    await expect(fresh.preview.getByRole('heading', { name: 'From tree to glass' })).toHaveCount(0);
  });

  test('HTML from elsewhere is pasted clean', async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Welcome');
    await page.evaluate(() => {
      const data = new DataTransfer();
      data.setData(
        'text/html',
        '<p style="color:red" onclick="alert(1)">From <b>elsewhere</b><script>window.hacked = true</script> with <a href="javascript:alert(2)">a link</a></p>'
      );
      document.dispatchEvent(
        new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true })
      );
    });
    const pasted = bench.preview.getByText('From elsewhere');
    await expect(pasted).toBeVisible();
    expect(await pasted.evaluate((element) => element.outerHTML)).not.toMatch(
      /style=|onclick|script|javascript/
    );
  });

  test('distances under the pointer are drawn and named', inTurn(3), async ({ page }) => {
    const bench = await Bench.openDemo(page);
    const section = bench.preview.locator('.welcome');
    const { x, y } = (await section.boundingBox())!;
    await page.mouse.move(x + 4, y + 4);
    await page.mouse.move(x + 8, y + 6);
    const padding = await (
      await previewFrame(page)
    ).evaluate(() => getComputedStyle(document.querySelector('.welcome')!).padding.replaceAll('px', ''));
    await expect(page.locator('.distances')).toContainText(`Welcome`);
    await expect(page.locator('.distances')).toContainText(`padding ${padding}`);
    await page.keyboard.press('g');
    await expect(page.locator('.distances')).toHaveCount(0);
  });

  test('a template is inserted as pieces like any other', inTurn(5), async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Welcome text');
    await bench.insert('three cards');
    await expect(bench.preview.getByRole('heading', { name: 'Second card' })).toBeVisible();
    await page.keyboard.press('Control+z');
    await expect(bench.preview.getByRole('heading', { name: 'Second card' })).toHaveCount(0);
  });

  test(
    'design tokens come from a file, colour the page, are bound to equal values and leave again',
    inTurn(6),
    async ({ page }) => {
      const bench = await Bench.openDemo(page);
      await page.keyboard.press('Shift+T');
      const panel = page.getByRole('dialog', { name: 'Tokens' });
      const file = {
        Orchard: { $type: 'color', press: { $value: '#123456' } },
        step: { $type: 'dimension', $value: { value: 24, unit: 'px' } },
        bad: { $type: 'gradient', $value: [] }
      };
      await panel.getByLabel('Import design tokens').setInputFiles({
        name: 'brand.tokens.json',
        mimeType: 'application/json',
        buffer: Buffer.from(JSON.stringify(file))
      });
      await expect(panel.getByText('2 tokens taken from brand.tokens.json.')).toBeVisible();
      await expect(
        panel.getByText('bad was left out: Kymation has no tokens of the type gradient.')
      ).toBeVisible();
      await bench.pick('Press button');
      await bench.view('States');
      await bench.set('background-color', 'Background', 'rest', '#123456');
      await panel
        .locator('.token')
        .filter({ has: page.getByRole('textbox', { name: 'Name of Orchard / press' }) })
        .getByRole('button', { name: '×0' })
        .click();
      await panel.getByRole('button', { name: 'Bind it to Orchard / press' }).click();
      await panel.getByRole('textbox', { name: 'Value of Orchard / press' }).fill('#654321');
      await expect(bench.preview.locator('.press-button')).toHaveCSS('background-color', 'rgb(101, 67, 33)');
      await bench.pick('Welcome heading');
      await panel.getByRole('button', { name: 'background of Press button' }).click();
      await expect(bench.row('Press button')).toHaveAttribute('aria-selected', 'true');
      await expect(bench.cell('background-color', 'rest')).toBeFocused();
      const [download] = await Promise.all([
        page.waitForEvent('download'),
        panel.getByRole('button', { name: 'Export design tokens' }).click()
      ]);
      const chunks: Buffer[] = [];
      for await (const chunk of await download.createReadStream()) chunks.push(chunk as Buffer);
      expect(JSON.parse(Buffer.concat(chunks).toString())).toMatchObject({
        Orchard: { press: { $type: 'color', $value: { hex: '#654321' } } }
      });
    }
  );

  test('pages are made, described, linked and not lost while something leads to them', async ({ page }) => {
    await Bench.openDemo(page);
    const run = async (words: string) => {
      await page.keyboard.press('Control+k');
      await page.getByRole('combobox', { name: 'What to find' }).fill(words);
      await page.keyboard.press('Enter');
    };
    await run('duplicate this page');
    await expect(page.getByRole('combobox', { name: 'Page' })).toContainText('Visit page, copy');
    await page.getByRole('textbox', { name: 'Title', exact: true }).fill('A winter visit');
    await page.getByRole('textbox', { name: 'Language', exact: true }).fill('not a tag');
    await expect(
      page.getByText('“not a tag” is no language tag. Write one such as en-GB, de or ar.')
    ).toBeVisible();
    await page.getByRole('textbox', { name: 'Language', exact: true }).fill('cy');
    await page.getByRole('tree').locator('[role="treeitem"]').first().click();
    await run('delete this page');
    await expect(page.getByRole('combobox', { name: 'Page' })).not.toContainText('copy');
    await page.keyboard.press('Control+z');
    await expect(page.getByRole('combobox', { name: 'Page' })).toContainText('Visit page, copy');
    await page.getByRole('combobox', { name: 'Page' }).selectOption({ label: 'Harvest story' });
    await page.keyboard.press('Control+k');
    await page.getByRole('combobox', { name: 'What to find' }).fill('delete this page');
    await expect(page.getByText(/leads? to Harvest story/)).toBeVisible();
  });
});
