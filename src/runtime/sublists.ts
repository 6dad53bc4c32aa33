/**
 * Lists below the links of a navigation: opened by pressing their button, or by a mouse over them; put away by
 * Escape, by leaving them, and by opening another (ARIA practices, disclosure navigation).
 */
export function sublists(root: HTMLElement): (() => void) | undefined {
  /** The one that a mouse has opened. It stays when its button is pressed; the next press closes it. */
  let pointed: Element | null;
  const only = (open?: Element | null) =>
    root.querySelectorAll('[data-sub]').forEach((entry) => {
      const isOpen = entry.toggleAttribute('data-open', entry === open);
      // The browser writes it as a word.
      entry.querySelector('[aria-expanded]')!.ariaExpanded = isOpen as unknown as string;
    });
  const act = ({ type, target, relatedTarget, pointerType }: PointerEvent) => {
    const entry = (target as Element).closest('[data-sub]');
    const isOpen = entry?.matches('[data-open]');
    if (type === 'click') {
      if ((target as Element).closest('[aria-expanded]')) {
        only(isOpen && entry !== pointed ? null : entry);
        pointed = null;
      }
    } else if (type === 'focusout') {
      if (isOpen && relatedTarget && !entry!.contains(relatedTarget as Node)) only();
    } else if (!entry) {
      if (pointed) only((pointed = null));
    }
    // In the flow, what came by a mouse would move what stands below.
    else if (pointerType === 'mouse' && !isOpen && getComputedStyle(entry).position === 'relative')
      only((pointed = entry));
  };
  const key = (event: KeyboardEvent) => {
    const open = root.querySelector('[data-open]');
    if (event.key === 'Escape' && open) {
      // One press puts away one thing: what is around it stays.
      event.stopPropagation();
      if (open.matches(':focus-within')) open.querySelector<HTMLElement>('[aria-expanded]')!.focus();
      only();
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
      only();
    };
  }
}
