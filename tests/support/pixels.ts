import pixelmatch from 'pixelmatch';
import { PNG } from 'pngjs';

/**
 * How many pixels of two pictures differ to the eye; edges that are only smoothed otherwise do not count.
 * @returns Infinity where they are not of one size.
 */
export function differentPixels(one: Buffer, other: Buffer): number {
  const [a, b] = [PNG.sync.read(one), PNG.sync.read(other)];
  if (a.width !== b.width || a.height !== b.height) return Infinity;
  return pixelmatch(a.data, b.data, undefined, a.width, a.height, { threshold: 0.1 });
}
