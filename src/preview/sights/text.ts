import { once } from '$core/data/once';

/** A line that begins less than this share of its height below another is the same line. */
const SAME_LINE = 0.5;

/** Lines that boxes stand in: those one above the other are counted, not those side by side. */
export function linesIn(boxes: readonly DOMRect[]): number {
  const tops: number[] = [];
  for (const { top, height, width } of boxes) {
    const isNew = tops.every((other) => Math.abs(other - top) > height * SAME_LINE);
    if (width > 0 && height > 0 && isNew) tops.push(top);
  }
  return tops.length;
}

export interface Words {
  /** The element the words stand in. */
  readonly holder: HTMLElement;
  readonly text: Text;
  /** Where they stand, a box for each line; asked of the browser once, since several readers want to know. */
  boxes(): readonly DOMRect[];
}

/** Words that are shown, in the order of the page. */
export function wordsShown(page: HTMLElement): readonly Words[] {
  const walker = document.createTreeWalker(page, NodeFilter.SHOW_TEXT);
  const found: Words[] = [];
  const shown = new Map<HTMLElement, boolean>();
  for (let node = walker.nextNode(); node; node = walker.nextNode()) {
    const text = node as Text;
    const holder = text.parentElement;
    if (!holder || text.data.trim() === '') continue;
    if (!shown.has(holder)) shown.set(holder, holder.checkVisibility({ visibilityProperty: true }));
    if (shown.get(holder)) found.push({ holder, text, boxes: once(() => boxesOf(text)) });
  }
  return found;
}

function boxesOf(text: Text): DOMRect[] {
  const range = document.createRange();
  range.selectNodeContents(text);
  return [...range.getClientRects()];
}

/** Lines of all words in an element. */
export const linesOf = (words: readonly Words[]): number => linesIn(words.flatMap(({ boxes }) => boxes()));

/** Elements of one sort that have words in them, with those. */
export function wordsBy(words: readonly Words[], selector: string): Map<HTMLElement, Words[]> {
  const found = new Map<HTMLElement, Words[]>();
  for (const each of words) {
    const around = each.holder.closest<HTMLElement>(selector);
    if (!around) continue;
    const known = found.get(around);
    if (known) known.push(each);
    else found.set(around, [each]);
  }
  return found;
}

/** Boxes that differ by less are as large, px: where they stand may round them otherwise. */
const ALIKE = 1 / 8;

/** @returns a 32-bit number that follows from how large each box of the words is, in their order. */
export function shapeOf(words: readonly Words[]): number {
  const sides = words.flatMap(({ boxes }) => boxes().flatMap(({ width, height }) => [width, height]));
  return sides.reduce((hash, px) => (Math.imul(hash, 31) + Math.round(px / ALIKE)) | 0, words.length);
}
