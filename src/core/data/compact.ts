/** What a list may name without having it. */
type Absent = null | undefined | false;

/** @returns a list without what is null, undefined or false in it, so that a piece of it may depend on a condition. */
export const compact = <T>(list: readonly (T | Absent)[]): T[] =>
  list.filter((each): each is T => each !== null && each !== undefined && each !== false);

type Optional<T> = { [K in keyof T as undefined extends T[K] ? K : never]?: Exclude<T[K], undefined> };
type Given<T> = { [K in keyof T as undefined extends T[K] ? never : K]: T[K] };
type Defined<T> = Given<T> & Optional<T>;

/** @returns an object without the keys whose value is undefined. */
export const defined = <T extends object>(object: T): Defined<T> =>
  Object.fromEntries(Object.entries(object).filter(([, value]) => value !== undefined)) as Defined<T>;
