import { middle, nearest, placesOf, viewOf } from './strip';

/**
 * Drags the strip of a slider by the mouse; fingers and pens scroll it as they do any page. It comes to rest on a
 * slide in a time in which its speed carries over: `ease-out` starts 1.72 times
 * as fast as it is on average (1 / 0.58, CSS Easing 1, section 2.2).
 */
export function drags(root: HTMLElement): (() => void) | undefined {
  const view = viewOf(root);
  /** Where the hand took hold, and where it was last; both null while it does not hold the strip. */
  let first: PointerEvent | null;
  let last: PointerEvent | null;
  let start: number;
  // px a ms
  let speed: number;
  view.onpointerdown = (event) => {
    if (event.pointerType !== 'mouse' || event.button) return;
    first = last = event;
    start = nearest(view, placesOf(view));
  };
  view.onpointermove = (next) => {
    // Let go outside of the window.
    if (!next.buttons) first = last = null;
    if (!last) return;
    const by = last.x - next.x;
    // A hand that presses trembles a little.
    if (last === first && Math.abs(by) < 4) return;
    // What was pressed to drag it is not meant: a click goes to what has the pointer (Pointer Events 3, from memory).
    view.setPointerCapture(next.pointerId);
    view.style.scrollSnapType = 'none';
    view.scrollLeft += by;
    speed = by / (next.timeStamp - last!.timeStamp || 1);
    last = next;
  };
  view.onpointerup = ({ timeStamp }) => {
    if (last !== first) {
      // A hand that has stopped does not push.
      if (timeStamp - last!.timeStamp > 99) speed = 0;
      const places = placesOf(view);
      let to = nearest(view, places, speed * 250);
      if (to === start && Math.abs(speed) > 0.3) to += Math.sign(speed * places.at(-1)!);
      const way = (places[to] ?? places[(to = start)]!) - view.scrollLeft;
      const duration = middle(Math.abs((1.72 * way) / speed), 200, 700);
      root.kTurn!({ to, duration, easing: 'ease-out' });
    }
    first = last = null;
  };
  view.ondragstart = () => false;
  STOPPABLE: return () => {
    view.onpointerdown = view.onpointermove = view.onpointerup = view.ondragstart = null;
  };
}
