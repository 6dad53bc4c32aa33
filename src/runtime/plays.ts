import { lastOf } from './sight';

/** Plays a silent film while it is in sight and nobody has asked for less motion. */
export function plays(root: HTMLElement): (() => void) | undefined {
  const film = root.querySelector('video')!;
  const still = matchMedia('(prefers-reduced-motion: reduce)');
  let inSight = false;
  const turn = () => {
    if (inSight && !still.matches) void film.play().catch(() => {});
    else film.pause();
  };
  const watch = new IntersectionObserver((seen) => {
    inSight = lastOf(seen).isIntersecting;
    turn();
  });
  watch.observe(root);
  still.addEventListener('change', turn);
  STOPPABLE: return () => {
    watch.disconnect();
    still.removeEventListener('change', turn);
    film.pause();
  };
}
