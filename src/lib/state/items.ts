import type { Kind } from '$core/kinds/contract';
import { holds, maybeItemKind } from '$core/kinds/items';
import { nodeOf } from '$core/project/tree';
import type { NodeId, ShelfPiece } from '$core/project/types';
import { registry } from '$core/registry';
import type { Workbench } from './workbench.svelte';

/** A list of a piece, which items are added to. */
export interface List {
  readonly owner: NodeId;
  readonly slot: string;
}

/** The kind of the items of a list. */
export function itemKindOf(wb: Workbench, { owner, slot }: List): Kind {
  return maybeItemKind(registry, registry.of(nodeOf(wb.project, owner)).slots[slot]!)!;
}

/** The list that pictures dropped on what is picked go into; null where that is none. */
export function pictureList(wb: Workbench): List | null {
  const owner = wb.tuned;
  const slot = Object.entries(registry.of(owner).slots).find(([, { ofPictures }]) => ofPictures)?.[0];
  return slot === undefined ? null : { owner: owner.id, slot };
}

/** Pieces of the shelf that can stand in an item of a list. */
export function shelvedFor(wb: Workbench, list: List): readonly ShelfPiece[] {
  const item = itemKindOf(wb, list);
  const fits = ({ fragment: { root, nodes } }: ShelfPiece) => holds(item, registry.of(nodes[root]!).category);
  return Object.values(wb.project.shelf).filter(fits);
}
