import type { Asset, Face, Project } from '../project/types';

/** A file of a typeface, with what was read of it. */
export type FaceAsset = Asset & { readonly face: Face };

export const isTypeface = (asset: Asset): asset is FaceAsset => asset.face !== undefined;

const bare = (family: string): string =>
  family
    .trim()
    .replace(/^(["'])(.*)\1$/, '$2')
    .toLowerCase();

/** Families that a value of `font-family` names, as they are compared: without quotes and capitals. */
const familiesIn = (value: string): readonly string[] => value.split(',').map(bare);

/** @returns the typefaces of a project that some values of `font-family` name. */
export function facesIn(values: Iterable<string>, assets: Project['assets']): readonly FaceAsset[] {
  const named = new Set([...values].flatMap(familiesIn));
  return Object.values(assets)
    .filter(isTypeface)
    .filter(({ face }) => named.has(bare(face.family)));
}

/** @returns the families of a project's typefaces, each once. */
export const familiesOf = (assets: Project['assets']): readonly string[] => [
  ...new Set(
    Object.values(assets)
      .filter(isTypeface)
      .map(({ face }) => face.family)
  )
];

/** What stands in until a typeface has come, fitted to it. */
export const fallbackName = (family: string): string => `${family} fallback`;

const GENERIC_SERIF = /(?:^|,)\s*(?:ui-)?serif\s*(?:,|$)/;

/** Whether a list of families ends in letters with serifs. */
export const isSerif = (value: string): boolean => GENERIC_SERIF.test(value);

/**
 * @returns a value of `font-family` with the fitted fall-back behind each of the project's own families; the
 * same text where it names none.
 */
export function withFallbacks(value: string, faces: readonly FaceAsset[]): string {
  const own = new Map(faces.map(({ face }) => [bare(face.family), face.family]));
  const written = value.split(',').map((name) => name.trim());
  if (!written.some((name) => own.has(bare(name)))) return value;
  return written
    .flatMap((name) => {
      const family = own.get(bare(name));
      return family ? [name, `"${fallbackName(family)}"`] : [name];
    })
    .join(', ');
}
