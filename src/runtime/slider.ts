import { nearest, placesOf, scrolled, scrollTo, stripOf, type Turn } from './strip';

const set = (element: Element, name: string, value: string | false) =>
  value === false ? element.removeAttribute(name) : element.setAttribute(name, value);

/**
 * A strip of slides with arrows and dots (ARIA Authoring Practices, carousel). The browser scrolls and snaps it;
 * this moves it in a time of its own, marks the current slide and says where it has come to. `data-current` of the
 * root names that.
 */
export function slider(root: HTMLElement): (() => void) | undefined {
  const strip = stripOf(root);
  const { view, slides, css } = strip;
  const part = (name: string) => [...root.querySelectorAll<HTMLElement>(`:scope > * > [data-k-${name}]`)];
  const [arrows, dots] = [part('to'), part('dot')];
  const said = root.querySelector<HTMLElement>(':scope > [data-k-said]')!;
  const counter = root.querySelector<HTMLElement>(':scope > [data-k-counter] > span');
  const ends = root.dataset.kSlider;
  const fades = !view.hasAttribute('tabindex');
  const told = (name: string) => css.getPropertyValue(`--k-${name}`);
  let now = Math.max(
    0,
    slides.findIndex(({ id }) => id === root.dataset.current)
  );
  let clock: Animation | undefined;

  const places = () => (fades ? slides.map((_slide, i) => i) : placesOf(strip));
  /** The last slide it comes to rest on: those after it are in sight by then. */
  const lastOf = (all: readonly number[]) =>
    root.hasAttribute('data-looped') ? all.length - 1 : nearest(all, Math.max(...all));

  const draw = (all = places()) => {
    const last = lastOf(all);
    root.dataset.current = slides[now]!.id;
    slides.forEach((slide, i) => {
      set(slide, 'aria-current', i === now && 'true');
      set(slide, 'data-next', i === (now + 1) % slides.length && i !== now && '');
    });
    dots.forEach((dot, i) => {
      set(dot, 'aria-current', i === now && 'true');
      dot.hidden = i > last;
    });
    for (const arrow of arrows)
      set(
        arrow,
        'aria-disabled',
        ends === 'stop' && now === (arrow.dataset.kTo === '1' ? last : 0) && 'true'
      );
    if (counter) counter.textContent = `${now + 1}`;
  };

  const glide = (to: number, ms: number, easing: string) => {
    const from = scrolled(strip);
    const mine = view.animate(null, { duration: ms, easing });
    clock?.cancel();
    clock = mine;
    mine.startTime = document.timeline.currentTime;
    view.style.scrollSnapType = 'none';
    const step = () => {
      if (clock !== mine) return;
      const share = mine.effect!.getComputedTiming().progress;
      scrollTo(strip, share == null ? to : from + (to - from) * share);
      if (share != null) return void requestAnimationFrame(step);
      clock = undefined;
      view.style.scrollSnapType = '';
    };
    step();
  };

  const go = (index: number, { ms = parseFloat(told('move')), ease = told('ease'), byHand }: Turn = {}) => {
    const all = places();
    now = index;
    draw(all);
    if (!fades) glide(all[now]!, ms || 0, ease || 'ease');
    if (byHand) said.textContent = slides[now]!.getAttribute('aria-label');
  };

  const turned = ({ detail }: CustomEvent<Turn>) => {
    const { to, by = 0 } = detail;
    const last = lastOf(places());
    let next = to ?? now + by * (+told('step') || 1);
    // What goes on by several still shows its end before it begins anew.
    const isPast = next > last || next < 0;
    if (isPast && root.hasAttribute('data-looped')) next = (next + slides.length) % slides.length;
    else if (isPast)
      next = (now === last || now === 0) && ends !== 'stop' ? (now ? 0 : last) : by < 0 ? 0 : last;
    if (next !== now || to != null) go(next, detail);
  };

  const press = ({ target }: Event) => {
    const arrow = arrows.find((each) => each.contains(target as Node));
    const dot = dots.indexOf(target as HTMLElement);
    if (arrow) turned(new CustomEvent('', { detail: { by: +arrow.dataset.kTo!, byHand: true } }));
    else if (dot >= 0) go(dot, { byHand: true });
  };
  const follow = () => {
    const all = places();
    const next = nearest(all, scrolled(strip));
    if (clock || fades || next === now) return;
    now = next;
    draw(all);
  };
  const show = ({ target }: Event) => {
    const index = slides.findIndex((slide) => slide.contains(target as Node));
    if (index >= 0) go(index, { ms: 0 });
  };
  const listeners: [HTMLElement, string, (event: never) => void][] = [
    [root, 'click', press],
    [root, 'k-turn', turned],
    [root, 'k-show', show],
    [view, 'scroll', follow]
  ];
  for (const [element, type, listener] of listeners)
    element.addEventListener(type, listener as EventListener);
  const sizes = new ResizeObserver(() => go(now, { ms: 0 }));
  sizes.observe(view);
  root.dataset.kOn = '';
  draw();
  STOPPABLE: return () => {
    for (const [element, type, listener] of listeners)
      element.removeEventListener(type, listener as EventListener);
    sizes.disconnect();
    clock?.cancel();
    view.style.scrollSnapType = '';
    delete root.dataset.kOn;
    dots.forEach((dot) => (dot.hidden = false));
    arrows.forEach((arrow) => arrow.removeAttribute('aria-disabled'));
    slides.forEach((slide) => slide.removeAttribute('data-next'));
  };
}
