import { tick, untrack } from 'svelte';
import type { Workbench } from '$lib/state/workbench.svelte';

/**
 * Where a drawer, a panel or a dialog is closed, what had the focus before it came has it again: unless something
 * else has taken it, or other pieces were picked meanwhile, since the hand then goes on with those. Called once, as
 * the workbench is set up.
 */
export function giveFocusBack(wb: () => Workbench): void {
  const picked = () => untrack(() => wb().selected.join());
  let before: { element: Element | null; picked: string } | null = null;
  $effect.pre(() => {
    if (wb().open !== null) {
      before ??= { element: document.activeElement, picked: picked() };
      return;
    }
    const had = before;
    before = null;
    if (!had) return;
    void tick().then(() => {
      const isFree = document.activeElement === document.body && had.picked === picked();
      if (isFree && had.element instanceof HTMLElement) had.element.focus();
    });
  });
}
