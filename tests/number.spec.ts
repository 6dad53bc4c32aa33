import { gzipSync } from 'node:zlib';
import { makeWith } from '../src/core/kinds/make';
import { pageScript } from '../src/server/bundle';
import type { Command } from '../src/core/commands/commands';
import type { Node, NodeId } from '../src/core/project/types';
import { axeViolations } from './support/axe';
import { partIn } from './support/exported';
import { expect, test, type Page } from './support/test';
import { changed, open, put } from './support/visit';

const make = makeWith({ exactIds: true });
const number = (settings: Node['settings'] = {}) =>
  changed(
    put(
      make('number', 'Trees', { value: '12480', after: ' trees', caption: 'on eleven acres', ...settings }),
      0,
      'find-us'
    )
  );
const part = (page: Page, name: string) => page.locator(partIn('export', 'trees' as NodeId, name));

test('counts once when it comes into view, keeps its room, and is heard as what it ends at', async ({
  blank: page
}) => {
  await open(page, number());
  const live = part(page, 'number').locator('[data-k-amount]');
  const end = part(page, 'number').locator('[data-k-amount] ~ *, span > span').first();
  await expect(live).toBeEmpty();
  const width = () =>
    part(page, 'number').evaluate((each) => each.firstElementChild!.getBoundingClientRect().width);
  const before = await width();
  await page.evaluate(() => {
    const seen: number[] = ((window as unknown as { seen: number[] }).seen = []);
    const text = document.querySelector('[data-k-amount]')!;
    new MutationObserver(() => {
      const value = Number(text.textContent!.replace(/\D/g, ''));
      if (text.textContent) seen.push(value);
    }).observe(text, { childList: true, characterData: true, subtree: true });
  });
  await part(page, 'root').scrollIntoViewIfNeeded();
  await expect(live).not.toBeEmpty();
  await expect(end).toHaveCSS('opacity', '0');
  expect(await width()).toBeCloseTo(before, 1);
  await expect(page.getByText('12,480 trees')).toBeVisible();
  await expect(live).toBeEmpty();
  await expect(end).toHaveCSS('opacity', '1');
  const seen = await page.evaluate(() => (window as unknown as { seen: number[] }).seen);
  expect(seen.length).toBeGreaterThan(5);
  expect(seen).toEqual(seen.toSorted((a, b) => a - b));
  expect(Math.max(...seen)).toBeLessThanOrEqual(12480);
  expect(await page.locator('body').ariaSnapshot()).toContain('12,480 trees');
});

test('with less motion, on paper and without script it stands there at once', async ({
  browser,
  blank: page
}) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await open(page, number());
  await part(page, 'root').scrollIntoViewIfNeeded();
  const end = part(page, 'number').locator('span > span').first();
  await expect(end).toHaveCSS('opacity', '1');
  await expect(end).toHaveText('12,480');
  const context = await browser.newContext({ javaScriptEnabled: false });
  const quiet = await context.newPage();
  await open(quiet, number());
  await expect(quiet.getByText('12,480 trees')).toBeVisible();
  await context.close();
});

test('its script is small, and axe-core has nothing to say', async ({ blank: page }) => {
  expect(gzipSync((await pageScript(['counts'], true))!, { level: 9 }).length).toBeLessThanOrEqual(409);
  await open(page, number());
  expect(await axeViolations(page)).toEqual([]);
});

test.describe('a loop', () => {
  const looping = (settings: Node['settings'] = {}) =>
    changed(
      { type: 'add-effect', id: 'welcome-heading', effect: 'loop' } as Command,
      ...Object.entries(settings).map(
        ([key, value]) => ({ type: 'set-setting', id: 'welcome-heading', key, value }) as Command
      )
    );
  const heading = (page: Page) => page.locator(partIn('export', 'welcome-heading' as NodeId, 'root'));

  // Web Animations 1, section 5.4 (keyframe effects): the reference is the browser's own animation of the same
  // keyframes.
  test('as it is written is what the browser makes of the same keyframes, at 20 moments', async ({
    blank: page
  }) => {
    const track = { form: 'own', ms: 1000, delay: 0, easing: 'ease-in-out', step: 0, from: 'first' };
    const written = {
      'loop-track': track,
      'loop-translate': '0 0 → 10px -12px → 0 0 → 4px 4px',
      'loop-rotate': '0deg → 30deg',
      'loop-scale': '1 → 1.5 at 20% → 1.2 → 1'
    };
    await open(page, looping(written));
    const differ = await page
      .locator(partIn('export', 'welcome-heading' as NodeId, 'root'))
      .evaluate((element) => {
        const own = element.getAnimations();
        const other = document.body.appendChild(document.createElement('div'));
        const timing = { duration: 1000, iterations: Infinity };
        // A moment without an offset stands evenly between its neighbours (Web Animations 1, 5.4.5).
        const keyframes: [string, string[], (number | null)[]][] = [
          ['translate', ['0 0', '10px -12px', '0 0', '4px 4px'], []],
          ['rotate', ['0deg', '30deg'], []],
          ['scale', ['1', '1.5', '1.2', '1'], [0, 0.2]]
        ];
        const same = keyframes.map(([property, values, offsets]) =>
          other.animate(
            values.map((value, i) => ({
              [property]: value,
              easing: 'ease-in-out',
              offset: offsets[i] ?? null
            })),
            timing
          )
        );
        const values = (of: Element) =>
          ['translate', 'rotate', 'scale']
            .map((each) => getComputedStyle(of).getPropertyValue(each))
            .join(' | ')
            .replaceAll(/[\d.]+/g, (number) => (+number).toFixed(3));
        const wrong: string[] = [];
        for (let n = 0; n < 20; n += 1) {
          for (const each of [...own, ...same]) {
            each.pause();
            each.currentTime = n * 50;
          }
          if (values(element) !== values(other))
            wrong.push(`${n * 50}: ${values(element)}, not ${values(other)}`);
        }
        return { count: own.length, wrong };
      });
    expect(differ).toEqual({ count: 3, wrong: [] });
  });

  // CSS Animations 1: the reference is Chromium’s own Web Animations, asked at twenty moments.
  test('stands where its curve says at twenty moments, there and back', async ({ blank: page }) => {
    await open(page, looping());
    const places = await heading(page).evaluate((element) => {
      const [clock] = element.getAnimations();
      clock!.pause();
      const reference = document.createElement('i').animate(null, {
        duration: 1500,
        easing: 'ease-in-out',
        iterations: Infinity,
        direction: 'alternate'
      });
      reference.pause();
      return Array.from({ length: 20 }, (_, i) => {
        clock!.currentTime = reference.currentTime = i * 310;
        const { progress } = reference.effect!.getComputedTiming();
        return [progress!, parseFloat(getComputedStyle(element).translate.split(' ')[1] ?? '0')] as const;
      });
    });
    for (const [progress, y] of places) expect(y).toBeCloseTo(-8 * progress, 1);
    expect(Math.min(...places.map(([, y]) => y))).toBeLessThan(-7);
  });

  test('is held while pointed at, and is none with less motion', async ({ blank: page }) => {
    await open(page, looping());
    const state = () => heading(page).evaluate((each) => each.getAnimations()[0]?.playState ?? 'none');
    await page.mouse.move(1, 1);
    await expect.poll(state).toBe('running');
    await heading(page).hover({ force: true });
    await expect.poll(state).toBe('paused');
    await page.emulateMedia({ reducedMotion: 'reduce' });
    await expect.poll(state).toBe('none');
  });
});
