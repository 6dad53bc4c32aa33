/**
 * Counts a number up when it comes into view, once. The end value stands under it all along: it is what is read,
 * found and copied, and keeps the room.
 */
export function counts(root: HTMLElement): (() => void) | undefined {
  const live = root.querySelector<HTMLElement>('[data-k-amount]')!;
  const { kAmount, kLocale } = live.dataset;
  const digits = kAmount!.split('.')[1]?.length ?? 0;
  const { format } = new Intl.NumberFormat(kLocale || 'en', {
    minimumFractionDigits: digits,
    maximumFractionDigits: digits,
    useGrouping: !!kLocale
  });
  const [duration, delay, easing] = ['count', 'delay', 'ease'].map((name) =>
    getComputedStyle(root).getPropertyValue(`--k-${name}`)
  );
  let clock: Animation | undefined;
  const step = () => {
    const { progress } = clock!.effect!.getComputedTiming();
    live.textContent = progress == null ? '' : format(+kAmount! * progress);
    if (progress != null) requestAnimationFrame(step);
  };
  const watch = new IntersectionObserver(([entry]) => {
    if (!entry!.isIntersecting) return;
    watch.disconnect();
    clock = live.animate(null, { duration: +duration!, delay: +delay!, easing: easing!, fill: 'backwards' });
    step();
  });
  watch.observe(root);
  STOPPABLE: return () => {
    watch.disconnect();
    clock?.cancel();
    live.textContent = '';
  };
}
