import { evenly, momentsWritten, type Reached } from './moments';

/** Percent by which moments may be off and still count as evenly spread: they are written as whole percents. */
const EVEN_WITHIN = 0.5;

/** Values at which a property changes nothing: a change can begin and end there (CSS Transforms 2, CSS Color 4). */
const AT_REST: Readonly<Record<string, string>> = {
  translate: '0 0',
  rotate: '0deg',
  scale: '1',
  opacity: '1'
};

/** Texts of moments by the names of their settings. */
export type MomentTexts = Readonly<Record<string, string>>;

/** @returns the moments that any of the texts names, whole percents in order: 0 and 100 always. */
export function momentsAmong(texts: MomentTexts): readonly number[] {
  const named = Object.values(texts).flatMap((text) => momentsWritten(text).map(({ at }) => Math.round(at)));
  return [...new Set([0, ...named, 100])].sort((a, b) => a - b);
}

const isAt =
  (at: number) =>
  (reached: Reached): boolean =>
    Math.round(reached.at) === at;

/** @returns what a text says for a moment, in percent; empty where it says nothing. */
export const valueAt = (text: string, at: number): string => momentsWritten(text).find(isAt(at))?.value ?? '';

const areEven = (all: readonly Reached[]): boolean =>
  evenly(all.length).every((share, i) => Math.abs(share - all[i]!.at) <= EVEN_WITHIN);

/** Between the first and the last it says when, unless all are spread evenly. */
function written(all: readonly Reached[]): string {
  const isEven = areEven(all);
  return all
    .map(({ at, value }, i) =>
      isEven || i === 0 || i === all.length - 1 ? value : `${value} at ${Math.round(at)}%`
    )
    .join(' → ');
}

const inOrder = (all: readonly Reached[]): readonly Reached[] => [...all].sort((a, b) => a.at - b.at);

/**
 * A way begins and ends somewhere: where nothing is said, at the value at which the property rests, or else at the
 * first that is said.
 */
function withEnds(property: string, all: readonly Reached[]): readonly Reached[] {
  const rest = AT_REST[property];
  const missing = [0, 100].filter((at) => !all.some(isAt(at)));
  return inOrder([...all, ...missing.map((at) => ({ at, value: rest ?? all[0]!.value }))]);
}

/**
 * The text after a value is set at a moment, in percent. Taken away at an end, or the last between them, a value
 * takes the row with it where nothing is left to change between.
 */
export function withValue(property: string, text: string, at: number, value: string): string {
  const others = momentsWritten(text).filter((each) => !isAt(at)(each));
  if (value.trim() !== '') return written(withEnds(property, [...others, { at, value: value.trim() }]));
  const isEnd = at === 0 || at === 100;
  return isEnd || others.length < 2 ? '' : written(others);
}

/** The text after what it says for one moment is said for another; the same where it says nothing for it. */
export const withMoved = (text: string, from: number, to: number): string =>
  valueAt(text, from) === ''
    ? text
    : written(inOrder(momentsWritten(text).map((each) => (isAt(from)(each) ? { ...each, at: to } : each))));

/** @returns the middle of the widest gap between moments, a whole percent; null where there is no room for one. */
export function maybeNext(moments: readonly number[]): number | null {
  const gaps = moments.slice(1).map((at, i) => at - moments[i]!);
  const widest = Math.max(...gaps);
  return widest < 2 ? null : moments[gaps.indexOf(widest)]! + Math.floor(widest / 2);
}
