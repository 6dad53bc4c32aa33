/**
 * What stays behind the page by a share `s` is off its place by s · (P + H/2 − its middle), so from −s(H + h)/2 to
 * +s(H + h)/2 while it crosses a window H high (common practice; held against Chromium).
 * @param s share of the page's way, −0.9 to 0.9; below 0 it goes ahead.
 */
export const driftAtEdge = (s: number, height: number, windowHeight: number): number =>
  (s * (windowHeight + height)) / 2;

const rounded = (value: number): string => String(Number(value.toFixed(5)));

/** The window at its highest, where the browser's bars come and go. */
const WINDOW = '100lvh';

/** The way of a piece that drifts itself, for `translate`: percentages are of its own height. */
export const driftOfPiece = (s: number): string => `calc((${WINDOW} + 100%) * ${rounded(s / 2)})`;

/** How far a picture behind a box reaches out above it and below it; percentages are of the height of that box. */
export function growth(s: number): string {
  if (s < 0) return `calc((${WINDOW} + 100%) * ${rounded(-s / 2)})`;
  return `max(0px, (${WINDOW} - 100%) * ${rounded(s / 2)})`;
}

/**
 * The way of such a picture, for `translate`. Percentages are of its own height g, from which the height of its box is
 * worked back: h = (g − sH)/(1 − s) where the box is lower than the window, h = g where it is not; the lesser way of
 * the two is right in both cases. Ahead of the page, h = (g − |s|H)/(1 + |s|).
 */
export function driftOfPicture(s: number): string {
  if (s < 0) return `calc((${WINDOW} + 100%) * ${rounded(s / (2 * (1 - s)))})`;
  const low = `(${WINDOW} * ${rounded(1 - 2 * s)} + 100%) * ${rounded(s / (2 * (1 - s)))}`;
  const tall = `(${WINDOW} + 100%) * ${rounded(s / 2)}`;
  return `min(${low}, ${tall})`;
}
