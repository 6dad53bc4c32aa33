import type { Face } from '../project/types';
import { fallbackName, type FaceAsset } from './faces';

/** A typeface that is on nearly every machine, under the names it has on each, with its metrics in em. */
interface Local {
  readonly names: readonly string[];
  readonly width: number;
}

/**
 * Average widths of English text, in em, measured of Liberation Sans and Liberation Serif, which have the widths of
 * Arial and Times New Roman by design.
 */
const SANS: Local = { names: ['Arial', 'Liberation Sans', 'Helvetica Neue', 'Helvetica'], width: 0.4396 };
const SERIF: Local = { names: ['Times New Roman', 'Liberation Serif', 'Times'], width: 0.3983 };

const FORMATS: Readonly<Record<string, string>> = {
  'font/woff2': 'woff2',
  'font/ttf': 'truetype',
  'font/otf': 'opentype'
};

const percent = (share: number): string => `${Number((share * 100).toFixed(2))}%`;

const ruleOf = (lines: readonly string[]): string =>
  `@font-face {\n${lines.map((line) => `  ${line};`).join('\n')}\n}`;

const weightOf = ([least, most]: Face['weight']): string =>
  least === most ? `${least}` : `${least} ${most}`;

/**
 * The typeface itself: text is shown at once in its fall-back. Where the file has not come by then, the page keeps
 * that (`optional`), so that nothing moves, or changes over when it has (`swap`; CSS Fonts 4, section 4.9).
 */
function ownRule({ type, face }: FaceAsset, address: string): string {
  return ruleOf([
    `font-family: "${face.family}"`,
    `src: url("${address}") format("${FORMATS[type]}")`,
    `font-weight: ${weightOf(face.weight)}`,
    `font-style: ${face.style}`,
    `font-display: ${face.late === 'changes' ? 'swap' : 'optional'}`
  ]);
}

/**
 * What stands in until the file has come, as wide and as high as the typeface itself, so that nothing moves then:
 * `size-adjust` by the widths of both, the heights put back by the same (CSS Fonts 5, section 2.3; the way to
 * choose the number is common practice).
 */
function fallbackRule({ family, ascent, descent, lineGap, width }: Face, local: Local): string {
  const size = width / local.width;
  return ruleOf([
    `font-family: "${fallbackName(family)}"`,
    `src: ${local.names.map((name) => `local("${name}")`).join(', ')}`,
    `size-adjust: ${percent(size)}`,
    `ascent-override: ${percent(ascent / size)}`,
    `descent-override: ${percent(descent / size)}`,
    `line-gap-override: ${percent(lineGap / size)}`
  ]);
}

/**
 * @param isSerif whether a family is named before letters with serifs.
 * @returns rules for some typefaces: each file, and one fall-back for each family.
 */
export function faceRules(
  faces: readonly FaceAsset[],
  addressOf: (face: FaceAsset) => string,
  isSerif: (family: string) => boolean
): readonly string[] {
  const byFamily = new Map(faces.map(({ face }) => [face.family, face]).reverse() as [string, Face][]);
  const files = faces.map((asset) => ownRule(asset, addressOf(asset)));
  const fallbacks = [...byFamily.values()].map((face) =>
    fallbackRule(face, isSerif(face.family) ? SERIF : SANS)
  );
  return [...files, ...fallbacks];
}
