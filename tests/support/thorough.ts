/** Whether all is tried, as `npm run thorough` does: all pages, many random ones, slow machines. */
export const isThorough = process.env.THOROUGH === '1';

/** How many of something are tried. */
export const sample = (usual: number, all: number): number => (isThorough ? all : usual);

/**
 * Marks a test that `npm test` leaves to `npm run thorough`. Such a test tries with more pages, kinds, widths or
 * conditions what another tries once, needs a circumstance that is rare and slow to make, or is a long job whose steps
 * have tests of their own.
 */
export const thorough = { tag: '@thorough' };

/** As `thorough`, but for the cases that every run tries. */
export const thoroughUnless = (isUsual: boolean): Partial<typeof thorough> => (isUsual ? {} : thorough);
