import { nearest, placesOf, scrolled, scrollTo, stripOf, turn } from './strip';

/** A push that is quicker than this goes on by one slide at least, px/ms. */
const PUSH = 0.3;
/** How long a push would go on by itself, ms. */
const MOMENTUM = 250;

/**
 * Drags the strip of a slider by the mouse; fingers and pens scroll it as they do any page. It comes to rest on a
 * slide in a time in which its speed carries over (cubic-bezier(.215, .61, .355, 1) starts 2.84 times as fast as it
 * is on average).
 */
export function drags(root: HTMLElement): (() => void) | undefined {
  const strip = stripOf(root);
  const { view, css } = strip;

  const grab = (event: PointerEvent) => {
    if (event.pointerType !== 'mouse' || event.button) return;
    const way = css.direction === 'rtl' ? 1 : -1;
    const from = scrolled(strip);
    const start = nearest(placesOf(strip), from);
    let [x, time, speed, isMoved] = [event.clientX, event.timeStamp, 0, false];
    const gone = new AbortController();
    const { signal } = gone;

    const move = ({ clientX, timeStamp }: PointerEvent) => {
      const by = (clientX - x) * way;
      if (!isMoved && Math.abs(by) < 4) return;
      isMoved = true;
      view.style.scrollSnapType = 'none';
      speed = by / Math.max(1, timeStamp - time);
      [x, time] = [clientX, timeStamp];
      scrollTo(strip, scrolled(strip) + by);
    };
    const drop = ({ timeStamp }: PointerEvent) => {
      gone.abort();
      if (!isMoved) return;
      // What was pressed to drag it is not meant.
      addEventListener('click', (click) => click.stopPropagation(), { capture: true, once: true });
      setTimeout(() => dispatchEvent(new Event('click')));
      if (timeStamp - time > 100) speed = 0;
      const places = placesOf(strip);
      const at = scrolled(strip);
      let to = nearest(places, at + speed * MOMENTUM);
      if (to === start && Math.abs(speed) > PUSH)
        to = Math.max(0, Math.min(places.length - 1, to + Math.sign(speed)));
      const ms = Math.max(200, Math.min(700, (2.84 * Math.abs(places[to]! - at)) / Math.abs(speed)));
      turn(root, {
        to,
        ms: parseFloat(css.getPropertyValue('--k-move')) && ms,
        ease: 'cubic-bezier(.215,.61,.355,1)',
        byHand: true
      });
    };
    addEventListener('pointermove', move, { signal });
    addEventListener('pointerup', drop, { signal });
    addEventListener('pointercancel', drop, { signal });
  };
  const keep = (event: Event) => event.preventDefault();
  view.addEventListener('pointerdown', grab);
  view.addEventListener('dragstart', keep);
  STOPPABLE: return () => {
    view.removeEventListener('pointerdown', grab);
    view.removeEventListener('dragstart', keep);
  };
}
