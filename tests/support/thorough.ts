/** Whether more is tried than in every run, as `npm run thorough` does: all pages, many random ones, slow machines. */
export const isThorough = process.env.THOROUGH === '1';

/** How many of something are tried. */
export const sample = (usual: number, thorough: number): number => (isThorough ? thorough : usual);
