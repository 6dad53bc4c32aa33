import type { Remark, SightReader } from './reader';

/** What sticks out by less is rounding, px. */
const LEAST = 1;

const isScroller = (element: Element): boolean => getComputedStyle(element).overflowX !== 'visible';

/** Whether something around it keeps what sticks out to itself. */
function isKeptIn(element: HTMLElement): boolean {
  for (let each = element.parentElement; each && each !== document.body; each = each.parentElement)
    if (isScroller(each)) return true;
  return false;
}

/** How far a box sticks out of the window at the side where lines end, px. */
function stickingOut({ left, right, width }: DOMRect, isLeftwards: boolean): number {
  if (width === 0) return 0;
  return isLeftwards ? -left : right - document.documentElement.clientWidth;
}

/** The outermost pieces that stick out, where the page scrolls sideways by them. */
function read(): readonly Remark[] {
  const { scrollWidth, clientWidth } = document.documentElement;
  if (scrollWidth - clientWidth < LEAST) return [];
  const isLeftwards = getComputedStyle(document.body).direction === 'rtl';
  const out = new Map<HTMLElement, number>();
  for (const element of document.body.querySelectorAll<HTMLElement>('*')) {
    const by = stickingOut(element.getBoundingClientRect(), isLeftwards);
    if (by >= LEAST && !isKeptIn(element)) out.set(element, Math.round(by));
  }
  return [...out].filter(([{ parentElement }]) => !out.has(parentElement!));
}

/** The page scrolls sideways (WCAG 2.2, 1.4.10, from 320 px on). */
export const sideways: SightReader = { what: 'sideways', read };
