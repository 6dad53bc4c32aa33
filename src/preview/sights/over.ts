import type { Remark, Seen, SightReader } from './reader';
import type { Words } from './text';

/**
 * Share of the lower of two boxes that must be covered: boxes of letters are higher than their lines, so lines that
 * stand close overlap by some px without a letter over another.
 */
const COVERED_LEAST = 0.4;
/** What overlaps by less across is rounding, px. */
const ACROSS_LEAST = 2;

/** A box as plain numbers: there are thousands of pairs of them at each width. */
interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

interface Placed {
  readonly holder: HTMLElement;
  readonly box: Box;
}

function* around(element: HTMLElement): Generator<HTMLElement> {
  for (let each = element.parentElement; each && each !== document.body; each = each.parentElement)
    yield each;
}

const plain = ({ left, top, right, bottom }: DOMRect): Box => ({ left, top, right, bottom });

/** What two boxes share; its right may lie left of its left, its bottom above its top, where they share nothing. */
const overlap = (a: Box, b: Box): Box => ({
  left: Math.max(a.left, b.left),
  top: Math.max(a.top, b.top),
  right: Math.min(a.right, b.right),
  bottom: Math.min(a.bottom, b.bottom)
});

/** What is left of a box that stands in others which cut. */
function leftOf({ holder, box }: Placed): Box {
  let left = box;
  for (const each of around(holder)) {
    const { overflowX, overflowY } = getComputedStyle(each);
    if (overflowX !== 'visible' || overflowY !== 'visible')
      left = overlap(left, plain(each.getBoundingClientRect()));
  }
  return left;
}

/** Faded out, or the back of something that is turned: there, but not to be seen. */
const isHidden = (holder: HTMLElement): boolean =>
  !holder.checkVisibility({ visibilityProperty: true, opacityProperty: true }) ||
  [...around(holder)].some((each) => getComputedStyle(each).backfaceVisibility === 'hidden');

const isOneText = (a: Placed, b: Placed): boolean =>
  a.holder.contains(b.holder) || b.holder.contains(a.holder);

const heightOf = ({ top, bottom }: Box): number => Math.max(0, bottom - top);

const isMuch = (both: Box, least: number): boolean =>
  both.right - both.left >= ACROSS_LEAST && heightOf(both) >= COVERED_LEAST * least;

/** Height of what two boxes share, px; 0 where that is too little to be words over words. */
function sharedBy(a: Box, b: Box): number {
  const both = overlap(a, b);
  return isMuch(both, Math.min(heightOf(a), heightOf(b))) ? heightOf(both) : 0;
}

function coveredBy(first: Placed, second: Placed): number {
  if (sharedBy(first.box, second.box) === 0 || isOneText(first, second)) return 0;
  if (isHidden(first.holder) || isHidden(second.holder)) return 0;
  return sharedBy(leftOf(first), leftOf(second));
}

const placedWords = (words: readonly Words[]): readonly Placed[] =>
  words.flatMap(({ holder, boxes }) => boxes().map((box): Placed => ({ holder, box: plain(box) })));

/** Words that stand where other words stand: the later ones, which lie over those before. */
function overOthers({ words }: Seen): readonly Remark[] {
  const order = new Map(words.map(({ holder }, i) => [holder, i]));
  const placed = placedWords(words).toSorted((a, b) => a.box.top - b.box.top);
  const found = new Map<HTMLElement, number>();
  placed.forEach((each, i) => {
    for (let n = i + 1; n < placed.length && placed[n]!.box.top < each.box.bottom; n += 1) {
      const other = placed[n]!;
      const px = Math.round(coveredBy(each, other));
      if (px === 0) continue;
      const later = order.get(each.holder)! > order.get(other.holder)! ? each : other;
      found.set(later.holder, Math.max(px, found.get(later.holder) ?? 0));
    }
  });
  return [...found];
}

export const over: SightReader = { what: 'over', read: overOthers };
