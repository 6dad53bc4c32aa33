import pixelmatch from 'pixelmatch';
import sharp from 'sharp';

const pixelsOf = (picture: Buffer) =>
  sharp(picture).ensureAlpha().raw().toBuffer({ resolveWithObject: true });

/**
 * How many pixels of two pictures differ to the eye; edges that are only smoothed otherwise do not count.
 * @returns Infinity where they are not of one size.
 */
export async function differentPixels(one: Buffer, other: Buffer): Promise<number> {
  if (one.equals(other)) return 0;
  const [a, b] = [await pixelsOf(one), await pixelsOf(other)];
  const { width, height } = a.info;
  if (width !== b.info.width || height !== b.info.height) return Infinity;
  return pixelmatch(a.data, b.data, undefined, width, height, { threshold: 0.1 });
}
