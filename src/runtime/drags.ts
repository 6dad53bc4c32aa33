import { nearest, placesOf, turn, viewOf } from './strip';

/**
 * Drags the strip of a slider by the mouse; fingers and pens scroll it as they do any page. It comes to rest on a
 * slide in a time in which its speed carries over: `ease-out` starts 1.72 times
 * as fast as it is on average (1 / 0.58, CSS Easing 1, section 2.2).
 */
export function drags(root: HTMLElement): (() => void) | undefined {
  const view = viewOf(root);
  const grab = (event: PointerEvent) => {
    if (event.pointerType !== 'mouse' || event.button) return;
    const start = nearest(view, placesOf(view));
    let last = event;
    // px a ms
    let speed = 0;
    const move = (next: PointerEvent) => {
      const by = last.clientX - next.clientX;
      // A hand that presses trembles a little.
      if (last === event && Math.abs(by) < 4) return;
      view.style.scrollSnapType = 'none';
      view.scrollLeft += by;
      speed = by / (next.timeStamp - last.timeStamp || 1);
      last = next;
    };
    const drop = ({ timeStamp }: PointerEvent) => {
      removeEventListener('pointermove', move);
      if (last === event) return;
      // What was pressed to drag it is not meant.
      view.addEventListener('click', stop, true);
      setTimeout(() => view.removeEventListener('click', stop, true));
      // A hand that has stopped does not push.
      if (timeStamp - last.timeStamp > 99) speed = 0;
      const places = placesOf(view);
      let to = nearest(view, places, speed * 250);
      if (to === start && Math.abs(speed) > 0.3) to += Math.sign(speed * places.at(-1)!);
      const way = (places[to] ?? places[(to = start)]!) - view.scrollLeft;
      const ms = Math.max(200, Math.min(Math.abs((1.72 * way) / speed), 700));
      turn(root, { to, ms, easing: 'ease-out' });
    };
    addEventListener('pointermove', move);
    addEventListener('pointerup', drop, { once: true });
  };
  const stop = (event: Event) => {
    event.preventDefault();
    event.stopPropagation();
  };
  view.onpointerdown = grab;
  view.ondragstart = stop;
  STOPPABLE: return () => void (view.onpointerdown = view.ondragstart = null);
}
