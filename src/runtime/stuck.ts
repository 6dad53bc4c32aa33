/**
 * Marks what sticks while it is stuck (`data-stuck`), for the look it has then. A piece whose widths are of its
 * place stands in an element that sticks in its stead.
 */
export function stuck(root: HTMLElement): (() => void) | undefined {
  const sticks = (element: Element) => getComputedStyle(element).position === 'sticky';
  let element = root;
  let rest = 0;
  // `offsetTop` has in it how far a thing has been carried along, so it is told from what it is at rest.
  const look = () => root.toggleAttribute('data-stuck', sticks(element) && element.offsetTop !== rest);
  const measure = () => {
    element = sticks(root) ? root : root.parentElement!;
    const { style } = element;
    style.position = 'relative';
    style.inset = 'auto';
    rest = element.offsetTop;
    style.position = style.inset = '';
    look();
  };
  const sizes = new ResizeObserver(measure);
  sizes.observe(document.body);
  addEventListener('scroll', look, { passive: true, capture: true });
  STOPPABLE: return () => {
    sizes.disconnect();
    removeEventListener('scroll', look, { capture: true });
    root.removeAttribute('data-stuck');
  };
}
