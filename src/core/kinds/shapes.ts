/** Shapes that pictures and frames are offered in, width by height, as CSS writes a ratio (CSS Values 4, 6.7). */
export const SHAPES = {
  '16 / 9': '16 : 9',
  '4 / 3': '4 : 3',
  '1 / 1': '1 : 1',
  '3 / 4': '3 : 4'
} as const;

/** @returns width by height of a shape; null for what is none, such as a picture's own. */
export function shapeOf(shape: unknown): number | null {
  const [, across, along] = /^(\d+) \/ ([1-9]\d*)$/.exec(String(shape)) ?? [];
  return across && along ? Number(across) / Number(along) : null;
}

/**
 * What becomes of a picture that covers a box of another shape (`object-fit: cover`, CSS Images 3, section 5.5).
 * @param natural of the picture, width by height.
 * @param shape of the box, width by height; null where it is the picture's own.
 */
export function covering(natural: number, shape: number | null): Covering {
  const share = shape === null ? 1 : Math.min(natural / shape, shape / natural);
  return { cut: 1 - share, enlarged: shape === null ? 1 : Math.max(1, natural / shape) };
}

export type Shape = keyof typeof SHAPES;

/** @returns the shape that cuts least off the picture it cuts most of. @param naturals width by height of each. */
export function bestShape(naturals: readonly number[]): Shape {
  const cutBy = (shape: Shape) =>
    Math.max(...naturals.map((natural) => covering(natural, shapeOf(shape)).cut));
  return (Object.keys(SHAPES) as Shape[]).reduce((best, each) => (cutBy(each) < cutBy(best) ? each : best));
}

export interface Covering {
  /** Share of the picture that is not seen, from 0 to 1. */
  readonly cut: number;
  /** How many times as wide as its box it is drawn; 1 and more. */
  readonly enlarged: number;
}
