import { colorsNamed, nearest, parse } from 'culori';
import type { Cell } from './cells';
import { freeName } from '../data/free-name';
import { remembered } from '../data/remembered';

/** A value that stands in several places under one name. */
export interface Constant {
  readonly name: string;
  readonly value: string;
}

/** From how many places on a value has a name; a long one from the second on. */
const PLACES_LEAST = 3;
const LONG = 60;

const COLOURED = /^(?:color|background-color|border-color|outline-color|fill|stroke|text-decoration-color)$/;
const NAMEABLE = (property: string) =>
  COLOURED.test(property) || ['font-family', 'outline', 'transition'].includes(property);

/**
 * @returns a name for each colour, typeface and focus ring that stands in several places, and what to write
 * for a cell's value.
 */
export function constantsOf(
  cells: Iterable<Cell>,
  taken: ReadonlySet<string>
): { readonly constants: readonly Constant[]; write(cell: Cell): string } {
  const counts = new Map<string, { property: string; count: number }>();
  for (const { property, value } of cells) {
    if (!NAMEABLE(property) || !isNameable(value)) continue;
    remembered(counts, value, () => ({ property, count: 0 })).count += 1;
  }
  const used = new Set(taken);
  const byValue = new Map<string, string>();
  for (const [value, { property, count }] of counts) {
    if (count < (value.length > LONG ? 2 : PLACES_LEAST)) continue;
    const name = freeName(nameOf(property, value), used);
    used.add(name);
    byValue.set(value, name);
  }
  return {
    constants: [...byValue].map(([value, name]) => ({
      name,
      value: counts.get(value)!.property === 'font-family' ? quoted(value) : value
    })),
    write: ({ property, value }) =>
      NAMEABLE(property) && byValue.has(value) ? `var(--${byValue.get(value)!})` : value
  };
}

const isNameable = (value: string): boolean => !value.includes('var(') && /[#("\d]|, /.test(value);

const namedColours = nearest(Object.keys(colorsNamed));

/**
 * A colour is called after the one of CSS's own names that is nearest to it, a typeface after its first
 * family.
 */
function nameOf(property: string, value: string): string {
  if (property === 'outline') return 'focus-ring';
  if (property === 'transition') return 'change';
  if (property === 'font-family') return slug(value.split(',')[0]!);
  const colour = parse(value);
  return colour ? (namedColours(colour)[0] ?? 'colour') : 'colour';
}

/** In a custom property nothing tells a name from a keyword, so names stand in quotes. */
const quoted = (families: string): string => families.replace(/(^|, )([A-Z]\w*)(?=,|$)/g, '$1"$2"');

const slug = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^a-z\d]+/g, '-')
    .replace(/^-|-$/g, '') || 'value';
