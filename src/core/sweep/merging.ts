import type { Sight, Sights } from '../facts/sights';
import { isWorse, keyOf } from './lanes';

/**
 * @param ownerOf the piece that one is a copy of: what is seen of a row of a list is said of what all rows are made of.
 * @returns one sight for each thing that is seen of a part of a piece: the worst of it.
 */
export function worstOfEach(sights: Sights, ownerOf: (node: string) => string = (node) => node): Sights {
  const worst = new Map<string, Sight>();
  for (const each of sights) {
    const sight = { ...each, node: ownerOf(each.node) };
    const key = keyOf(sight);
    const known = worst.get(key);
    if (!known || isWorse(sight.what, sight.value, known.value)) worst.set(key, sight);
  }
  return [...worst.values()];
}
