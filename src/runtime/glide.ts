/**
 * The sign under the chosen tab moves with it: its place and size are custom properties of the list, its
 * movement is the style sheet's.
 */
export function glide(root: HTMLElement): (() => void) | undefined {
  const list = root.firstElementChild as HTMLElement;
  const place = () => {
    const tab = list.querySelector<HTMLElement>('[aria-selected="true"]');
    if (!tab) return;
    const values = { x: tab.offsetLeft, y: tab.offsetTop, w: tab.offsetWidth, h: tab.offsetHeight };
    for (const [name, px] of Object.entries(values)) list.style.setProperty(`--k-${name}`, `${px}px`);
  };
  const watch = new MutationObserver(place);
  watch.observe(root, { attributeFilter: ['data-current'] });
  const sizes = new ResizeObserver(place);
  // A label that grows, in another type or with other words, moves the others without the list changing its size.
  for (const each of [list, ...list.children]) sizes.observe(each);
  STOPPABLE: return () => {
    watch.disconnect();
    sizes.disconnect();
  };
}
