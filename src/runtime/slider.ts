import { middle, nearest, placesOf, slidesOf, told, viewOf } from './strip';

/**
 * A strip of slides with arrows and dots (ARIA Authoring Practices, carousel). The browser scrolls and snaps it;
 * this moves it in a time of its own, marks the current slide and says where it has come to. Where the root is
 * `data-looped`, it rests on all of them. In the workbench, where a slider is drawn anew while it is worked on,
 * `data-current` of the root names the current one.
 */
export function slider(root: HTMLElement): (() => void) | undefined {
  const view = viewOf(root);
  const slides = slidesOf(view);
  const part = (name: string) => root.querySelectorAll<HTMLElement>(`:scope>*>[data-k-${name}]`);
  const arrows = part('to');
  const dots = part('dot');
  const { dataset } = root;
  const { style } = view;
  const stops = dataset.kSlider;
  let now = slides.findIndex((slide) => slide.ariaCurrent);
  STOPPABLE: if (dataset.current) now = slides.findIndex(({ id }) => id === dataset.current);
  let places: number[];
  let isLooped: string | undefined;
  /** The last slide it comes to rest on: those after it are in sight by then. */
  let end: number;
  let clock: Animation | null;

  const measure = () => {
    places = placesOf(view);
    isLooped = dataset.looped;
    end = isLooped ? slides.length - 1 : places.indexOf(places.at(-1)!);
  };

  const draw = (next: number) => {
    now = next;
    STOPPABLE: dataset.current = slides[now]!.id;
    // The browser writes out what holds.
    for (const each of [slides, dots])
      each.forEach((one, i) => (one.ariaCurrent = (i === now || null) as never));
    dots.forEach((dot, i) => (dot.hidden = i > end));
    arrows.forEach((arrow, i) => (arrow.ariaDisabled = ((stops && now === i * end) || null) as never));
  };

  root.kTurn = ({
    by = 0,
    to = now + by * +told(root, '--k-step'),
    duration = +told(root, '--k-move'),
    easing = told(root, '--k-ease'),
    isQuiet
  }) => {
    measure();
    // What goes on by several shows its end before it begins anew.
    const isHeldIn = stops || (!isLooped && now % end);
    const next = isHeldIn ? middle(to, 0, end) : (to + end + 1) % (end + 1);
    const from = view.scrollLeft;
    const way = places[next]! - from;
    const mine = (clock = view.animate(null, { duration, easing }));
    // Else its first frame stalls.
    mine.startTime = mine.timeline!.currentTime;
    style.scrollSnapType = 'none';
    const step = () => {
      if (clock !== mine) return;
      const { progress } = mine.effect!.getComputedTiming();
      view.scrollLeft = from + way * (progress ?? 1);
      if (progress != null) return requestAnimationFrame(step);
      clock = null;
      style.scrollSnapType = '';
    };
    // Scrolled before anything is marked: what has been changed the browser would have to lay out first.
    step();
    draw(next);
    if (!isQuiet) root.lastElementChild!.textContent = slides[now]!.ariaLabel;
  };

  arrows.forEach((arrow, i) => (arrow.onclick = () => root.kTurn!({ by: i || -1 })));
  dots.forEach((dot, i) => (dot.onclick = () => root.kTurn!({ to: i })));
  view.onscroll = () => {
    measure();
    if (!clock) draw(nearest(view, places));
  };
  const sizes = new ResizeObserver(() => root.kTurn!({ to: now, duration: 0, isQuiet: true }));
  sizes.observe(view);
  dataset.kOn = '';
  STOPPABLE: {
    const show = ({ target }: Event) => {
      const to = slides.findIndex((slide) => slide.contains(target as Node));
      if (to >= 0) root.kTurn!({ to, duration: 0, isQuiet: true });
    };
    root.addEventListener('k-show', show);
    return () => {
      root.removeEventListener('k-show', show);
      view.onscroll = null;
      sizes.disconnect();
      clock?.cancel();
      clock = null;
      style.scrollSnapType = '';
      delete dataset.kOn;
      for (const each of [...arrows, ...dots]) {
        each.onclick = each.ariaDisabled = null;
        each.hidden = false;
      }
    };
  }
}
