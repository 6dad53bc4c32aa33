/** The window of a slider, in which its strip of slides is scrolled; a slider inside a slide comes after it. */
export const viewOf = (root: HTMLElement) => root.querySelector<HTMLElement>('[data-k-view]')!;

export const slidesOf = (view: HTMLElement) => [...view.firstElementChild!.children] as HTMLElement[];

/** What a style sheet tells. */
export const told = (element: Element, name: string) => getComputedStyle(element).getPropertyValue(name);

/** 1, and -1 where what is read begins at the right: there a strip is scrolled to negative places. */
export const wayOf = (view: HTMLElement) => (told(view, 'direction') > 'm' ? -1 : 1);

/** The middle one of three numbers: the first, kept between the others. */
export const middle = (...three: [number, number, number]) => three.sort((a, b) => a - b)[1]!;

/**
 * Where the window comes to rest for each slide, as a scroll position in px: at the beginning of the slide or around
 * its middle (`--k-align`), no further than there is something to scroll to (CSS Scroll Snap 1, section 4.1). Whole,
 * as what is scrolled is.
 */
export const placesOf = (view: HTMLElement) => {
  const { clientWidth, scrollWidth } = view;
  const way = wayOf(view);
  const furthest = way * (scrollWidth - clientWidth);
  // At the beginning, which lies at the right there, or around the middle.
  const fromLeft = +told(view, '--k-align') || +(way < 0);
  return slidesOf(view).map(({ offsetLeft, offsetWidth }) =>
    Math.round(middle(offsetLeft + (offsetWidth - clientWidth) * fromLeft, 0, furthest))
  );
};

/** @returns the index of the first place that is nearest to where the strip is, or would be. */
export const nearest = ({ scrollLeft }: HTMLElement, places: number[], further = 0) => {
  const away = places.map((place) => Math.abs(place - scrollLeft - further));
  return away.indexOf(Math.min(...away));
};

/** What is asked of a slider: to go on by so many slides, or to one, in a time and an easing other than its own. */
export interface Turn {
  readonly by?: number;
  readonly to?: number;
  /** ms */
  readonly duration?: number;
  readonly easing?: string;
  /** Not by a hand, so nobody is told. */
  readonly isQuiet?: boolean;
}

declare global {
  interface HTMLElement {
    /** Of the root of a slider: others ask it to go on. */
    kTurn?(asked: Turn): void;
  }
}
