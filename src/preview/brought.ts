/** Brings out what lies over the page while a part of it is picked that could not be seen otherwise. */
export function createBrought() {
  let out: HTMLElement | null = null;

  function putAway(): void {
    if (out?.matches(':popover-open')) out.hidePopover();
    out = null;
  }

  return (picked: HTMLElement | null): void => {
    const lying = picked?.closest<HTMLElement>('[popover]') ?? null;
    if (out !== lying) putAway();
    if (!lying || lying.matches(':popover-open')) return;
    // What stands in the page where there is room is seen where it stands, but for the box of the panel itself.
    if (picked !== lying && picked!.checkVisibility()) return;
    lying.showPopover();
    out = lying;
  };
}
