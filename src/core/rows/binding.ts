import type { AnySchema } from 'yup';
import { ownOf, isEmpty } from '../data/record';
import { escapeHtml } from '../html/clean';
import type { Registry } from '../kinds/registry';
import type { Asset, Binding, Json, Node, Project, Row, ValueFormat } from '../project/types';

/** What of a project a bound value is read by. */
export interface RowContext {
  readonly assets: Project['assets'];
  /** BCP 47 tag of the page. */
  readonly language: string;
}

/** Bound under this key, a piece is drawn only where the column has something that is not “no”. */
export const SHOWN = 'shown';

type Value = NonNullable<Row[string]>;

/** ECMA-402: Intl.NumberFormat and Intl.DateTimeFormat. A value that is of another sort stays as it is. */
function formatted(value: Value, format: ValueFormat | undefined, language: string): Value {
  if (!format) return value;
  if (format.as === 'date') {
    const day = typeof value === 'string' ? new Date(`${value}T00:00:00Z`) : null;
    if (!day || Number.isNaN(day.getTime())) return value;
    return new Intl.DateTimeFormat(language, { dateStyle: format.style, timeZone: 'UTC' }).format(day);
  }
  if (typeof value !== 'number') return value;
  const options: Intl.NumberFormatOptions =
    format.as === 'money'
      ? { style: 'currency', currency: format.currency }
      : { minimumFractionDigits: format.decimals, maximumFractionDigits: format.decimals };
  return new Intl.NumberFormat(language, options).format(value);
}

const isNothing = (value: Row[string] | undefined): boolean =>
  value === null || value === undefined || value === '';

/** What stands in the row's column, as it is written on the page, or what stands there else; null where neither is. */
export function boundValue(row: Row, { column, otherwise, format }: Binding, language: string): Value | null {
  const value = ownOf(row, column);
  return isNothing(value) ? (otherwise ?? null) : formatted(value!, format, language);
}

/** Whether a piece is drawn for a row. */
export function isShownFor(node: Node, row: Row): boolean {
  const binding = node.binds && ownOf(node.binds, SHOWN);
  if (!binding || isEmpty(row)) return true;
  const value = ownOf(row, binding.column);
  return !isNothing(value) && value !== false;
}

/** @returns the picture that a cell names, by its file or its id. */
export const assetNamed = (assets: Project['assets'], name: string): Asset | undefined =>
  Object.values(assets).find(({ id, file }) => file === name || id === name);

/** A cell as a field takes it: words as a paragraph, a file's name as the picture of that name; null for neither. */
function fitting(field: AnySchema, value: Value, { assets }: RowContext): Json | null {
  const control = field.meta()?.field?.control;
  const fits = (each: Json): boolean => field.isValidSync(each, { strict: true });
  if (control === 'asset') return assetNamed(assets, String(value))?.id ?? null;
  // A cell is text, whatever it looks like: markup in it is shown and not obeyed.
  if (control === 'rich') return `<p>${escapeHtml(String(value))}</p>`;
  return [value, String(value)].find(fits) ?? null;
}

/** @returns the piece with what is bound in it taken from a row; the same object where nothing is. */
export function withRow(registry: Registry, node: Node, row: Row, context: RowContext): Node {
  if (!node.binds || isEmpty(node.binds) || isEmpty(row)) return node;
  const fields = registry.of(node).settings.fields as Record<string, AnySchema>;
  const settings: Record<string, Json> = { ...node.settings };
  let { name } = node;
  for (const [key, binding] of Object.entries(node.binds)) {
    const value = boundValue(row, binding, context.language);
    if (value === null) continue;
    if (key === 'name') name = String(value) || name;
    const fit = Object.hasOwn(fields, key) ? fitting(fields[key]!, value, context) : null;
    if (fit !== null) settings[key] = fit;
  }
  return { ...node, name, settings };
}
