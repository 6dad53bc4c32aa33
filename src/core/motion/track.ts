import { mixed, number, object, string, type InferType } from 'yup';
import { readEasing } from './easing';
import { defined } from '../data/compact';

/** Longest movement and delay, in ms; what moves for longer is a film. */
export const MS_MOST = 10_000;

const ms = (label: string) => {
  const range = `${label} is 0 to ${MS_MOST} ms; longer than that nobody waits.`;
  return number().strict(true).typeError(range).min(0, range).max(MS_MOST, range).defined();
};

export const STAGGER_FROM = ['first', 'last', 'centre'] as const;
export type StaggerFrom = (typeof STAGGER_FROM)[number];

const TOKEN_USE = /^\{[a-z][a-z0-9-]*\}$/;

/** One thing that moves when something happens. `form` says how; `none` means it does not move. */
export const track = object({
  form: string()
    .strict(true)
    .max(20)
    .matches(/^[a-z-]+$/)
    .defined(),
  /** Length, ms. */
  ms: ms('A movement'),
  /** From the event to the start, ms. */
  delay: ms('A delay'),
  easing: string()
    .strict(true)
    .max(2000)
    .defined()
    .test('easing', '', (value, context) => {
      const read = readEasing(value ?? '');
      return read.ok || context.createError({ message: read.sentence });
    }),
  /** Time from one child to the next, ms; 0 for all at once. */
  step: ms('A step').default(0),
  /**
   * Tokens, as `{id}`, whose values `ms` and `easing` follow: these stand here as plain values and are
   * written anew when a token changes.
   */
  lasts: string().strict(true).matches(TOKEN_USE),
  eases: string().strict(true).matches(TOKEN_USE),
  from: mixed<StaggerFrom>()
    .oneOf(STAGGER_FROM, 'A stagger starts from the first, the last or the centre.')
    .default('first')
}).noUnknown('A movement has form, ms, delay, easing, step, from, lasts and eases only.');

export type Track = InferType<typeof track>;

export const STILL_TRACK: Track = { form: 'none', ms: 0, delay: 0, easing: 'ease', step: 0, from: 'first' };

export function trackOf(values: Partial<Track>): Track {
  return { ...STILL_TRACK, form: 'fade', ...values };
}

/**
 * A track with some of it set anew; what is set by hand no longer follows a token.
 * @param changes among them `lasts` or `eases` only together with the value the token has.
 */
export function withTiming(value: Track, changes: Partial<Track>): Track {
  const { lasts, eases, ...rest } = { ...value, ...changes };
  const keeps = (followed: 'lasts' | 'eases', own: 'ms' | 'easing') =>
    Object.hasOwn(changes, followed) || !Object.hasOwn(changes, own);
  return defined({
    ...rest,
    lasts: lasts && keeps('lasts', 'ms') ? lasts : undefined,
    eases: eases && keeps('eases', 'easing') ? eases : undefined
  });
}

export const moves = ({ form, ms: length }: Track): boolean => form !== 'none' && length > 0;

/**
 * How much later each of `count` children starts, in ms, in the order of the children.
 * From the centre both middles of an even count start together.
 */
export function staggers({ step, from }: Pick<Track, 'step' | 'from'>, count: number): number[] {
  return Array.from({ length: count }, (_, i) => {
    if (from === 'last') return (count - 1 - i) * step;
    if (from === 'centre')
      return Math.round(Math.abs(i - (count - 1) / 2) - (count % 2 === 0 ? 0.5 : 0)) * step;
    return i * step;
  });
}

/** A stretch of time in which one thing moves, in ms from the event. */
export interface Bar {
  readonly start: number;
  readonly end: number;
}

/** The bars of a track: one, or one for each child where it is staggered. None where it does not move. */
export function barsOf(value: Track, children = 1): Bar[] {
  if (!moves(value)) return [];
  const offsets = value.step > 0 ? staggers(value, children) : [0];
  return offsets.map((offset) => ({ start: value.delay + offset, end: value.delay + offset + value.ms }));
}

/** When everything is at rest again, in ms from the event; 0 where nothing moves. */
export const endOf = (bars: readonly Bar[]): number =>
  bars.reduce((latest, { end }) => Math.max(latest, end), 0);

/** How many things move at once at the busiest moment. Bars that only touch do not overlap. */
export function mostAtOnce(bars: readonly Bar[]): number {
  const moments = bars.flatMap(({ start, end }) =>
    end > start
      ? ([
          [start, 1],
          [end, -1]
        ] as const)
      : []
  );
  moments.sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  let now = 0;
  return moments.reduce((most, [, by]) => Math.max(most, (now += by)), 0);
}
