import type { Heard } from './heard';

/** A key, or keys that belong together, and what they do. */
export type Keys = Readonly<Record<string, string>>;

/**
 * Keys of elements that browsers give them to (HTML standard, 6.6 and 4.11.1; ARIA Authoring Practices: button,
 * link, disclosure). What a kind adds stands at its parts.
 */
const OF_ROLE: Readonly<Record<string, Keys>> = {
  link: { Enter: 'follows it' },
  button: { 'Enter or Space': 'presses it' },
  disclosure: { 'Enter or Space': 'opens and closes' },
  video: { Space: 'plays and holds' }
};

/** @returns the keys that work at a part. @param own what its kind says beside what the element has by itself. */
export function keysAt({ role, isStop }: Heard, own: Keys = {}): Keys {
  const byRole = role !== null && isStop ? OF_ROLE[role] : undefined;
  return { ...byRole, ...own };
}
