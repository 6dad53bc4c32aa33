/** The piece that keeps a side of it back (`data-k-out`). */
export const ownerOf = (side: HTMLElement): HTMLElement | null =>
  side.closest<HTMLElement>('[data-k-part="root"]');

/** Brings out what lies over the page, or is turned away, while a part of it is picked that could not be seen. */
export function createBrought() {
  let out: HTMLElement | null = null;
  let last: HTMLElement | null = null;
  let kept: HTMLElement | null = null;

  /** At once: while it is on its way out it can still be seen, and would not be brought again. */
  function putAway(): void {
    if (out?.matches(':popover-open')) {
      out.hidePopover();
      out.getAnimations().forEach((each) => each.finish());
    }
    out = null;
  }

  function bring(lying: HTMLElement, isAgain: boolean): void {
    lying.showPopover();
    out = lying;
    if (isAgain) lying.getAnimations().forEach((each) => each.finish());
  }

  /** A dialog is opened, not as a modal one: what is beside it stays within reach. */
  function setOut(side: HTMLElement, isOut: boolean): void {
    if (side instanceof HTMLDialogElement) side.open = isOut;
    else ownerOf(side)?.toggleAttribute(`data-${side.dataset.kOut!}`, isOut);
  }

  /** What its piece keeps back says by which attribute of the piece it is brought out (`data-k-out`). */
  function turn(picked: HTMLElement | null): void {
    const side = picked?.closest<HTMLElement>('[data-k-out]') ?? null;
    if (side === kept) return;
    if (kept) setOut(kept, false);
    if (side) setOut(side, true);
    kept = side;
  }

  return {
    picked(picked: HTMLElement | null): void {
      turn(picked);
      if (picked === last) return;
      last = picked;
      const before = out;
      // Only once it is away can be told what is to be seen without it.
      putAway();
      const lying = picked?.closest<HTMLElement>('[popover]') ?? null;
      if (!lying || lying.matches(':popover-open')) return;
      if (picked === lying || !picked!.checkVisibility()) bring(lying, lying === before);
    },
    /** The other side of all that have two, or the one that is seen first. */
    all(page: HTMLElement, isOut: boolean): void {
      const sides = [...page.querySelectorAll<HTMLElement>('[data-k-out]')];
      for (const side of sides) if (!(side instanceof HTMLDialogElement)) setOut(side, isOut);
      kept = null;
    }
  };
}
