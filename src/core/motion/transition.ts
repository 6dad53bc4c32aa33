import { readEasing } from './easing';

/** One entry of the `transition` property: times in ms, easing as written. */
export interface Transition {
  readonly property: string;
  readonly ms: number;
  readonly delay: number;
  readonly easing: string;
}

/** Splits at commas that stand outside brackets. */
function outerParts(text: string, separator: ',' | ' '): string[] {
  const parts: string[] = [];
  let depth = 0;
  let open = '';
  for (const letter of text) {
    if (letter === '(') depth += 1;
    if (letter === ')') depth -= 1;
    if (letter === separator && depth === 0) {
      parts.push(open);
      open = '';
    } else open += letter;
  }
  return [...parts, open].map((part) => part.trim()).filter(Boolean);
}

const TIME = /^([+-]?(?:\d+\.?\d*|\.\d+))(ms|s)$/i;

/**
 * Reads the value of `transition` (CSS Transitions 1, section 2.5). The first time of an entry is its length,
 * the second its delay.
 * @returns null where it cannot be read; an empty list for `none`.
 */
export function maybeTransitions(value: string): Transition[] | null {
  if (value.trim() === 'none') return [];
  const found: Transition[] = [];
  for (const part of outerParts(value, ',')) {
    const times: number[] = [];
    let property: string | null = null;
    let easing: string | null = null;
    for (const word of outerParts(part, ' ')) {
      const time = TIME.exec(word);
      if (time) times.push(Number(time[1]) * (time[2]!.toLowerCase() === 's' ? 1000 : 1));
      else if (easing === null && readEasing(word).ok) easing = word;
      else if (property === null && /^[a-z-]+$/i.test(word)) property = word;
      else return null;
    }
    if (times.length > 2) return null;
    if (property === 'none') continue;
    found.push({
      property: property ?? 'all',
      ms: Math.max(0, times[0] ?? 0),
      delay: times[1] ?? 0,
      easing: easing ?? 'ease'
    });
  }
  return found;
}

/** @returns the entries as a value of `transition`. */
export function transitionText(entries: readonly Transition[]): string {
  if (entries.length === 0) return 'none';
  return entries
    .map(
      ({ property, ms, delay, easing }) => `${property} ${ms}ms ${easing}${delay === 0 ? '' : ` ${delay}ms`}`
    )
    .join(', ');
}

/** Entries that move alike, as one: their properties together, in the order they first stand in. */
export function groupedTransitions(
  entries: readonly Transition[]
): { readonly properties: readonly string[]; readonly timing: Omit<Transition, 'property'> }[] {
  const groups = new Map<string, { properties: string[]; timing: Omit<Transition, 'property'> }>();
  for (const { property, ...timing } of entries) {
    const key = `${timing.ms} ${timing.delay} ${timing.easing}`;
    const known = groups.get(key);
    if (known) known.properties.push(property);
    else groups.set(key, { properties: [property], timing });
  }
  return [...groups.values()];
}
