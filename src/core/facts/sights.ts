import { array, number, object, string, type InferType } from 'yup';
import type { Fact } from './fact';

/** What can be seen of a page at one width; core/sweep/lanes.ts says each in words. */
export const WHATS = [
  'sideways',
  'cut',
  'over',
  'wrapped',
  'target',
  'sparse',
  'enlarged',
  'uneven',
  'carried',
  'fits',
  'heading'
] as const;
export type What = (typeof WHATS)[number];

/** More of them are not told: a page with so many has to be mended first. */
export const SIGHTS_MOST = 400;

const schema = array()
  .of(
    object({
      what: string().oneOf(WHATS).strict(true).required(),
      node: string().strict(true).max(80).required(),
      part: string().strict(true).max(80).required(),
      /** px, lines, words a line, or percent: by what it is. */
      value: number().strict(true).min(0).required()
    }).noUnknown()
  )
  .max(SIGHTS_MOST)
  .required();

export type Sights = InferType<typeof schema>;
export type Sight = Sights[number];

/**
 * Asked by the sweep over all widths alone, of the page as a whole: an edit does not wait for it. What stands for the
 * part says which texts it is to hold.
 */
export const sightsFact: Fact<Sights> = { maybePart: () => null, schema };

/** What is seen in one section, whatever stands around it: for what an edit touches. */
export const sightsInFact: Fact<Sights> = sightsFact;

/** What is seen of pieces against others of the page, whatever section they stand in. */
export const sightsAcrossFact: Fact<Sights> = sightsFact;
