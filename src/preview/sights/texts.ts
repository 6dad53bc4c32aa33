import type { Remark, Seen, SightReader } from './reader';
import { linesIn, linesOf, wordsBy, type Words } from './text';

/** What is cut by less is rounding, or the air of a line, px. */
const CUT_LEAST = 2;

type Clip = HTMLElement | null;

/** Itself where it cuts the words in it, null where they can be reached; undefined where what is around it decides. */
function ownClip(element: HTMLElement): Clip | undefined {
  const { overflowX, overflowY, clipPath, position } = getComputedStyle(element);
  const has = (...values: readonly string[]) => values.includes(overflowX) || values.includes(overflowY);
  if (has('auto', 'scroll')) return null;
  // What only is heard is a px large and clipped on purpose.
  if (clipPath === 'none' && has('hidden', 'clip')) return element;
  return position === 'fixed' ? null : undefined;
}

/**
 * The nearest element around that cuts what is in it; null where nothing does, or where it can be scrolled to.
 * @param known what was found of others, which stand in the same elements.
 */
function clippingAround(element: HTMLElement | null, known: Map<HTMLElement, Clip>): Clip {
  if (!element || element === document.body) return null;
  const before = known.get(element);
  if (before !== undefined) return before;
  const own = ownClip(element);
  const found = own === undefined ? clippingAround(element.parentElement, known) : own;
  known.set(element, found);
  return found;
}

/** By how much a box of text sticks out of another, px; 0 where none of it can be seen: that is put away. */
function cutBy(box: DOMRect, clip: DOMRect): number {
  const isOut =
    box.bottom <= clip.top || box.top >= clip.bottom || box.right <= clip.left || box.left >= clip.right;
  if (isOut) return 0;
  return Math.max(box.bottom - clip.bottom, clip.top - box.top, box.right - clip.right, clip.left - box.left);
}

export const cut: SightReader = {
  what: 'cut',
  read: ({ words }) => {
    const known = new Map<HTMLElement, Clip>();
    return words.flatMap(({ holder, boxes }): Remark[] => {
      const clip = clippingAround(holder, known);
      if (!clip) return [];
      const edges = clip.getBoundingClientRect();
      const by = Math.max(0, ...boxes().map((box) => cutBy(box, edges)));
      return by >= CUT_LEAST ? [[holder, Math.round(by)]] : [];
    });
  }
};

const LABELLED = 'button, [role="tab"], a[href]';
const isInline = (element: HTMLElement): boolean => getComputedStyle(element).display === 'inline';

/** Words that stand in one element, and so are one label; a card that is pressed whole has more in it. */
const areOneLabel = (words: readonly Words[]): boolean =>
  new Set(words.map(({ holder }) => holder)).size === 1;

function wrappedLabels(words: readonly Words[]): readonly Remark[] {
  return [...wordsBy(words, LABELLED)].flatMap(([element, own]): Remark[] => {
    const isLabel = areOneLabel(own) && (element.localName !== 'a' || !isInline(element));
    const lines = isLabel ? linesOf(own) : 1;
    return lines > 1 ? [[element, lines]] : [];
  });
}

const LABEL_ROWS = '[role="tablist"], nav ul, nav ol';

/** Rows that the labels of a row have come to stand in; 1 for those that are to stand one below the other. */
function rowsOf(row: HTMLElement): number {
  const { display, flexDirection } = getComputedStyle(row);
  if (!display.endsWith('flex') || flexDirection.startsWith('column')) return 1;
  const boxes = [...row.children].map((each) => each.getBoundingClientRect());
  return linesIn(boxes);
}

const wrappedRows = (page: HTMLElement): readonly Remark[] =>
  [...page.querySelectorAll<HTMLElement>(LABEL_ROWS)].flatMap((row): Remark[] => {
    const rows = row.checkVisibility() ? rowsOf(row) : 1;
    return rows > 1 ? [[row, rows]] : [];
  });

export const wrapped: SightReader = {
  what: 'wrapped',
  read: ({ page, words }) => [...wrappedLabels(words), ...wrappedRows(page)]
};

export const headings: SightReader = {
  what: 'heading',
  read: ({ words }) =>
    [...wordsBy(words, 'h1, h2, h3, h4, h5, h6')].map(([element, own]): Remark => [element, linesOf(own)])
};

/** Fewer lines than this say nothing of a column. */
const LINES_LEAST = 3;
const WORDS_LEAST = 2;

const countOf = (words: readonly Words[]): number =>
  words.reduce((sum, { text }) => sum + (text.data.match(/\S+/g)?.length ?? 0), 0);

function sparseIn({ words }: Seen): readonly Remark[] {
  return [...wordsBy(words, 'p, li, h1, h2, h3, h4, h5, h6, dd, figcaption')].flatMap(
    ([element, own]): Remark[] => {
      const lines = linesOf(own);
      const each = countOf(own) / Math.max(1, lines);
      return lines >= LINES_LEAST && each < WORDS_LEAST ? [[element, Math.round(each * 10) / 10]] : [];
    }
  );
}

/** Words that stand one below the other (common practice, no source). */
export const sparse: SightReader = { what: 'sparse', read: sparseIn };
