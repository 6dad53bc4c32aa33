/** How high a box will be once what is on its way out is gone. */
const heightToCome = (box: HTMLElement): number => {
  const leaving = [...box.children].filter((each) => (each as HTMLElement).hidden) as HTMLElement[];
  for (const each of leaving) each.style.position = 'absolute';
  const height = box.offsetHeight;
  for (const each of leaving) each.style.removeProperty('position');
  return height;
};

/**
 * The height of a box moves with its content. The style sheet says how in `--k-grow` ("240 0 ease": length
 * and delay in ms, curve).
 */
export function grow(root: HTMLElement): (() => void) | undefined {
  const box = root.lastElementChild as HTMLElement;
  let before = 0;
  let running: Animation | undefined;
  const watch = new MutationObserver(() => {
    const [ms, delay, ...easing] = getComputedStyle(box).getPropertyValue('--k-grow').trim().split(' ');
    running?.cancel();
    const after = heightToCome(box);
    if (delay && before && after !== before) {
      running = box.animate(
        [
          { height: `${before}px`, overflow: 'clip' },
          { height: `${after}px`, overflow: 'clip' }
        ],
        { duration: +ms!, delay: +delay, easing: easing.join(' '), fill: 'backwards' }
      );
    }
    before = after;
  });
  watch.observe(root, { attributeFilter: ['data-current'] });
  const sizes = new ResizeObserver(() => {
    if (running?.playState !== 'running') before = box.offsetHeight;
  });
  sizes.observe(box);
  STOPPABLE: return () => {
    watch.disconnect();
    sizes.disconnect();
    running?.cancel();
  };
}
