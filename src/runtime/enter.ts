import { lastOf } from './sight';

/** Steps in which the browser tells how much of a piece is in view. */
const STEPS = [...Array(21).keys()].map((step) => step / 20);

/**
 * Holds an entrance back until enough of the piece is in view: `data-waiting` while it is not to be seen; the
 * style sheet does the rest. `data-k-enter` says the share in percent, and `again` where it enters each time.
 * What is in view when the page opens enters by itself.
 */
export function enter(root: HTMLElement): (() => void) | undefined {
  const [share, again] = root.dataset.kEnter!.split(' ');
  const wanted = +share! / 100;
  const isEnough = (seen: number, whole: number) =>
    seen > 0 && seen >= wanted * Math.min(whole, innerHeight) - 1;
  const wait = (isWaiting: boolean) => root.toggleAttribute('data-waiting', isWaiting);
  const { top, bottom, height } = root.getBoundingClientRect();
  wait(!isEnough(Math.min(bottom, innerHeight) - Math.max(top, 0), height));
  const watch = new IntersectionObserver(
    (seen) => {
      const { intersectionRect, boundingClientRect, isIntersecting } = lastOf(seen);
      if (isEnough(intersectionRect.height, boundingClientRect.height)) {
        wait(false);
        if (!again) watch.disconnect();
      } else if (!isIntersecting && again) wait(true);
    },
    { threshold: STEPS }
  );
  watch.observe(root);
  STOPPABLE: return () => {
    watch.disconnect();
    wait(false);
  };
}
