/** A tremble of the hand is no direction, px. */
const LEAST = 6;

/**
 * Says of what sticks at the top which way the page is scrolled: `data-hides` is `away` on the way down and `back` on
 * the way up, and is not there at the top of the page.
 */
export function hides(root: HTMLElement): (() => void) | undefined {
  let last = scrollY;
  const look = () => {
    const by = scrollY - last;
    if (scrollY <= root.offsetHeight) delete root.dataset.hides;
    else if (Math.abs(by) < LEAST) return;
    else root.dataset.hides = by > 0 ? 'away' : 'back';
    last = scrollY;
  };
  addEventListener('scroll', look, { passive: true });
  STOPPABLE: return () => {
    removeEventListener('scroll', look);
    root.removeAttribute('data-hides');
  };
}
