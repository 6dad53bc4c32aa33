import type { Loose } from '../data/record';
import type { FieldMeta } from './contract';

/**
 * @returns whether a field is offered: one of what it needs is set, or is what it has to be (`fit=tile`,
 * `track.form=own`).
 */
export function isOffered({ needs }: Pick<FieldMeta, 'needs'>, settings: Loose): boolean {
  return !needs || needs.some((need) => isMet(need, settings));
}

function isMet(need: string, settings: Loose): boolean {
  const [path, value] = need.split('=') as [string, string?];
  const own = path.split('.').reduce<unknown>((at, key) => (at as Loose | undefined)?.[key], settings);
  return value === undefined ? Boolean(own) : own === value;
}
