/**
 * A button that shows and hides a list of links; Escape and a followed link put it away (ARIA practices,
 * disclosure navigation).
 */
export function menu(root: HTMLElement): (() => void) | undefined {
  const button = root.querySelector<HTMLElement>('[aria-controls]')!;
  const set = (isOpen: boolean) => {
    root.toggleAttribute('data-open', isOpen);
    button.setAttribute('aria-expanded', String(isOpen));
  };
  const press = (event: Event) => {
    const target = event.target as Element;
    if (button.contains(target)) set(!root.hasAttribute('data-open'));
    else if (target.closest('a')) set(false);
  };
  const key = (event: KeyboardEvent) => {
    if (event.key !== 'Escape' || !root.hasAttribute('data-open')) return;
    set(false);
    button.focus();
  };
  root.addEventListener('click', press);
  root.addEventListener('keydown', key);
  STOPPABLE: return () => {
    root.removeEventListener('click', press);
    root.removeEventListener('keydown', key);
    set(false);
  };
}
