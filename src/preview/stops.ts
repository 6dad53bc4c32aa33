import { STOPS_MOST, type Stops } from '$core/facts/stops';
import { compact } from '$core/data/compact';

/** What the Tab key can stop at (HTML standard, 6.6.3, sequential focus navigation). */
const CANDIDATES =
  'a[href], button, summary, input, select, textarea, iframe, video[controls], [tabindex], [contenteditable]';

/** Whether the Tab key stops at an element where it is shown. */
export const takesTab = (element: HTMLElement): boolean =>
  element.tabIndex >= 0 && !element.matches(':disabled, [inert], [inert] *');

const canStop = (element: HTMLElement): boolean =>
  takesTab(element) && element.checkVisibility({ visibilityProperty: true });

/** Elements the Tab key stops at, in the order of the page. */
export const stopElements = (page: HTMLElement): readonly HTMLElement[] =>
  [...page.querySelectorAll<HTMLElement>(CANDIDATES)].filter(canStop);

/** Whether there is anything to call it by: looked at quickly, since a page may have hundreds. */
export function isNamed(element: HTMLElement): boolean {
  const attributes = ['aria-label', 'title', 'alt'].map((name) => element.getAttribute(name));
  const labels = element.getAttribute('aria-labelledby')?.split(/\s+/) ?? [];
  const others = labels.map((id) => document.getElementById(id)?.textContent);
  const pictures = [...element.querySelectorAll('[alt], [aria-label]')].map(
    (each) => each.getAttribute('alt') ?? each.getAttribute('aria-label')
  );
  return [...attributes, ...others, ...pictures, heardText(element)].some((text) => text?.trim());
}

function heardText(element: Element): string {
  if (element.getAttribute('aria-hidden') === 'true') return '';
  const parts = [...element.childNodes].map((child) =>
    child instanceof Element ? heardText(child) : (child.textContent ?? '')
  );
  return parts.join('');
}

/** Whether some of it lies on the page: not beside it, above it, or without any room. */
export function isSeen({ left, right, top, bottom, width, height }: DOMRect): boolean {
  const isOnPage = right > 0 && left < document.documentElement.scrollWidth && bottom + scrollY > 0;
  return isOnPage && width > 0 && height > 0 && top + scrollY < document.documentElement.scrollHeight;
}

/** @returns the stops of a page; those that belong to no piece are left out. */
export const readStops = (page: HTMLElement): Stops =>
  compact(stopElements(page).slice(0, STOPS_MOST).map(maybeStop));

function maybeStop(element: HTMLElement): Stops[number] | null {
  const owner = element.closest<HTMLElement>('[data-k-part]');
  if (!owner) return null;
  const box = element.getBoundingClientRect();
  return {
    node: owner.dataset.kItem ?? owner.dataset.kNode!,
    part: owner.dataset.kPart!,
    isNamed: isNamed(element),
    isSeen: isSeen(box),
    top: Math.round(box.top + scrollY)
  };
}
