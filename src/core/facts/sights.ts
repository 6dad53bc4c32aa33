import { mixed } from 'yup';
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

/** One thing that is seen of a part of a piece. */
export interface Sight {
  readonly what: What;
  readonly node: string;
  readonly part: string;
  /** px, lines, words a line, or percent: by what it is. */
  readonly value: number;
}
export type Sights = readonly Sight[];

const isName = (value: unknown): boolean => typeof value === 'string' && value !== '' && value.length <= 80;
const isAmount = (value: unknown): boolean => typeof value === 'number' && value >= 0;

function isSight(value: unknown): value is Sight {
  if (typeof value !== 'object' || value === null) return false;
  const { what, node, part, value: amount, ...more } = value as Record<string, unknown>;
  const isKnown = WHATS.includes(what as What) && isName(node) && isName(part) && isAmount(amount);
  return isKnown && Object.keys(more).length === 0;
}

/** Looked at by a plain function: they come a hundred times in half a second, and a schema for each takes long. */
const schema = mixed(
  (value): value is Sights => Array.isArray(value) && value.length <= SIGHTS_MOST && value.every(isSight)
).required();

/**
 * Asked by the sweep over all widths alone, of the page as a whole: an edit does not wait for it. What stands for the
 * part says which texts it is to hold.
 */
export const sightsFact: Fact<Sights> = { maybePart: () => null, schema };

/** What is seen in one section, whatever stands around it: for what an edit touches. */
export const sightsInFact: Fact<Sights> = sightsFact;

/** What is seen of pieces against others of the page, whatever section they stand in. */
export const sightsAcrossFact: Fact<Sights> = sightsFact;
