import { makeWith } from '../src/core/kinds/make';
import { partIn } from './support/exported';
import { expect, test, type Page } from './support/test';
import { changed, open, put } from './support/visit';

const make = makeWith({ exactIds: true });

const fills = (page: Page, node: string, part: string): Promise<readonly string[]> =>
  page
    .locator(partIn('export', node, part))
    .evaluateAll((elements) => elements.map((element) => getComputedStyle(element).backgroundColor));

test('where colours are those a person has chosen, the chosen tab and the current dot are still told apart', async ({
  blank: page
}) => {
  const slides = ['One', 'Two', 'Three'].map((name) =>
    make('panel', name, {}, { content: [make('text', `${name} words`, { html: `<p>${name}</p>` })] })
  );
  const slider = make('slider', 'Views', { dots: 'dots' }, { panels: slides });
  const bar = make('progress', 'Read so far', { place: 'here' });
  await page.emulateMedia({ forcedColors: 'active' });
  await open(page, changed(put(slider), put(bar)));
  const ground = await page.evaluate(() => getComputedStyle(document.body).backgroundColor);
  const [current, next] = await fills(page, 'views', 'dot');
  expect(new Set([current, next, ground]).size).toBe(3);
  const [chosen, other] = await fills(page, 'season-tabs', 'tab');
  expect(chosen).not.toBe(other);
  const [read] = await fills(page, 'read-so-far', 'bar');
  expect(read).not.toBe(ground);
});
