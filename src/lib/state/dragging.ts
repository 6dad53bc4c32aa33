import { nodeOf } from '$core/project/tree';
import type { ConditionName, NodeId } from '$core/project/types';
import { fieldsOf } from './fields';
import type { Workbench } from './workbench.svelte';

/** The band a width falls in: what is placed at that width is placed there. */
const bandOf = (wb: Workbench, width: number): ConditionName => {
  const { medium, narrow } = wb.project.info.bands;
  if (width <= narrow) return 'narrow';
  return width <= medium ? 'medium' : 'always';
};

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
  const condition = bandOf(wb, width);
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
