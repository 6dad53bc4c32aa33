import type { Command } from '$core/commands/commands';
import type { Finding } from '$core/kinds/finding';
import { registry } from '$core/registry';
import type { Workbench } from './workbench.svelte';

/** What mends a finding, as one step of the history. Only for findings that have a fix. */
export const mendOf = ({ fix }: Pick<Finding, 'fix'>): Command => ({
  type: 'batch',
  label: fix!.label,
  commands: fix!.commands as readonly Command[]
});

/** Mends what was found, and says how to take it back. */
export function mend(wb: Workbench, finding: Pick<Finding, 'fix'>): void {
  wb.trial = null;
  if (!wb.dispatch(mendOf(finding)))
    wb.message = { kind: 'info', text: `Done: ${finding.fix!.label}. Ctrl Z takes it back.` };
}

/** Shows what the fix of a finding would do, in the preview only. */
export function tryMend(wb: Workbench, finding: Finding): void {
  const outcome = wb.tools!.apply(registry, wb.project, mendOf(finding));
  if (!outcome.ok) return void (wb.message = { kind: 'error', text: outcome.refusal.sentence });
  wb.trial = { project: outcome.project, label: finding.fix!.label };
}
