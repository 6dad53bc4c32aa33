/** What had the focus last in each part of the window. */
const left = new WeakMap<Element, HTMLElement>();

const CHOSEN = '[aria-selected="true"], [role="treeitem"][tabindex="0"]';
const CONTROL =
  'iframe, button:not(:disabled), a[href], input:not(:disabled), select:not(:disabled), [tabindex="0"]';

/** The first control of a part, what puts the part away last (`data-region-end`); null without one. */
function maybeFirstControl(region: HTMLElement): HTMLElement | null {
  const controls = [...region.querySelectorAll<HTMLElement>(CONTROL)];
  return controls.find(({ dataset }) => dataset.regionEnd === undefined) ?? controls[0] ?? null;
}

/** @returns what had the focus there last, else what is chosen there, else its first control; null without one. */
function maybeStartOf(region: HTMLElement): HTMLElement | null {
  const last = left.get(region);
  if (last && region.contains(last)) return last;
  return region.querySelector<HTMLElement>(CHOSEN) ?? maybeFirstControl(region);
}

/** Marks a frame that has the keys until it has them no more: Chromium does not say so by `:focus`. */
function markFrame(frame: HTMLIFrameElement): void {
  frame.dataset.hasKeys = '';
  window.addEventListener('focus', () => delete frame.dataset.hasKeys, { once: true });
}

/** @returns whether a part of the window has the focus now. */
function takesFocus(region: HTMLElement): boolean {
  const start = maybeStartOf(region);
  start?.focus();
  if (start instanceof HTMLIFrameElement) markFrame(start);
  return region.contains(document.activeElement);
}

const shownRegions = (): readonly HTMLElement[] =>
  [...document.querySelectorAll<HTMLElement>('[data-region]')].filter((each) => each.checkVisibility());

/**
 * Gives the focus to the next part of the window that is in sight and takes it, round and round: an element that has
 * the attribute `data-region`. From outside all of them it goes to the first, or backwards to the last.
 */
export function goToRegion(by: 1 | -1): void {
  const regions = shownRegions();
  const had = document.activeElement;
  const at = regions.findIndex((each) => each.contains(had));
  if (at >= 0) left.set(regions[at]!, had as HTMLElement);
  const from = at < 0 && by < 0 ? regions.length : at;
  const others = [...regions.slice(from + 1), ...regions.slice(0, Math.max(from, 0))];
  const inOrder = by > 0 ? others : others.toReversed();
  inOrder.some(takesFocus);
}
