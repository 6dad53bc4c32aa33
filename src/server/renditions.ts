import sharp from 'sharp';
import type { Rendition } from '$core/compile/renditions';

/** More pixels than any screen can show, and a quarter of a GB in memory. */
const PIXELS_MOST = 64_000_000;
/** Where a smaller file no longer shows (common practice, no source). */
const QUALITY = { avif: 55, webp: 78, jpeg: 80 } as const;

export interface MadeRendition {
  readonly format: Rendition['format'];
  readonly width: number;
  readonly bytes: Uint8Array;
}

export type Renditions =
  | { readonly ok: true; readonly made: readonly MadeRendition[] }
  | { readonly ok: false; readonly sentence: string };

/**
 * Makes smaller pictures of one: upright, without camera data, as AVIF and as what every browser reads.
 * @param widths px; wider than the picture are left out.
 * @param signal stops between two pictures.
 * @returns the pictures, or a sentence that says why there are none. Throws only when `signal` is aborted.
 */
export async function makeRenditions(
  bytes: Uint8Array,
  widths: readonly number[],
  signal?: AbortSignal
): Promise<Renditions> {
  try {
    const options = { limitInputPixels: PIXELS_MOST, failOn: 'error' } as const;
    const meta = await sharp(bytes, options).metadata();
    if ((meta.pages ?? 1) > 1) return { ok: false, sentence: 'it moves, so it stays as it is' };
    const format = meta.hasAlpha ? 'webp' : 'jpeg';
    const made: MadeRendition[] = [];
    for (const width of widths.filter((each) => each <= (meta.autoOrient.width ?? meta.width))) {
      signal?.throwIfAborted();
      const small = sharp(bytes, options).autoOrient().resize({ width, withoutEnlargement: true });
      made.push({
        format: 'avif',
        width,
        bytes: await small.clone().avif({ quality: QUALITY.avif, effort: 3 }).toBuffer()
      });
      made.push({
        format,
        width,
        bytes: await (
          format === 'webp'
            ? small.webp({ quality: QUALITY.webp })
            : small.jpeg({ quality: QUALITY.jpeg, mozjpeg: true })
        ).toBuffer()
      });
    }
    return { ok: true, made };
  } catch (error) {
    signal?.throwIfAborted();
    const isLarge = error instanceof Error && /pixel limit/i.test(error.message);
    return {
      ok: false,
      sentence: isLarge
        ? `it has more than ${PIXELS_MOST / 1e6} million pixels; make it smaller first`
        : 'it is damaged or of a sort that cannot be read'
    };
  }
}
