import type { FromFrame, ToFrame } from './messages';
import { clamp } from '$core/data/clamp';

/** Keeps a page that is shown in several widths at the same piece in all of them. */
export interface Following {
  /** Scrolls as another width has been: the same piece at the same place; at the ends of the page, to the end. */
  follow(order: Extract<ToFrame, { type: 'scroll' }>): void;
  /** After an edit has been painted, something else may be in sight: said, and no other width follows. */
  edited(): void;
  /** Scrolls for the workbench: said as not by hand. */
  bring(scroll: () => void): void;
}

interface Page {
  elementOf(node: string): HTMLElement | null;
  /** Its root. */
  root(): string;
  /** The picked piece; null for none. */
  picked(): string | null;
  tell(message: FromFrame): void;
}

type Sight = Extract<FromFrame, { type: 'scrolled' }>['at'];

/** Time for what an edit has set moving, ms. */
const AFTER_EDIT_MS = 60;

const root = document.documentElement;
const way = () => Math.max(1, root.scrollHeight - innerHeight);

/** Where the eye rests while one reads: a third down the window. */
const readingLine = () => innerHeight / 3;

export function createFollowing(page: Page): Following {
  /** Where the page was scrolled to by order; null where a person may have scrolled last. */
  let ordered: number | null = null;
  let inSight: Sight = null;
  let isAtEnd = false;
  let timer: ReturnType<typeof setTimeout> | undefined;

  function pickedInSight(): HTMLElement | null {
    const id = page.picked();
    const element = id === null ? null : page.elementOf(id);
    const box = element?.getBoundingClientRect();
    const isSeen = box !== undefined && box.height > 0 && box.bottom > 0 && box.top < innerHeight;
    return isSeen ? element : null;
  }

  /** The picked piece where it is in sight, else the one at the reading line. */
  function lookAt(): Sight {
    const atLine = () => document.elementFromPoint(innerWidth / 2, readingLine());
    const element = pickedInSight() ?? atLine()?.closest<HTMLElement>('[data-k]');
    if (!element?.dataset.k) return null;
    const { top, height } = element.getBoundingClientRect();
    const into = readingLine() - top;
    const inside = clamp(into, 0, height);
    return { node: element.dataset.k, part: inside / Math.max(1, height), beyond: into - inside };
  }

  function say(byHand: boolean): void {
    inSight = lookAt();
    const share = clamp(scrollY / way(), 0, 1);
    isAtEnd = share === 1;
    page.tell({ type: 'scrolled', page: page.root(), share, at: inSight, byHand });
  }

  function scrollTo(top: number): void {
    const target = Math.round(clamp(top, 0, way()));
    if (Math.abs(target - scrollY) < 1) return;
    ordered = target;
    // A page that comes to rest somewhere does so for a hand; here every place between is looked at.
    root.style.scrollSnapType = 'none';
    window.scrollTo({ top: target, behavior: 'instant' });
  }

  /** Where the page has to stand for the piece to lie as it did; null where it is not drawn. */
  function topFor(at: Sight): number | null {
    const box = at && page.elementOf(at.node)?.getBoundingClientRect();
    if (!box || box.height === 0) return null;
    return scrollY + box.top + box.height * at!.part + at!.beyond - readingLine();
  }

  document.addEventListener(
    'scroll',
    () => {
      const isByHand = ordered === null || Math.abs(scrollY - ordered) > 2;
      ordered = null;
      say(isByHand);
    },
    { passive: true }
  );

  // Another width or height moves everything; what was looked at stays where it was.
  window.addEventListener('resize', () => {
    const place = isAtEnd ? way() : topFor(inSight);
    if (scrollY > 0 && place !== null) scrollTo(place);
    // What the browser itself has scrolled for the new size is no hand's either.
    ordered ??= Math.round(scrollY);
  });

  for (const type of ['wheel', 'pointerdown', 'touchstart', 'keydown'])
    window.addEventListener(type, () => root.style.removeProperty('scroll-snap-type'), {
      capture: true,
      passive: true
    });

  return {
    follow({ share, at }) {
      isAtEnd = share === 1;
      const place = isAtEnd || share === 0 ? null : topFor(at);
      scrollTo(place ?? share * way());
      inSight = at;
    },
    edited() {
      clearTimeout(timer);
      timer = setTimeout(() => say(false), AFTER_EDIT_MS);
    },
    bring(scroll) {
      scroll();
      ordered = Math.round(scrollY);
      // A new size may come before the event of this scroll does; it is to keep what is in sight now.
      inSight = lookAt();
      isAtEnd = scrollY >= way() - 1;
    }
  };
}
