import type { Root } from 'hast';
import { fromHtmlIsomorphic as fromHtml } from 'hast-util-from-html-isomorphic';
import { sanitize, type Schema } from 'hast-util-sanitize';

/** @returns what `make` gives; null where it ran out of stack. */
function unlessTooDeep<T>(make: () => T): T | null {
  try {
    return make();
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

/**
 * @returns foreign markup as a tree of what the schema lets through; null where the parser and what counted its
 * depth beforehand disagree so much that it is deeper than a stack is.
 */
export const maybeSanitized = (text: string, schema: Schema): Root | null =>
  unlessTooDeep(() => sanitize(fromHtml(text, { fragment: true }), schema) as Root);

/** @returns foreign markup as it is, to be looked at and never shown; null where it is deeper than a stack is. */
export const maybeTree = (text: string): Root | null =>
  unlessTooDeep(() => fromHtml(text, { fragment: true }));
