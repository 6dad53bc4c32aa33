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

/** How far an element sticks out of the window at the side where lines end, px. */
function stickingOut(element: HTMLElement): number {
  const { left, right, width } = element.getBoundingClientRect();
  if (width === 0) return 0;
  const isLeftwards = getComputedStyle(document.documentElement).direction === 'rtl';
  return isLeftwards ? -left : right - document.documentElement.clientWidth;
}

/** The outermost pieces that stick out, where the page scrolls sideways by them. */
function read(): readonly Remark[] {
  const { scrollWidth, clientWidth } = document.documentElement;
  if (scrollWidth - clientWidth < LEAST) return [];
  const out = [...document.body.querySelectorAll<HTMLElement>('*')].filter(
    (element) => stickingOut(element) >= LEAST && !isKeptIn(element)
  );
  const inner = new Set(out);
  return out
    .filter(({ parentElement }) => !inner.has(parentElement!))
    .map((element) => [element, Math.round(stickingOut(element))]);
}

/** The page scrolls sideways (WCAG 2.2, 1.4.10, from 320 px on). */
export const sideways: SightReader = { what: 'sideways', read };
