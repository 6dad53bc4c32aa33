/**
 * Lists below the links of a navigation: opened by pressing their button, or by a mouse over them; put away by
 * Escape, by leaving them, and by opening another (ARIA practices, disclosure navigation).
 */
export function sublists(root: HTMLElement): (() => void) | undefined {
  /** The one that a mouse has opened. It stays when its button is pressed; the next press closes it. */
  let pointed: Element | null;
  const only = (open: Element | null) =>
    root.querySelectorAll('[data-sub]').forEach((entry) => {
      entry.toggleAttribute('data-open', entry === open);
      entry.querySelector('[aria-expanded]')!.ariaExpanded = `${entry === open}`;
    });
  const act = ({ type, target, relatedTarget, pointerType }: PointerEvent) => {
    const entry = (target as Element).closest('[data-sub]');
    const isOpen = entry?.matches('[data-open]');
    if (type === 'click') {
      if (entry && (target as Element).closest('[aria-expanded]')) {
        only(isOpen && entry !== pointed ? null : entry);
        pointed = null;
      }
    } else if (type === 'focusout') {
      if (isOpen && relatedTarget && !entry!.contains(relatedTarget as Node)) only(null);
    } else if (pointerType === 'mouse' && !isOpen && (entry || pointed)) only((pointed = entry));
    else if (type === 'pointerleave' && pointed) only((pointed = null));
  };
  const key = (event: KeyboardEvent) => {
    const open = root.querySelector('[data-sub][data-open]');
    if (event.key === 'Escape' && open) {
      // One press puts away one thing: what is around it stays.
      event.stopPropagation();
      if (open.matches(':focus-within')) open.querySelector<HTMLElement>('[aria-expanded]')!.focus();
      only(null);
    }
  };
  const types = ['click', 'focusout', 'pointerover', 'pointerleave'] as const;
  for (const type of types) root.addEventListener(type, act as (event: Event) => void);
  addEventListener('keydown', key, true);
  STOPPABLE: {
    const show = ({ target }: Event) => only((target as Element).closest('[data-sub]'));
    root.addEventListener('k-show', show);
    return () => {
      for (const type of types) root.removeEventListener(type, act as (event: Event) => void);
      root.removeEventListener('k-show', show);
      removeEventListener('keydown', key, true);
      only(null);
    };
  }
}
