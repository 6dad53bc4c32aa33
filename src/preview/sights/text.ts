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
    if (shown.get(holder)) found.push({ holder, text });
  }
  return found;
}

export function boxesOf(text: Text): DOMRect[] {
  const range = document.createRange();
  range.selectNodeContents(text);
  return [...range.getClientRects()];
}

/** Lines of all words in an element. */
export const linesOf = (words: readonly Words[]): number =>
  linesIn(words.flatMap(({ text }) => boxesOf(text)));

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
