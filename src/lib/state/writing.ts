import { settingsWithDefaults } from '$core/kinds/settings';
import { nodeOf } from '$core/project/tree';
import type { NodeId } from '$core/project/types';
import { tidyHtml } from '$core/html/tidy';
import { fieldsOf, type FieldSpec } from './fields';
import type { Workbench } from './workbench.svelte';

/**
 * @returns the rich text of a piece that is drawn in a part, or in what the part stands on; null where there
 * is none.
 */
function maybeRichField(wb: Workbench, id: NodeId, part: string | null): FieldSpec | null {
  const kind = wb.registry.of(nodeOf(wb.project, id));
  const field = fieldsOf(kind, 'fill').find(({ control }) => control === 'rich');
  if (!field) return null;
  const home = field.part ?? 'root';
  return part === null || part === home || (kind.anatomy[part]?.on ?? 'root') === home ? field : null;
}

let hand = 0;

/**
 * Lets the hand write in the page itself.
 * @param part the part that was pressed; null for the piece as a whole.
 * @returns false where the piece has no rich text there.
 */
export function writeInPlace(wb: Workbench, id: NodeId, part: string | null): boolean {
  const field = maybeRichField(wb, id, part);
  if (!field) return false;
  const node = nodeOf(wb.project, id);
  hand += 1;
  wb.preview.sendToPage({
    type: 'write',
    node: id,
    part: field.part ?? 'root',
    html: tidyHtml(String(settingsWithDefaults(wb.registry.of(node), node)[field.key])),
    label: `${field.label} of ${node.name}`
  });
  return true;
}

/** Takes what was written so far; all of one visit is one step of the history. */
export function takeWritten(wb: Workbench, id: NodeId, html: string): void {
  const field = wb.project.nodes[id] ? maybeRichField(wb, id, null) : null;
  if (field)
    wb.dispatch({ type: 'set-setting', id, key: field.key, value: tidyHtml(html) }, `write-${id}-${hand}`);
}
