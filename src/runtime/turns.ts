import { lastOf } from './sight';

/**
 * Lets a slider play: an endless animation is its clock, so that whatever holds, slows or scrubs animations does
 * the same to it. Held by its style sheet while it is out of sight, in a window behind, used, or by its button.
 */
export function turns(root: HTMLElement): (() => void) | undefined {
  const round = root.querySelector<HTMLElement>(':scope>[data-k-round]')!;
  const hold = root.querySelector<HTMLElement>(':scope>*>[data-k-hold]');
  const set = (isHeld: boolean) => {
    root.dataset.held = `${isHeld}`;
    if (hold) hold.ariaPressed = `${isHeld}`;
  };
  /** The rest begins anew, and may be another one. Its count stays: a browser would tell of another. */
  const rest = (change?: () => void) => {
    const [clock] = round.getAnimations();
    const length = () => +clock!.effect!.getComputedTiming().duration!;
    const count = clock && Math.floor(+clock.currentTime! / length());
    change?.();
    if (clock) clock.currentTime = count! * length();
  };
  const next = () => rest(() => turn({ by: +round.dataset.kRound!, isQuiet: true }));
  const press = () => set(root.dataset.held !== 'true');
  const turn = root.kTurn!;
  root.kTurn = (asked) => {
    turn(asked);
    if (asked.isQuiet) return;
    if (root.dataset.kTurns) set(true);
    rest();
  };
  let isInSight = true;
  const away = () => root.toggleAttribute('data-away', !isInSight || document.hidden);
  const watch = new IntersectionObserver((seen) => {
    isInSight = lastOf(seen).isIntersecting;
    away();
  });
  watch.observe(root);
  round.addEventListener('animationiteration', next);
  hold?.addEventListener('click', press);
  document.addEventListener('visibilitychange', away);
  STOPPABLE: return () => {
    watch.disconnect();
    round.removeEventListener('animationiteration', next);
    hold?.removeEventListener('click', press);
    root.kTurn = turn;
    document.removeEventListener('visibilitychange', away);
    delete root.dataset.held;
    delete root.dataset.away;
    if (hold) hold.ariaPressed = 'false';
  };
}
