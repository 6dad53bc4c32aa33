import { expect, test } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { projectOf } from '../bench/projects';
import { Bench } from './support/workbench';

test('a label typed in Fill shows in the preview at once, comes back by undo, and is there after a reload', async ({
  page
}) => {
  const bench = await Bench.openDemo(page);
  await bench.pick('Season tabs');
  await bench.view('Fill');
  const label = page.getByRole('textbox', { name: 'Label 2', exact: true });
  // What a hand or a behaviour has made of the page stays: only the words are new.
  await bench.preview
    .getByRole('tab', { name: 'Summer' })
    .evaluate((element) => element.setAttribute('data-kept', ''));
  await label.fill('High summer');
  await expect(bench.preview.getByRole('tab', { name: 'High summer' })).toHaveAttribute('data-kept');
  await expect(bench.preview.getByRole('tabpanel', { name: 'Blossom' })).toBeVisible();
  await expect(bench.row('High summer')).toBeVisible();
  await bench.saved();
  await page.reload();
  await expect(bench.preview.getByRole('tab', { name: 'High summer' })).toBeVisible();
  await bench.row('Season tabs').click();
  await page.keyboard.press('Control+z');
  await expect(bench.preview.getByRole('tab', { name: 'Summer', exact: true })).toBeVisible();
  await page.keyboard.press('Control+Shift+z');
  await expect(bench.preview.getByRole('tab', { name: 'High summer' })).toBeVisible();
});

test('where an undo takes the picked piece away, the hand goes on beside it', thorough, async ({ page }) => {
  const bench = await Bench.openDemo(page);
  const [text, copy] = [bench.row('Welcome text'), bench.row('Welcome text 2')];
  await bench.pick('Welcome text');
  await page.keyboard.press('Control+d');
  await expect(copy).toHaveAttribute('aria-selected', 'true');
  await page.keyboard.press('Control+z');
  await expect(copy).toHaveCount(0);
  await expect(text).toHaveAttribute('aria-selected', 'true');
  // And so it does where a step is done again.
  await page.keyboard.press('Delete');
  await page.keyboard.press('Control+z');
  await text.click();
  await page.keyboard.press('Control+Shift+z');
  await expect(text).toHaveCount(0);
  await expect(bench.row('Welcome heading')).toHaveAttribute('aria-selected', 'true');
});

test('panels are added, duplicated, moved, removed and renamed in one list', async ({ page }) => {
  const bench = await Bench.openDemo(page);
  await bench.pick('Season tabs');
  await bench.view('Fill');
  const tabs = bench.preview.locator('.season-tabs [role=tab]');
  await page.getByRole('button', { name: 'Duplicate Harvest' }).click();
  await expect(tabs).toHaveText(['Blossom', 'Summer', 'Harvest', 'Harvest 2', 'Wassail']);
  await page.getByRole('button', { name: 'Move Wassail up' }).click();
  await expect(tabs).toHaveText(['Blossom', 'Summer', 'Harvest', 'Wassail', 'Harvest 2']);
  await page.getByRole('button', { name: 'Remove Harvest 2' }).click();
  await expect(tabs).toHaveText(['Blossom', 'Summer', 'Harvest', 'Wassail']);
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(tabs).toHaveText(['Blossom', 'Summer', 'Harvest', 'Wassail', 'Panel 5']);
  await bench.pick('Season tabs');
  await page.getByRole('textbox', { name: 'Label 5' }).fill('Frost');
  await expect(tabs.last()).toHaveText('Frost');
  await expect(page.getByRole('button', { name: '1 finding' })).toBeVisible();
});

test(
  'the piece that is inserted by A, by Ctrl K and by the button stands where the selection is',
  inTurn(4),
  async ({ page }) => {
    const bench = await Bench.openNew(page);
    await bench.row('First section').click();
    await page.keyboard.press('a');
    await expect(page.getByRole('combobox', { name: 'What to insert' })).toBeFocused();
    await page.keyboard.type('tabs');
    await page.keyboard.press('Enter');
    await expect(bench.preview.getByRole('tab')).toHaveText(['First', 'Second', 'Third']);
    await bench.row('Second').click();
    await page.keyboard.press('Control+k');
    await expect(page.getByRole('combobox', { name: 'What to find' })).toBeFocused();
    await page.keyboard.type('insert heading');
    await page.keyboard.press('Enter');
    await expect(bench.row('Heading')).toBeVisible();
    await bench.pick('First section');
    await bench.insert('columns');
    await bench.row('First column').click();
    await bench.insert('button');
    expect(await bench.outline()).toEqual([
      'First section',
      '  Tabs',
      '    First',
      '      First text',
      '    Second',
      '      Second text',
      '      Heading',
      '    Third',
      '      Third text',
      '  Columns',
      '    First column',
      '      Button',
      '    Second column'
    ]);
  }
);

test('pieces are moved by dragging and by keys, duplicated, renamed, deleted and brought back', async ({
  page
}) => {
  const bench = await Bench.openNew(page);
  for (const kind of ['heading', 'rich text', 'button']) {
    await bench.row('First section').click();
    await bench.insert(kind);
  }
  expect(await bench.outline()).toEqual(['First section', '  Heading', '  Text', '  Button']);
  const heading = (await bench.row('Heading').boundingBox())!;
  await bench.row('Button').dragTo(bench.row('Heading'), { targetPosition: { x: heading.width / 2, y: 2 } });
  expect(await bench.outline()).toEqual(['First section', '  Button', '  Heading', '  Text']);
  await bench.row('Button').click();
  await page.keyboard.press('Alt+ArrowDown');
  await page.keyboard.press('Alt+ArrowDown');
  expect(await bench.outline()).toEqual(['First section', '  Heading', '  Text', '  Button']);
  await page.keyboard.press('Control+d');
  expect(await bench.outline()).toEqual(['First section', '  Heading', '  Text', '  Button', '  Button 2']);
  await page.keyboard.press('F2');
  await page.getByRole('textbox', { name: 'New name of Button 2' }).fill('Last word');
  await page.keyboard.press('Enter');
  await expect(bench.row('Last word')).toBeVisible();
  await bench.row('Heading').click();
  await bench.row('Text').click({ modifiers: ['Shift'] });
  await page.keyboard.press('Delete');
  expect(await bench.outline()).toEqual(['First section', '  Button', '  Last word']);
  for (let i = 0; i < 3; i += 1) await page.keyboard.press('Control+z');
  expect(await bench.outline()).toEqual(['First section', '  Heading', '  Text', '  Button']);
});

test('what cannot stand somewhere is refused with the reason, and nothing moves', async ({ page }) => {
  const bench = await Bench.openDemo(page);
  const before = await bench.outline();
  await bench.row('Blossom').dragTo(bench.row('Welcome heading'));
  await expect(page.getByText(/cannot stand in/)).toBeVisible();
  expect(await bench.outline()).toEqual(before);
});

test('arrow keys walk, fold and unfold the outline', async ({ page }) => {
  const bench = await Bench.openDemo(page);
  await bench.row('Header').click();
  // Onto the row inside, back and shut; then on to the next section, into it, and out again.
  await page.keyboard.press('ArrowRight');
  await expect(bench.row('Header row')).toBeFocused();
  for (const key of ['ArrowLeft', 'ArrowLeft', 'ArrowLeft']) await page.keyboard.press(key);
  await expect(bench.row('Header row')).toHaveCount(0);
  for (const key of ['ArrowDown', 'ArrowDown', 'ArrowLeft']) await page.keyboard.press(key);
  await expect(bench.row('Welcome')).toBeFocused();
  await page.keyboard.press('ArrowLeft');
  await expect(bench.row('Welcome')).toHaveAttribute('aria-expanded', 'false');
  await expect(bench.row('Welcome heading')).toHaveCount(0);
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(bench.row('Welcome heading')).toBeFocused();
});

test('a click in the preview picks the part; Try it gives the page its own hands back', async ({ page }) => {
  const bench = await Bench.openDemo(page);
  await bench.preview.locator('#summer-tab').click();
  await expect(bench.row('Summer')).toHaveAttribute('aria-selected', 'true');
  await expect(
    page.getByRole('group', { name: 'Parts' }).getByRole('button', { name: 'tab', exact: true })
  ).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('t');
  await bench.preview.locator('#wassail-tab').click();
  await expect(bench.preview.getByText('Toast in the branches')).toBeVisible();
  await expect(bench.row('Summer')).toHaveAttribute('aria-selected', 'true');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('tab', { name: 'Select' })).toHaveAttribute('aria-selected', 'true');
});

test('picking a hidden panel in the outline opens it in the preview', async ({ page }) => {
  const bench = await Bench.openDemo(page);
  await bench.row('Harvest text').click();
  await expect(bench.preview.getByText('Pick, sort and press')).toBeVisible();
});

test('rich text is written with bold, links and lists, and stays clean', inTurn(5), async ({ page }) => {
  const bench = await Bench.openNew(page);
  await bench.row('First section').click();
  await bench.insert('rich text');
  await bench.view('Fill');
  const editor = page.getByRole('textbox', { name: 'Text', exact: true });
  await editor.click();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('Come to the ');
  await page.getByRole('button', { name: 'Bold', exact: true }).click();
  await page.keyboard.type('orchard');
  await expect(bench.preview.locator('strong')).toHaveText('orchard');
  await page.keyboard.press('Control+a');
  await page.getByRole('button', { name: 'Link', description: 'Link' }).click();
  await page.getByRole('textbox', { name: 'Address of the link' }).fill('javascript:alert(1)');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Write an address such as')).toBeVisible();
  await page.getByRole('textbox', { name: 'Address of the link' }).fill('https://quillmere.example/');
  await page.keyboard.press('Enter');
  await expect(bench.preview.locator('a').first()).toHaveAttribute('href', 'https://quillmere.example/');
});

test(
  'text is written in the page itself, by double click and by Enter, and is one step of the history',
  inTurn(7),
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    const words = bench.preview.locator('.welcome-text');
    await words.dblclick();
    const editor = bench.preview.getByRole('textbox', { name: 'Text of Welcome text' });
    await expect(editor).toBeFocused();
    await page.keyboard.press('Control+a');
    await page.keyboard.type('Come to the ');
    await page.keyboard.press('Control+b');
    await page.keyboard.type('orchard');
    await page.keyboard.press('Control+b');
    await page.keyboard.type(' in May');
    await expect(editor.locator('strong')).toHaveText('orchard');
    // A tool is pressed with the mouse, and the selection stays.
    await page.keyboard.press('Shift+Control+ArrowLeft');
    await page.keyboard.press('Control+k');
    await page.keyboard.type('javascript:alert(1)');
    await page.keyboard.press('Enter');
    await expect(bench.preview.getByRole('alert')).toHaveText(/Write an address such as/);
    await expect(editor.locator('a')).toHaveCount(0);
    await page.keyboard.press('Control+a');
    await page.keyboard.type('#find-us');
    await page.keyboard.press('Enter');
    await expect(editor.locator('a')).toHaveText('May');
    await page.keyboard.press('Escape');
    await expect(editor).toHaveCount(0);
    await expect(words.locator('a.welcome-text-link')).toHaveAttribute('href', '#find-us');
    await expect(words).toHaveText('Come to the orchard in May');
    await page.keyboard.press('Control+z');
    await expect(words).toContainText('Eleven acres of standard trees');
    await bench.pick('Welcome text');
    await page.keyboard.press('Enter');
    await expect(editor).toBeFocused();
    // Pasted markup is cleaned to what rich text may hold.
    await editor.evaluate((element) => {
      const data = new DataTransfer();
      data.setData(
        'text/html',
        '<h1 style="color:red" onclick="x()">Bare <script>x()</script><em>words</em></h1>' +
          '<img src="https://evil.example/x.png">'
      );
      element.dispatchEvent(
        new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true })
      );
    });
    await expect(editor.locator('em')).toHaveText('words');
    // Pressing elsewhere ends it and picks what was pressed.
    await bench.preview.locator('.welcome-heading').click();
    await expect(editor).toHaveCount(0);
    await expect(bench.row('Welcome heading')).toHaveAttribute('aria-selected', 'true');
    expect(await words.evaluate((element) => element.innerHTML)).not.toMatch(/style|onclick|script|img|h1/);
  }
);

test('a picture is added from disk, cleaned, shown and exported', async ({ page }) => {
  const bench = await Bench.openNew(page);
  await bench.row('First section').click();
  await bench.insert('image');
  await bench.view('Fill');
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" width="40" height="20" onload="parent.hacked=1"><script>parent.hacked=1</script><rect width="40" height="20" fill="red"/></svg>';
  await page.getByRole('group', { name: 'Picture', exact: true }).getByRole('button').first().click();
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'My Sign.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(svg) });
  await expect(bench.preview.locator('img')).toHaveJSProperty('naturalWidth', 40);
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('hello') });
  await expect(page.getByText('notes.txt is no picture')).toBeVisible();
  await page.keyboard.press('Control+e');
  await page.getByRole('button', { name: 'assets/my-sign.svg' }).click();
  await expect(page.getByText('A picture; it goes along as it is.')).toBeVisible();
  await page.getByRole('tab', { name: 'One HTML file' }).click();
  const text = page.getByLabel('Text of index.html');
  await expect(text).toContainText('data:image/svg+xml;base64,');
  const data = /base64,([^"]+)/.exec((await text.textContent())!)![1]!;
  expect(Buffer.from(data, 'base64').toString()).not.toMatch(/script|onload/);
});

test(
  'a switch that was just turned leaves the keys to the workbench: it is taken back at once',
  thorough,
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Season tabs');
    await bench.view('Behaviour');
    const several = page.getByRole('switch', { name: 'Several panels open' });
    await expect(several).not.toBeChecked();
    await several.click();
    await expect(several).toBeChecked();
    await page.keyboard.press('Control+z');
    await expect(several).not.toBeChecked();
    await page.keyboard.press('3');
    await expect(page.getByRole('tab', { name: 'States' })).toHaveAttribute('aria-selected', 'true');
  }
);

test('the outline is filtered by name, with what each piece stands in', inTurn(1), async ({ page }) => {
  const bench = await Bench.openDemo(page);
  const all = (await bench.outline()).length;
  const filter = page.getByRole('searchbox', { name: 'Filter the outline' });
  await filter.fill('harvest pic');
  expect(await bench.outline()).toEqual([
    'Plan a visit',
    '  Season tabs',
    '    Harvest',
    '      Harvest columns',
    '        Harvest picture side',
    '          Harvest picture'
  ]);
  await bench.row('Harvest picture').click();
  await expect(bench.preview.locator('#harvest img')).toBeVisible();
  await filter.fill('no such thing');
  await expect(page.getByText('Nothing on this page is called “no such thing”.')).toBeVisible();
  await filter.press('Escape');
  expect((await bench.outline()).length).toBe(all);
});

test('a page of 600 pieces comes in portions, and is whole and in order', thorough, async ({ page }) => {
  const bench = new Bench(page);
  await bench.importProject(projectOf(120));
  const list = bench.preview.locator('[role=tablist]');
  await expect(list).toHaveCount(120);
  await expect(bench.preview.locator('k-slot')).toHaveCount(0);
  expect(
    await bench.preview
      .locator('body')
      .evaluate((body) =>
        [...body.querySelectorAll('[data-k^="text-"]')].map((each) => each.getAttribute('data-k'))
      )
  ).toEqual(Array.from({ length: 120 }, (_, n) => [`text-${n}-a`, `text-${n}-b`]).flat());
});

test(
  'F6 goes from one part of the window to the next, also out of a field and out of the preview, and back',
  inTurn(8),
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Season tabs');
    await bench.view('Fill');
    const [row, view] = [bench.row('Season tabs'), page.getByRole('tab', { name: 'Fill', exact: true })];
    const preview = page.locator('iframe[title^="Preview of"]');
    await row.focus();
    await page.keyboard.press('F6');
    await expect(preview).toBeFocused();
    await expect(preview).toHaveAttribute('data-has-keys');
    await page.keyboard.press('F6');
    await expect(view).toBeFocused();
    await expect(preview).not.toHaveAttribute('data-has-keys');
    await page.keyboard.press('f');
    const findings = page.getByRole('dialog', { name: 'Findings' });
    await expect(findings).toBeVisible();
    await page.keyboard.press('F6');
    await expect(findings.getByRole('button', { name: 'Close' })).toBeFocused();
    await page.keyboard.press('F6');
    await expect(page.getByRole('banner').locator(':focus')).toHaveCount(1);
    for (const part of [findings, page.getByRole('region', { name: 'Tuning sheet' })]) {
      await page.keyboard.press('Shift+F6');
      await expect(part.locator(':focus')).toHaveCount(1);
    }
    // From a field, where other keys are words; and the field is what one comes back to.
    const label = page.getByRole('textbox', { name: 'Label 2', exact: true });
    await label.focus();
    await page.keyboard.press('Shift+F6');
    await expect(preview).toBeFocused();
    await page.keyboard.press('F6');
    await expect(label).toBeFocused();
    // Where the page is tried it has the keys, but not the one that leads out.
    await page.keyboard.press('Escape');
    await page.keyboard.press('t');
    await preview.focus();
    await page.keyboard.press('Shift+F6');
    await expect(row).toBeFocused();
    await page.keyboard.press('v');
    await page.keyboard.press('F6');
    await expect(page.getByText('Leave the full window by Esc first.')).toBeVisible();
  }
);

test('Tab goes through the preview and on to what comes after it, and back', inTurn(2), async ({ page }) => {
  const bench = await Bench.openNew(page);
  await bench.insert('tabs');
  await expect(bench.preview.getByRole('tab')).toHaveCount(3);
  const isInPreview = () => page.evaluate(() => document.activeElement instanceof HTMLIFrameElement);
  const leave = async (key: string) => {
    for (let presses = 0; presses < 12 && (await isInPreview()); presses += 1) await page.keyboard.press(key);
  };
  const width = page.getByRole('slider', { name: 'Width of the preview' });
  await width.focus();
  await page.keyboard.press('Tab');
  expect(await isInPreview()).toBe(true);
  await leave('Tab');
  expect(await isInPreview()).toBe(false);
  await expect(width).not.toBeFocused();
  await page.keyboard.press('Shift+Tab');
  expect(await isInPreview()).toBe(true);
  await leave('Shift+Tab');
  await expect(width).toBeFocused();
});

test(
  'what was built while writing goes again when it is undone, though the words are as many',
  thorough,
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    const words = bench.preview.locator('.welcome-text');
    await words.dblclick();
    await expect(bench.preview.getByRole('textbox', { name: 'Text of Welcome text' })).toBeFocused();
    await page.keyboard.press('Control+a');
    await page.keyboard.press('Delete');
    await page.keyboard.type('- In May');
    await page.keyboard.press('Escape');
    await expect(words.locator('li')).toHaveText('In May');
    await page.keyboard.press('Control+z');
    await expect(words).toContainText('Eleven acres of standard trees');
    await expect(words.locator('li')).toHaveCount(0);
  }
);

test(
  'what had the focus has it again where a drawer, a panel or a dialog is closed',
  thorough,
  async ({ page }) => {
    await Bench.openDemo(page);
    const insert = page.getByRole('button', { name: 'Insert A' });
    await insert.focus();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('combobox', { name: 'What to insert' })).toBeFocused();
    await page.keyboard.press('Escape');
    await expect(insert).toBeFocused();
    const findings = page.getByRole('button', { name: /findings/ });
    await findings.focus();
    await page.keyboard.press('Enter');
    const close = page.getByRole('dialog', { name: 'Findings' }).getByRole('button', { name: 'Close' });
    await close.focus();
    await page.keyboard.press('Enter');
    await expect(findings).toBeFocused();
    await page.keyboard.press('Control+e');
    await page.getByRole('dialog', { name: 'Export' }).waitFor();
    await page.keyboard.press('Escape');
    await expect(findings).toBeFocused();
  }
);

test(
  'Escape in a side panel closes that alone: what is picked stays, and has the focus again',
  thorough,
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.row('Season tabs').click();
    await page.keyboard.press('f');
    await page.getByRole('dialog', { name: 'Findings' }).getByRole('button', { name: 'Close' }).focus();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog', { name: 'Findings' })).toHaveCount(0);
    await expect(bench.row('Season tabs')).toHaveAttribute('aria-selected', 'true');
    await expect(bench.row('Season tabs')).toBeFocused();
  }
);

test(
  'a field is left by Escape with what was typed; from then on keys mean the workbench',
  thorough,
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Season tabs');
    await bench.view('Fill');
    const label = page.getByRole('textbox', { name: 'Label 2', exact: true });
    await label.fill('High summer');
    await label.press('Escape');
    await expect(label).not.toBeFocused();
    await expect(label).toHaveValue('High summer');
    await page.keyboard.press('Tab');
    await expect(page.locator(':focus')).toHaveCount(1);
    await page.keyboard.press('Shift+Tab');
    await expect(label).toBeFocused();
    await page.keyboard.press('Escape');
    await page.keyboard.press('f');
    await page.getByRole('dialog', { name: 'Findings' }).waitFor();
    await expect(label).toHaveValue('High summer');
  }
);

test(
  'what is put onto a dark ground comes with words that can be read there, as one step',
  inTurn(6),
  async ({ page }) => {
    const bench = await Bench.openNew(page);
    await bench.pick('First section');
    await bench.set('background-color', 'Background', 'rest', '#1f3329');
    await bench.set('color', 'Text', 'rest', '#f6efe0');
    await bench.pick('First section');
    await bench.insert('accordion');
    const header = bench.preview.locator('summary').last();
    await expect(header).toHaveCSS('color', 'rgb(246, 239, 224)');
    await bench.row('Accordion').press('Control+z');
    await expect(header).toHaveCount(0);
    await expect(bench.row('Accordion')).toHaveCount(0);
    await expect(bench.row('First section')).toBeVisible();
  }
);
