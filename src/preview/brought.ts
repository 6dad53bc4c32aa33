/** Brings out what lies over the page while a part of it is picked that could not be seen otherwise. */
export function createBrought() {
  let out: HTMLElement | null = null;
  let last: HTMLElement | null = null;
  let turned: Element | null = null;

  function putAway(): void {
    if (out?.matches(':popover-open')) out.hidePopover();
    out = null;
  }

  function bring(lying: HTMLElement, isAgain: boolean): void {
    lying.showPopover();
    out = lying;
    if (isAgain) lying.getAnimations().forEach((each) => each.finish());
  }

  /** The side of a card that is tuned is the one that is seen. */
  function turn(picked: HTMLElement | null): void {
    const card = picked?.closest('[data-k-back]')?.closest('[data-k-card]') ?? null;
    if (card === turned) return;
    turned?.removeAttribute('data-turned');
    card?.setAttribute('data-turned', '');
    turned = card;
  }

  return (picked: HTMLElement | null): void => {
    turn(picked);
    if (picked === last) return;
    last = picked;
    const before = out;
    // Only once it is away can be told what is to be seen without it.
    putAway();
    const lying = picked?.closest<HTMLElement>('[popover]') ?? null;
    if (!lying || lying.matches(':popover-open')) return;
    if (picked === lying || !picked!.checkVisibility()) bring(lying, lying === before);
  };
}
