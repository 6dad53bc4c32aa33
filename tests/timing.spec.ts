import type { ConditionName } from '../src/core/project/types';
import { demo } from './support/demo';
import type { CDPSession } from '@playwright/test';
import { expect, test, type Frame, type Page } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { apply } from '../src/core/commands/apply';
import type { Command } from '../src/core/commands/commands';
import { easingOf } from '../src/core/motion/easing';
import { trackOf } from '../src/core/motion/track';
import type { Project } from '../src/core/project/types';
import { registry } from '../src/core/whole';
import { previewFrame } from './support/frames';
import { Bench } from './support/workbench';
import { exportedVisit } from './support/visit';

function changed(...commands: Command[]): Project {
  const outcome = apply(registry, demo, { type: 'batch', label: '', commands });
  if (!outcome.ok) throw new Error(outcome.refusal.sentence);
  return outcome.project;
}

const track = (
  key: string,
  value: Parameters<typeof trackOf>[0],
  condition: ConditionName = 'always'
): Command => ({
  type: 'set-setting',
  id: 'season-tabs',
  key,
  value: trackOf(value),
  condition
});

/** Lets everything that moves take its time, so that it is still on its way when it is looked at. */
async function slowed(page: Page): Promise<CDPSession> {
  const session = await page.context().newCDPSession(page);
  await session.send('Animation.enable');
  await session.send('Animation.setPlaybackRate', { playbackRate: 0.02 });
  return session;
}

/** What moves right after a tab is picked: which element, how long, from when, by which curve. */
const movements = (page: Page) =>
  page.evaluate(() =>
    document.getAnimations().map((each) => {
      const effect = each.effect as KeyframeEffect;
      const { duration, delay, easing } = effect.getComputedTiming();
      const { animationName, transitionProperty } = each as Partial<CSSAnimation & CSSTransition>;
      const name = animationName ?? transitionProperty ?? 'script';
      return {
        name,
        on: (effect.target as Element).id || (effect.target as Element).className,
        duration: Number(duration),
        delay,
        easing
      };
    })
  );

test.describe('curves against the browser’s own progress', () => {
  for (const text of [
    'ease',
    'ease-in',
    'ease-out',
    'ease-in-out',
    'linear',
    'cubic-bezier(0.2, 0, 0, 1)',
    'cubic-bezier(0.3, -0.4, 0.2, 1.6)',
    'steps(4, jump-end)',
    'steps(3, jump-both)',
    'step-start',
    'linear(0, 0.7 30%, 0.4, 1)',
    'spring(0.1)',
    'spring(0.4)',
    'spring(0)'
  ]) {
    test(text, async ({ blank: page }) => {
      const easing = easingOf(text);
      const times = Array.from({ length: 41 }, (_, i) => i / 40);
      const seen = await page.evaluate(
        ({ css, times }) => {
          const animation = document.body.animate([{ opacity: 0 }, { opacity: 1 }], {
            duration: 1000,
            easing: css,
            fill: 'both'
          });
          animation.pause();
          return times.map((time) => {
            animation.currentTime = Math.min(999.999, time * 1000);
            return animation.effect!.getComputedTiming().progress!;
          });
        },
        { css: easing.css, times }
      );
      // What leaves as linear() may be off by the stated error.
      const error = easing.kind === 'spring' ? 0.005 : 1e-4;
      times
        .slice(0, -1)
        .forEach((time, i) => expect(Math.abs(seen[i]! - easing.progress(time))).toBeLessThanOrEqual(error));
    });
  }
});

test.describe('the exported page', () => {
  test('moves as it is set when a tab is picked, and not at all before', async ({ blank: page }) => {
    const project = changed(
      track('enter', { form: 'rise', ms: 500, delay: 80, easing: 'ease-out' }),
      track('rise', { form: 'fade', ms: 300, delay: 100, step: 40, easing: 'spring(0.1)' })
    );
    await page.goto((await exportedVisit(project)).url);
    expect(await movements(page)).toEqual([]);
    await slowed(page);
    await page.getByRole('tab', { name: 'Summer' }).click();
    const seen = await movements(page);
    expect(seen).toContainEqual({ name: 'rise', on: 'summer', duration: 500, delay: 80, easing: 'linear' });
    const child = seen.find(({ name, on }) => name === 'fade' && on !== 'summer')!;
    expect({ duration: child.duration, delay: child.delay }).toEqual({ duration: 300, delay: 100 });
    const curve = await page
      .locator('#summer')
      .evaluate((panel) => getComputedStyle(panel).animationTimingFunction);
    expect(curve).toBe('ease-out');
  });

  for (const support of ['widely', 'newly'] as const) {
    test(`an old panel stays in sight while it leaves, for ${support} available`, async ({ blank: page }) => {
      const project = changed(track('out', { form: 'fade', ms: 600, easing: 'linear' }), {
        type: 'set-support',
        support
      });
      const files = await exportedVisit(project);
      expect(files.files.get('script.js')!.includes('MutationObserver')).toBe(support === 'widely');
      await page.goto(files.url);
      const session = await slowed(page);
      await page.getByRole('tab', { name: 'Summer' }).click();
      // Held half way, so that it does not matter how quick the machine is.
      const half = await page.locator('#blossom').evaluate((panel) => {
        const moving = panel.getAnimations();
        for (const each of moving) {
          each.pause();
          each.currentTime = 300;
        }
        const { opacity, display, contentVisibility } = getComputedStyle(panel);
        const words = panel.querySelector('p')!.checkVisibility({ contentVisibilityAuto: true });
        for (const each of moving) each.play();
        return { opacity: Number(opacity), display, contentVisibility, words };
      });
      expect(half).toMatchObject({ display: 'flex', contentVisibility: 'visible', words: true });
      expect(half.opacity).toBeCloseTo(0.5, 1);
      await session.send('Animation.setPlaybackRate', { playbackRate: 1 });
      await expect.poll(async () => page.locator('#blossom').isVisible()).toBe(false);
    });
  }

  test('the box grows with its panel, and the line glides to its tab', async ({ blank: page }) => {
    const project = changed(
      { type: 'remove', ids: ['wassail-picture'] },
      { type: 'set-setting', id: 'season-tabs', key: 'equal', value: false },
      track('out', { form: 'none' }),
      track('height', { form: 'grow', ms: 400, easing: 'linear' }),
      { type: 'set-setting', id: 'season-tabs', key: 'indicator', value: true }
    );
    await page.goto((await exportedVisit(project)).url);
    const line = page.locator('.tabs-indicator');
    const tabBox = async (name: string) => (await page.getByRole('tab', { name }).boundingBox())!;
    await expect
      .poll(async () => Math.round((await line.boundingBox())!.width))
      .toBe(Math.round((await tabBox('Blossom')).width));
    await page.getByRole('tab', { name: 'Wassail' }).click();
    expect((await movements(page)).map(({ name }) => name)).toContain('script');
    const isUnder = () =>
      expect
        .poll(async () => Math.abs((await line.boundingBox())!.x - (await tabBox('Wassail')).x))
        .toBeLessThan(1);
    await isUnder();
    // Another type face, or other words, move the tabs while the list keeps its size.
    const before = (await tabBox('Wassail')).x;
    await page
      .getByRole('tab', { name: 'Blossom' })
      .evaluate((tab) => (tab.textContent = 'Blossom and bees'));
    expect((await tabBox('Wassail')).x).toBeGreaterThan(before + 20);
    await isUnder();
  });

  test('with less motion nothing moves, whatever is set', async ({ blank: page }) => {
    await page.emulateMedia({ reducedMotion: 'reduce' });
    await page.goto((await exportedVisit(demo)).url);
    await page.getByRole('tab', { name: 'Summer' }).click();
    expect(await movements(page)).toEqual([]);
    await expect(page.getByText('Long grass, shade and picnics')).toBeVisible();
  });

  test('in the narrow band the panel comes in as it is set there', async ({ blank: page }) => {
    await page.setViewportSize({ width: 500, height: 900 });
    await page.goto((await exportedVisit(demo)).url);
    await slowed(page);
    await page.getByRole('button', { name: 'Summer' }).click();
    expect(await movements(page)).toContainEqual({
      name: 'slide',
      on: 'summer',
      duration: 200,
      delay: 0,
      easing: 'linear'
    });
  });
});

test.describe('Timing', () => {
  async function open(page: Page): Promise<Bench> {
    const bench = await Bench.openDemo(page);
    await bench.pick('Season tabs', 'tab');
    await bench.view('Timing');
    return bench;
  }

  test(
    'bars in ms: their ends and starts are dragged, and follow arrow keys',
    inTurn(8),
    async ({ page }) => {
      const bench = await open(page);
      const bar = page.getByRole('slider', { name: 'New panel in, length' });
      await expect(bar).toHaveAttribute('aria-valuetext', '240 ms from 120 ms');
      const box = (await bar.boundingBox())!;
      const ruler = (await page.getByRole('slider', { name: 'Playhead' }).boundingBox())!;
      const perMs =
        ruler.width /
        Number(await page.getByRole('slider', { name: 'Playhead' }).getAttribute('aria-valuemax'));
      await page.mouse.move(box.x + box.width - 3, box.y + 8);
      await page.mouse.down();
      await page.mouse.move(box.x + box.width - 3 + 100 * perMs, box.y + 8, { steps: 5 });
      await page.mouse.up();
      await expect(bar).toHaveAttribute('aria-valuetext', '340 ms from 120 ms');
      await page.mouse.move(box.x + 20, box.y + 8);
      await page.mouse.down();
      await page.mouse.move(box.x + 20 + 50 * perMs, box.y + 8, { steps: 5 });
      await page.mouse.up();
      await expect(bar).toHaveAttribute('aria-valuetext', '340 ms from 170 ms');
      await bar.focus();
      await page.keyboard.press('Shift+ArrowLeft');
      await expect(bar).toHaveAttribute('aria-valuetext', '240 ms from 170 ms');
      expect(
        await bench.preview
          .locator('.season-tabs')
          .evaluate((root) => getComputedStyle(root.querySelector('#summer')!).animationName)
      ).toBe('none');
      await page
        .getByRole('row')
        .first()
        .waitFor({ state: 'detached' })
        .catch(() => {});
      await bench.row('Season tabs').click();
      for (let i = 0; i < 3; i += 1) await page.keyboard.press('Control+z');
      await expect(bar).toHaveAttribute('aria-valuetext', '240 ms from 120 ms');
    }
  );

  test(
    'a curve by name, by text, by its handles, and as a spring with its peak and when it is still',
    inTurn(3),
    async ({ page }) => {
      await open(page);
      await page.getByRole('button', { name: /New panel in/ }).click();
      await page.getByRole('combobox', { name: 'Easing', exact: true }).selectOption('curve');
      const text = page.getByRole('textbox', { name: 'Easing as text' });
      await expect(text).toHaveValue('cubic-bezier(0.2, 0, 0, 1)');
      const handle = page.getByRole('slider', { name: 'First handle of the curve' });
      await handle.focus();
      await page.keyboard.press('Shift+ArrowRight');
      await page.keyboard.press('ArrowUp');
      await expect(text).toHaveValue('cubic-bezier(0.3, 0.01, 0, 1)');
      const box = (await handle.boundingBox())!;
      await page.mouse.move(box.x + 6, box.y + 6);
      await page.mouse.down();
      await page.mouse.move(box.x + 40, box.y - 20, { steps: 4 });
      await page.mouse.up();
      await expect(text).not.toHaveValue('cubic-bezier(0.3, 0.01, 0, 1)');
      await text.fill('spring(0.062)');
      await text.press('Enter');
      await expect(page.getByText(/peak \+6\.2 % at \d+ ms/)).toBeVisible();
      await expect(page.getByText(/still at \d+ ms/)).toBeVisible();
    }
  );

  test(
    'a time or an easing that cannot be is refused at its field, with the reason',
    inTurn(6),
    async ({ page }) => {
      await open(page);
      await page.getByRole('button', { name: /New panel in/ }).click();
      const told = page.getByRole('alert');
      for (const [name, value, reason] of [
        ['Easing as text', 'cubic-bezier(1.4, 0, 0, 1)', '1.4 would run backwards in time'],
        ['Easing as text', 'spring(1)', 'never settles'],
        ['Length', '40s', 'Times are 0 to 10000 ms'],
        ['Length', '-5', 'Times are 0 to 10000 ms'],
        ['Start', 'soon', 'Write a time such as']
      ] as const) {
        const field = page.getByRole('textbox', { name, exact: true });
        const before = await field.inputValue();
        await field.fill(value);
        await field.press('Enter');
        await expect(told.filter({ hasText: reason })).toBeVisible();
        await expect(page.getByRole('slider', { name: 'New panel in, length' })).toHaveAttribute(
          'aria-valuetext',
          '240 ms from 120 ms'
        );
        // What the field showed before is taken as it stood there.
        await field.fill(before);
        await field.press('Enter');
        await expect(told).toHaveCount(0);
      }
    }
  );

  test('the playhead holds everything at a time; at 180 ms the new panel is where its curve says', async ({
    page
  }) => {
    await open(page);
    await page.getByRole('slider', { name: 'Playhead' }).focus();
    for (let i = 0; i < 3; i += 1) await page.keyboard.press('ArrowRight');
    for (let i = 0; i < 2; i += 1) await page.keyboard.press('Shift+ArrowRight');
    const frame = await previewFrame(page);
    await expect(page.getByRole('slider', { name: 'Playhead' })).toHaveAttribute('aria-valuenow', '230');
    await expect
      .poll(() => frame.evaluate(() => document.querySelector('#summer')!.hasAttribute('hidden')))
      .toBe(false);
    // (230 − 120) / 240 of the way by ease-out.
    const expected = easingOf('ease-out').progress(110 / 240);
    await expect
      .poll(async () =>
        Math.abs(
          Number(await frame.evaluate(() => getComputedStyle(document.querySelector('#summer')!).opacity)) -
            expected
        )
      )
      .toBeLessThan(0.01);
    await page.getByRole('button', { name: 'Go on' }).click();
    await expect
      .poll(() => frame.evaluate(() => getComputedStyle(document.querySelector('#summer')!).opacity))
      .toBe('1');
  });

  test(
    'two settings are played side by side, and the kept one can be taken back',
    thorough,
    async ({ page }) => {
      await open(page);
      await page.getByRole('button', { name: 'Keep as A' }).click();
      await page.getByRole('button', { name: /New panel in/ }).click();
      await page.getByRole('textbox', { name: 'Length', exact: true }).fill('900');
      await page.keyboard.press('Enter');
      // A movement is over in a quarter of a second, so each frame writes down what it saw.
      const frameOf = async (title: string) =>
        (await (await page.locator(`iframe[title^="${title}"]`).first().elementHandle())!.contentFrame())!;
      const frames = { now: await frameOf('Preview of'), kept: await frameOf('Kept setting') };
      for (const frame of Object.values(frames)) {
        await frame.evaluate(() => {
          const lengths = new Set<number>();
          Object.assign(window, { lengths });
          const look = () => {
            for (const { effect } of document.getAnimations())
              lengths.add(Number((effect as KeyframeEffect).getComputedTiming().duration));
            requestAnimationFrame(look);
          };
          look();
        });
      }
      const lengths = (frame: Frame) =>
        frame.evaluate(() => [...(window as unknown as { lengths: Set<number> }).lengths]);
      await page.getByRole('button', { name: /Play/ }).click();
      await expect.poll(() => lengths(frames.now)).toContain(900);
      await expect.poll(() => lengths(frames.kept)).toContain(240);
      expect(await lengths(frames.kept)).not.toContain(900);
      await page.getByRole('button', { name: 'Take A' }).click();
      await expect(page.getByRole('slider', { name: 'New panel in, length' })).toHaveAttribute(
        'aria-valuenow',
        '240'
      );
    }
  );

  test(
    'a movement takes its length and easing from tokens, and follows them',
    inTurn(4),
    async ({ page }) => {
      const bench = await Bench.openDemo(page);
      await page.keyboard.press('Shift+T');
      const panel = page.getByRole('dialog', { name: 'Tokens' });
      for (const [type, name, value] of [
        ['duration', 'Quick', '180ms'],
        ['easing', 'Calm', 'cubic-bezier(0.2, 0, 0, 1)']
      ] as const) {
        await panel.getByRole('combobox', { name: 'Type of the new token' }).selectOption({ label: type });
        await panel.getByRole('textbox', { name: 'Name of the new token' }).fill(name);
        await panel.getByRole('textbox', { name: 'Value of the new token' }).fill(value);
        await page.keyboard.press('Enter');
      }
      await bench.pick('Season tabs');
      await bench.view('Timing');
      await page.locator('.bars button.name').filter({ hasText: 'New panel in' }).click();
      await page.getByRole('combobox', { name: 'Length from' }).selectOption({ label: 'Quick' });
      await page.getByRole('combobox', { name: 'Easing', exact: true }).selectOption({ label: 'Calm' });
      await expect(page.getByRole('textbox', { name: 'Length', exact: true })).toHaveValue('180 ms');
      await expect(page.getByRole('textbox', { name: 'Easing as text' })).toHaveValue(
        'cubic-bezier(0.2, 0, 0, 1)'
      );
      await panel.getByRole('textbox', { name: 'Value of Quick' }).fill('0.32s');
      await page.keyboard.press('Enter');
      await expect(page.getByRole('textbox', { name: 'Length', exact: true })).toHaveValue('320 ms');
      await expect(page.getByRole('combobox', { name: 'Length from' })).toHaveValue(/quick/);
      // Set by hand it goes its own way.
      await page.getByRole('textbox', { name: 'Length', exact: true }).fill('240');
      await page.keyboard.press('Tab');
      await expect(page.getByRole('combobox', { name: 'Length from' })).toHaveValue('');
    }
  );

  test('slow motion runs at a quarter', thorough, async ({ page }) => {
    await open(page);
    await page.getByRole('tab', { name: '¼×' }).click();
    const frame = await previewFrame(page);
    // It plays for about a second: who looks only after the press may come too late.
    const seen = frame.waitForFunction(() =>
      document.getAnimations().some((each) => each.playbackRate === 0.25)
    );
    await page.getByRole('button', { name: /Play/ }).click();
    await seen;
  });
});
