import type { Colour } from './contrast';
import { clamp } from '../data/clamp';

type Channels = readonly [number, number, number];
/** What one channel becomes: of the one behind and the one over it. */
type Mix = (b: number, s: number) => number;

const screen = (b: number, s: number) => b + s - b * s;
const hardLight = (b: number, s: number) => (s <= 0.5 ? b * 2 * s : screen(b, 2 * s - 1));

function softLight(b: number, s: number): number {
  if (s <= 0.5) return b - (1 - 2 * s) * b * (1 - b);
  const d = b <= 0.25 ? ((16 * b - 12) * b + 4) * b : Math.sqrt(b);
  return b + (2 * s - 1) * (d - b);
}

const lum = ([r, g, b]: Channels) => 0.3 * r + 0.59 * g + 0.11 * b;

function setLum(colour: Channels, to: number): Channels {
  const shift = to - lum(colour);
  const moved = colour.map((c) => c + shift);
  const [l, least, most] = [lum(moved as never), Math.min(...moved), Math.max(...moved)];
  return moved.map((c) => {
    const raised = least < 0 ? l + ((c - l) * l) / (l - least) : c;
    return most > 1 ? l + ((raised - l) * (1 - l)) / (most - l) : raised;
  }) as never;
}

const eachChannel = (mix: Mix) => (back: Channels, source: Channels) =>
  back.map((b, i) => mix(b, source[i]!)) as unknown as Channels;

/**
 * Blend functions B(backdrop, source): Compositing and Blending Level 1, sections 10.1 (separable) and 10.2
 * (the last two).
 */
const BLENDS = {
  normal: (_back: Channels, source: Channels) => source,
  multiply: eachChannel((b, s) => b * s),
  screen: eachChannel(screen),
  overlay: eachChannel((b, s) => hardLight(s, b)),
  'soft-light': eachChannel(softLight),
  color: (back: Channels, source: Channels) => setLum(source, lum(back)),
  luminosity: (back: Channels, source: Channels) => setLum(back, lum(source))
} as const;

export type BlendMode = keyof typeof BLENDS;

/**
 * `source` blended onto an opaque `back`: Compositing and Blending Level 1, section 5 (simple alpha
 * compositing of the blended colour).
 */
export function blended(source: Colour, back: Colour, mode: BlendMode): Colour {
  const mixed = BLENDS[mode]([back.r, back.g, back.b], [source.r, source.g, source.b]);
  const channel = (i: 0 | 1 | 2, b: number) => source.alpha * clamp(mixed[i], 0, 1) + (1 - source.alpha) * b;
  return { r: channel(0, back.r), g: channel(1, back.g), b: channel(2, back.b), alpha: 1 };
}
