import sharp from 'sharp';
import { TONE_GRID, tonesOf } from '../core/colour/tones';

/** @returns the tones of a picture; none where it cannot be drawn. */
export async function readTones(bytes: Uint8Array): Promise<readonly string[]> {
  try {
    return tonesOf(
      await sharp(bytes, { limitInputPixels: 64_000_000 })
        .resize({ ...TONE_GRID, fit: 'fill' })
        .toColourspace('srgb')
        .ensureAlpha()
        .raw()
        .toBuffer()
    );
  } catch {
    return [];
  }
}
