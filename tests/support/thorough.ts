/** Whether all is tried, as `npm run thorough` does: all pages, many random ones, slow machines. */
export const isThorough = process.env.THOROUGH === '1';

/** How many of something are tried. */
export const sample = (usual: number, all: number): number => (isThorough ? all : usual);

/** What marks a test that not every run of `npm test` has. */
interface Mark {
  readonly tag: string;
}

/**
 * Marks a test whose turn comes now and then: each run of `npm test` has a share of these tests, by its commit
 * (`scripts/turn.mjs`). Such a test stands beside others that try the same with other means: a variant of what another
 * test tries, a step by the way, what is refused. What a view is for, what a kind does first, and what nobody may
 * lose is tried in every run.
 */
export const inTurn: Mark = { tag: '@in-turn' };

/**
 * Marks a test that `npm test` leaves to `npm run thorough`. Such a test tries with more pages, kinds, widths or
 * conditions what another tries once, needs a circumstance that is rare and slow to make, or is a long job whose steps
 * have tests of their own.
 */
export const thorough: Mark = { tag: '@thorough' };

/** As `inTurn`, but for the cases that every run tries. */
export const inTurnUnless = (isUsual: boolean): Partial<Mark> => (isUsual ? {} : inTurn);

/** As `thorough`, but for the cases that every run tries. */
export const thoroughUnless = (isUsual: boolean): Partial<Mark> => (isUsual ? {} : thorough);
