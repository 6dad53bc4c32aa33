import { TONE_GRID, tonesOf } from '$core/colour/tones';
import type { Asset } from '$core/project/types';

/** More pixels than a browser should be asked to draw at once. */
const PIXELS_MOST = 64e6;

/** @returns the tones of a picture; null where the browser cannot draw it; none where it is too large to try. */
export async function readTones(
  blob: Blob,
  size: Pick<Asset, 'width' | 'height'>
): Promise<readonly string[] | null> {
  if ((size.width ?? 0) * (size.height ?? 0) > PIXELS_MOST) return [];
  const address = URL.createObjectURL(blob);
  try {
    const image = new Image();
    image.src = address;
    await image.decode();
    const bitmap = await createImageBitmap(image, {
      resizeWidth: TONE_GRID.width,
      resizeHeight: TONE_GRID.height,
      resizeQuality: 'high'
    });
    const context = new OffscreenCanvas(TONE_GRID.width, TONE_GRID.height).getContext('2d', {
      willReadFrequently: true
    })!;
    context.drawImage(bitmap, 0, 0);
    bitmap.close();
    return tonesOf(context.getImageData(0, 0, TONE_GRID.width, TONE_GRID.height).data);
  } catch {
    return null;
  } finally {
    URL.revokeObjectURL(address);
  }
}
