import { bandAt } from '$core/kinds/conditions';
import { nodeOf } from '$core/project/tree';
import type { NodeId } from '$core/project/types';
import { fieldsOf } from './fields';
import type { Workbench } from './workbench.svelte';

const percent = (share: number) => `${Math.round(share * 1000) / 10}%`;

/**
 * Takes where a stacked piece was dragged to, as shares of the free room; all of one drag is one step of the
 * history.
 * @param width of the page it was dragged in, px.
 */
export function takeDragged(
  wb: Workbench,
  {
    node: id,
    x,
    y,
    gesture
  }: { readonly node: string; readonly x: number; readonly y: number; readonly gesture: number },
  width: number
): void {
  const node = wb.project.nodes[id as NodeId];
  const field = node && fieldsOf(wb.registry.of(node), 'fill').find(({ control }) => control === 'place');
  if (!node || !field) return;
  // What is placed at a width is placed for its band.
  const condition = bandAt(wb.project.info.bands, width);
  const refusal = wb.dispatch(
    { type: 'set-setting', id: node.id, key: field.key, value: `${percent(x)} ${percent(y)}`, condition },
    `drag-${id}-${gesture}`
  );
  if (!refusal && condition !== 'always')
    wb.message = {
      kind: 'info',
      text: `${nodeOf(wb.project, node.id).name} stands there in the ${condition} band only (${wb.project.info.bands[condition as 'narrow']} px and less).`
    };
}
