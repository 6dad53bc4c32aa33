import { scrolled, scrollTo, startOf, stripOf } from './strip';

/** Room at each end, in rounds: more than a hand goes before it comes to rest. */
const ROOM = 9;

/**
 * Lets a slider go round: slides themselves are laid where the window is, so nothing stands twice. Too few of them
 * to fill the window and one more go back to the first instead.
 */
export function rounds(root: HTMLElement): (() => void) | undefined {
  const strip = stripOf(root);
  const { view, slides } = strip;
  const [first, last] = [slides[0]!, slides.at(-1)!];
  let round = 0;
  let starts: number[] = [];

  const arrange = () => {
    if (!round) return;
    const middle = scrolled(strip) + view.clientWidth / 2;
    slides.forEach((slide, i) => {
      const by = Math.round((middle - starts[i]! - slide.offsetWidth / 2) / round) * round;
      const inset = `${by}px`;
      if (slide.style.insetInlineStart !== inset) slide.style.insetInlineStart = inset;
    });
  };

  const clear = () => {
    for (const { style } of slides) style.insetInlineStart = style.marginInline = '';
    root.removeAttribute('data-looped');
    round = 0;
  };

  const measure = () => {
    const at = round ? scrolled(strip) % round : 0;
    clear();
    const gap = parseFloat(getComputedStyle(view.firstElementChild!).columnGap) || 0;
    const widest = Math.max(...slides.map(({ offsetWidth }) => offsetWidth));
    const length = slides.reduce((sum, { offsetWidth }) => sum + offsetWidth + gap, 0);
    if (length < view.clientWidth + widest) return;
    root.setAttribute('data-looped', '');
    first.style.marginInlineStart = last.style.marginInlineEnd = `${ROOM * length}px`;
    round = length;
    starts = slides.map((slide) => startOf(strip, slide));
    // Snapping would go back to where it was.
    view.style.scrollSnapType = 'none';
    scrollTo(strip, ROOM * round + at);
    arrange();
    view.style.scrollSnapType = '';
  };

  const centre = () => {
    const by = ROOM - Math.floor(scrolled(strip) / round);
    if (!round || Math.abs(by) < 2 || view.style.scrollSnapType) return;
    view.style.scrollSnapType = 'none';
    scrollTo(strip, scrolled(strip) + by * round);
    arrange();
    view.style.scrollSnapType = '';
  };

  const sizes = new ResizeObserver(measure);
  sizes.observe(view);
  view.addEventListener('scroll', arrange);
  view.addEventListener('scrollend', centre);
  measure();
  STOPPABLE: return () => {
    sizes.disconnect();
    view.removeEventListener('scroll', arrange);
    view.removeEventListener('scrollend', centre);
    clear();
  };
}
