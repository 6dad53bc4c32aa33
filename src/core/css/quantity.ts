/** A number with a CSS unit; the unit is empty for a plain number. */
export interface Quantity {
  readonly value: number;
  readonly unit: string;
}

const PLAIN = /^([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)([a-z%]*)$/i;

/** @returns the quantity, or null where the text is no single number with an optional unit. */
export function parseQuantity(text: string): Quantity | null {
  const match = PLAIN.exec(text.trim());
  return match ? { value: Number(match[1]), unit: match[2]!.toLowerCase() } : null;
}

/** @returns the quantity as CSS, with at most four decimals. */
export function printQuantity({ value, unit }: Quantity): string {
  return `${Number(value.toFixed(4))}${unit}`;
}
