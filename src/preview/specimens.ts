import type { Heard } from '$core/heard/heard';
import { ownerOf } from './brought';
import type { HeardTools } from './heard';
import type { ToFrame } from './messages';
import { putInto, whileIn, whileOutOf } from './states';

type Order = Extract<ToFrame, { type: 'specimens' }>;

/**
 * Draws one part once for each state, side by side: clones of the real element under the real style sheets,
 * each forced into its state. Boxes around the part are kept for what it inherits, without their own space.
 * @returns how high the cells would have to be, px, for it to be drawn as wide as they are; null where the page has
 * no such part, which the cells say.
 */
export function drawSpecimens(body: HTMLElement, stage: HTMLElement, order: Order): number | null {
  const part = maybePartOf(body, order);
  stage.replaceChildren();
  Object.assign(stage.style, { transformOrigin: '0 0', scale: order.enlarged > 1 ? 1 / order.enlarged : '' });
  const backdrop = part ? opaqueBackdrop(part.parentElement) : '';
  const cells = order.states.map((state) => emptyCell(order.cell, state === null ? '' : backdrop));
  stage.append(...cells);
  if (!part) {
    cells.forEach((cell) => cell.append(note('Not there')));
    return null;
  }
  const width = part === body ? `${body.clientWidth}px` : widthOf(part);
  const clones: HTMLElement[] = [];
  for (const [i, state] of order.states.entries()) {
    if (typeof state !== 'string') continue;
    const clone = addSpecimen(cells[i]!, part, state, width, order);
    // Besides the look there is what a kind does in a state, such as another icon.
    putInto(clone, order.selectors[i] ?? '');
    clones.push(clone);
  }
  // What a state fades in has come.
  clones.forEach((clone) => clone.getAnimations({ subtree: true }).forEach(toItsEnd));
  // All boxes are read before any is scaled, so that the stage is laid out once.
  const scales = clones.map((clone) => scaleOf(clone, order));
  clones.forEach((clone, i) => {
    const { scale, isCut, skipped } = scales[i]!;
    // It would shrink before one's eyes where the part fades from one scale to another.
    clone.style.transition = 'none';
    if (scale < 1) clone.style.scale = String(scale);
    if (isCut)
      Object.assign(clone.style, {
        justifySelf: 'start',
        transformOrigin: '0 50%',
        marginInlineStart: `${MARGIN.across / 2 - skipped}px`
      });
  });
  clones.filter(isUnseen).forEach((clone) => clone.closest('[data-k-cell]')!.append(note('Not seen')));
  return Math.max(0, ...scales.map(({ height }) => height));
}

function emptyCell({ width, height }: Order['cell'], backgroundColor: string): HTMLElement {
  const cell = document.createElement('div');
  cell.dataset.kCell = '';
  Object.assign(cell.style, {
    position: 'relative',
    flex: 'none',
    width: `${width}px`,
    height: `${height}px`,
    overflow: 'hidden',
    display: 'grid',
    gridTemplate: '100% / 100%',
    placeItems: 'center',
    backgroundColor
  });
  return cell;
}

function maybePartOf(body: HTMLElement, { node, part }: Order): HTMLElement | null {
  const selector = `[data-k-node="${CSS.escape(node)}"][data-k-part="${CSS.escape(part)}"]`;
  return body.matches(selector) ? body : body.querySelector<HTMLElement>(selector);
}

/** What is heard of the part in each state; null while it is not drawn. */
export function maybeHeard(body: HTMLElement, order: Order, { heardOf }: HeardTools): Heard[] | null {
  const part = maybePartOf(body, order);
  if (!part) return null;
  return order.selectors.map((selector) =>
    whileOutOf(part, order.selectors, () => whileIn(part, selector, () => heardOf(part)))
  );
}

function addSpecimen(
  cell: HTMLElement,
  part: HTMLElement,
  state: string,
  width: string,
  order: Order
): HTMLElement {
  // A body stands once in a document, and a dialog is not to be seen until it is opened.
  const isNoBox = part.tagName === 'BODY' || part.tagName === 'DIALOG';
  const clone = isNoBox ? asDiv(part) : (part.cloneNode(true) as HTMLElement);
  bare(clone, order.strip);
  clone.dataset.kForce = state;
  bringOut(clone, state.split(' '));
  clone.style.width = width;
  // In the middle of its cell, wherever it stands among its siblings on the page.
  Object.assign(clone.style, { flex: 'none', gridArea: '1 / 1', placeSelf: 'center', margin: '0' });
  const kept = part.closest<HTMLElement>('[data-k-out]:not(dialog)');
  // A side that is turned away stands upright here.
  if (part === kept) clone.style.transform = 'none';
  let outer: HTMLElement = clone;
  for (
    let above = part.parentElement;
    above && above !== document.documentElement;
    above = above.parentElement
  ) {
    const isPlain = above === document.body || above.tagName === 'DETAILS';
    const around = isPlain ? asBox(above) : (above.cloneNode(false) as HTMLElement);
    if (above === document.body) {
      around.className = above.className;
      around.style.cssText = document.body.style.cssText;
    }
    bare(around, order.strip);
    // What hides on the page what is in it, such as a slide that has faded, hides nothing here.
    Object.assign(around.style, { display: 'contents', visibility: 'visible' });
    // What behaviours open and close shows what is in it, and what a piece keeps back is brought out.
    around.dataset.open = '';
    if (kept && above === ownerOf(kept)) around.setAttribute(`data-${kept.dataset.kOut!}`, '');
    around.append(outer);
    outer = around;
  }
  cell.append(outer);
  showAlone(clone);
  return clone;
}

/** What a piece keeps out of sight is seen in the states that bring it out, as the back of a card that turns. */
function bringOut(clone: HTMLElement, states: readonly string[]): void {
  const { kBrings, kBringsIn = '' } = clone.dataset;
  if (kBrings && kBringsIn.split(' ').some((each) => states.includes(each)))
    clone.setAttribute(`data-${kBrings}`, '');
}

/**
 * What has no box where it stands, as it only comes when it is asked for, has one of its own here; and what is moved
 * from its place, or keeps a distance to the window, stands in its cell.
 */
function showAlone(clone: HTMLElement): void {
  const { display, position } = getComputedStyle(clone);
  if (/^(?:none|contents)$/.test(display)) clone.style.display = 'block';
  if (/^(?:relative|sticky|fixed)$/.test(position))
    Object.assign(clone.style, { position: 'relative', inset: 'auto', transform: 'none' });
}

/** An element that shows what is in it, whether the real one is open or not. */
function asBox(element: HTMLElement): HTMLElement {
  const box = document.createElement('div');
  box.className = element.className;
  return box;
}

function asDiv(element: HTMLElement): HTMLElement {
  const div = document.createElement('div');
  div.className = element.className;
  div.style.cssText = element.style.cssText;
  div.append(...[...element.childNodes].map((child) => child.cloneNode(true)));
  return div;
}

/**
 * Ids may stand once in a document, and a clone is to be seen whatever hides the original. Of those that share a name
 * one alone may be open or chosen in a document: here each copy has one of its own.
 */
function bare(element: HTMLElement, strip: readonly string[]): void {
  const isOneOfGroup = 'details[name], input[type="radio"][name]';
  for (const each of element.querySelectorAll(isOneOfGroup)) each.removeAttribute('name');
  if (element.matches(isOneOfGroup)) element.removeAttribute('name');
  for (const each of [element, ...element.querySelectorAll<HTMLElement>('[id]')]) each.removeAttribute('id');
  for (const name of ['hidden', 'popover', 'data-k', ...strip]) element.removeAttribute(name);
}

/**
 * As CSS writes it. Blocks keep the width they have on the page; what is as wide as its words is that here too,
 * however narrow its cell.
 */
function widthOf(part: HTMLElement): string {
  if (/^(?:BUTTON|A|SPAN)$/.test(part.tagName)) return 'max-content';
  const { width } = part.getBoundingClientRect();
  return width === 0 ? '' : `${width}px`;
}

/**
 * Faded out, as a slide that is not its slider's turn, or without any room, as a section with nothing in it: an empty
 * cell would look like a fault of the sheet.
 */
function isUnseen(clone: HTMLElement): boolean {
  const { opacity, visibility } = getComputedStyle(clone);
  return opacity === '0' || visibility !== 'visible' || !hasRoom(clone);
}

/** A line is seen by its border alone, and what is in a piece may stick out of it. */
const hasRoom = (clone: HTMLElement): boolean =>
  [clone, ...clone.querySelectorAll('*')].some((each) => {
    const { width, height } = each.getBoundingClientRect();
    return width > 0 && height > 0;
  });

/** Words in the middle of a cell, whatever the page's own style is. */
function note(words: string): HTMLElement {
  const box = document.createElement('div');
  box.textContent = words;
  Object.assign(box.style, {
    all: 'initial',
    position: 'absolute',
    inset: '0',
    margin: 'auto',
    width: 'fit-content',
    height: 'fit-content',
    padding: '2px 6px',
    borderRadius: '2px',
    font: '12px sans-serif',
    color: '#525252',
    background: '#ffffff'
  });
  return box;
}

/** What moves without end stays as it is, and so does what the scroll moves. */
function toItsEnd(animation: Animation): void {
  const isOfTime = animation.timeline === document.timeline;
  if (isOfTime && animation.effect!.getComputedTiming().endTime !== Infinity) animation.finish();
}

/** Words smaller than this part of their size are no longer read. */
const READ_LEAST = 0.45;

/** Nor are those that are lower than this, px. */
const LETTERS_LEAST = 11;

/** Left free around what is drawn, px. */
const MARGIN = { across: 12, down: 10 };

interface Scaled {
  readonly scale: number;
  readonly isCut: boolean;
  /** Where it is cut: how much of its beginning is left out, since nothing stands there, px. */
  readonly skipped: number;
  /** How high the cell would have to be for it to be as wide as the cell, or as large as it can be read, px. */
  readonly height: number;
}

/** Drawn whole; but of what is wide and low, such as a heading, where it begins, at a size that can be read. */
function scaleOf(clone: HTMLElement, { cell, enlarged }: Order): Scaled {
  const seen = clone.getBoundingClientRect();
  const box = { width: seen.width * enlarged, height: seen.height * enlarged };
  const [across, down] = [(cell.width - MARGIN.across) / box.width, (cell.height - MARGIN.down) / box.height];
  const isCut = across < READ_LEAST && down >= READ_LEAST;
  const letters = LETTERS_LEAST / parseFloat(getComputedStyle(clone).fontSize);
  const wanted = Math.min(1, isCut ? Math.max(READ_LEAST, letters) : across);
  const height = box.height > 0 ? box.height * wanted + MARGIN.down : 0;
  const scale = Math.min(wanted, down);
  const before = isCut ? emptyBefore(clone) * enlarged * scale : 0;
  return { scale, isCut, height, skipped: before > cell.width / 2 ? before : 0 };
}

/** What is seen of a piece besides its ground and its border. */
const DRAWN = 'img, svg, video, input, textarea, select, iframe, canvas';

/** How far from the beginning of a piece its first words or pictures stand, px: links may stand at its end. */
function emptyBefore(clone: HTMLElement): number {
  const walker = document.createTreeWalker(clone, NodeFilter.SHOW_TEXT);
  const range = document.createRange();
  const boxes = [...clone.querySelectorAll(DRAWN)].map((each) => each.getBoundingClientRect());
  while (walker.nextNode()) {
    range.selectNodeContents(walker.currentNode);
    boxes.push(...range.getClientRects());
  }
  const { left, right } = clone.getBoundingClientRect();
  const isFromRight = getComputedStyle(clone).direction === 'rtl';
  const gaps = boxes
    .filter(({ width }) => width > 0)
    .map((box) => (isFromRight ? right - box.right : box.left - left));
  return gaps.length > 0 ? Math.max(0, Math.min(...gaps)) : 0;
}

function opaqueBackdrop(from: Element | null): string {
  for (let above = from; above; above = above.parentElement) {
    const colour = getComputedStyle(above).backgroundColor;
    if (!/^(?:transparent|rgba\(.*, 0\))$/.test(colour)) return colour;
  }
  return '#ffffff';
}
