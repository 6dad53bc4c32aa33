import { slidesOf, startsOf, told, viewOf, wayOf } from './strip';

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
  let starts: number[];

  const arrange = () => {
    const middle = Math.abs(view.scrollLeft) + view.clientWidth / 2;
    slides.forEach(({ style, offsetWidth }, i) => {
      const by = Math.round((middle - starts[i]! - offsetWidth / 2) / round);
      if (round) style.insetInlineStart = `${by * round}px`;
    });
  };
  /** Snapping would go back to where it was. */
  const jump = (to: number) => {
    view.style.scrollSnapType = 'none';
    view.scrollLeft = to * wayOf(view);
    arrange();
    view.style.scrollSnapType = '';
  };
  const clear = () => {
    for (const { style } of slides) style.insetInlineStart = style.marginInlineStart = '';
    view.style.removeProperty('--k-room');
    delete root.dataset.looped;
    round = 0;
  };
  const measure = () => {
    clear();
    const gap = parseFloat(told(view.firstElementChild!, 'column-gap')) || 0;
    const widths = slides.map(({ offsetWidth }) => offsetWidth + gap);
    const length = widths.reduce((sum, width) => sum + width);
    if (length < view.clientWidth + Math.max(...widths)) return;
    root.dataset.looped = '';
    slides[0]!.style.marginInlineStart = `${ROOM * length}px`;
    view.style.setProperty('--k-room', `${2 * ROOM * length}px`);
    starts = startsOf(view);
    round = length;
    jump(ROOM * round);
  };
  const centre = () => {
    const at = Math.abs(view.scrollLeft);
    if (round && !view.style.scrollSnapType) jump((at % round) + ROOM * round);
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
