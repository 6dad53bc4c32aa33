/** One track of a row of columns: its share of the room, and whether a column stands in it or it is left empty. */
export interface Share {
  readonly part: number;
  readonly whole: number;
  readonly isEmpty: boolean;
}

/** Fractions of one, or whole twelfths. */
export type Division = 'fractions' | 'twelfths';

export interface Shares {
  readonly division: Division;
  readonly tracks: readonly Share[];
}

export const TWELVE = 12;
const TRACK = /^(\+?)(\d{1,4})(?:\/(\d{1,4}))?$/;

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));

type Fraction = Pick<Share, 'part' | 'whole'>;

const plus = (a: Fraction, b: Fraction): Fraction =>
  reduced(a.part * b.whole + b.part * a.whole, a.whole * b.whole);

function reduced(top: number, bottom: number): Fraction {
  const by = gcd(top, bottom) || 1;
  return { part: top / by, whole: bottom / by };
}

/** Exact sum, since thirds and sevenths have no exact number in binary. */
const sumOf = (tracks: readonly Share[]): Fraction => tracks.reduce<Fraction>(plus, { part: 0, whole: 1 });

/**
 * Reads shares as they are typed: `2/5 3/5`, or twelfths as whole numbers, `4 8`. A leading `+` leaves a
 * share empty, as an offset: `+1/4 1/2 1/4`. Fractions sum to 1, twelfths to 12 (common practice).
 * @returns the shares, or a sentence that says what is wrong with them.
 */
export function readShares(text: string): Shares | string {
  const words = text.trim().split(/\s+/).filter(Boolean);
  if (words.length === 0) return 'Widths are shares such as 1/2 1/2, or twelfths such as 4 8.';
  const tracks: Share[] = [];
  for (const word of words) {
    const match = TRACK.exec(word);
    if (!match)
      return `“${word}” is no share. Write fractions such as 2/5, or twelfths such as 4; a + before one leaves it empty.`;
    const [, empty, part, whole] = match;
    tracks.push({ part: Number(part), whole: Number(whole ?? 1), isEmpty: empty === '+' });
  }
  if (tracks.some(({ part, whole }) => part === 0 || whole === 0)) return 'A share is greater than 0.';
  if (tracks.every(({ isEmpty }) => isEmpty)) return 'At least one share is for a column.';
  const isTwelfths = tracks.every(({ whole }) => whole === 1) && tracks.length > 1;
  const { part, whole } = sumOf(tracks);
  if (isTwelfths)
    return part === TWELVE
      ? { division: 'twelfths', tracks }
      : `These twelfths sum to ${part}; they have to sum to 12.`;
  return part === whole
    ? { division: 'fractions', tracks }
    : `These shares sum to ${whole === 1 ? part : `${part}/${whole}`}; they have to sum to 1.`;
}

export const sharesText = ({ tracks }: Shares): string =>
  tracks
    .map(({ part, whole, isEmpty }) => `${isEmpty ? '+' : ''}${part}${whole === 1 ? '' : `/${whole}`}`)
    .join(' ');

/** @returns equal shares for so many columns. */
export const equalShares = (count: number): Shares => ({
  division: 'fractions',
  tracks: Array.from({ length: count }, () => ({ part: 1, whole: count, isEmpty: false }))
});

/** @returns the shares where there is one for each column, else equal ones. */
export function sharesFor(text: string, count: number): Shares {
  const read = readShares(text);
  return typeof read !== 'string' && read.tracks.filter(({ isEmpty }) => !isEmpty).length === count
    ? read
    : equalShares(count);
}

/**
 * Moves the border after a track: what one gains the next loses, so the sum is kept.
 * @param by change in the share of the track before the border, of 1.
 * @param grain smallest step: the border snaps to multiples of 1/grain.
 * @returns the new shares; the same where a share would come to nothing.
 */
export function movedBorder(
  shares: Shares,
  border: number,
  by: number,
  grain = shares.division === 'twelfths' ? TWELVE : 20
): Shares {
  const [left, right] = [shares.tracks[border], shares.tracks[border + 1]];
  if (!left || !right) return shares;
  const all = shares.division === 'twelfths' ? TWELVE : 1;
  const size = (each: Share) => each.part / each.whole / all;
  const both = Math.round((size(left) + size(right)) * grain * 1e6) / 1e6;
  if (both < 2) return shares;
  const first = Math.min(Math.ceil(both) - 1, Math.max(1, Math.round((size(left) + by) * grain)));
  if (shares.division === 'twelfths') {
    return { ...shares, tracks: beside(shares.tracks, border, { part: first }, { part: both - first }) };
  }
  const whole = left.whole * right.whole;
  const bothPart = left.part * right.whole + right.part * left.whole;
  const reduced = (part: number, of: number) => ({ part: part / gcd(part, of), whole: of / gcd(part, of) });
  const rest = { part: bothPart * grain - first * whole, whole: whole * grain };
  if (rest.part <= 0) return shares;
  const [before, after] = [reduced(first, grain), reduced(rest.part, rest.whole)];
  return { ...shares, tracks: beside(shares.tracks, border, before, after) };
}

/** Tracks with other shares for the two that a border lies between. */
function beside(
  tracks: readonly Share[],
  border: number,
  before: Partial<Share>,
  after: Partial<Share>
): readonly Share[] {
  const changed = [...tracks];
  changed[border] = { ...changed[border]!, ...before };
  changed[border + 1] = { ...changed[border + 1]!, ...after };
  return changed;
}

/**
 * Widths of the columns in px, empty shares left out. Gaps are taken off before the room is shared (CSS Grid
 * 2, section 11.7, flexible tracks); a span of n twelfths takes the n − 1 gaps inside it too.
 * @param room width of the row, px.
 * @param gap px between two tracks.
 */
export function columnWidths({ division, tracks }: Shares, room: number, gap: number): number[] {
  if (division === 'twelfths') {
    const unit = Math.max(0, room - gap * (TWELVE - 1)) / TWELVE;
    return tracks.filter(({ isEmpty }) => !isEmpty).map(({ part }) => part * unit + (part - 1) * gap);
  }
  const free = Math.max(0, room - gap * (tracks.length - 1));
  return tracks.filter(({ isEmpty }) => !isEmpty).map(({ part, whole }) => (part / whole) * free);
}

/**
 * Whether one column stands in each track, none left empty and none over several: a grid places them so by
 * itself.
 */
export const isPlain = ({ division, tracks }: Shares): boolean =>
  division === 'fractions' && tracks.every(({ isEmpty }) => !isEmpty);

/** @returns what the grid is told: its tracks, and in which each column stands. */
export function gridOf({ division, tracks }: Shares): {
  readonly template: string;
  readonly places: readonly string[];
} {
  const places: string[] = [];
  let line = 1;
  for (const { part, isEmpty } of tracks) {
    const span = division === 'twelfths' ? part : 1;
    if (!isEmpty) places.push(`${line} / span ${span}`);
    line += span;
  }
  if (division === 'twelfths') return { template: `repeat(${TWELVE}, minmax(0, 1fr))`, places };
  // Whole numbers in the ratio of the shares; a column of its own shrinks below its content, so no track
  // needs `minmax`.
  const all = tracks.reduce((multiple, { whole }) => (multiple * whole) / gcd(multiple, whole), 1);
  const numbers = tracks.map(({ part, whole }) => (part * all) / whole);
  const by = numbers.reduce(gcd);
  return { template: numbers.map((number) => `${number / by}fr`).join(' '), places };
}
