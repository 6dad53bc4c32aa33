/** Brings out what lies over the page while a part of it is picked that could not be seen otherwise. */
export function createBrought() {
  let out: HTMLElement | null = null;
  let last: HTMLElement | null = null;

  function putAway(): void {
    if (out?.matches(':popover-open')) out.hidePopover();
    out = null;
  }

  function bring(lying: HTMLElement, isAgain: boolean): void {
    lying.showPopover();
    out = lying;
    if (isAgain) lying.getAnimations().forEach((each) => each.finish());
  }

  return (picked: HTMLElement | null): void => {
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
