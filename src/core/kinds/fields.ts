import { boolean, mixed, number, string, type AnySchema, type TestContext } from 'yup';
import { isSafeLink } from '../html/clean';
import { NESTING_MOST, nestingOf } from '../html/nesting';
import { isIcon, type Icon } from '../html/icon';
import type { FIELD_PROPERTIES } from '../css/properties';
import { checkValue } from '../css/values';
import { readShares } from '../css/shares';
import { timingOfToken } from '../css/timed';
import { tokensIn } from '../css/tokens';
import { track, type Track } from '../motion/track';
import { ID_PATTERN } from '../project/ids';
import type { Token } from '../project/types';
import type { FieldMeta } from './contract';
import { momentsFault } from './moments';
import { defined } from '../data/compact';

type Options = Partial<Omit<FieldMeta, 'choices' | 'control'>> & { readonly label: string };

const meta = (
  control: FieldMeta['control'],
  { label: _label, view = 'fill', ...rest }: Options,
  choices?: FieldMeta['choices']
) => ({
  field: defined({ view, control, ...rest, choices: choices ? choices : undefined }) satisfies FieldMeta
});

/** A line of text. `most` is its greatest length in characters. */
export function textField(fallback: string, most: number, options: Options) {
  return string()
    .strict(true)
    .label(options.label)
    .max(most, `${options.label} can have ${most} characters at most.`)
    .default(fallback)
    .defined()
    .meta(meta('text', options));
}

/** Clean HTML; cleaned again whenever it is drawn. */
export function richField(fallback: string, options: Options) {
  return textField(fallback, 50_000, options)
    .test(
      'nesting',
      `${options.label} can be nested ${NESTING_MOST} deep at most.`,
      (value) => nestingOf(value ?? '') <= NESTING_MOST
    )
    .meta(meta('rich', options));
}

/** Values of a property, each reached at a moment of a way, as one line: `0 0 → 0 -12px at 30% → 0 0`. */
export function momentsField(fallback: string, options: Options & { readonly property: string }) {
  return textField(fallback, 300, options)
    .test('moments', '', (value, context) => {
      const fault = momentsFault(options.property, value ?? '');
      return fault === null || context.createError({ message: `${options.label}: ${fault}` });
    })
    .meta(meta('moments', options));
}

/** One of `choices`, which maps each value to the words shown. */
export function choiceField<Value extends string>(
  fallback: NoInfer<Value>,
  choices: Readonly<Record<Value, string>>,
  options: Options
) {
  const values = Object.keys(choices) as Value[];
  return string<Value>()
    .strict(true)
    .label(options.label)
    .oneOf(values, `${options.label} is one of: ${Object.values(choices).join(', ')}.`)
    .default(fallback)
    .defined()
    .meta(meta('choice', options, choices));
}

export function toggleField(fallback: boolean, options: Options) {
  return boolean()
    .strict(true)
    .label(options.label)
    .default(fallback)
    .defined()
    .meta(meta('toggle', options));
}

/** A whole number of px from `least` to `most`. */
export function widthField(fallback: number, least: number, most: number, options: Options) {
  const range = `${options.label} is a whole number from ${least} to ${most} px.`;
  return number()
    .strict(true)
    .label(options.label)
    .typeError(range)
    .integer(range)
    .min(least, range)
    .max(most, range)
    .default(fallback)
    .defined()
    .meta(meta('width', options));
}

/** A number from `least` to `most`, in the unit that is shown beside it. */
export function numberField(
  fallback: number,
  least: number,
  most: number,
  options: Options & { readonly unit: string }
) {
  const range = `${options.label} is a number from ${least} to ${most} ${options.unit}.`;
  return number()
    .strict(true)
    .label(options.label)
    .typeError(range)
    .min(least, range)
    .max(most, range)
    .default(fallback)
    .defined()
    .meta(meta('number', { ...options, range: [least, most] }));
}

/** A whole number from `least` to `most` of something. */
export function countField(
  fallback: number,
  least: number,
  most: number,
  options: Options & { readonly unit: string }
) {
  return numberField(fallback, least, most, options).integer(
    `${options.label} is a whole number from ${least} to ${most}.`
  );
}

/** How something moves; `forms` maps each way to the words shown, and `none` is always among them. */
export function trackField(fallback: Track, forms: Readonly<Record<string, string>>, options: Options) {
  const choices = { none: 'does not move', ...forms };
  return mixed<Track>()
    .label(options.label)
    .test('track', '', (value, context) => {
      try {
        track.validateSync(value, { strict: true });
      } catch (error) {
        return context.createError({ message: (error as Error).message });
      }
      return (
        Object.hasOwn(choices, (value as Track).form) ||
        context.createError({ message: `${options.label} is one of: ${Object.values(choices).join(', ')}.` })
      );
    })
    .default(fallback)
    .defined()
    .meta(meta('track', { view: 'timing', responsive: true, ...options }, choices));
}

/** A drawn sign; null for none. */
export function iconField(options: Options) {
  return mixed<Icon>()
    .label(options.label)
    .nullable()
    .test(
      'icon',
      `${options.label} is no drawing Kymation can use. Choose one from the list.`,
      (value) => value === null || isIcon(value)
    )
    .default(null)
    .meta(meta('icon', options));
}

/** Id of a picture of the project; empty for none. */
export function assetField(options: Options) {
  return idField(options).meta(meta('asset', options));
}

/** An id, or nothing: what looks otherwise can never be looked up. */
const idField = (options: Options) =>
  textField('', 80, options).test(
    'id',
    `${options.label} is named in a way that cannot be understood. Choose it anew.`,
    (value) => value === '' || ID_PATTERN.test(value ?? '')
  );

/** Id of one of the node's own items in `slot`; empty for the first that can be. */
export function itemField(slot: string, options: Options) {
  return idField(options).meta({ field: { ...meta('item', options).field, slot } });
}

/** Id of a piece of the page that can be opened; empty for none. */
export function opensField(options: Options) {
  return idField(options).meta(meta('piece', options));
}

/** An address that may stand in a page; empty for none. */
export function linkField(options: Options) {
  return textField('', 2000, options)
    .test(
      'safe',
      `${options.label} takes an address such as https://…, mailto:…, tel:…, #section or a page of this site.`,
      (value) => value === '' || isSafeLink(value ?? '')
    )
    .meta(meta('link', options));
}

/** Shares of a row of columns, as `core/css/shares` reads them. Empty: equal ones. */
export function sharesField(options: Options) {
  return textField('', 200, options).test('shares', '', checkShares).meta(meta('shares', options));
}

function checkShares(value: string | undefined, context: TestContext) {
  const read = value ? readShares(value) : null;
  return typeof read === 'string' ? context.createError({ message: read }) : true;
}

/** A CSS value of a property; empty for none. */
export function cssField(property: (typeof FIELD_PROPERTIES)[number], fallback: string, options: Options) {
  return textField(fallback, 300, options)
    .test('css', '', (value, context) => {
      // What a token stands for is known in a project only; see `tokenFault`.
      const checked = value && tokensIn(value).length === 0 ? checkValue(property, value) : null;
      return checked?.ok === false
        ? context.createError({ message: `${options.label}: ${checked.sentence}` })
        : true;
    })
    .meta(meta('css', { ...options, property }));
}

/**
 * @returns what is wrong with a value that names tokens, once they are spelt out; null where nothing is, or
 * none is named.
 */
export function tokenFault(
  field: AnySchema,
  value: unknown,
  tokens: Readonly<Record<string, Token>>
): string | null {
  const meta = field.meta()?.field;
  if (meta?.control === 'track') {
    const { lasts, eases } = value as Track;
    for (const [use, key] of [
      [lasts, 'ms'],
      [eases, 'easing']
    ] as const) {
      const read = use ? timingOfToken(use, tokens) : null;
      if (read && (typeof read === 'string' || !Object.hasOwn(read, key)))
        return `${field.spec.label ?? 'This'}: ${typeof read === 'string' ? read : `${use} is no ${key === 'ms' ? 'time' : 'easing'}.`}`;
    }
    return null;
  }
  if (meta?.control !== 'css' || typeof value !== 'string' || tokensIn(value).length === 0) return null;
  const checked = checkValue(meta.property!, value, tokens);
  return checked.ok ? null : `${field.spec.label ?? 'This'}: ${checked.sentence}`;
}

/** A point of a picture that stays in sight, as `x% y%`. */
export function placeField(fallback: string, options: Options) {
  return textField(fallback, 20, options)
    .matches(
      /^(?:100|\d{1,2}(?:\.\d)?)% (?:100|\d{1,2}(?:\.\d)?)%$/,
      `${options.label} is two shares, such as 50% 30%.`
    )
    .meta(meta('place', options));
}
