import { printValue } from '../css/tokens';

/** What a browser's text is high where nobody has said otherwise, in px. */
export const ROOT_SIZE = 16;

/** Digits after the point; more than this moves nothing by a pixel. */
const PLACES = 4;

/**
 * @returns a value as it is written by hand: tokens as custom properties, type in `rem`, numbers and colours
 * short.
 */
export function writtenValue(property: string, value: string): string {
  const printed = printValue(value);
  if (property === 'font-family') return familiesOf(printed);
  const sized = property === 'font-size' ? inRem(printed) : printed;
  return outsideStrings(sized, (text) =>
    shortNumbers(shortColours(text)).replace(/\bcurrentColor\b/g, 'currentcolor')
  );
}

/** Type follows the size a person has set for text in the browser. */
const inRem = (value: string): string =>
  value.replace(/^(\d+(?:\.\d+)?)px$/, (_whole, px: string) => `${rounded(Number(px) / ROOT_SIZE)}rem`);

/**
 * @param size what `rem` is on the page the style sheet goes into, px; media queries do not follow it (Media
 * Queries 4, section 1.3).
 * @returns a style sheet whose lengths in `rem` are as large there as they are here.
 */
export function forRootSize(css: string, size: number): string {
  if (size === ROOT_SIZE) return css;
  const resized = (text: string): string =>
    text.replace(
      /(?<![\w.#-])(\d*\.?\d+)rem\b/g,
      (_whole, rem: string) => `${rounded((Number(rem) * ROOT_SIZE) / size)}rem`
    );
  const asksSize = /^\s*@(?:media|container)/;
  return css
    .split('\n')
    .map((line) => (asksSize.test(line) ? line : outsideStrings(line, resized)))
    .join('\n');
}

const rounded = (value: number): string => String(Number(value.toFixed(PLACES)));

const shortColours = (text: string): string =>
  text.replace(/#[\da-f]{3,8}\b/gi, (hex) =>
    hex.toLowerCase().replace(/^#(.)\1(.)\2(.)\3(?:(.)\4)?$/, '#$1$2$3$4')
  );

const shortNumbers = (text: string): string => {
  const short = text.replace(/(?<![\w.#-])(\d*\.\d{5,})/g, (number) => rounded(Number(number)));
  return CALCULATED.test(text) ? short : short.replace(/(?<![\w.#%-])(?:0*\.?0+|0)px\b/g, '0');
};

/** In what is calculated 0 is a number, and no length (CSS Values 4, section 10.9). */
const CALCULATED = /\b(?:calc|min|max|clamp)\(/;

/** What stands in quotes is a name or a text, which nobody may shorten. */
const outsideStrings = (value: string, change: (text: string) => string): string =>
  value
    .split(/("[^"]*"|'[^']*'|url\([^)]*\))/)
    .map((piece, i) => (i % 2 === 0 ? change(piece) : piece))
    .join('');

/** Names of typefaces with a space in them stand in quotes (CSS Fonts 4, section 2.1.1: recommended). */
function familiesOf(value: string): string {
  const names = value.split(/,(?![^(]*\))/).map((name) => name.trim());
  return names.map(quotedFamily).join(', ');
}

const quotedFamily = (name: string) =>
  /^[\w-]+(?: [\w-]+)+$/.test(name) ? `"${name}"` : name.replace(/^'(.*)'$/, '"$1"');
