import { calc } from '@csstools/css-calc';
import { parseQuantity, printQuantity } from './quantity';

/**
 * Works out what a hand types into a field: `80-40`, `2rem`, `(3 + 1) * 8`, `100% / 3`. CSS calc() decides
 * what may be mixed (CSS Values and Units 4, section 10). A plain number takes `unit`; in sums every plain
 * number does, as people mean it.
 * @returns the result as CSS, or null where it does not come to one number.
 */
export function evaluate(text: string, unit: string): string | null {
  // A unit may stand apart from its number, as fields show it: `240 ms`.
  const typed = text.trim().replace(/(?<=\d)\s+(?=[a-z%])/gi, '');
  if (typed === '') return null;
  const plain = parseQuantity(typed);
  if (plain) return printQuantity(plain.unit === '' && plain.value !== 0 ? { ...plain, unit } : plain);
  if (!/^[\d.\s+\-*/()a-z%]+$/i.test(typed)) return null;
  const spaced = typed.replace(/(?<=[\d)a-z%])\s*([+\-])\s*(?=[\d(.])/gi, ' $1 ');
  const result = parseQuantity(calc(`calc(${withUnits(spaced, unit)})`));
  if (!result || !Number.isFinite(result.value)) return null;
  return printQuantity(result.unit === '' ? { ...result, unit } : result);
}

/**
 * In `80 - 40` both are px; in `80 / 2` or `8 * 3` only the first is. Mixed with written units, plain terms
 * of sums get one too.
 */
function withUnits(text: string, unit: string): string {
  if (unit === '') return text;
  return text.replace(/(?<![\w.%])(\d+\.?\d*|\.\d+)(?![\w.%])/g, (number, _n, at: number) => {
    const before = text.slice(0, at).trimEnd().slice(-1);
    const after = text.slice(at + number.length).trimStart()[0] ?? '';
    const isFactor =
      before === '*' || before === '/' || (after === '*' && /\*\s*[\d.]+[a-z%]/i.test(text.slice(at)));
    return isFactor ? number : `${number}${unit}`;
  });
}
