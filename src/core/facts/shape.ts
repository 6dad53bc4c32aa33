import { number } from 'yup';
import type { Fact } from './fact';

/**
 * A number that stands for how large every box of words of a page is: the same at two widths where no line is
 * longer, higher or broken elsewhere. Asked by the sweep alone.
 */
export const shapeFact: Fact<number> = {
  maybePart: () => null,
  schema: number().strict(true).integer().required()
};
