import {
  modeHsl,
  modeHwb,
  modeLab,
  modeLch,
  modeOklab,
  modeOklch,
  modeRgb,
  parse,
  useMode,
  type Rgb
} from 'culori/fn';
import { clamp } from '../data/clamp';
import { remembered } from '../data/remembered';

// The modes CSS can write, and no more: the library holds many others.
const rgb = useMode(modeRgb);
[modeHsl, modeHwb, modeLab, modeLch, modeOklab, modeOklch].forEach((mode) => useMode(mode as never));

/** Red, green, blue and alpha, each 0 to 1, in sRGB. */
export interface Colour {
  readonly r: number;
  readonly g: number;
  readonly b: number;
  readonly alpha: number;
}

/** Colours by their text: a project has few, and asks for each again and again. */
const known = new Map<string, Colour | null>();
const KNOWN_MOST = 2000;

/**
 * @returns the colour, or null where the text is none (also for `currentcolor` and other words that need a
 * context).
 */
export function maybeColour(text: string): Colour | null {
  if (known.size >= KNOWN_MOST) known.clear();
  return remembered(known, text, () => freshColour(text));
}

function freshColour(text: string): Colour | null {
  const parsed = parse(text.trim());
  if (!parsed) return null;
  const { r, g, b, alpha } = rgb(parsed) as Rgb;
  return { r, g, b, alpha: alpha ?? 1 };
}

/** @returns the colour in a value of several words, such as a ring's, as written; null where there is none. */
export function maybeColourIn(value: string): string | null {
  const words = value.match(/[a-z-]+\([^)]*\)|[^\s]+/gi) ?? [];
  return words.find((word) => maybeColour(word) !== null) ?? null;
}

/**
 * `front` painted over an opaque `back`; source-over on sRGB values (CSS Color 4, section 12.2, simple alpha
 * compositing).
 */
export function over(front: Colour, back: Colour): Colour {
  const mix = (f: number, b: number) => f * front.alpha + b * (1 - front.alpha);
  return { r: mix(front.r, back.r), g: mix(front.g, back.g), b: mix(front.b, back.b), alpha: 1 };
}

/**
 * Relative luminance, 0 (black) to 1 (white): WCAG 2.2, "relative luminance", from 8-bit-rounded sRGB
 * channels.
 */
export function luminance({ r, g, b }: Colour): number {
  const linear = (channel: number) => {
    const c = Math.round(clamp(channel, 0, 1) * 255) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  };
  return 0.2126 * linear(r) + 0.7152 * linear(g) + 0.0722 * linear(b);
}

/** Contrast ratio, 1 to 21: WCAG 2.2, "contrast ratio". Both colours opaque; alpha is ignored. */
export function contrast(a: Colour, b: Colour): number {
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x) as [number, number];
  return (light + 0.05) / (dark + 0.05);
}
