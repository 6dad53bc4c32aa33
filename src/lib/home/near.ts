/** How far outside the window something is near, by the window's height. */
const AHEAD = '50% 0px';

const watched = new Map<Element, (isNear: boolean) => void>();
let observer: IntersectionObserver | null = null;

/** One for all: it tells of elements in the order in which they came, where several would tell in any. */
const observing = (): IntersectionObserver =>
  (observer ??= new IntersectionObserver(
    (entries) => entries.forEach(({ target, isIntersecting }) => watched.get(target)?.(isIntersecting)),
    { rootMargin: AHEAD }
  ));

/** Tells whether an element is in the window or near it, now and whenever that changes. @returns stops telling. */
export function whenNear(element: Element, tell: (isNear: boolean) => void): () => void {
  watched.set(element, tell);
  observing().observe(element);
  return () => {
    watched.delete(element);
    observer?.unobserve(element);
  };
}
