import type { Box } from '$core/facts/box';
import { maybeStuck } from '$core/scroll/sticky';

/** What moves a piece without laying it out anew. */
const MOVES = ['translate', 'rotate', 'scale', 'transform'] as const;
/** Where it stands at rest: what moves is put back, what sticks stands in its place. */
const REST: Readonly<Record<string, string>> = {
  ...Object.fromEntries(MOVES.map((name) => [name, 'none'])),
  position: 'relative',
  inset: 'auto'
};

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

/** Answers about an element, each worked out once: most pieces stand in the same few. */
function once<Value>(find: (element: Element) => Value): (element: Element) => Value {
  const known = new Map<Element, Value>();
  return (element) => {
    const found = known.get(element);
    if (found !== undefined) return found;
    const value = find(element);
    known.set(element, value);
    return value;
  };
}

const scrolls = (element: Element): boolean =>
  ['auto', 'scroll', 'hidden'].includes(getComputedStyle(element).overflowY);

/** The section an element stands in: the one of the page's own children around it. */
function areaOf(element: Element): Element {
  let area = element;
  while (area.parentElement && !area.parentElement.matches('main, body, html')) area = area.parentElement;
  return area;
}

/** How pieces stand before anything is put back: what sticks, where, and what they are scrolled in. */
class Standings {
  readonly isSticky = once((element) => getComputedStyle(element).position === 'sticky');

  /** What a piece sticks in: the nearest around it that scrolls or hides what overflows (CSS Overflow 3). */
  private readonly scrollerIn: (parent: Element) => Element = once((parent) => {
    if (parent === document.body || !parent.parentElement) return document.scrollingElement!;
    return scrolls(parent) ? parent : this.scrollerIn(parent.parentElement);
  });

  /** The nearest that sticks, from this one upwards; false where none does. */
  private readonly stickyFrom: (element: Element) => Element | false = once((element) => {
    if (element === document.body || !element.parentElement) return false;
    return this.isSticky(element) ? element : this.stickyFrom(element.parentElement);
  });

  of(node: string, element: HTMLElement): Standing {
    const parent = element.parentElement ?? document.body;
    const holder = this.stickyFrom(parent);
    return {
      node,
      element,
      scroller: this.scrollerIn(parent),
      insets: this.insetsOf(element),
      holder: holder ? this.of('', holder as HTMLElement) : null
    };
  }

  private insetsOf(element: Element): Standing['insets'] {
    if (!this.isSticky(element)) return { top: null, bottom: null };
    const { top, bottom } = getComputedStyle(element);
    return { top: maybePx(top), bottom: maybePx(bottom) };
  }

  /** Everything that is not where it would be at rest, among some pieces and around them, with what takes it away. */
  astray(standing: readonly Standing[]): ReadonlyMap<HTMLElement, readonly string[]> {
    const seen = new Set<HTMLElement>();
    for (const { element } of standing)
      for (
        let each: HTMLElement | null = element;
        each && each !== document.body && !seen.has(each);
        each = each.parentElement
      )
        seen.add(each);
    const found = new Map<HTMLElement, readonly string[]>();
    for (const each of seen) {
      const by = this.movesOf(each);
      if (by.length > 0) found.set(each, by);
    }
    return found;
  }

  private movesOf(element: Element): readonly string[] {
    const style = getComputedStyle(element);
    const moved = MOVES.filter((name) => style[name] !== 'none');
    return this.isSticky(element) ? [...moved, 'position', 'inset'] : moved;
  }
}

/** What holds pieces: the edges of its content, and how those lie in it. All from the window's top, px. */
interface Container {
  /** The piece that it is, or is a part of; null for none of ours. */
  readonly piece: string | null;
  readonly top: number;
  readonly bottom: number;
  /** Where its content would end if it were as high as its own place. */
  readonly outerBottom: number;
  /** How what stands in a row is aligned across it; null where it is no row. */
  readonly alignItems: string | null;
}

/** The piece an element belongs to, where it is the outermost of one, or of one of its parts. */
const pieceOf = (element: Element): string | null =>
  element.closest<HTMLElement>('[data-k]')?.dataset.k ?? null;

/** Where pieces stand at rest, read in one layout. */
class Rest {
  private readonly rectOf = once((element) => element.getBoundingClientRect());
  private readonly areaIn = once(areaOf);

  /** What goes sideways around an element, or in it. */
  private readonly runIn = once(
    (element) =>
      element.closest('[data-k-panels]') ?? element.querySelector('[data-k-panels]') ?? this.areaIn(element)
  );

  /** The element whose content box it is held in: its parent, unless that has no box of its own. */
  private readonly holderIn: (parent: Element) => Element = once((parent) =>
    getComputedStyle(parent).display === 'contents' && parent.parentElement
      ? this.holderIn(parent.parentElement)
      : parent
  );

  private readonly containerIn = once((element): Container => {
    const { display, flexDirection, alignItems, ...edges } = this.edgesOf(element);
    const rect = this.rectOf(element);
    const isRow =
      display.endsWith('grid') || (display.endsWith('flex') && !flexDirection.startsWith('column'));
    const bottom = rect.bottom - edges.below;
    const place = this.holderIn(element.parentElement ?? element);
    const end = this.rectOf(place).bottom - this.edgesOf(place).below;
    return {
      piece: pieceOf(element),
      top: rect.top + edges.above,
      bottom,
      outerBottom: end - edges.below,
      alignItems: isRow ? alignItems : null
    };
  });

  /** Room of borders and paddings above and below, px, and how it lays out. */
  private readonly edgesOf = once((element) => {
    const style = getComputedStyle(element);
    const { display, flexDirection, alignItems } = style;
    return {
      above: px(style.borderTopWidth) + px(style.paddingTop),
      below: px(style.borderBottomWidth) + px(style.paddingBottom),
      display,
      flexDirection,
      alignItems
    };
  });

  private readonly portOf = once((scroller) => {
    if (scroller === document.scrollingElement)
      return { origin: -scrollY, piece: null, height: innerHeight, padTop: 0, padBottom: 0 };
    const { paddingTop, paddingBottom } = getComputedStyle(scroller);
    return {
      origin: this.rectOf(scroller).top + scroller.clientTop - scroller.scrollTop,
      piece: pieceOf(scroller),
      height: scroller.clientHeight,
      padTop: px(paddingTop),
      padBottom: px(paddingBottom)
    };
  });

  /** Of the strip in the held window of what goes sideways. */
  private lengthOf(run: Element): number {
    const strip = run.firstElementChild?.firstElementChild;
    return strip ? this.rectOf(strip).width : 0;
  }

  /** Over which stretch it is carried along by what it stands in. */
  private heldBy(holder: Standing | null): { readonly heldFrom: number; readonly heldFor: number } {
    const stuck = holder && maybeStuck(this.read(holder));
    return { heldFrom: stuck?.start ?? 0, heldFor: stuck?.travel ?? 0 };
  }

  /** Edges and width of what goes sideways, and how long the strip in it is. */
  private runAt(element: Element, origin: number) {
    const strip = this.runIn(element) as HTMLElement;
    const run = this.rectOf(strip);
    return {
      runTop: run.top - origin,
      runBottom: run.bottom - origin,
      runWidth: run.width,
      runInset: px(strip.dataset.kPanels ?? ''),
      runLength: strip.matches('[data-k-panels]') ? this.lengthOf(strip) : run.width
    };
  }

  read({ element, scroller, insets, holder }: Standing): Box {
    const port = this.portOf(scroller);
    const { origin } = port;
    const container = this.containerIn(this.holderIn(element.parentElement ?? element));
    const area = this.rectOf(this.areaIn(element));
    const box = this.rectOf(element);
    const { marginTop, marginBottom, alignSelf } = getComputedStyle(element);
    return {
      top: box.top - origin,
      bottom: box.bottom - origin,
      left: box.left,
      right: box.right,
      marginTop: px(marginTop),
      marginBottom: px(marginBottom),
      insetTop: insets.top,
      insetBottom: insets.bottom,
      withinTop: container.top - origin,
      withinBottom: container.bottom - origin,
      outerBottom: container.outerBottom - origin,
      within: container.piece,
      scroller: port.piece,
      height: port.height,
      padTop: port.padTop,
      padBottom: port.padBottom,
      whole: scroller.scrollHeight,
      areaTop: area.top - origin,
      areaBottom: area.bottom - origin,
      ...this.runAt(element, origin),
      ...this.heldBy(holder),
      isStretched: isStretched(container, alignSelf)
    };
  }
}

/** In a row, a piece that is not told otherwise is as high as its place (CSS Box Alignment 3, section 6.1). */
const isStretched = ({ alignItems }: Container, alignSelf: string): boolean =>
  alignItems !== null && ['stretch', 'normal'].includes(alignSelf === 'auto' ? alignItems : alignSelf);

/** An inline value as it was, to be set again; setting nothing takes it off. */
type Kept = readonly [name: string, value: string, priority: string, style: CSSStyleDeclaration];

/** Nothing starts to move for it. */
function putToRest(style: CSSStyleDeclaration, names: readonly string[]): readonly Kept[] {
  style.setProperty('transition', 'none', 'important');
  return names.map((name): Kept => {
    const kept: Kept = [name, style.getPropertyValue(name), style.getPropertyPriority(name), style];
    style.setProperty(name, REST[name]!, 'important');
    return kept;
  });
}

/**
 * Boxes of some pieces as they stand at rest, read in one layout: movement and sticking are taken out for as
 * long as it takes, of those alone that move, and nothing of that is ever painted.
 * @param asked pieces with their outermost elements, which are drawn.
 */
export function readBoxes(
  asked: readonly (readonly [node: string, element: HTMLElement])[]
): [string, Box][] {
  const standings = new Standings();
  const standing = asked.map(([node, element]) => standings.of(node, element));
  const astray = standings.astray(standing);
  const kept = [...astray].map(([{ style }, names]) => putToRest(style, names));
  const reading = new Rest();
  const found = standing.map((each): [string, Box] => [each.node, reading.read(each)]);
  for (const [name, value, priority, style] of kept.flat()) style.setProperty(name, value, priority);
  // What is put back must not be seen moving there, so transitions wait until it has been drawn.
  const letGo = () => astray.forEach((_names, { style }) => style.removeProperty('transition'));
  if (astray.size > 0) requestAnimationFrame(() => requestAnimationFrame(letGo));
  return found;
}
