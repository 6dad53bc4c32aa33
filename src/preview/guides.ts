import type { FromFrame, Pick } from './messages';

export type Distances = Extract<FromFrame, { type: 'hovered' }>;
type Side = 'top' | 'right' | 'bottom' | 'left';
const SIDES: readonly Side[] = ['top', 'right', 'bottom', 'left'];

/** A strip of room and what it is: px of a margin, a padding or a gap. */
export interface Strip {
  readonly kind: 'margin' | 'padding' | 'gap';
  readonly box: {
    readonly left: number;
    readonly top: number;
    readonly width: number;
    readonly height: number;
  };
  readonly px: number;
}

const px = (text: string) => Math.round((parseFloat(text) || 0) * 100) / 100;
const sides = (style: CSSStyleDeclaration, kind: 'margin' | 'padding') =>
  SIDES.map((side) => px(style.getPropertyValue(`${kind}-${side}`)));

/** What an element keeps free around, inside and between, in px, as Chromium has laid it out. */
export function distancesOf(element: HTMLElement, pick: Pick): Distances {
  const style = getComputedStyle(element);
  const { width, height } = element.getBoundingClientRect();
  const flows = /flex|grid/.test(style.display) && element.children.length > 1;
  return {
    type: 'hovered',
    pick,
    width: Math.round(width * 10) / 10,
    height: Math.round(height * 10) / 10,
    padding: sides(style, 'padding'),
    margin: sides(style, 'margin'),
    gap: flows ? [px(style.rowGap), px(style.columnGap)] : null,
    collapsed: collapsedAbove(element, style)
  };
}

/**
 * The space between it and the block above where their margins are one: the larger of the two (CSS 2.2,
 * section 8.3.1); null where they are not.
 */
function collapsedAbove(element: HTMLElement, style: CSSStyleDeclaration): number | null {
  const above = element.previousElementSibling;
  const parent = element.parentElement;
  if (!above || !parent || getComputedStyle(parent).display !== 'block' || style.display === 'inline')
    return null;
  const [own, before] = [px(style.marginTop), px(getComputedStyle(above).marginBottom)];
  return own > 0 && before > 0 ? Math.max(own, before) : null;
}

/** Where the strips lie in the window. */
export function stripsOf(element: HTMLElement): Strip[] {
  const style = getComputedStyle(element);
  const rect = element.getBoundingClientRect();
  const border = SIDES.map((side) => px(style.getPropertyValue(`border-${side}-width`))) as [
    number,
    number,
    number,
    number
  ];
  const inner = {
    left: rect.left + border[3],
    top: rect.top + border[0],
    right: rect.right - border[1],
    bottom: rect.bottom - border[2]
  };
  const found: Strip[] = [];
  const add = (
    kind: Strip['kind'],
    size: number,
    left: number,
    top: number,
    width: number,
    height: number
  ) => {
    if (size > 0 && width > 0 && height > 0)
      found.push({ kind, px: size, box: { left, top, width, height } });
  };
  const [top, right, bottom, left] = sides(style, 'padding') as [number, number, number, number];
  add('padding', top, inner.left, inner.top, inner.right - inner.left, top);
  add('padding', bottom, inner.left, inner.bottom - bottom, inner.right - inner.left, bottom);
  add('padding', left, inner.left, inner.top + top, left, inner.bottom - inner.top - top - bottom);
  add('padding', right, inner.right - right, inner.top + top, right, inner.bottom - inner.top - top - bottom);
  const [above, after, below, before] = sides(style, 'margin') as [number, number, number, number];
  add('margin', above, rect.left, rect.top - above, rect.width, above);
  add('margin', below, rect.left, rect.bottom, rect.width, below);
  add('margin', before, rect.left - before, rect.top, before, rect.height);
  add('margin', after, rect.right, rect.top, after, rect.height);
  if (/flex|grid/.test(style.display)) addGaps(element, add);
  return found;
}

function addGaps(
  element: HTMLElement,
  add: (kind: Strip['kind'], size: number, left: number, top: number, width: number, height: number) => void
): void {
  const boxes = [...element.children]
    .map((child) => child.getBoundingClientRect())
    .filter(({ width, height }) => width > 0 && height > 0);
  boxes.slice(1).forEach((box, i) => {
    const before = boxes[i]!;
    const [down, along] = [box.top - before.bottom, box.left - before.right];
    if (down >= 1)
      add(
        'gap',
        Math.round(down),
        Math.min(before.left, box.left),
        before.bottom,
        Math.max(before.right, box.right) - Math.min(before.left, box.left),
        down
      );
    else if (along >= 1)
      add(
        'gap',
        Math.round(along),
        before.right,
        Math.min(before.top, box.top),
        along,
        Math.max(before.bottom, box.bottom) - Math.min(before.top, box.top)
      );
  });
}
