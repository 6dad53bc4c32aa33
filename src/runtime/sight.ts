/**
 * How things are, of what has been seen: a busy browser hands over sightings of several pictures at once (Intersection
 * Observer, 3.2.5), the last of them at the end.
 */
export const lastOf = (seen: readonly IntersectionObserverEntry[]): IntersectionObserverEntry => seen.at(-1)!;
