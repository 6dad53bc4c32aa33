/** Puts what lies over the page away when a link in it is followed, so that what it leads to can be seen. */
export function closes(root: HTMLElement): (() => void) | undefined {
  const press = ({ target }: Event) => {
    const link = (target as Element).closest('a');
    link?.closest<HTMLElement>('[popover]:popover-open')?.hidePopover();
  };
  root.addEventListener('click', press);
  STOPPABLE: return () => root.removeEventListener('click', press);
}
