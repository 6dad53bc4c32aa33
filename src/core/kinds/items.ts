import type { Kind, Slot } from './contract';
import type { Registry } from './registry';

/** @returns the kind of the items of a list, which come with their owner only; null where anything stands in it. */
export const maybeItemKind = (registry: Registry, { accepts }: Slot): Kind | null =>
  registry.everyKind().find(({ category, insertable }) => !insertable && accepts.includes(category)) ?? null;

/** Whether a piece of a category can stand in an item. */
export const holds = ({ slots }: Pick<Kind, 'slots'>, category: Kind['category']): boolean =>
  Object.values(slots).some(({ accepts }) => accepts.includes(category));
