import { TURNS } from '../../scripts/turn.mjs';

/** Whether all is tried, as `npm run thorough` does: all pages, many random ones, slow machines. */
export const isThorough = process.env.THOROUGH === '1';

/** How many of something are tried. */
export const sample = (usual: number, all: number): number => (isThorough ? all : usual);

/** What marks a test that not every run of `npm test` has. */
interface Mark {
  readonly tag: string;
}

/**
 * Marks a test whose turn comes now and then: each run of `npm test` has one of the turns 1 to `TURNS`, by its commit
 * (`scripts/turn.mjs`). Such a test stands beside others that try the same with other means: a variant of what another
 * test tries, a step by the way, what is refused. What a view is for, what a kind does first, and what nobody may
 * lose is tried in every run.
 *
 * @param number any whole number, such as its place in a loop; `TURNS` more is the same turn. Another one than that of
 * the tests beside it: what a fault breaks is often tried by several, and so some run soon finds it.
 */
export const inTurn = (number: number): Mark => ({ tag: `@turn-${number % TURNS || TURNS}` });

/**
 * Marks a test that `npm test` leaves to `npm run thorough`. Such a test tries with more pages, kinds, widths or
 * conditions what another tries once, needs a circumstance that is rare and slow to make, or is a long job whose steps
 * have tests of their own.
 */
export const thorough: Mark = { tag: '@thorough' };

/** As `inTurn`, but for the cases that every run tries. */
export const inTurnUnless = (isUsual: boolean, number: number): Partial<Mark> =>
  isUsual ? {} : inTurn(number);

/** As `thorough`, but for the cases that every run tries. */
export const thoroughUnless = (isUsual: boolean): Partial<Mark> => (isUsual ? {} : thorough);

/** The tags of tests that a run leaves out. @param turn whose tests it has; null for those of every turn */
export function tagsLeftOut(turn: number | null): RegExp {
  const turns = Array.from({ length: TURNS }, (_each, i) => i + 1);
  const others = turns.filter((each) => turn !== null && each !== turn);
  return new RegExp(`(?:${[thorough, ...others.map(inTurn)].map(({ tag }) => tag).join('|')})\\b`);
}
