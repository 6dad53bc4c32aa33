import type { TokenUse } from '$core/commands/token-uses';
import type { Finding } from '$core/kinds/finding';
import { VIEW_OF, fieldsOf } from './fields';
import type { View, Workbench } from './workbench.svelte';

/** Frames to wait for a view that is still being fetched. */
const FRAMES_MOST = 120;

/**
 * Brings something of the workbench into sight and gives it the keys: a field, a cell, a token.
 * @param view the view of the tuning sheet it is in; null where it is elsewhere.
 * @param selector finds it, or what holds it, once it is drawn.
 */
export function goTo(wb: Workbench, view: View | null, selector: string): void {
  if (view) wb.view = view;
  let frames = 0;
  const look = (): void => {
    const found = document.querySelector<HTMLElement>(selector);
    frames += 1;
    if (!found && frames < FRAMES_MOST) return void requestAnimationFrame(look);
    if (!found) return;
    const folded = found.closest('details:not([open])');
    folded?.setAttribute('open', '');
    found.scrollIntoView({ block: 'nearest' });
    const field = found.matches('input, select, button, [tabindex]')
      ? found
      : (found.querySelector<HTMLElement>('input, select, textarea, [contenteditable]') ??
        found.querySelector<HTMLElement>('button'));
    field?.focus();
  };
  requestAnimationFrame(look);
}

/** Picks what a finding is about, where it is seen and mended. */
export function shownFinding(wb: Workbench, finding: Finding): void {
  wb.trial = null;
  wb.select([finding.node], finding.part ?? undefined);
  if (finding.view) wb.view = finding.view;
  if (finding.width) wb.preview.width = Math.max(280, finding.width - 1);
}

/** Goes to a place that names a token: the other token, or the field or the cell of the piece that does. */
export function goToUse(wb: Workbench, use: TokenUse): void {
  if (use.kind === 'token') return goTo(wb, null, `[data-token="${use.id}"]`);
  wb.select([use.id], use.kind === 'cell' ? use.part : undefined);
  if (use.kind === 'cell') {
    wb.at = use.condition;
    return goTo(wb, 'States', `[data-property="${use.property}"][data-state="${use.state}"]`);
  }
  const field = fieldsOf(wb.registry.of(wb.current)).find(({ key }) => key === use.key);
  if (field) goTo(wb, VIEW_OF[field.view], `[data-field="${use.key}"]`);
}
