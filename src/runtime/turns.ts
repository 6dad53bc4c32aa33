import { turn, type Turn } from './strip';

/**
 * Lets a slider play: an endless animation is its clock, so that whatever holds, slows or scrubs animations does
 * the same to it. Held by its style sheet while it is out of sight, in a window behind, used, or by its button.
 */
export function turns(root: HTMLElement): (() => void) | undefined {
  const round = root.querySelector<HTMLElement>(':scope > [data-k-round]')!;
  const hold = root.querySelector<HTMLElement>(':scope > * > [data-k-hold]');
  const set = (isHeld: boolean) => {
    root.toggleAttribute('data-held', isHeld);
    root.toggleAttribute('data-going', !isHeld);
    if (hold) hold.ariaPressed = `${isHeld}`;
  };
  /** The next slide may rest longer; what came too late by the length of a frame is not added up. */
  const next = () => {
    const [clock] = round.getAnimations() as [CSSAnimation];
    const late = +clock.currentTime! % +clock.effect!.getComputedTiming().duration!;
    turn(root, { by: +round.dataset.kRound!, isQuiet: true });
    clock.currentTime = late;
  };
  const press = () => set(!('held' in root.dataset));
  const used = ({ detail }: { detail: Turn }) => {
    if (detail.isQuiet) return;
    if (root.dataset.kTurns) set(true);
    for (const each of round.getAnimations()) each.currentTime = 0;
  };
  let isInSight = true;
  const away = () => root.toggleAttribute('data-away', !isInSight || document.hidden);
  const watch = new IntersectionObserver(([entry]) => {
    isInSight = entry!.isIntersecting;
    away();
  });
  watch.observe(root);
  round.addEventListener('animationiteration', next);
  hold?.addEventListener('click', press);
  root.addEventListener('k-turn', used as never);
  document.addEventListener('visibilitychange', away);
  STOPPABLE: return () => {
    watch.disconnect();
    round.removeEventListener('animationiteration', next);
    hold?.removeEventListener('click', press);
    root.removeEventListener('k-turn', used as never);
    document.removeEventListener('visibilitychange', away);
    for (const name of ['data-held', 'data-going', 'data-away']) root.removeAttribute(name);
    if (hold) hold.ariaPressed = 'false';
  };
}
