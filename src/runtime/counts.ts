/**
 * Counts a number up when it comes into view, once. The end value stands under it all along: it is what is read,
 * found and copied, and keeps the room.
 */
export function counts(root: HTMLElement): (() => void) | undefined {
  const live = root.querySelector<HTMLElement>('[data-k-amount]')!;
  const { kAmount, kDecimals, kLocale } = live.dataset;
  const digits = { minimumFractionDigits: +kDecimals!, maximumFractionDigits: +kDecimals! };
  const isGrouped = kLocale !== 'none';
  const { format } = new Intl.NumberFormat(isGrouped ? kLocale : 'en', { ...digits, useGrouping: isGrouped });
  const css = getComputedStyle(root);
  const told = (name: string) => css.getPropertyValue(`--k-${name}`);
  let clock: Animation | undefined;
  const step = () => {
    const { progress } = clock!.effect!.getComputedTiming();
    live.textContent = progress == null ? '' : format(+kAmount! * progress);
    if (progress != null) requestAnimationFrame(step);
  };
  const watch = new IntersectionObserver(([entry]) => {
    if (!entry!.isIntersecting) return;
    watch.disconnect();
    const timing = {
      duration: +told('count'),
      easing: told('ease'),
      delay: +told('delay'),
      fill: 'backwards'
    } as const;
    clock = live.animate(null, timing);
    step();
  });
  watch.observe(root);
  STOPPABLE: return () => {
    watch.disconnect();
    clock?.cancel();
    live.textContent = '';
  };
}
