import type { Remark, Seen, SightReader } from './reader';
import { boxesOf, type Words } from './text';

/**
 * Share of the lower of two boxes that must be covered: boxes of letters are higher than their lines, so lines that
 * stand close overlap by some px without a letter over another.
 */
const COVERED_LEAST = 0.4;
/** What overlaps by less across is rounding, px. */
const ACROSS_LEAST = 2;

interface Placed {
  readonly holder: HTMLElement;
  readonly box: DOMRect;
}

function* around(element: HTMLElement): Generator<HTMLElement> {
  for (let each = element.parentElement; each && each !== document.body; each = each.parentElement)
    yield each;
}

const overlap = (a: DOMRect, b: DOMRect): DOMRect => {
  const left = Math.max(a.left, b.left);
  const top = Math.max(a.top, b.top);
  const width = Math.min(a.right, b.right) - left;
  return new DOMRect(left, top, Math.max(0, width), Math.max(0, Math.min(a.bottom, b.bottom) - top));
};

/** What is left of a box that stands in others which cut; one of no size where nothing is. */
function leftOf({ holder, box }: Placed): DOMRect {
  let left = box;
  for (const each of around(holder)) {
    const { overflowX, overflowY } = getComputedStyle(each);
    if (overflowX !== 'visible' || overflowY !== 'visible')
      left = overlap(left, each.getBoundingClientRect());
  }
  return left;
}

/** Faded out, or the back of something that is turned: there, but not to be seen. */
const isHidden = (holder: HTMLElement): boolean =>
  !holder.checkVisibility({ visibilityProperty: true, opacityProperty: true }) ||
  [...around(holder)].some((each) => getComputedStyle(each).backfaceVisibility === 'hidden');

const isOneText = (a: Placed, b: Placed): boolean =>
  a.holder.contains(b.holder) || b.holder.contains(a.holder);

/** Height of what two boxes share, px; 0 where that is too little to be words over words. */
function sharedBy(a: DOMRect, b: DOMRect): number {
  const { width, height } = overlap(a, b);
  const isMuch = width >= ACROSS_LEAST && height >= COVERED_LEAST * Math.min(a.height, b.height);
  return isMuch ? height : 0;
}

function coveredBy(first: Placed, second: Placed): number {
  if (isOneText(first, second) || sharedBy(first.box, second.box) === 0) return 0;
  if (isHidden(first.holder) || isHidden(second.holder)) return 0;
  return sharedBy(leftOf(first), leftOf(second));
}

const placedWords = (words: readonly Words[]): readonly Placed[] =>
  words.flatMap(({ holder, text }) => boxesOf(text).map((box): Placed => ({ holder, box })));

/** Words that stand where other words stand: the later ones, which lie over those before. */
function overOthers({ words }: Seen): readonly Remark[] {
  const order = new Map(words.map(({ holder }, i) => [holder, i]));
  const placed = placedWords(words).toSorted((a, b) => a.box.top - b.box.top);
  const found = new Map<HTMLElement, number>();
  placed.forEach((each, i) => {
    for (const other of placed.slice(i + 1)) {
      if (other.box.top >= each.box.bottom) break;
      const px = Math.round(coveredBy(each, other));
      if (px === 0) continue;
      const later = order.get(each.holder)! > order.get(other.holder)! ? each : other;
      found.set(later.holder, Math.max(px, found.get(later.holder) ?? 0));
    }
  });
  return [...found];
}

export const over: SightReader = { what: 'over', read: overOthers };
