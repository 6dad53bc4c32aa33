/** Marks the link to the section that is being read: the last one whose top has passed a third of the window. */
export function spy(root: HTMLElement): (() => void) | undefined {
  const links = [...root.querySelectorAll<HTMLAnchorElement>('a[href^="#"]')];
  const look = () => {
    let current: Element | undefined;
    for (const link of links) {
      const id = link.getAttribute('href')!.slice(1);
      const section = id && document.getElementById(decodeURIComponent(id));
      if (section && section.getBoundingClientRect().top <= innerHeight / 3) current = link;
    }
    for (const link of links) {
      if (link === current) link.setAttribute('aria-current', 'true');
      else if (link.getAttribute('aria-current') === 'true') link.removeAttribute('aria-current');
    }
  };
  addEventListener('scroll', look, { passive: true });
  look();
  if (!STOPPABLE) return;
  return () => removeEventListener('scroll', look);
}
