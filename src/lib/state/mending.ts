import type { Command } from '$core/commands/commands';
import type { Finding } from '$core/kinds/finding';
import type { Workbench } from './workbench.svelte';

/** What mends a finding, as one step of the history. Only for findings that have a fix. */
export const mendOf = ({ fix }: Finding): Command => ({
  type: 'batch',
  label: fix!.label,
  commands: fix!.commands as readonly Command[]
});

/** Mends what was found, and says how to take it back. */
export function mend(wb: Workbench, finding: Finding): void {
  wb.trial = null;
  if (!wb.dispatch(mendOf(finding)))
    wb.message = { kind: 'info', text: `Done: ${finding.fix!.label}. Ctrl Z takes it back.` };
}
