import type { What } from '$core/facts/sights';
import type { Words } from './text';

/** A page as it stands at one width, and what more than one reader asks about. */
export interface Seen {
  readonly page: HTMLElement;
  readonly words: readonly Words[];
}

/** Something wrong with an element, by its value. */
export type Remark = readonly [element: HTMLElement, value: number];

export interface SightReader {
  readonly what: What;
  read(seen: Seen): readonly Remark[];
}
