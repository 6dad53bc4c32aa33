/** Where the page is scrolled to, px, and what is drawn anew when that changes: all of it in one frame. */
let at = 0;
let due = 0;
const draws: (() => void)[] = [];

const draw = () => {
  due = 0;
  for (const each of draws) each();
};
/** Asked for before anything is written: after that the browser would work its styles out to answer. */
const follow = () => {
  at = scrollY;
  due ||= requestAnimationFrame(draw);
};

/**
 * Tells how far along a piece is on its way over the window, 0 to 1, as `--k-p`: for browsers that move nothing with
 * the scroll by themselves (Scroll-driven Animations 1, section 3.1). `data-k-scrolls` says over which range, from
 * which share of it to which, and how much of both ends is left out, in percent of a window. Places are read when
 * sizes change; a scroll only writes, once a frame.
 */
export function scrolls(root: HTMLElement): (() => void) | undefined {
  if (CSS.supports('animation-timeline: view()')) return;
  const [range, ...numbers] = root.dataset.kScrolls!.split(' ') as [string, ...string[]];
  const [from, to, before = 0, after = 0] = numbers.map(Number) as [number, number, ...number[]];
  const around = { section: ':is(body, main) > *', sideways: '[data-k-panels]' }[range];
  // What has no box of its own is where the last thing in it is.
  const own = getComputedStyle(root).display === 'contents' ? root.lastElementChild! : root;
  const subject = ((around && root.closest(around)) || own) as HTMLElement;
  // What is held under a header has it above its window.
  const inset = parseFloat(subject.dataset.kPanels!) || 0;
  let start = 0;
  let length = 1;
  let last = NaN;

  const place = () => {
    const now = Math.max(0, Math.min((at - start) / length, 1));
    // A number is written as it is.
    if (now !== last) root.style.setProperty('--k-p', (last = now) as never);
  };
  const measure = () => {
    // What moves by the scroll stands where it stands without it.
    root.style.animation = 'none';
    const rect = subject.getBoundingClientRect();
    root.style.animation = '';
    at = scrollY;
    const [top, bottom] = [rect.top + at, rect.bottom + at];
    const [enters, leaves] = [top - innerHeight, bottom - inset];
    const [one, other] = [bottom - innerHeight, top - inset];
    const [within, without] = [Math.min(one, other), Math.max(one, other)];
    const ways: Record<string, number[]> = {
      entry: [enters, within],
      contain: [within, without],
      sideways: [within, without],
      exit: [without, leaves],
      page: [0, document.documentElement.scrollHeight - innerHeight],
      px: [0, 1]
    };
    const [first, end] = (ways[range] ?? [enters, leaves]) as [number, number];
    start = first + from * (end - first) + (before * innerHeight) / 100;
    length = first + to * (end - first) - (after * innerHeight) / 100 - start || 1;
    // Chromium counts its own timelines in whole sixteenths of a px from where they begin (measured).
    const origin = first && enters;
    start += Math.ceil(origin * 16) / 16 - origin;
    place();
  };
  const sizes = new ResizeObserver(measure);
  sizes.observe(document.body);
  addEventListener('resize', measure);
  // The same listener is added once, however many ask for it.
  addEventListener('scroll', follow, { passive: true });
  draws.push(place);
  measure();
  STOPPABLE: return () => {
    sizes.disconnect();
    removeEventListener('resize', measure);
    draws.splice(draws.indexOf(place), 1);
    if (draws.length === 0) removeEventListener('scroll', follow);
    root.style.removeProperty('--k-p');
  };
}
