import type { Remark, SightReader } from './reader';

/** Ends that are nearer than this are the same, px. */
const SAME_WITHIN = 1;

/** Has a box that can be seen, so that where it ends can be too. */
function isBoxed(element: HTMLElement): boolean {
  const { backgroundColor, backgroundImage, borderBottomWidth, borderBottomStyle, boxShadow } =
    getComputedStyle(element);
  const isFilled = !/^rgba\(.*, 0\)$/.test(backgroundColor) || backgroundImage !== 'none';
  const isLined = borderBottomStyle !== 'none' && parseFloat(borderBottomWidth) > 0;
  return isFilled || isLined || boxShadow !== 'none';
}

interface Placed {
  readonly element: HTMLElement;
  readonly box: DOMRect;
}

const topOf = ({ box }: Placed): number => Math.round(box.top);

/** What stands beside one another: rows of those that begin at the same height. */
function rowsOf(all: readonly Placed[]): readonly (readonly Placed[])[] {
  const tops = [...new Set(all.map(topOf))];
  const rows = tops.map((top) => all.filter((each) => topOf(each) === top));
  return rows.filter((row) => row.length > 1);
}

/** By how much the boxes of a row end apart, px. */
function apart(row: readonly Placed[]): number {
  const ends = row.map(({ box }) => box.bottom);
  return Math.round(Math.max(...ends) - Math.min(...ends));
}

/** The pieces that stand in an element with one that begins at the same height; mostly there are none. */
function sideBySide(holder: Element): readonly Placed[] {
  const pieces = [...holder.children].filter(
    (each): each is HTMLElement => each instanceof HTMLElement && 'kNode' in each.dataset
  );
  if (pieces.length < 2) return [];
  const placed = pieces
    .map((element) => ({ element, box: element.getBoundingClientRect() }))
    .filter(({ box }) => box.width > 0 && box.height > 0);
  return rowsOf(placed).length > 0 ? placed : [];
}

/** The boxes that stand in an element side by side, of its pieces of one sort. */
function boxesIn(holder: Element): readonly Placed[] {
  const boxed = sideBySide(holder).filter(({ element }) => isBoxed(element));
  const first = boxed[0]?.element.tagName;
  return boxed.filter(({ element }) => element.tagName === first);
}

/** Boxes side by side that do not end together: told of the one that ends last. */
export const uneven: SightReader = {
  what: 'uneven',
  read({ page }) {
    const holders = new Set([...page.querySelectorAll('[data-k-node]')].map((each) => each.parentElement!));
    return [...holders].flatMap((holder) =>
      rowsOf(boxesIn(holder)).flatMap((row): readonly Remark[] => {
        const px = apart(row);
        const last = row.reduce((low, each) => (each.box.bottom > low.box.bottom ? each : low));
        return px > SAME_WITHIN ? [[last.element, px]] : [];
      })
    );
  }
};
