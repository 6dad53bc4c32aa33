import { readEasing } from '../motion/easing';
import { MS_MOST, type Track } from '../motion/track';
import type { Token } from '../project/types';
import { parseQuantity } from './quantity';
import { spelt } from './tokens';
import { ownOf } from '../data/record';

type Tokens = Readonly<Record<string, Token>>;

const MS_IN: Readonly<Record<string, number>> = { ms: 1, s: 1000 };

/** @returns a CSS time in ms, whole and within what a movement may last; null where it is none. */
function maybeMs(text: string): number | null {
  const read = parseQuantity(text);
  const each = read && ownOf(MS_IN, read.unit);
  const ms = each ? Math.round(read.value * each) : -1;
  return ms >= 0 && ms <= MS_MOST ? ms : null;
}

/** @returns what a token gives a movement: its length in ms, its easing, or a sentence that says why neither. */
export function timingOfToken(
  use: string,
  tokens: Tokens
): { readonly ms: number } | { readonly easing: string } | string {
  const written = spelt(use, tokens);
  if (!written.ok) return written.sentence;
  const ms = maybeMs(written.value);
  if (ms !== null) return { ms };
  return readEasing(written.value).ok
    ? { easing: written.value }
    : `${use} is neither a time up to ${MS_MOST / 1000} s nor an easing.`;
}

/** @returns the track with the values its tokens have now; the same object where they are what they were. */
export function followingTokens(value: Track, tokens: Tokens): Track {
  let now = value;
  for (const use of [value.lasts, value.eases]) {
    const read = use ? timingOfToken(use, tokens) : null;
    if (
      read &&
      typeof read !== 'string' &&
      Object.entries(read).some(([key, each]) => now[key as 'ms'] !== each)
    )
      now = { ...now, ...read };
  }
  return now;
}
