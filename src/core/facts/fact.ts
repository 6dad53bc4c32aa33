import type { AnySchema } from 'yup';

/** What of a kind says whether something has to be measured of its pieces. */
export interface Measurable {
  readonly category?: string;
  readonly fit?: { readonly row: string };
  readonly effects?: readonly object[];
  readonly arranged?: object;
  readonly ranges?: unknown;
}

/**
 * Something that is measured on the page. It travels whole: from the frame, which reads it, to the window and to
 * the worker, whose rules name the facts they need.
 */
export interface Fact<Value> {
  /** @returns the part of a piece to look at; null where the fact is not about such a piece. */
  maybePart(kind: Measurable): string | null;
  /** What a value must be to be believed. */
  readonly schema: AnySchema;
  /** Never called: the type of the value. */
  readonly value?: Value;
}

/** One thing to be measured. */
export interface Ask {
  readonly fact: string;
  readonly node: string;
  readonly part: string;
}
