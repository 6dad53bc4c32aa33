import type { Workbench } from './workbench.svelte';

/** Lets everything that is picked do something besides, as one step; what cannot is left as it is. */
export function addEffect(wb: Workbench, effect: string): void {
  const one = { type: 'add-effect', id: wb.tuned.id, effect } as const;
  const all = wb.selected.map((id) => ({ ...one, id })).filter((command) => wb.refusal(command) === null);
  if (all.length < 2) return void wb.dispatch(one);
  wb.dispatch({ type: 'batch', label: `${all.length} pieces: ${effect}`, commands: all });
}
