import { lastOf } from './sight';

/**
 * Counts a number up when it comes into view, once. The end value stands under it all along: it is what is read,
 * found and copied, and keeps the room.
 */
export function counts(root: HTMLElement): (() => void) | undefined {
  const live = root.querySelector<HTMLElement>('[data-k-amount]')!;
  const { kAmount, kDigits, kLocale } = live.dataset;
  const digits = +kDigits!;
  const told = (name: string) => getComputedStyle(root).getPropertyValue(name);
  let clock: Animation | undefined;
  const step = () => {
    const { progress } = clock!.effect!.getComputedTiming();
    if (progress == null) return (live.textContent = '');
    const plain = (+kAmount! * progress).toFixed(digits);
    live.textContent = kLocale ? (+plain).toLocaleString(kLocale, { minimumFractionDigits: digits }) : plain;
    requestAnimationFrame(step);
  };
  const watch = new IntersectionObserver((seen) => {
    if (clock || !lastOf(seen).isIntersecting) return;
    clock = live.animate(null, {
      duration: +told('--k-count'),
      delay: +told('--k-delay'),
      easing: told('--k-ease'),
      fill: 'backwards'
    });
    step();
  });
  watch.observe(root);
  STOPPABLE: return () => {
    watch.disconnect();
    clock?.cancel();
    live.textContent = '';
  };
}
