import { isPicture, type Asset, type Project } from '../project/types';
import { luminance, maybeColour, type Colour } from './contrast';
import { compact } from '../data/compact';

/** Pixels a picture is brought down to before its tones are read: about one for each word that may stand on it. */
export const TONE_GRID = { width: 32, height: 20 } as const;
const TONES_MOST = 11;

/**
 * The tones of a picture, darkest first: the ends and nine steps between, so that what holds for all of them
 * holds for the picture.
 * @param pixels RGBA bytes of the picture brought down to `TONE_GRID`, each pixel the mean of what it stands
 * for.
 * @returns colours as `#rrggbbaa`, at most eleven; empty where there are no pixels.
 */
export function tonesOf(pixels: ArrayLike<number>): string[] {
  const cells: { hex: string; light: number }[] = [];
  for (let at = 0; at + 3 < pixels.length; at += 4) {
    const [r, g, b, a] = [pixels[at]!, pixels[at + 1]!, pixels[at + 2]!, pixels[at + 3]!];
    const alpha = a / 255;
    // What shows through is paper until it is known better.
    const on = (channel: number) => (channel / 255) * alpha + 1 - alpha;
    cells.push({
      hex: `#${[r, g, b, a].map((each) => Math.round(each).toString(16).padStart(2, '0')).join('')}`,
      light: luminance({ r: on(r), g: on(g), b: on(b), alpha: 1 })
    });
  }
  if (cells.length === 0) return [];
  cells.sort((one, other) => one.light - other.light);
  const steps = Array.from(
    { length: TONES_MOST },
    (_, i) => cells[Math.round((i / (TONES_MOST - 1)) * (cells.length - 1))]!.hex
  );
  return [...new Set(steps)];
}

/** What a picture may show where nothing is known of it: anything between these. */
export const ANY_TONE: readonly Colour[] = [
  { r: 0, g: 0, b: 0, alpha: 1 },
  { r: 1, g: 1, b: 1, alpha: 1 }
];

export function coloursOfTones(tones: readonly string[] = []): readonly Colour[] {
  const colours = compact(tones.map(maybeColour));
  return colours.length > 0 ? colours : ANY_TONE;
}

/**
 * @param read the tones of one picture; null where it cannot be read now.
 * @returns the project with the tones of those pictures that have none yet.
 */
export async function withTones(
  project: Project,
  read: (asset: Asset) => Promise<readonly string[] | null>
): Promise<Project> {
  const assets: Record<string, Asset> = { ...project.assets };
  for (const asset of Object.values(project.assets)) {
    const tones = asset.tones || !isPicture(asset) ? null : await read(asset);
    if (tones) assets[asset.id] = { ...asset, tones };
  }
  return { ...project, assets };
}
