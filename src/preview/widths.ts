import { UNDER_MARK } from '$core/compile/under';
import type { PatchValues } from './messages';

type Asked = Pick<PatchValues, 'stem' | 'widths'>;

/**
 * Marks pieces while the window is under the widths they ask for, as a media query of theirs would. A width
 * that is turned then changes one attribute at most, where a new style sheet makes the browser walk the page.
 */
export function createWidths(elementOf: (id: string) => HTMLElement | null) {
  const asked = new Map<string, Asked>();
  let windowWidth = innerWidth;

  const mark = (id: string, { stem, widths }: Asked): void => {
    const held = widths.flatMap((width, i) => (isUnder(width) ? [`${stem}-${i}`] : []));
    setMark(elementOf(id), held.join(' '));
  };

  /** What is measured just after the window has changed would come before the browser's own word of it. */
  const settle = (): void => {
    if (innerWidth === windowWidth) return;
    windowWidth = innerWidth;
    asked.forEach((each, id) => mark(id, each));
  };

  addEventListener('resize', settle);

  return {
    settle,
    set(id: string, next: Asked): void {
      if (next.widths.length > 0) asked.set(id, next);
      else asked.delete(id);
      mark(id, next);
    },
    forget: (id: string): boolean => asked.delete(id)
  };
}

const isUnder = (px: number): boolean => matchMedia(`(width < ${px}px)`).matches;

function setMark(element: HTMLElement | null, marks: string): void {
  if (marks === '') element?.removeAttribute(UNDER_MARK);
  else element?.setAttribute(UNDER_MARK, marks);
}
