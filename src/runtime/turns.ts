import { turn } from './strip';

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
    hold?.setAttribute('aria-pressed', `${isHeld}`);
  };
  const next = ({ target }: Event) => {
    if (target === round) turn(root, { by: round.dataset.kRound === 'back' ? -1 : 1 });
  };
  const press = ({ target }: Event) => {
    if (hold?.contains(target as Node)) return set(!root.hasAttribute('data-held'));
    const isUsed =
      (target as Element).closest('[data-k-to], [data-k-dot]')?.parentElement?.parentElement === root;
    if (isUsed) used();
  };
  const used = () => {
    if (root.dataset.kTurns) return set(true);
    for (const each of round.getAnimations()) each.currentTime = 0;
  };
  const dragged = ({ detail }: CustomEvent<{ byHand?: boolean }>) => {
    if (detail.byHand) used();
  };
  let isInSight = true;
  const away = () => root.toggleAttribute('data-away', !isInSight || document.hidden);
  const watch = new IntersectionObserver(([entry]) => {
    isInSight = entry!.isIntersecting;
    away();
  });
  watch.observe(root);
  round.addEventListener('animationiteration', next);
  root.addEventListener('click', press);
  root.addEventListener('k-turn', dragged as EventListener);
  document.addEventListener('visibilitychange', away);
  STOPPABLE: return () => {
    watch.disconnect();
    round.removeEventListener('animationiteration', next);
    root.removeEventListener('click', press);
    root.removeEventListener('k-turn', dragged as EventListener);
    document.removeEventListener('visibilitychange', away);
    for (const name of ['data-held', 'data-going', 'data-away']) root.removeAttribute(name);
    hold?.setAttribute('aria-pressed', 'false');
  };
}
