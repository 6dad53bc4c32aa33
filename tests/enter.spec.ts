import BezierEasing from 'bezier-easing';
import type { Command } from '../src/core/commands/commands';
import type { Project } from '../src/core/project/types';
import { axeViolations } from './support/axe';
import { Counted } from './support/counted';
import { partIn } from './support/exported';
import { expect, test, type Page } from './support/test';
import { inTurn } from './support/thorough';
import { changed, open } from './support/visit';
import { Bench } from './support/workbench';

const TRACK = {
  form: 'rise',
  ms: 400,
  delay: 100,
  easing: 'cubic-bezier(0.2, 0, 0.4, 1)',
  step: 80,
  from: 'first'
};

/** A section of the demo, far below the first screen, that enters. */
const entering = (more: object = {}, ...commands: Command[]): Project => {
  const settings = { children: false, track: TRACK, ...more };
  const set = Object.entries(settings).map(
    ([key, value]) => ({ type: 'set-setting', id: 'press-columns', key: `enter-${key}`, value }) as Command
  );
  return changed({ type: 'add-effect', id: 'press-columns', effect: 'enter' }, ...set, ...commands);
};

const piece = (page: Page) => page.locator(partIn('export', 'press-columns', 'root'));

const isWaiting = (page: Page) => piece(page).evaluate((element) => element.hasAttribute('data-waiting'));

/** Scrolls until so much of the piece is in view, 0 to 1. */
const showShare = (page: Page, share: number): Promise<void> =>
  piece(page).evaluate((element, part) => {
    const { top, height } = element.getBoundingClientRect();
    scrollTo({ top: scrollY + top + height * part - innerHeight, behavior: 'instant' });
  }, share);

// Web Animations 1 and CSS Easing 2: how far an entrance is at a time is delay, length and curve; bezier-easing and
// Chromium are the references.
test('is as far at each of 20 moments as its track says', async ({ blank: page }) => {
  await open(page, entering());
  await showShare(page, 0.6);
  await expect(piece(page)).not.toHaveAttribute('data-waiting');
  const ease = BezierEasing(0.2, 0, 0.4, 1);
  const moments = Array.from({ length: 20 }, (_each, i) => (i * 500) / 19);
  const seen = await piece(page).evaluate((element, times) => {
    const [movement] = element.getAnimations();
    movement!.pause();
    return times.map((time) => {
      movement!.currentTime = time;
      const { opacity, translate } = getComputedStyle(element);
      return [Number(opacity), parseFloat(translate.split(' ')[1] ?? '0')] as const;
    });
  }, moments);
  moments.forEach((time, i) => {
    const progress = ease(Math.min(1, Math.max(0, (time - TRACK.delay) / TRACK.ms)));
    expect(Math.abs(seen[i]![0] - progress), `opacity at ${time} ms`).toBeLessThan(0.005);
    expect(Math.abs(seen[i]![1] - 16 * (1 - progress)), `place at ${time} ms`).toBeLessThan(0.1);
  });
});

test('waits out of view and starts when the share of it is in view, once', async ({ blank: page }) => {
  await open(page, entering({ share: 50 }));
  expect(await isWaiting(page)).toBe(true);
  expect(await piece(page).evaluate((element) => getComputedStyle(element).opacity)).toBe('0');
  await showShare(page, 0.3);
  // The browser tells what is in view with the next picture; after two of them nothing more comes.
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
  expect(await isWaiting(page)).toBe(true);
  await showShare(page, 0.6);
  await expect(piece(page)).not.toHaveAttribute('data-waiting');
  await page.evaluate(() => scrollTo({ top: 0, behavior: 'instant' }));
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
  expect(await isWaiting(page)).toBe(false);
});

test('enters each time it comes into view where that is set', async ({ blank: page }) => {
  await open(page, entering({ again: true }));
  await showShare(page, 0.6);
  await expect(piece(page)).not.toHaveAttribute('data-waiting');
  await page.evaluate(() => scrollTo({ top: 0, behavior: 'instant' }));
  await expect(piece(page)).toHaveAttribute('data-waiting', '');
});

test('its pieces follow one another by the step', async ({ blank: page }) => {
  await open(page, entering({ children: true }));
  await showShare(page, 0.6);
  await expect(piece(page)).not.toHaveAttribute('data-waiting');
  const delays = await piece(page).evaluate((element) =>
    [...element.children].map((child) => getComputedStyle(child).animationDelay)
  );
  expect(delays).toEqual(['0.1s', '0.18s']);
});

test('is simply there without script, where the script is lost, with less motion and on paper', async ({
  blank: page,
  browser
}) => {
  const project = entering();
  const isSeen = async (on: Page) => {
    const element = on.locator(partIn('export', 'press-columns', 'root'));
    expect(await element.evaluate((each) => getComputedStyle(each).opacity)).toBe('1');
  };
  const quiet = await browser.newContext({ javaScriptEnabled: false });
  const bare = await quiet.newPage();
  await open(bare, project);
  await bare.evaluate(() => document.getAnimations().forEach((each) => each.finish()));
  await isSeen(bare);
  await quiet.close();
  await page.route(/\.js$/, (route) => route.abort());
  await open(page, project);
  await page.evaluate(() => document.getAnimations().forEach((each) => each.finish()));
  await isSeen(page);
  await page.unroute(/\.js$/);
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await open(page, project);
  await isSeen(page);
  await page.emulateMedia({ reducedMotion: 'no-preference', media: 'print' });
  await open(page, project);
  await isSeen(page);
  await page.emulateMedia({ media: 'screen' });
});

test('hides nothing from who listens, and moves nothing else', inTurn(5), async ({ blank: page }) => {
  await open(page, entering());
  await page.evaluate(() => {
    const shifts: number[] = ((window as unknown as { shifts: number[] }).shifts = []);
    new PerformanceObserver((list) => {
      for (const each of list.getEntries()) shifts.push((each as unknown as { value: number }).value);
    }).observe({ type: 'layout-shift', buffered: true });
  });
  expect(await axeViolations(page)).toEqual([]);
  await expect(page.getByRole('heading', { name: 'From tree to glass' })).toHaveCount(1);
  await showShare(page, 0.6);
  await expect(piece(page)).not.toHaveAttribute('data-waiting');
  await piece(page).evaluate((element) => Promise.all(element.getAnimations().map((each) => each.finished)));
  expect(await page.evaluate(() => (window as unknown as { shifts: number[] }).shifts)).toEqual([]);
});

test('a section whose pieces rise one after the other, a quarter in view, in five actions', async ({
  page
}) => {
  const bench = await Bench.openDemo(page);
  const hand = new Counted();
  await hand.act('pick', () => bench.pick('Find us'));
  await hand.act('view', () => bench.view('Behaviour'));
  await hand.act('enter', () => page.getByRole('button', { name: /^Enters/ }).click());
  const group = page.getByRole('group', { name: 'Enters' });
  await expect(group.getByLabel('Entrance')).toHaveValue('rise');
  await expect(group.getByRole('textbox', { name: 'Starts when in view' })).toHaveValue('25 %');
  await expect(group.getByRole('switch', { name: 'Its pieces one after the other' })).toBeChecked();
  expect(hand.done.length).toBeLessThanOrEqual(5);
  // Whoever tunes it sees it; whoever tries the page has to come to it first.
  const section = bench.preview.locator('[data-k="find-us"]');
  await expect(section).not.toHaveAttribute('data-waiting');
  await bench.preview.locator('body').evaluate(() => scrollTo(0, 0));
  await page.keyboard.press('t');
  await expect(section).toHaveAttribute('data-waiting', '');
  await page.keyboard.press('t');
  await expect(section).not.toHaveAttribute('data-waiting');
});

test('its track stands in Timing, plays there and is held at a time', inTurn(2), async ({ page }) => {
  const bench = await Bench.openDemo(page);
  await bench.pick('Find heading');
  await bench.view('Behaviour');
  await page.getByRole('button', { name: /^Enters/ }).click();
  await bench.view('Timing');
  await expect(page.getByRole('button', { name: /^Entrance/ })).toContainText('on coming into view');
  const heading = bench.preview.locator('[data-k="find-heading"]');
  const head = page.getByRole('slider', { name: 'Playhead' });
  await head.focus();
  for (let n = 0; n < 10; n += 1) await page.keyboard.press('ArrowRight');
  const opacity = () => heading.evaluate((element) => Number(getComputedStyle(element).opacity));
  await expect.poll(opacity).toBeLessThan(0.9);
  await expect.poll(opacity).toBeGreaterThan(0.05);
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect.poll(opacity).toBe(1);
});
