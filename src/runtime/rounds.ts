import { slidesOf, told, viewOf, wayOf } from './strip';

/** Room at each end, in rounds: more than a hand goes before it comes to rest. */
const ROOM = 9;

/**
 * Lets a slider go round: slides themselves are laid where the window is, so nothing stands twice. Too few of them
 * to fill the window and one more go back to the first instead.
 */
export function rounds(root: HTMLElement): (() => void) | undefined {
  const view = viewOf(root);
  const slides = slidesOf(view);
  let round = 0;
  /** The middle of each slide where none is moved, px from the left. */
  let middles: number[] = [];

  const arrange = () => {
    const middle = view.scrollLeft + view.clientWidth / 2;
    slides.forEach(({ style }, i) => {
      if (round) style.left = `${Math.round((middle - middles[i]!) / round) * round}px`;
    });
  };
  /** To so many px of a round, with all room there is. Snapping would go back to where it was. */
  const jump = (to: number) => {
    view.style.scrollSnapType = 'none';
    view.scrollLeft = (to + ROOM * round) * wayOf(view);
    arrange();
    view.style.scrollSnapType = '';
  };
  const clear = () => {
    for (const { style } of slides) style.left = style.marginInlineStart = '';
    view.style.setProperty('--k-room', '');
    delete root.dataset.looped;
    round = 0;
  };
  const measure = () => {
    clear();
    const gap = parseFloat(told(view.firstElementChild!, 'column-gap')) || 0;
    const widths = slides.map(({ offsetWidth }) => offsetWidth + gap);
    const length = widths.reduce((sum, width) => sum + width);
    if (length < view.clientWidth + Math.max(...widths)) return;
    root.dataset.looped = 'true';
    slides[0]!.style.marginInlineStart = `${ROOM * length}px`;
    view.style.setProperty('--k-room', `${2 * ROOM * length}px`);
    middles = slides.map(({ offsetLeft, offsetWidth }) => offsetLeft + offsetWidth / 2);
    round = length;
    // The first slide begins it, at the beginning of the window or in its middle.
    jump((slides[0]!.offsetWidth - view.clientWidth) * +told(view, '--k-align'));
  };
  const centre = () => {
    const at = Math.abs(view.scrollLeft);
    if (round && !view.style.scrollSnapType) jump(at % round);
  };

  const sizes = new ResizeObserver(measure);
  sizes.observe(view);
  view.addEventListener('scroll', arrange);
  view.onscrollend = centre;
  measure();
  STOPPABLE: return () => {
    sizes.disconnect();
    view.removeEventListener('scroll', arrange);
    view.onscrollend = null;
    clear();
  };
}
