import type { Box } from '$core/facts/box';
import type { ToFrame } from './messages';
import { readBoxes } from './boxes';

type Order = Extract<ToFrame, { type: 'ghosts' }>;

const STYLE = `
  k-ghosts { position: absolute; top: 0; left: 0; width: 0; height: 0; pointer-events: none; z-index: 2147483646; }
  k-ghosts > div { position: absolute; opacity: .5; outline: 1.5px dashed #2b55a0; outline-offset: 2px; }
  k-ghosts > b { position: absolute; padding: 2px 7px; border-radius: 2px; background: #2b55a0; color: #fff;
    font: 600 12px/1.3 system-ui, sans-serif; white-space: nowrap; translate: 0 calc(-100% - 4px); }
  k-ghosts > div * { animation: none !important; transition: none !important; }
  k-ghosts > div > * { position: relative !important; inset: auto !important; margin: 0 !important;
    width: 100% !important; }`;

/** What a copy must not have, or the page would take it for a piece of its own. */
const isOwn = ({ name }: Attr): boolean => /^(?:id|name|data-k|data-k-(?:node|part|item))$/.test(name);

function copyOf(element: HTMLElement): HTMLElement {
  const copy = element.cloneNode(true) as HTMLElement;
  for (const each of [copy, ...copy.querySelectorAll('*')])
    for (const attribute of [...each.attributes]) if (isOwn(attribute)) each.removeAttribute(attribute.name);
  copy.inert = true;
  return copy;
}

/** Animations of a piece, and of what is in it, that the scroll drives. */
const tiedOf = (element: HTMLElement): readonly Animation[] =>
  element
    .getAnimations({ subtree: true })
    .filter(({ timeline }) => timeline !== null && timeline !== document.timeline);

/** Has a copy stand as its original does at one end of the way: 0 the first frame, 1 the last. */
function hold(original: HTMLElement, copy: HTMLElement, at: 0 | 1): void {
  const [from, to] = [original, copy].map((each) => [each, ...each.querySelectorAll('*')]) as [
    Element[],
    Element[]
  ];
  for (const { effect } of tiedOf(original)) {
    if (!(effect instanceof KeyframeEffect)) continue;
    const twin = to[from.indexOf(effect.target!)];
    const { pseudoElement } = effect;
    const held = twin?.animate(effect.getKeyframes(), { duration: 1000, fill: 'both', pseudoElement });
    held?.pause();
    if (held) held.currentTime = at * 1000;
  }
}

/** What is moved sideways around a piece, itself no part of that; the page where nothing is. */
function strip(element: HTMLElement): HTMLElement {
  const moved = element.parentElement?.closest('[data-k-panels]')?.firstElementChild?.firstElementChild;
  return moved instanceof HTMLElement ? moved : document.body;
}

/** Where a piece stands at rest, px: within what moves it sideways, or on the page. */
function placeIn(mover: HTMLElement, element: HTMLElement) {
  const [[, box], [, around]] = readBoxes([
    ['', element],
    ['', mover]
  ]) as [[string, Box], [string, Box]];
  const from = mover === document.body ? { left: -scrollX, top: 0 } : around;
  return {
    left: box.left - from.left,
    top: box.top - from.top,
    width: box.right - box.left,
    height: box.bottom - box.top
  };
}

const inPx = (values: Readonly<Record<string, number>>) =>
  Object.fromEntries(Object.entries(values).map(([name, value]) => [name, `${value}px`]));

/** A copy of a piece as it stands at one end, with a tag that says at which. */
function ghostOf(element: HTMLElement, at: 0 | 1, place: ReturnType<typeof placeIn>): readonly HTMLElement[] {
  const frame = document.createElement('div');
  const tag = document.createElement('b');
  const { left, top } = place;
  Object.assign(frame.style, inPx(place));
  Object.assign(tag.style, inPx({ left, top }));
  tag.textContent = at === 0 ? 'first frame' : 'last frame';
  frame.append(copyOf(element));
  return [frame, tag];
}

/** Shows a piece over the page as it stands at both ends of its range, for as long as it is asked for. */
export function createGhosts(elementOf: (node: string) => HTMLElement | null) {
  const host = document.createElement('k-ghosts');
  const style = new CSSStyleSheet();
  style.replaceSync(STYLE);

  return {
    /** Before the page is drawn anew, nothing that is not its own may stand in it. */
    clear: (): void => host.remove(),
    set({ node, travel }: Order): void {
      host.remove();
      const element = node === null ? null : elementOf(node);
      if (!element) return;
      if (!document.adoptedStyleSheets.includes(style)) document.adoptedStyleSheets.push(style);
      const isSticky = getComputedStyle(element).position === 'sticky';
      const mover = strip(element);
      const place = placeIn(mover, element);
      const last = isSticky ? { ...place, top: place.top + travel } : place;
      const ghosts = [ghostOf(element, 0, place), ghostOf(element, 1, last)] as const;
      host.replaceChildren(...ghosts.flat());
      mover.append(host);
      // Only what is in the document can be held.
      hold(element, ghosts[0][0]!.firstElementChild as HTMLElement, 0);
      hold(element, ghosts[1][0]!.firstElementChild as HTMLElement, 1);
    }
  };
}
