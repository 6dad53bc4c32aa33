import { tick } from 'svelte';

/**
 * Called when a drawer or a panel comes.
 * @returns what gives the focus back to what has it now, for when that goes again: unless something else has taken it.
 */
export function focusKept(): () => void {
  const before = document.activeElement;
  return () =>
    void tick().then(() => {
      if (document.activeElement === document.body && before instanceof HTMLElement) before.focus();
    });
}
