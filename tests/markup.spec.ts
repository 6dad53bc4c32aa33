import { expect, test, type Page } from './support/test';
import { inTurn } from './support/thorough';
import { Bench } from './support/workbench';

const SVG =
  '<svg xmlns="http://www.w3.org/2000/svg" width="40" height="30"><rect width="40" height="30" fill="#b0452e"/></svg>';
const PICTURE = `data:image/svg+xml;base64,${Buffer.from(SVG).toString('base64')}`;

const PAGE = `<article><h2>Three late pears</h2><p>They keep <b>until May</b>.</p>
<img src="${PICTURE}" alt="A crate of pears">
<details><summary>When to pick</summary><p>October.</p></details>
<details><summary>How to keep</summary><p>Cool and dark.</p></details>
<script>document.title = 'no'</script></article>`;

const paste = (page: Page, type: string, text: string) =>
  page.evaluate(
    ([type, text]) => {
      const data = new DataTransfer();
      data.setData(type!, text!);
      document.dispatchEvent(
        new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true })
      );
    },
    [type, text]
  );

test('HTML that is pasted becomes pieces; what is left out is told, and pictures are fetched', async ({
  page
}) => {
  const bench = await Bench.openNew(page);
  await bench.pick('First section');
  await paste(page, 'text/html', PAGE);
  await expect(bench.preview.getByRole('heading', { name: 'Three late pears' })).toBeVisible();
  await expect(bench.preview.locator('strong')).toHaveText('until May');
  await expect(bench.preview.locator('summary')).toHaveText(['When to pick', 'How to keep']);
  await expect(
    page.getByText('Pasted as 4 pieces: left out: 1 script; a picture is elsewhere still.')
  ).toBeVisible();
  await page.getByRole('button', { name: 'Fetch it' }).click();
  await expect(bench.preview.getByRole('img', { name: 'A crate of pears' })).toBeVisible();
  // The picture is a step of its own; before it all pieces came in one.
  await page.keyboard.press('Control+z');
  await expect(bench.preview.getByRole('img', { name: 'A crate of pears' })).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(bench.preview.getByRole('heading', { name: 'Three late pears' })).toHaveCount(0);
});

test(
  'markup copied as text, and a file that is dropped, are read in the same way',
  inTurn(2),
  async ({ page }) => {
    const bench = await Bench.openNew(page);
    await bench.pick('First section');
    await paste(page, 'text/plain', '<h3>From an editor</h3>\n<p>Words</p>');
    await expect(bench.preview.getByRole('heading', { level: 3, name: 'From an editor' })).toBeVisible();
    await page.evaluate(() => {
      const data = new DataTransfer();
      const html = '<!doctype html><title>x</title><body><h2>From a file</h2></body>';
      data.items.add(new File([html], 'old.html', { type: 'text/html' }));
      window.dispatchEvent(new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true }));
    });
    await expect(bench.preview.getByRole('heading', { level: 2, name: 'From a file' })).toBeVisible();
    await expect(bench.row('From a file')).toBeVisible();
  }
);
