import { STOPS_MOST, type Stops } from '$core/facts/stops';
import { compact } from '$core/data/compact';

/** What the Tab key can stop at (HTML standard, 6.6.3, sequential focus navigation). */
const CANDIDATES =
  'a[href], button, summary, input, select, textarea, iframe, video[controls], [tabindex], [contenteditable]';

/** Whether the Tab key stops at an element where it is shown. */
export const takesTab = (element: HTMLElement): boolean =>
  element.tabIndex >= 0 && !element.matches(':disabled, [inert], [inert] *');

/** Whether the Tab key stops at an element, as the page is drawn now. */
export const canStop = (element: HTMLElement): boolean =>
  takesTab(element) && element.checkVisibility({ visibilityProperty: true });

/** Elements of the sorts that the Tab key stops at, in the order of the page. */
export const stopCandidates = (page: HTMLElement): readonly HTMLElement[] => [
  ...page.querySelectorAll<HTMLElement>(CANDIDATES)
];

/** Elements the Tab key stops at, in the order of the page. */
export const stopElements = (page: HTMLElement): readonly HTMLElement[] =>
  stopCandidates(page).filter(canStop);

/** What labels around a field, or for it, say (HTML, 4.10.4). */
const labelTexts = (element: HTMLElement): readonly string[] =>
  'labels' in element ? [...((element as HTMLInputElement).labels ?? [])].map(heardText) : [];

/** Whether there is anything to call it by: looked at quickly, since a page may have hundreds. */
export function isNamed(element: HTMLElement): boolean {
  const attributes = ['aria-label', 'title', 'alt'].map((name) => element.getAttribute(name));
  const labels = element.getAttribute('aria-labelledby')?.split(/\s+/) ?? [];
  const others = labels.map((id) => document.getElementById(id)?.textContent);
  const pictures = [...element.querySelectorAll('[alt], [aria-label]')].map(
    (each) => each.getAttribute('alt') ?? each.getAttribute('aria-label')
  );
  return [...attributes, ...others, ...labelTexts(element), ...pictures, heardText(element)].some((text) =>
    text?.trim()
  );
}

function heardText(element: Element): string {
  if (element.getAttribute('aria-hidden') === 'true') return '';
  const parts = [...element.childNodes].map((child) =>
    child instanceof Element ? heardText(child) : (child.textContent ?? '')
  );
  return parts.join('');
}

/** Whether some of it lies on the page: not beside it, above it, or without any room. */
function isSeen({ left, right, top, bottom, width, height }: DOMRect): boolean {
  const isOnPage = right > 0 && left < document.documentElement.scrollWidth && bottom + scrollY > 0;
  return isOnPage && width > 0 && height > 0 && top + scrollY < document.documentElement.scrollHeight;
}

/** Whether one box stands before another in the direction of reading. */
function standsBefore(at: DOMRect, from: DOMRect, isLeftwards: boolean): boolean {
  const isAbove = at.bottom <= from.top + TOUCHING;
  const isBeside = !isAbove && at.top < from.bottom - TOUCHING;
  const isRight = at.left >= from.right - TOUCHING;
  const isLeft = at.right <= from.left + TOUCHING;
  const [isOnward, isBack] = isLeftwards ? [isLeft, isRight] : [isRight, isLeft];
  return (isAbove && !isOnward) || (isBeside && isBack);
}

/** Boxes that share an edge may overlap by what rounding leaves, px. */
const TOUCHING = 1;

const isAnywhere = (element: Element): boolean =>
  /^(?:absolute|fixed|sticky)$/.test(getComputedStyle(element).position);

/** Whether it is scrolled sideways: what has the focus in it is brought into sight by the browser. */
const isStrip = (element: Element): boolean =>
  element.scrollWidth > element.clientWidth && /auto|scroll/.test(getComputedStyle(element).overflowX);

/** Whether something is true of an element, or of one around it. */
function isAround(element: Element, isSo: (each: Element) => boolean): boolean {
  for (let each: Element | null = element; each && each !== document.body; each = each.parentElement)
    if (isSo(each)) return true;
  return false;
}

/**
 * Whether it lies over the page, stays in the window or is scrolled to, so that where it is says nothing of the
 * order.
 */
const isLoose = (element: Element): boolean =>
  element.closest('dialog, [popover]') !== null ||
  isAround(element, (each) => isAnywhere(each) || isStrip(each));

/** Whether it is in sight when it has the focus: it lies on the page, or in a strip that is scrolled to it. */
export function isReached(element: Element): boolean {
  const box = element.getBoundingClientRect();
  return isSeen(box) || (box.width > 0 && isAround(element, isStrip));
}

/**
 * Whether two boxes are packed into the columns of one grid, whose rows are no lines but of a px: there the eye goes
 * by where they begin.
 */
function arePacked(at: Element, from: Element): boolean {
  const grid = at.closest('ul');
  if (!grid?.contains(from) || getComputedStyle(grid).gridAutoRows !== '1px') return false;
  return at.getBoundingClientRect().top >= from.getBoundingClientRect().top;
}

/** @returns the stops of a page; those that belong to no piece are left out. */
export function readStops(page: HTMLElement): Stops {
  const isLeftwards = getComputedStyle(page).direction === 'rtl';
  let last: HTMLElement | null = null;
  const comesBack = (element: HTMLElement): boolean => {
    const from = last;
    if (isSeen(element.getBoundingClientRect())) last = element;
    if (!from || last !== element) return false;
    const isBefore = standsBefore(element.getBoundingClientRect(), from.getBoundingClientRect(), isLeftwards);
    return isBefore && !isLoose(element) && !isLoose(from) && !arePacked(element, from);
  };
  const elements = stopElements(page).slice(0, STOPS_MOST);
  return compact(elements.map((element) => maybeStop(element, comesBack(element))));
}

function maybeStop(element: HTMLElement, comesBack: boolean): Stops[number] | null {
  const owner = element.closest<HTMLElement>('[data-k-part]');
  if (!owner) return null;
  const box = element.getBoundingClientRect();
  return {
    node: owner.dataset.kItem ?? owner.dataset.kNode!,
    part: owner.dataset.kPart!,
    isNamed: isNamed(element),
    isSeen: isReached(element),
    comesBack,
    top: Math.round(box.top + scrollY)
  };
}
