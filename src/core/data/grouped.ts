import { remembered } from './remembered';

/** @returns values by what they have in common, in the order in which they first come. */
export function groupedBy<T, K>(values: readonly T[], keyOf: (value: T) => K): Map<K, T[]> {
  const found = new Map<K, T[]>();
  for (const value of values) remembered(found, keyOf(value), () => []).push(value);
  return found;
}
