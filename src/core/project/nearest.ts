import { maybePlaceOf, nodeOf, type Holder } from './tree';
import type { NodeId } from './types';

/**
 * Where a hand goes on when the piece it was at is gone.
 * @param id a piece of `before`.
 * @returns the nearest piece before it in the same place that is left in `after`, else the nearest after it, else the
 *   nearest around it; null where none of them is left, as on a page that is gone whole.
 */
export function nearestLeft(before: Holder, after: Holder, id: NodeId): NodeId | null {
  const place = maybePlaceOf(before, id);
  if (!place) return null;
  const siblings = nodeOf(before, place.parent).slots[place.slot]!;
  const ahead = siblings.slice(0, place.index).toReversed();
  const nearest = [...ahead, ...siblings.slice(place.index + 1), place.parent];
  const isLeft = (each: NodeId): boolean => Object.hasOwn(after.nodes, each);
  return nearest.find(isLeft) ?? nearestLeft(before, after, place.parent);
}
