import { maybeColour, type Colour } from '../../colour/contrast';
import { hexOf } from '../../colour/hex';

const STEPS = 24;
const SHARES = Array.from({ length: STEPS }, (_each, i) => (i + 1) / STEPS);

/** A colour part of the way to black (`end` 0) or to white (1), as `#rrggbb`. */
function towards({ r, g, b }: Colour, end: number, share: number): string {
  const mixed = [r, g, b].map((channel) => channel + (end - channel) * share);
  return hexOf(mixed);
}

/** Opacities of a veil over what lies behind it, the thinnest first; what is denser hides it. */
const VEILS = [0.08, 0.12, 0.16, 0.24, 0.32, 0.48];

/** Black and white as thin as a colour that lets through what lies behind it, then denser ones. */
const veils = ({ alpha }: Colour): readonly string[] =>
  [alpha, ...VEILS.filter((each) => each > alpha)].flatMap((each) => [
    hexOf([0, 0, 0, each]),
    hexOf([1, 1, 1, each])
  ]);

/** A colour's neighbours on the way to black and to white, the nearest first. */
function neighbours(own: Colour): readonly string[] {
  const solid = SHARES.flatMap((share) => [towards(own, 0, share), towards(own, 1, share)]);
  return own.alpha < 1 ? [...veils(own), ...solid] : solid;
}

/**
 * @param text a colour as CSS has it.
 * @param holds whether a colour will do.
 * @returns the colour nearest to it, on the way to black or to white, that will do, as `#rrggbb`, or `#rrggbbaa` where
 * it lets through what lies behind it; null where none does or it is no colour.
 */
export function nearestColour(text: string, holds: (value: string) => boolean): string | null {
  const own = maybeColour(text);
  return (own && neighbours(own).find(holds)) ?? null;
}
