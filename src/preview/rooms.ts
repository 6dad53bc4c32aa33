import { UNDER_MARK } from '$core/compile/under';
import type { Room } from '$core/facts/fit';
import { availableIn, neededBy, placesOf, type Place } from './measure';

type ElementOf = (id: string) => HTMLElement | null;
type Asked = readonly { readonly node: string; readonly row: string }[];

/** Properties whose values can be shares of the window’s width, and so differ from one width to the next. */
const FLUID = [
  'fontSize',
  'letterSpacing',
  'columnGap',
  'paddingLeft',
  'paddingRight',
  'marginLeft',
  'marginRight'
] as const;

const fluidOf = (element: HTMLElement): string => {
  const style = getComputedStyle(element);
  return FLUID.map((name) => style[name]).join();
};

const looksOf = (list: HTMLElement): string =>
  [
    ...[list, ...list.querySelectorAll<HTMLElement>(':scope > *, button, a')].map(fluidOf),
    ...[...list.querySelectorAll('svg, img')].map((icon) => getComputedStyle(icon).width)
  ].join(';');

/** What pieces are under in the preview, where an export has a media query. */
const marks = (): string =>
  [...document.querySelectorAll(`[${UNDER_MARK}]`)].map((each) => each.getAttribute(UNDER_MARK)).join();

function* rulesIn(rules: CSSRuleList): Generator<CSSRule> {
  for (const rule of rules) {
    yield rule;
    if ('cssRules' in rule) yield* rulesIn(rule.cssRules as CSSRuleList);
  }
}

/** Media queries of the rules of the page; null where some rules ask for the size of an element instead. */
function mediaOfPage(): readonly MediaQueryList[] | null {
  const all = document.adoptedStyleSheets.flatMap(({ cssRules }) => [...rulesIn(cssRules)]);
  if (all.some((rule) => rule instanceof CSSContainerRule)) return null;
  const media = all.flatMap((rule) => (rule instanceof CSSMediaRule ? [rule.conditionText] : []));
  return [...new Set(media)].map((query) => matchMedia(query));
}

/**
 * Reads how much room rows need on one line and how much there is, px. What is needed was mostly measured at another
 * width before, and measuring lays the page out twice: it is done anew only where something in the row may differ.
 */
export function createRooms() {
  const known = new Map<HTMLElement, Map<string, number>>();
  let media: readonly MediaQueryList[] | null = null;
  let isNew = true;

  /** Null where it cannot be told whether a row looks as before. */
  function maybeSignature(list: HTMLElement): string | null {
    // In a typeface that has not come yet words take another room.
    if (!media || document.fonts.status !== 'loaded') return null;
    return [
      media.map(({ matches }) => Number(matches)).join(''),
      marks(),
      looksOf(list),
      list.innerHTML
    ].join('\n');
  }

  function remembered(list: HTMLElement, signature: string | null): number | undefined {
    return signature === null ? undefined : known.get(list)?.get(signature);
  }

  function measure(places: readonly Place[], signatures: ReadonlyMap<HTMLElement, string | null>) {
    const found = new Map<HTMLElement, number>();
    neededBy(places).forEach((needed, i) => {
      const { list } = places[i]!;
      found.set(list, needed);
      const signature = signatures.get(list);
      if (typeof signature !== 'string') return;
      if (!known.has(list)) known.set(list, new Map());
      known.get(list)!.set(signature, needed);
    });
    return found;
  }

  return {
    read(asked: Asked, elementOf: ElementOf): (readonly [node: string, room: Room])[] {
      if (isNew) media = mediaOfPage();
      isNew = false;
      const places = asked.flatMap(({ node, row }) => placesOf(node, row, elementOf));
      const signatures = new Map(places.map(({ list }) => [list, maybeSignature(list)]));
      const isKnown = ({ list }: Place) => remembered(list, signatures.get(list)!) !== undefined;
      const measured = measure(
        places.filter((place) => !isKnown(place)),
        signatures
      );
      return places.map(({ node, list, root }) => [
        node,
        {
          needed: measured.get(list) ?? remembered(list, signatures.get(list)!)!,
          available: availableIn(root)
        }
      ]);
    },
    /** The page has changed. */
    forget(): void {
      known.clear();
      isNew = true;
    }
  };
}
