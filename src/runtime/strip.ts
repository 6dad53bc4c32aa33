/** Parts of a slider that its behaviours share. */
export interface Strip {
  readonly view: HTMLElement;
  readonly slides: readonly HTMLElement[];
  /** Of the root: direction of writing, and what the style sheet tells. */
  readonly css: CSSStyleDeclaration;
}

export function stripOf(root: HTMLElement): Strip {
  const view = root.querySelector<HTMLElement>(':scope > [data-k-view]')!;
  return {
    view,
    slides: [...view.firstElementChild!.children] as HTMLElement[],
    css: getComputedStyle(root)
  };
}

/** How far it is scrolled from its beginning, px, whichever way it is written. */
export const scrolled = ({ view }: Strip): number => Math.abs(view.scrollLeft);

export const scrollTo = ({ view, css }: Strip, px: number): void => {
  view.scrollLeft = css.direction === 'rtl' ? -px : px;
};

/** From the beginning of the strip to that of a slide, px. */
export const startOf = ({ view, css }: Strip, slide: HTMLElement): number =>
  css.direction === 'rtl' ? view.clientWidth - slide.offsetLeft - slide.offsetWidth : slide.offsetLeft;

/**
 * Where the window comes to rest for each slide, px from the beginning: its own beginning or its middle, no further
 * than there is something to scroll to (CSS Scroll Snap 1, section 4.1).
 */
export function placesOf(strip: Strip): number[] {
  const { view, slides, css } = strip;
  const share = +css.getPropertyValue('--k-align');
  const most = view.scrollWidth - view.clientWidth;
  return slides.map((slide) => {
    const free = view.clientWidth - slide.offsetWidth;
    return Math.max(0, Math.min(most, startOf(strip, slide) - free * share));
  });
}

/** @returns the index of the place nearest to one. */
export const nearest = (places: readonly number[], to: number): number =>
  places.reduce((best, place, i) => (Math.abs(place - to) < Math.abs(places[best]! - to) - 1 ? i : best), 0);

/** What is asked of a slider: go on by so many, or to one, in its own time or another. */
export interface Turn {
  readonly by?: number;
  readonly to?: number;
  readonly ms?: number;
  readonly ease?: string;
  /** Asked by a hand, which is told what has come. */
  readonly byHand?: boolean;
}

export const turn = (root: HTMLElement, detail: Turn): boolean =>
  root.dispatchEvent(new CustomEvent('k-turn', { detail }));
