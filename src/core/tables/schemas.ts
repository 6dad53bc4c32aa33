import { array, boolean, lazy, mixed, number, object, string } from 'yup';
import { isRecord } from '../data/record';
import {
  COLUMN_TYPES,
  COMPARISONS,
  ORIGINS,
  type Query,
  type Row,
  type Source,
  type ValueFormat
} from '../project/types';
import { areRead } from './packed';
import { LIMITS } from './table';

/** What a source, a query and a format must be, wherever they come from: a file, a command, the history. */

const words = (most: number) => string().strict(true).max(most);

const isCell = (value: unknown): boolean =>
  value === null ||
  typeof value === 'boolean' ||
  (typeof value === 'number' && Number.isFinite(value)) ||
  (typeof value === 'string' && value.length <= LIMITS.cell);

const isRow = (value: unknown): value is Row => isRecord(value) && Object.values(value).every(isCell);

/** Tens of thousands of rows, each looked at by a plain function. */
const rows = () =>
  mixed<readonly Row[]>((value): value is readonly Row[] => Array.isArray(value))
    .required()
    .test(
      'rows',
      `A source has ${LIMITS.rows} rows at most, each a record of texts, numbers and truths.`,
      (value) => areRead(value) || (value.length <= LIMITS.rows && value.every(isRow))
    );

const column = object({
  name: words(LIMITS.name + 8).required(),
  type: string().oneOf(COLUMN_TYPES).required()
}).noUnknown();

export const sourceSchema = object({
  id: words(64).required(),
  name: words(120).required('A source needs a name.'),
  origin: string().oneOf(ORIGINS).required(),
  place: words(2000).defined(),
  taken: words(40).defined(),
  columns: array(column).max(LIMITS.columns).required(),
  rows: rows()
}).noUnknown();

export const querySchema = object({
  source: words(64).required(),
  where: array(
    object({
      column: words(LIMITS.name + 8).required(),
      is: string().oneOf(COMPARISONS).required(),
      value: words(500).defined()
    }).noUnknown()
  )
    .max(20, 'A list has 20 conditions at most.')
    .required(),
  any: boolean().strict(true).required(),
  by: words(LIMITS.name + 8).defined(),
  down: boolean().strict(true).required(),
  most: number().strict(true).integer().min(0).max(2000, 'A list shows 2,000 rows at most.').required(),
  skip: number().strict(true).integer().min(0).max(LIMITS.rows).required(),
  fresh: boolean().strict(true)
}).noUnknown();

/** ISO 4217 codes are three capital letters; `Intl` takes any of them. */
const CURRENCY = /^[A-Z]{3}$/;

const FORMATS = {
  number: object({
    as: string().oneOf(['number']).required(),
    decimals: number().strict(true).integer().min(0).max(6).required()
  }).noUnknown(),
  money: object({
    as: string().oneOf(['money']).required(),
    currency: string().strict(true).matches(CURRENCY, 'A currency is three letters, such as EUR.').required()
  }).noUnknown(),
  date: object({
    as: string().oneOf(['date']).required(),
    style: string().oneOf(['short', 'medium', 'long']).required()
  }).noUnknown()
};

const isFormatName = (value: unknown): value is keyof typeof FORMATS =>
  typeof value === 'string' && Object.hasOwn(FORMATS, value);

export const formatSchema = lazy((value: unknown) => {
  if (value === undefined) return mixed().optional();
  const as = isRecord(value) ? value.as : null;
  return isFormatName(as) ? FORMATS[as] : object({ as: string().oneOf(Object.keys(FORMATS)).required() });
});

const otherwise = () =>
  mixed<string | number | boolean>(
    (value): value is string | number | boolean => value !== null && isCell(value)
  );

export const bindingSchema = object({
  column: words(LIMITS.name + 8).required(),
  otherwise: otherwise(),
  format: formatSchema as never
}).noUnknown();

const fits = (schema: { isValidSync(value: unknown, options?: object): boolean }, value: unknown): boolean =>
  schema.isValidSync(value, { strict: true });

/** @returns a source as it was written; null where it is damaged. Nothing is shared with the input. */
export function maybeSource(value: unknown): Source | null {
  if (!isRecord(value) || !fits(sourceSchema, value)) return null;
  const { id, name, origin, place, taken, columns, rows: all } = structuredCopy(value) as Source;
  return { id, name, origin, place, taken, columns, rows: all };
}

export const maybeQuery = (value: unknown): Query | null =>
  isRecord(value) && fits(querySchema, value) ? (structuredCopy(value) as Query) : null;

export const maybeFormat = (value: unknown): ValueFormat | null =>
  isRecord(value) && fits(formatSchema, value) ? (structuredCopy(value) as ValueFormat) : null;

/** Shares nothing with what was given, which is plain JSON. */
const structuredCopy = (value: unknown): unknown => JSON.parse(JSON.stringify(value));
