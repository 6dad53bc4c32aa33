import { slidesOf, viewOf } from '../runtime/strip';

/** A moment of a round: the item that rests, or the two between which it moves. */
export interface Moment {
  readonly from: string;
  readonly to: string;
  /** ms since it began to move; null while it rests. */
  readonly moved: number | null;
  /** How much of the rest has gone, from 0 to 1. */
  readonly share: number;
}

/**
 * Shows what plays as it is at any moment of its round: what moves is set going as its own clock would, and held.
 * @param scrub holds all that moves at a time in ms; null lets it go on.
 */
export function createRound(scrub: (time: number | null) => void) {
  let last = '';

  /** Where it rests, at once. */
  function rest(root: HTMLElement, at: number): void {
    root.kTurn!({ to: at, duration: 0, isQuiet: true });
    for (const each of root.getAnimations({ subtree: true })) each.finish();
  }

  function draw(root: HTMLElement, { from, to, moved, share }: Moment): void {
    const ids = slidesOf(viewOf(root)).map(({ id }) => id);
    const now = [root.id, from, moved === null].join(' ');
    if (now !== last) {
      scrub(null);
      rest(root, ids.indexOf(from));
      if (moved !== null) root.kTurn!({ to: ids.indexOf(to), isQuiet: true });
    }
    last = now;
    scrub(moved);
    const line = root.querySelector<HTMLElement>(':scope > [data-k-round]');
    if (line) line.style.scale = `${share} 1`;
  }

  /** @param moment null ends it: all goes on as it would. */
  return (root: HTMLElement | null, moment: Moment | null): void => {
    if (root && moment) return draw(root, moment);
    last = '';
    scrub(null);
    root?.querySelector<HTMLElement>(':scope > [data-k-round]')?.style.removeProperty('scale');
  };
}
