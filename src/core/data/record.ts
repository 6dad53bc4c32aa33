/**
 * @returns an empty map from text to values without a prototype, so that a foreign key such as `__proto__` or
 * `constructor` is a key like any other. What becomes part of a document is copied from it (`{ ...map }`):
 * drafts look into plain objects only.
 */
export const emptyRecord = <T>(): Record<string, T> => Object.create(null) as Record<string, T>;

export type Loose = Readonly<Record<string, unknown>>;

/** Whether a value from outside is an object with keys: no list, no null. */
export const isRecord = (value: unknown): value is Loose =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** @returns a value's own entry; undefined for what is only inherited, such as `toString`. */
export const ownOf = <T>(table: Readonly<Record<string, T>>, key: string): T | undefined =>
  Object.hasOwn(table, key) ? table[key] : undefined;

/**
 * @returns a foreign value as words for a message: text as it is, a number as written, anything else by its
 * sort. Never throws.
 */
export function inWords(value: unknown): string {
  if (Array.isArray(value)) return 'a list';
  return isRecord(value) ? 'a value of the sort “object”' : String(value);
}

/**
 * Whether lists and objects stand in one another deeper than `most`. Looks without recursion, since what is
 * asked about may be deeper than a stack is.
 */
export function isDeeperThan(value: unknown, most: number): boolean {
  let level: readonly unknown[] = [value];
  for (let depth = 0; depth <= most; depth += 1) {
    const below: unknown[] = [];
    for (const each of level) {
      if (typeof each !== 'object' || each === null) continue;
      for (const child of Object.values(each))
        if (typeof child === 'object' && child !== null) below.push(child);
    }
    if (below.length === 0) return false;
    level = below;
  }
  return true;
}

/** Whether a record has no key; quicker than making a list of them. */
export function isEmpty(record: object): boolean {
  for (const _key in record) return false;
  return true;
}
