import type { Box } from '$core/facts/box';
import { maybeStuck } from '$core/scroll/sticky';

/** What moves is put back to where it stands at rest, and nothing starts to move for it. */
const REST = `*, ::before, ::after {
  translate: none !important; rotate: none !important; scale: none !important; transform: none !important;
}`;
const STILL = '*, ::before, ::after { transition: none !important; }';
const IN_PLACE = { position: 'relative', inset: 'auto' };

const px = (text: string): number => parseFloat(text) || 0;
const maybePx = (text: string): number | null => (text === 'auto' ? null : px(text));

interface Standing {
  readonly node: string;
  readonly element: HTMLElement;
  readonly scroller: Element;
  readonly insets: { readonly top: number | null; readonly bottom: number | null };
  /** The nearest around it that sticks. */
  readonly holder: Standing | null;
}

const scrolls = (element: Element): boolean =>
  ['auto', 'scroll', 'hidden'].includes(getComputedStyle(element).overflowY);

/** What a piece sticks in: the nearest around it that scrolls or hides what overflows (CSS Overflow 3). */
function scrollerOf(element: Element): Element {
  const page = document.scrollingElement!;
  for (let above = element.parentElement; above && above !== document.body; above = above.parentElement)
    if (scrolls(above)) return above;
  return page;
}

const isSticky = (element: Element): boolean => getComputedStyle(element).position === 'sticky';

function standingOf(node: string, element: HTMLElement): Standing {
  const { top, bottom } = getComputedStyle(element);
  const insets = isSticky(element)
    ? { top: maybePx(top), bottom: maybePx(bottom) }
    : { top: null, bottom: null };
  const holder = stickyOver(element);
  return { node, element, scroller: scrollerOf(element), insets, holder: holder && standingOf('', holder) };
}

function stickyOver(element: Element): HTMLElement | null {
  for (let each = element.parentElement; each && each !== document.body; each = each.parentElement)
    if (isSticky(each)) return each;
  return null;
}

/** The section an element stands in: the one of the page's own children around it. */
function areaOf(element: Element): Element {
  let area = element;
  while (area.parentElement && !area.parentElement.matches('main, body, html')) area = area.parentElement;
  return area;
}

/** What goes sideways around an element, or in it. */
const runOf = (element: Element): Element =>
  element.closest('[data-k-panels]') ?? element.querySelector('[data-k-panels]') ?? areaOf(element);

/** Of the strip in the held window of what goes sideways. */
const lengthOf = (run: Element): number =>
  run.firstElementChild?.firstElementChild?.getBoundingClientRect().width ?? 0;

/** Over which stretch it is carried along by what it stands in. */
function heldBy(holder: Standing | null): { readonly heldFrom: number; readonly heldFor: number } {
  const stuck = holder && maybeStuck(read(holder));
  return { heldFrom: stuck?.start ?? 0, heldFor: stuck?.travel ?? 0 };
}

/** The element whose content box it is held in: its parent, unless that has no box of its own. */
function containerOf(element: Element): Element {
  let parent = element.parentElement ?? element;
  while (getComputedStyle(parent).display === 'contents' && parent.parentElement)
    parent = parent.parentElement;
  return parent;
}

/** The piece an element belongs to, where it is the outermost of one, or of one of its parts. */
const pieceOf = (element: Element): string | null =>
  element.closest<HTMLElement>('[data-k]')?.dataset.k ?? null;

/** In a row, a piece that is not told otherwise is as high as its place (CSS Box Alignment 3, section 6.1). */
function isStretched(element: Element, container: Element): boolean {
  const row = getComputedStyle(container);
  const isRow =
    row.display.endsWith('grid') || (row.display.endsWith('flex') && !row.flexDirection.startsWith('column'));
  const { alignSelf } = getComputedStyle(element);
  return isRow && ['stretch', 'normal'].includes(alignSelf === 'auto' ? row.alignItems : alignSelf);
}

/** Where the content of a container would end if it were as high as its own place. */
function outerBottomOf(container: Element, withinBottom: number): number {
  const place = containerOf(container);
  const { borderBottomWidth, paddingBottom } = getComputedStyle(place);
  const end = place.getBoundingClientRect().bottom - px(borderBottomWidth) - px(paddingBottom);
  return end - (container.getBoundingClientRect().bottom - withinBottom);
}

function read({ element, scroller, insets, holder }: Standing): Box {
  const isPage = scroller === document.scrollingElement;
  const origin = isPage
    ? -scrollY
    : scroller.getBoundingClientRect().top + scroller.clientTop - scroller.scrollTop;
  const container = containerOf(element);
  const area = areaOf(element).getBoundingClientRect();
  const strip = runOf(element);
  const run = strip.getBoundingClientRect();
  const [box, around] = [element.getBoundingClientRect(), container.getBoundingClientRect()];
  const [own, outer, port] = [element, container, scroller].map((each) => getComputedStyle(each)) as [
    CSSStyleDeclaration,
    CSSStyleDeclaration,
    CSSStyleDeclaration
  ];
  const withinBottom = around.bottom - px(outer.borderBottomWidth) - px(outer.paddingBottom);
  return {
    top: box.top - origin,
    bottom: box.bottom - origin,
    left: box.left,
    right: box.right,
    marginTop: px(own.marginTop),
    marginBottom: px(own.marginBottom),
    insetTop: insets.top,
    insetBottom: insets.bottom,
    withinTop: around.top - origin + px(outer.borderTopWidth) + px(outer.paddingTop),
    withinBottom: withinBottom - origin,
    outerBottom: outerBottomOf(container, withinBottom) - origin,
    within: pieceOf(container),
    scroller: isPage ? null : pieceOf(scroller),
    height: isPage ? innerHeight : scroller.clientHeight,
    padTop: isPage ? 0 : px(port.paddingTop),
    padBottom: isPage ? 0 : px(port.paddingBottom),
    whole: scroller.scrollHeight,
    areaTop: area.top - origin,
    areaBottom: area.bottom - origin,
    runTop: run.top - origin,
    runBottom: run.bottom - origin,
    runWidth: run.width,
    runLength: strip.matches('[data-k-panels]') ? lengthOf(strip) : run.width,
    ...heldBy(holder),
    isStretched: isStretched(element, container)
  };
}

function sheetOf(css: string): CSSStyleSheet {
  const sheet = new CSSStyleSheet();
  sheet.replaceSync(css);
  return sheet;
}

const without = (...sheets: readonly CSSStyleSheet[]): void => {
  document.adoptedStyleSheets = document.adoptedStyleSheets.filter((each) => !sheets.includes(each));
};

/** Everything that sticks, among the pieces asked about and around them. */
function stickyAround(standing: readonly Standing[]): ReadonlySet<HTMLElement> {
  const found = new Set<HTMLElement>();
  for (const { element } of standing)
    for (let each: HTMLElement | null = element; each && each !== document.body; each = each.parentElement)
      if (isSticky(each)) found.add(each);
  return found;
}

/**
 * Boxes of some pieces as they stand at rest, read in one layout: movement and sticking are taken out for as
 * long as it takes, and nothing of that is ever painted.
 * @param asked pieces with their outermost elements, which are drawn.
 */
export function readBoxes(
  asked: readonly (readonly [node: string, element: HTMLElement])[]
): [string, Box][] {
  const standing = asked.map(([node, element]) => standingOf(node, element));
  if (standing.length === 0) return [];
  const [rest, still] = [sheetOf(REST), sheetOf(STILL)];
  const inPlace = stickyAround(standing);
  document.adoptedStyleSheets = [...document.adoptedStyleSheets, rest, still];
  for (const { style } of inPlace)
    for (const [name, value] of Object.entries(IN_PLACE)) style.setProperty(name, value, 'important');
  const found = standing.map((each): [string, Box] => [each.node, read(each)]);
  for (const { style } of inPlace) for (const name of Object.keys(IN_PLACE)) style.removeProperty(name);
  without(rest);
  // What is put back must not be seen moving there, so transitions wait until it has been drawn.
  requestAnimationFrame(() => requestAnimationFrame(() => without(still)));
  return found;
}
