import { grammar } from './grammar';
import { readEasing } from '../motion/easing';
import { remembered } from '../data/remembered';

/** One entry of the `transition` property: times in ms, easing as written. */
export interface Transition {
  readonly property: string;
  readonly ms: number;
  readonly delay: number;
  readonly easing: string;
}

/** @returns the words of each entry as they are written; null where it is no CSS. */
function entriesOf(text: string): string[][] | null {
  let isBroken = false;
  const onParseError = () => void (isBroken = true);
  const value = grammar().parse(text, { context: 'value', positions: true, onParseError });
  if (isBroken || value.type !== 'Value') return null;
  const entries: string[][] = [[]];
  for (const node of value.children) {
    if (node.type === 'Operator' && node.value === ',') entries.push([]);
    else entries.at(-1)!.push(text.slice(node.loc!.start.offset, node.loc!.end.offset));
  }
  return entries.filter((words) => words.length > 0);
}

const TIME = /^([+-]?(?:\d+\.?\d*|\.\d+))(ms|s)$/i;

/**
 * Reads the value of `transition` (CSS Transitions 1, section 2.5). The first time of an entry is its length,
 * the second its delay.
 * @returns null where it cannot be read; an empty list for `none`.
 */
export function maybeTransitions(value: string): Transition[] | null {
  if (value.trim() === 'none') return [];
  const found = entriesOf(value)?.map(maybeEntry);
  if (!found || found.includes(null)) return null;
  return found.filter((entry): entry is Transition => entry !== null && entry.property !== 'none');
}

function maybeEntry(words: readonly string[]): Transition | null {
  const times: number[] = [];
  let property: string | null = null;
  let easing: string | null = null;
  for (const word of words) {
    const time = TIME.exec(word);
    if (time) times.push(Number(time[1]) * (time[2]!.toLowerCase() === 's' ? 1000 : 1));
    else if (easing === null && readEasing(word).ok) easing = word;
    else if (property === null && /^[a-z-]+$/i.test(word)) property = word;
    else return null;
  }
  const [ms = 0, delay = 0, ...more] = times;
  if (more.length > 0) return null;
  return { property: property ?? 'all', ms: Math.max(0, ms), delay, easing: easing ?? 'ease' };
}

/** @returns the entries as a value of `transition`. */
export function transitionText(entries: readonly Transition[]): string {
  if (entries.length === 0) return 'none';
  return entries.map(entryText).join(', ');
}

function entryText({ property, ms, delay, easing }: Transition): string {
  const plain = `${property} ${ms}ms ${easing}`;
  return delay === 0 ? plain : `${plain} ${delay}ms`;
}

/** Entries that move alike, as one: their properties together, in the order they first stand in. */
export function groupedTransitions(
  entries: readonly Transition[]
): { readonly properties: readonly string[]; readonly timing: Omit<Transition, 'property'> }[] {
  const groups = new Map<string, { properties: string[]; timing: Omit<Transition, 'property'> }>();
  for (const { property, ...timing } of entries) {
    const key = `${timing.ms} ${timing.delay} ${timing.easing}`;
    remembered(groups, key, () => ({ properties: [], timing })).properties.push(property);
  }
  return [...groups.values()];
}
