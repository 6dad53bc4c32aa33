const isOpen = (element: HTMLElement): boolean => element.matches('dialog[open], :popover-open');

/** Opens or closes a dialog or a popover. @param isAtOnce without its movement. */
function setOpen(element: HTMLElement, open: boolean, isAtOnce = true): void {
  if (!(element instanceof HTMLDialogElement)) element.togglePopover(open);
  // Not by `show`, which takes the focus from whoever tunes it.
  else if (open) element.open = true;
  else element.close();
  if (isAtOnce) element.getAnimations().forEach((each) => each.finish());
}

/** Everything on the page that moves by time: its pace, its replay, and a hand on its clock. */
export function createMotion() {
  let rate = 1;
  let held: number | null = null;
  let isWatching = false;

  const animations = () =>
    document.getAnimations().filter((each) => !(each.timeline && each.timeline !== document.timeline));

  /**
   * Animations begin whenever the page likes, so as long as the pace is not the real one they are looked for
   * at every frame.
   */
  const watch = () => {
    isWatching = rate !== 1 || held !== null;
    if (!isWatching) return;
    for (const each of animations()) {
      if (held === null && each.playbackRate !== rate) each.updatePlaybackRate(rate);
      if (held !== null) {
        each.pause();
        each.currentTime = held;
      }
    }
    requestAnimationFrame(watch);
  };

  const start = () => {
    if (!isWatching) watch();
  };

  return {
    setRate(next: number) {
      if (next === rate) return;
      rate = next;
      animations().forEach((each) => each.updatePlaybackRate(rate));
      start();
    },
    /** Presses the part after the chosen one, as a hand would. */
    play(parts: readonly HTMLElement[]) {
      const chosen = parts.findIndex((part) =>
        part.matches('[aria-selected="true"], [aria-expanded="true"], [aria-current="true"]')
      );
      const next = parts
        .slice(chosen + 1)
        .concat(parts.slice(0, Math.max(0, chosen)))
        .find((part) => !part.hasAttribute('aria-disabled') && part.getClientRects().length > 0);
      next?.click();
    },
    /** Begins the entrance of a piece anew: it is taken back to before it and let go. */
    enter(element: HTMLElement) {
      element.toggleAttribute('data-waiting', true);
      // The style has to be asked for, or the two changes would be one and nothing would begin.
      element.getBoundingClientRect();
      element.removeAttribute('data-waiting');
    },
    /** Brings what lies over the page anew. */
    open(element: HTMLElement) {
      if (isOpen(element)) setOpen(element, false);
      setOpen(element, true, false);
    },
    /** Lets it go, and brings back what was there when it has gone: it is tuned where it is seen. */
    close(element: HTMLElement) {
      const wasOpen = isOpen(element);
      if (!wasOpen) setOpen(element, true);
      // It may have been opened in this very frame: what has no style yet has nothing to go from.
      element.getBoundingClientRect();
      setOpen(element, false, false);
      const gone = element.getAnimations().map(({ finished }) => finished);
      void Promise.allSettled(gone).then(() => {
        if (wasOpen && !isOpen(element)) setOpen(element, true);
      });
    },
    isHeld: () => held !== null,
    /** @param time ms since the event, or null to let everything go on. */
    scrub(time: number | null) {
      held = time;
      if (time === null) animations().forEach((each) => each.playState === 'paused' && each.play());
      start();
    }
  };
}
