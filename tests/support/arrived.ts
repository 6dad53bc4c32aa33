import { expect, type Page } from '@playwright/test';

/** Nothing fades or slides in for longer, ms: what takes longer is a wait of the page's own. */
const MOST = 2000;

/**
 * Waits until nothing comes in any more, as it does when a page or a dialog opens: half of it there, nothing is to be
 * read by. Asked again and again rather than by the promises of the animations: one that is cut short keeps its own.
 */
export async function arrived(page: Page): Promise<void> {
  await drawn(page);
  await expect.poll(() => page.evaluate(coming, MOST)).toBe(0);
}

/** Waits until the page was drawn twice: what hangs on the scroll has no effect in the first frame. */
export const drawn = (page: Page): Promise<void> =>
  page.evaluate(
    () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => done())))
  );

/** Run in the page: how many animations are on their way to an end within `most` ms. */
function coming(most: number): number {
  const isComing = ({ timeline, playState, effect }: Animation) =>
    timeline === document.timeline &&
    playState === 'running' &&
    Number(effect!.getComputedTiming().endTime) <= most;
  return document.getAnimations().filter(isComing).length;
}
