import { mixed, number, object, string, type InferType } from 'yup';

// What several messages between the app and the preview frame are made of.

export const is = (type: string) => string().oneOf([type]).required();
export const id = () => string().strict(true).max(80);
export const isText = (value: unknown, most: number) => typeof value === 'string' && value.length <= most;
export const isWidth = (value: unknown) => typeof value === 'number' && Number.isFinite(value);
export const isListOf = (value: unknown, isOne: (each: unknown) => boolean) =>
  Array.isArray(value) && value.length <= 2000 && value.every(isOne);
export const isId = (value: unknown) => isText(value, 80) && value !== '';
export const hasOnly = (value: unknown, keys: readonly string[]): value is Record<string, unknown> =>
  typeof value === 'object' &&
  value !== null &&
  Object.keys(value).length === keys.length &&
  keys.every((key) => Object.hasOwn(value, key));

/**
 * A list of thousands, each looked at by a plain function: a schema for each would take longer than drawing
 * them.
 */
export const long = (name: string, fits: (each: unknown) => boolean) =>
  mixed<unknown[]>((value): value is unknown[] => Array.isArray(value))
    .required()
    .test(name, `${name} do not fit`, (value) => value.length <= 25_000 && value.every(fits)) as never;

/**
 * A piece in sight, which part of its height (0 to 1) lies over the reading line, and how far the line is
 * from its nearer edge where it does not cross it (px, above it less than 0); null where none is known.
 */
export const sight = () =>
  object({
    node: string().strict(true).max(64).required(),
    part: number().min(0).max(1).required(),
    beyond: number().required()
  })
    .nullable()
    .default(null);

export const pick = object({
  node: id().required(),
  part: id().required(),
  /** The item (a panel) whose label or body was picked; null for none. */
  item: id().nullable().defined()
});

export type Pick = InferType<typeof pick>;
