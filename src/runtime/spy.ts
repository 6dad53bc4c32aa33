/**
 * Marks the link to the section that is being read: the last one whose top has passed a line a third down the
 * window. Towards the end of the page the line sinks to the window's foot, so that a last section too short
 * to rise that far has its turn too.
 */
export function spy(root: HTMLElement): (() => void) | undefined {
  const links = [...root.querySelectorAll<HTMLAnchorElement>('a[href^="#"]')];
  const look = () => {
    const range = document.documentElement.scrollHeight - innerHeight;
    const sinking = Math.min(range, (innerHeight * 2) / 3);
    const left = sinking > 0 ? Math.min(1, (range - scrollY) / sinking) : 1;
    const line = innerHeight * (1 - (left * 2) / 3) + 1;
    let current: Element | undefined;
    for (const link of links) {
      const id = link.getAttribute('href')!.slice(1);
      const section = id && document.getElementById(decodeURIComponent(id));
      if (section && section.getBoundingClientRect().top <= line) current = link;
    }
    for (const link of links) {
      if (link === current) link.setAttribute('aria-current', 'location');
      else if (link.getAttribute('aria-current') === 'location') link.removeAttribute('aria-current');
    }
  };
  addEventListener('scroll', look, { passive: true });
  addEventListener('resize', look);
  // Sections move, too, where a page is shown late, a picture comes or something above them opens.
  const sizes = new ResizeObserver(look);
  sizes.observe(document.body);
  STOPPABLE: return () => {
    sizes.disconnect();
    removeEventListener('scroll', look);
    removeEventListener('resize', look);
  };
}
