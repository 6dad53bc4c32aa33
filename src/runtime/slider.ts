import { nearest, placesOf, slidesOf, told, turn, viewOf, type Turn } from './strip';

/**
 * A strip of slides with arrows and dots (ARIA Authoring Practices, carousel). The browser scrolls and snaps it;
 * this moves it in a time of its own, marks the current slide and says where it has come to. `data-current` of the
 * root names that; where it is `data-looped`, it rests on all of them.
 */
export function slider(root: HTMLElement): (() => void) | undefined {
  const view = viewOf(root);
  const slides = slidesOf(view);
  const part = (name: string) => [...root.querySelectorAll<HTMLElement>(`:scope > * > [data-k-${name}]`)];
  const [arrows, dots] = [part('to'), part('dot')];
  const stops = root.dataset.kSlider === 'stop';
  let now = slides.findIndex(({ id }) => id === root.dataset.current);
  let clock: Animation | null;

  const isLooped = () => 'looped' in root.dataset;
  /** The last slide it comes to rest on: those after it are in sight by then. */
  const lastOf = (places: number[]) => (isLooped() ? places.length - 1 : places.indexOf(places.at(-1)!));

  const draw = (next: number, end: number) => {
    now = next;
    root.dataset.current = slides[now]!.id;
    for (const each of [slides, dots])
      each.forEach((one, i) => (one.ariaCurrent = i === now ? 'true' : null));
    dots.forEach((dot, i) => (dot.hidden = i > end));
    arrows.forEach((arrow, i) => (arrow.ariaDisabled = stops && now === i * end ? 'true' : null));
  };

  const glide = (to: number, duration: number, easing: string) => {
    const from = view.scrollLeft;
    const mine = view.animate(null, { duration, easing });
    // Else its first frame stalls.
    mine.startTime = document.timeline.currentTime;
    clock = mine;
    view.style.scrollSnapType = 'none';
    const step = () => {
      if (clock !== mine) return;
      const { progress } = mine.effect!.getComputedTiming();
      view.scrollLeft = from + (to - from) * (progress ?? 1);
      if (progress != null) return requestAnimationFrame(step);
      clock = null;
      view.style.scrollSnapType = '';
    };
    step();
  };

  const turned = ({ detail }: { detail: Turn }) => {
    const { to, by = 0, ms = +told(root, '--k-move'), easing = told(root, '--k-ease'), isQuiet } = detail;
    const places = placesOf(view);
    const end = lastOf(places);
    const asked = to ?? now + by * +told(root, '--k-step');
    // What goes on by several shows its end before it begins anew.
    const isHeldIn = stops || (!isLooped() && now % end);
    const next = isHeldIn ? Math.max(0, Math.min(asked, end)) : (asked + end + 1) % (end + 1);
    // Scrolled before anything is marked: what has been changed the browser would have to lay out first.
    glide(places[next]!, ms, easing);
    draw(next, end);
    if (!isQuiet) root.lastElementChild!.textContent = slides[now]!.ariaLabel;
  };

  const follow = () => {
    const places = placesOf(view);
    if (!clock) draw(nearest(view, places), lastOf(places));
  };
  arrows.forEach((arrow, i) => (arrow.onclick = () => turn(root, { by: i || -1 })));
  dots.forEach((dot, i) => (dot.onclick = () => turn(root, { to: i })));
  root.addEventListener('k-turn', turned as never);
  view.onscroll = follow;
  const settle = () => turn(root, { to: now, ms: 0, isQuiet: true });
  const sizes = new ResizeObserver(settle);
  sizes.observe(view);
  root.dataset.kOn = '';
  STOPPABLE: {
    const show = ({ target }: Event) => {
      const to = slides.findIndex((slide) => slide.contains(target as Node));
      if (to >= 0) turn(root, { to, ms: 0, isQuiet: true });
    };
    root.addEventListener('k-show', show);
    return () => {
      root.removeEventListener('k-show', show);
      root.removeEventListener('k-turn', turned as never);
      view.onscroll = null;
      sizes.disconnect();
      clock?.cancel();
      clock = null;
      view.style.scrollSnapType = '';
      delete root.dataset.kOn;
      for (const each of [...arrows, ...dots]) {
        each.onclick = each.ariaDisabled = null;
        each.hidden = false;
      }
    };
  }
}
