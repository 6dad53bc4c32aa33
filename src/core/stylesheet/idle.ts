import { BEHAVIOURS } from '../kinds/behaviours';
import { familyOf, keyOf, type Cell } from './cells';
import type { Drawn } from './drawn';
import { isAlways } from './transitions';

/**
 * Initial values of properties that are not inherited and that no browser's own style sheet sets on what a
 * page is made of (the property index of CSS; a test holds them to the mdn-data package).
 */
export const INITIAL: Readonly<Record<string, string>> = {
  'align-self': 'auto',
  animation: 'none',
  'background-size': 'auto',
  'flex-direction': 'row',
  'flex-grow': '0',
  'flex-shrink': '1',
  'flex-wrap': 'nowrap',
  'grid-area': 'auto',
  'grid-column': 'auto',
  'grid-row': 'auto',
  isolation: 'auto',
  'max-width': 'none',
  'mix-blend-mode': 'normal',
  'object-fit': 'fill',
  opacity: '1',
  'overflow-x': 'visible',
  position: 'static',
  rotate: 'none',
  scale: 'none',
  'scrollbar-width': 'auto',
  transform: 'none',
  translate: 'none',
  'z-index': 'auto'
};

/**
 * As good as the initial value `normal` where the part is a flex box (CSS Box Alignment 3, sections 5.1.1 and
 * 8.1).
 */
const INITIAL_OF_FLEX: Readonly<Record<string, readonly string[]>> = {
  gap: ['0'],
  'justify-content': ['start', 'flex-start']
};

/** Elements that no browser gives room or type of their own. */
const PLAIN = new Set([
  'a',
  'article',
  'aside',
  'div',
  'footer',
  'header',
  'img',
  'main',
  'nav',
  'section',
  'span'
]);

/** What every browser's own style sheet says of an element (HTML standard, 15.3 and 15.5; `gray` is #808080). */
const OF_BROWSER: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  a: { cursor: 'pointer', 'text-decoration-line': 'underline' },
  button: { margin: '0', 'text-align': 'center' },
  hr: { color: '#808080' },
  ...Object.fromEntries(['h1', 'h2', 'h3', 'h4', 'h5', 'h6'].map((tag) => [tag, { 'font-weight': '700' }]))
};

/** @returns the cells that can change something on a page where only so much is drawn. */
export function withoutIdle(cells: readonly Cell[], drawn: Drawn): Cell[] {
  const attributes = new Set(drawn.attributes);
  // Disclosures and dialogs are opened and closed by the browser itself (HTML standard, 4.11.1 and 4.11.4).
  const opens = (tags: ReadonlySet<string>) => tags.has('details') || tags.has('dialog');
  if ([...drawn.tags.values()].some(opens)) attributes.add('open');
  for (const behaviour of drawn.behaviours)
    BEHAVIOURS[behaviour]?.sets.forEach((name) => attributes.add(name));
  const kept: Cell[] = [];
  for (const each of lastOfEach(cells)) {
    if (!attributesIn(each.selector).every((name) => attributes.has(name))) continue;
    const cell = attributes.has('aria-disabled')
      ? each
      : { ...each, selector: each.selector.replace(NOT_DISABLED, '') };
    const shorthand = familyOf(cell.property);
    const isShorthand = cell.property === shorthand;
    const earlier = kept.filter(
      ({ meets, property }) =>
        meets === cell.meets && (isShorthand || property === cell.property || property === shorthand)
    );
    const isFlex = cells.some(
      ({ part, property, value }) => part === cell.part && property === 'display' && value.endsWith('flex')
    );
    const isIdle = earlier.length === 0 ? isFromTheStart(cell, drawn, isFlex) : isSaidBefore(cell, earlier);
    if (!isIdle) kept.push(cell);
  }
  return kept;
}

/** Of cells in one place the last, where it stood: what stands between them sets other properties. */
function lastOfEach(cells: readonly Cell[]): Cell[] {
  const last = new Map<string, Cell>();
  for (const cell of cells) {
    const key = keyOf(cell);
    last.delete(key);
    last.set(key, cell);
  }
  return [...last.values()];
}

/**
 * Attributes an element must have for the selector to match; what stands in brackets of `:not` or `:is` may
 * be missing.
 */
function attributesIn(selector: string): string[] {
  let plain = selector;
  for (let before = ''; before !== plain;) {
    before = plain;
    plain = plain.replace(/\([^()]*\)/g, '');
  }
  return [...plain.matchAll(/\[([\w-]+)/g)].map((match) => match[1]!);
}

const NOT_DISABLED = ':where(:not([aria-disabled="true"]))';

function isFromTheStart({ part, meets, property, value }: Cell, { tags }: Drawn, isFlex: boolean): boolean {
  // What is inside a part may be another part, and of the box of what a disclosure opens the browser's own
  // style sheet says more (HTML standard, 15.5.4).
  const isOfPart = !meets.includes('>') && !meets.includes('::details-content');
  if (!isOfPart) return false;
  // No transition moves as little as the initial one, which takes no time.
  if (INITIAL[property] === value || (property === 'transition' && value === 'none')) return true;
  if (isFlex && INITIAL_OF_FLEX[property]?.includes(value)) return true;
  const drawnAs = Array.from(tags.get(part) ?? []);
  if (drawnAs.length === 0) return false;
  const isPlain =
    ((property === 'padding' || property === 'margin') && value === '0') ||
    (property === 'font' && value === 'inherit');
  return drawnAs.every((tag) => OF_BROWSER[tag]?.[property] === value || (isPlain && PLAIN.has(tag)));
}

/** Whether it says what holds already wherever it could hold. */
const isAlike = (a: Cell, b: Cell): boolean => a.property === b.property && a.value === b.value;

function isSaidBefore(cell: Cell, earlier: readonly Cell[]): boolean {
  return earlier.every((each) => isAlike(each, cell)) && earlier.some(isAlways);
}
