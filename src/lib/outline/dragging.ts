import { combine } from '@atlaskit/pragmatic-drag-and-drop/combine';
import { draggable, dropTargetForElements } from '@atlaskit/pragmatic-drag-and-drop/element/adapter';
import {
  attachInstruction,
  extractInstruction,
  type Instruction
} from '@atlaskit/pragmatic-drag-and-drop-hitbox/list-item';
import { endIn } from '$core/kinds/place';
import { maybePlaceOf, nodeOf } from '$core/project/tree';
import type { NodeId, Place } from '$core/project/types';
import { registry } from '$core/registry';
import type { Workbench } from '$lib/state/workbench.svelte';

/** The row that something is dragged over, and what dropping it there would do. */
export interface Drop {
  readonly id: NodeId;
  readonly operation: Instruction['operation'] | 'refused';
}

/** Wherever a row is dropped on, one of them holds; which, depends on the part of it under the pointer. */
const OPERATIONS = {
  'reorder-before': 'available',
  'reorder-after': 'available',
  combine: 'available'
} as const;

const dragged = (data: Record<string | symbol, unknown>) => data.row as NodeId;
const movedIds = (wb: Workbench, id: NodeId) => (wb.selected.includes(id) ? wb.selected : [id]);

/** @returns the place that a dropped row goes to; null where there is none. */
function placeOf(
  wb: Workbench,
  target: NodeId,
  operation: Instruction['operation'],
  moving: NodeId
): Place | null {
  const at = maybePlaceOf(wb.project, target);
  if (operation === 'combine')
    return endIn(registry, registry.of(nodeOf(wb.project, moving)), nodeOf(wb.project, target));
  return at ? { ...at, index: operation === 'reorder-before' ? at.index : at.index + 1 } : null;
}

/**
 * Lets the row of one piece be dragged, and others be dropped on it.
 * @param tell what is dragged over it now; null where that ends.
 * @returns an attachment for the row's element.
 */
export function dragRow(wb: Workbench, id: NodeId, tell: (drop: Drop | null) => void) {
  const refusalOf = (moving: NodeId, at: Place | null) =>
    wb.refusal({
      type: 'move',
      ids: movedIds(wb, moving),
      at: at ?? { parent: id, slot: 'content', index: 0 }
    });

  function dropped(moving: NodeId, operation: Instruction['operation']): void {
    const at = placeOf(wb, id, operation, moving);
    const refusal = refusalOf(moving, at);
    const holdsNothing = `${nodeOf(wb.project, id).name} holds nothing. Drop it before or after instead.`;
    if (refusal || !at) wb.message = { kind: 'error', text: refusal?.sentence ?? holdsNothing };
    else if (!wb.dispatch({ type: 'move', ids: movedIds(wb, moving), at })) wb.select([moving]);
  }

  return (element: HTMLElement) =>
    combine(
      draggable({ element, getInitialData: () => ({ row: id }) }),
      dropTargetForElements({
        element,
        getData: ({ input }) => attachInstruction({ row: id }, { element, input, operations: OPERATIONS }),
        onDrag({ self, source }) {
          const operation = extractInstruction(self.data)?.operation;
          const moving = dragged(source.data);
          if (!operation || moving === id) return tell(null);
          const isRefused = refusalOf(moving, placeOf(wb, id, operation, moving)) !== null;
          tell({ id, operation: isRefused ? 'refused' : operation });
        },
        onDragLeave: () => tell(null),
        onDrop({ self, source }) {
          const operation = extractInstruction(self.data)?.operation;
          const moving = dragged(source.data);
          tell(null);
          if (operation && moving !== id) dropped(moving, operation);
        }
      })
    );
}
