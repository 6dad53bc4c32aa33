import { ownOf } from '../data/record';
import { clamp } from '../data/clamp';

/**
 * Easing: how far a movement has come, 0 to 1, at a share of its time, 0 to 1. CSS Easing Functions 2 for all
 * but `spring()`, which is Kymation's own notation and leaves as `linear()`.
 */
export interface Easing {
  /** As written. */
  readonly text: string;
  readonly kind: 'keyword' | 'bezier' | 'steps' | 'linear' | 'spring';
  /** What CSS understands. */
  readonly css: string;
  /** @param time 0 to 1; outside it the ends hold. */
  progress(time: number): number;
}

export type ReadEasing =
  { readonly ok: true; readonly easing: Easing } | { readonly ok: false; readonly sentence: string };

/** Control points of the keywords (CSS Easing Functions 2, section 2.2). */
export const KEYWORD_CURVES: Readonly<Record<string, readonly [number, number, number, number]>> = {
  ease: [0.25, 0.1, 0.25, 1],
  'ease-in': [0.42, 0, 1, 1],
  'ease-out': [0, 0, 0.58, 1],
  'ease-in-out': [0.42, 0, 0.58, 1]
};

/** Greatest distance between a spring and the `linear()` it is printed as. */
export const SAMPLE_ERROR = 0.005;
/** A spring counts as still once it stays within this share of its end. */
export const STILL = 0.005;
/** A greater share of overshoot would swing for longer than anyone waits. */
const BOUNCE_MOST = 0.8;

const NUMBER = '[+-]?(?:\\d+\\.?\\d*|\\.\\d+)(?:e[+-]?\\d+)?';
const no = (sentence: string): ReadEasing => ({ ok: false, sentence });
const toShare = (value: number) => clamp(value, 0, 1);
const known = new Map<string, ReadEasing>();

/** Reads an easing. Never throws; what cannot be used is a sentence that says why. */
export function readEasing(written: string): ReadEasing {
  const text = written.trim().toLowerCase().replace(/\s+/g, ' ');
  let read = known.get(text);
  if (!read) {
    if (known.size > 500) known.clear();
    known.set(text, (read = freshEasing(text)));
  }
  return read;
}

/** As `readEasing`, for texts that were checked before. Throws on any other. */
export function easingOf(text: string): Easing {
  const read = readEasing(text);
  if (!read.ok) throw new Error(`easingOf: ${JSON.stringify(text)}: ${read.sentence}`);
  return read.easing;
}

const made = (text: string, kind: Easing['kind'], progress: Easing['progress'], css = text): ReadEasing => ({
  ok: true,
  easing: { text, kind, css, progress }
});

const KEYWORDS: Readonly<Record<string, readonly [kind: Easing['kind'], progress: Easing['progress']]>> = {
  linear: ['keyword', toShare],
  'step-start': ['steps', steps(1, 'jump-start')],
  'step-end': ['steps', steps(1, 'jump-end')],
  ...Object.fromEntries(
    Object.entries(KEYWORD_CURVES).map(([name, curve]) => [name, ['keyword', bezier(...curve)]])
  )
};

type Reader = (text: string, parts: readonly string[]) => ReadEasing;

/** Functions by name; each gets what stands between the brackets, split at commas. */
const READERS: Readonly<Record<string, Reader>> = {
  'cubic-bezier': readBezier,
  steps: readSteps,
  linear: readLinear,
  spring: readSpring
};

function freshEasing(text: string): ReadEasing {
  const keyword = ownOf(KEYWORDS, text);
  if (keyword) return made(text, ...keyword);
  const [, name = '', inside = ''] = /^([a-z-]+) ?\((.*)\)$/.exec(text) ?? [];
  const read = ownOf(READERS, name);
  if (read)
    return read(
      text,
      inside.split(',').map((each) => each.trim())
    );
  return no(
    'Easing is ease, ease-in, ease-out, ease-in-out, linear, cubic-bezier(…), steps(…), linear(…) or spring(…).'
  );
}

const areNumbers = (parts: readonly string[]): boolean =>
  parts.every((each) => new RegExp(`^${NUMBER}$`).test(each));

function readBezier(text: string, parts: readonly string[]): ReadEasing {
  if (parts.length !== 4 || !areNumbers(parts))
    return no('A curve takes four numbers, such as cubic-bezier(0.2, 0, 0, 1).');
  const [x1, y1, x2, y2] = parts.map(Number) as [number, number, number, number];
  const wrong = [x1, x2].find((x) => x < 0 || x > 1);
  if (wrong !== undefined)
    return no(`The handles of a curve stand between 0 and 1 across; ${wrong} would run backwards in time.`);
  if ([y1, y2].some((y) => Math.abs(y) > 10))
    return no('The handles of a curve stand between −10 and 10 up and down.');
  return made(text, 'bezier', bezier(x1, y1, x2, y2));
}

const LONG_JUMPS: Readonly<Record<string, string>> = { start: 'jump-start', end: 'jump-end' };

function readSteps(text: string, [count = '', jump = 'end', ...more]: readonly string[]): ReadEasing {
  const long = ownOf(LONG_JUMPS, jump) ?? jump;
  if (!/^\d+$/.test(count) || more.length > 0 || !/^jump-(?:start|end|both|none)$/.test(long))
    return no('Steps take a whole number and where they jump, such as steps(4, jump-end).');
  const least = long === 'jump-none' ? 2 : 1;
  if (Number(count) < least || Number(count) > 100) return no(`Steps are ${least} to 100 in number.`);
  return made(text, 'steps', steps(Number(count), long));
}

function readSpring(text: string, parts: readonly string[]): ReadEasing {
  if (parts.length !== 1 || !areNumbers(parts))
    return no('A spring takes how far it swings over, such as spring(0.15).');
  const bounce = Number(parts[0]);
  if (bounce < 0) return no('A spring swings over by 0 or more.');
  if (bounce >= 1)
    return no(`A spring that swings over by ${bounce} never settles. Take less than ${BOUNCE_MOST}.`);
  if (bounce > BOUNCE_MOST)
    return no(
      `A spring that swings over by ${bounce} takes too long to settle. Take ${BOUNCE_MOST} at most.`
    );
  const progress = spring(bounce);
  return made(text, 'spring', progress, linearText(progress));
}

/**
 * Cubic Bézier from (0, 0) to (1, 1) with two handles (CSS Easing Functions 2, section 2.2): Newton's method
 * for the time, halving where that fails. The `bezier-easing` package works from a table of eleven points and
 * is off by up to 2 % on steep curves, more than `SAMPLE_ERROR` (see `motion.test.ts`).
 */
function bezier(x1: number, y1: number, x2: number, y2: number): Easing['progress'] {
  const at = (t: number, a: number, b: number) =>
    ((1 - 3 * b + 3 * a) * t + (3 * b - 6 * a)) * t * t + 3 * a * t;
  const slope = (t: number, a: number, b: number) =>
    3 * (1 - 3 * b + 3 * a) * t * t + 2 * (3 * b - 6 * a) * t + 3 * a;
  const timeAt = (x: number): number => {
    let t = x;
    for (let i = 0; i < 8; i += 1) {
      const rise = slope(t, x1, x2);
      if (Math.abs(rise) < 1e-6) break;
      const step = (at(t, x1, x2) - x) / rise;
      t -= step;
      // Told by the step: where the curve lies flat, a time that is nearly right may be far along it.
      if (Math.abs(step) < 1e-10) return t;
    }
    let [low, high] = [0, 1];
    t = x;
    while (high - low > 1e-10) {
      if (at(t, x1, x2) < x) low = t;
      else high = t;
      t = (low + high) / 2;
    }
    return t;
  };
  return between((time) => at(timeAt(time), y1, y2));
}

/** Rests at 0 before a movement and at 1 after it. */
function between(progress: Easing['progress']): Easing['progress'] {
  return (time) => {
    if (time <= 0) return 0;
    return time >= 1 ? 1 : progress(time);
  };
}

/** CSS Easing Functions 2, section 2.3. */
function steps(count: number, jump: string): Easing['progress'] {
  const more: Readonly<Record<string, number>> = { 'jump-both': 1, 'jump-none': -1 };
  const jumps = count + (more[jump] ?? 0);
  const isEarly = jump === 'jump-start' || jump === 'jump-both';
  return (time) => {
    const step = Math.floor(toShare(time) * count + 1e-12) + (isEarly ? 1 : 0);
    return Math.min(Math.max(step, 0), jumps) / jumps;
  };
}

interface Point {
  readonly value: number;
  /** Share of the time; null where it is not said. */
  readonly place: number | null;
}

/** CSS Easing Functions 2, section 2.1. */
function readLinear(text: string, parts: readonly string[]): ReadEasing {
  const points = parts.map(maybePoints);
  const all = points.flatMap((each) => each ?? []);
  if (points.includes(null) || all.length < 2)
    return no(
      'linear() takes two or more points, each with a percentage where it needs one, such as linear(0, 0.6 40%, 1).'
    );
  return made(text, 'linear', throughPoints(placed(all)));
}

/** @returns one point, or two of one value where two places stand beside it; null where it is none. */
function maybePoints(part: string): Point[] | null {
  const words = part.split(' ').filter(Boolean);
  const values = words.filter((word) => new RegExp(`^${NUMBER}$`).test(word));
  const places = words.filter((word) => new RegExp(`^${NUMBER}%$`).test(word));
  if (values.length !== 1 || places.length > 2 || values.length + places.length !== words.length) return null;
  const value = Number(values[0]);
  if (places.length === 0) return [{ value, place: null }];
  return places.map((place) => ({ value, place: Number.parseFloat(place) / 100 }));
}

type Placed = readonly { readonly value: number; readonly place: number }[];

/** Points without a place are spread evenly, and no place goes back. */
function placed(points: readonly Point[]): Placed {
  const places = points.map(({ place }) => place);
  places[0] ??= 0;
  places[places.length - 1] ??= 1;
  let furthest = -Infinity;
  const known = places.map((place) => (place === null ? null : (furthest = Math.max(place, furthest))));
  const spread = (at: number): number => {
    const before = known.findLastIndex((place, i) => i < at && place !== null);
    const after = known.findIndex((place, i) => i > at && place !== null);
    const [from, to] = [known[before]!, known[after]!];
    return from + ((to - from) * (at - before)) / (after - before);
  };
  return points.map(({ value }, i) => ({ value, place: known[i] ?? spread(i) }));
}

/** Straight lines from point to point; the first and the last go on beyond them. */
function throughPoints(points: Placed): Easing['progress'] {
  return (time) => {
    const found = points.findLastIndex(({ place }) => place <= time);
    const i = Math.min(Math.max(found, 0), points.length - 2);
    const [a, b] = [points[i]!, points[i + 1]!];
    if (a.place === b.place) return b.value;
    return a.value + ((b.value - a.value) * (time - a.place)) / (b.place - a.place);
  };
}

/**
 * A weight on a damped spring, let go at 0 with its rest at 1: the closed solution of the damped harmonic
 * oscillator (from memory). Its damping ratio follows from the overshoot, `bounce = exp(−πζ / √(1 − ζ²))`;
 * its pace is chosen so that it is still (`STILL`) when its time is up.
 */
function spring(bounce: number): Easing['progress'] {
  const log = Math.log(bounce);
  const damping = bounce === 0 ? 1 : -log / Math.sqrt(Math.PI ** 2 + log ** 2);
  const swing = Math.sqrt(Math.max(0, 1 - damping ** 2));
  // Time in units of the undamped spring's own pace.
  const distance = (t: number) =>
    swing < 1e-4
      ? Math.exp(-t) * (1 + t)
      : Math.exp(-damping * t) * (Math.cos(swing * t) + (damping / swing) * Math.sin(swing * t));
  const settle = lastAbove(distance, swing < 1e-4 ? 20 : (Math.log(1 / STILL) + 3) / damping);
  return between((time) => 1 - distance(time * settle));
}

/** The last time a swing is further than `STILL` from its rest. */
function lastAbove(distance: (t: number) => number, latest: number): number {
  const step = latest / 4000;
  let t = latest;
  while (t > 0 && Math.abs(distance(t)) <= STILL) t -= step;
  let [low, high] = [t, t + step];
  for (let i = 0; i < 40; i += 1) {
    const middle = (low + high) / 2;
    if (Math.abs(distance(middle)) > STILL) low = middle;
    else high = middle;
  }
  return high;
}

/** Points of a curve that are looked at while it is made into straight lines. */
const GRAIN = 1000;
/** Decimals of a point's value; what is cut off is taken from what the lines may be off by. */
const VALUE_PLACES = 3;

/**
 * A curve as `linear()`, with as few points as keep it within `SAMPLE_ERROR`: each line goes as far as it can
 * (the cone of slopes that pass every point closely enough, as in the swing filter; from memory), so a point
 * may lie beside the curve itself.
 */
export function linearText(progress: Easing['progress']): string {
  const most = SAMPLE_ERROR - 0.5 / 10 ** VALUE_PLACES;
  const rounded = (value: number) => Number(value.toFixed(VALUE_PLACES));
  const points: (readonly [step: number, value: number])[] = [[0, rounded(progress(0))]];
  for (let [from, value] = points[0]!; from < GRAIN; [from, value] = points.at(-1)!) {
    const [to, slope] = furthest(progress, from, value, most);
    points.push([to, rounded(to === GRAIN ? progress(1) : value + slope * (to - from))]);
  }
  const percent = (step: number) => `${Number(((step / GRAIN) * 100).toFixed(1))}%`;
  const stops = points.map(([step, value]) =>
    step === 0 || step === GRAIN ? String(value) : `${value} ${percent(step)}`
  );
  return `linear(${stops.join(', ')})`;
}

/**
 * @returns how far one line from a point stays within `most` of the curve, and its slope per step; at the end
 * it meets the curve.
 */
function furthest(
  progress: Easing['progress'],
  from: number,
  value: number,
  most: number
): readonly [to: number, slope: number] {
  let [least, greatest] = [-Infinity, Infinity];
  let best: readonly [number, number] = [from + 1, progress((from + 1) / GRAIN) - value];
  for (let step = from + 1; step <= GRAIN; step += 1) {
    const off = progress(step / GRAIN) - value;
    least = Math.max(least, (off - most) / (step - from));
    greatest = Math.min(greatest, (off + most) / (step - from));
    if (least > greatest) return best;
    const toCurve = off / (step - from);
    if (step < GRAIN) best = [step, (least + greatest) / 2];
    else if (toCurve >= least && toCurve <= greatest) best = [step, toCurve];
  }
  return best;
}

export interface CurveFigures {
  /**
   * Furthest point beyond the end as a share of the way (0.062 is 6.2 %), and the share of the time when it
   * is reached; null where it never passes the end.
   */
  readonly peak: { readonly over: number; readonly time: number } | null;
  /** Share of the time from which it stays within one hundredth of the end. */
  readonly settled: number;
}

export const SETTLED_WITHIN = 0.01;

/** What decides about a curve, read off a thousand points. */
export function curveFigures({ progress }: Easing): CurveFigures {
  const COUNT = 1000;
  let peak: CurveFigures['peak'] = null;
  let settled = 0;
  for (let i = 0; i <= COUNT; i += 1) {
    const time = i / COUNT;
    const over = progress(time) - 1;
    if (over > 1e-6 && over > (peak?.over ?? 0)) peak = { over, time };
    if (Math.abs(over) > SETTLED_WITHIN) settled = Math.min(1, time + 1 / COUNT);
  }
  return { peak, settled };
}
