import type { Remark, SightReader } from './reader';

/** Enlarged by less, in percent, a picture looks as it is. */
const ENLARGED_LEAST = 105;

/** How many times as large a picture of so many px is drawn in a box (CSS Images 3, section 5.5). */
function scaleOf(fit: string, box: DOMRect, width: number, height: number): number {
  const [across, along] = [box.width / width, box.height / height];
  if (fit === 'contain') return Math.min(across, along);
  if (fit === 'scale-down') return Math.min(1, across, along);
  if (fit === 'none') return 1;
  return Math.max(across, along);
}

/** Where it has not come yet, its markup says how large it is. */
const sizeOf = (image: HTMLImageElement): readonly [width: number, height: number] =>
  image.naturalWidth > 0
    ? [image.naturalWidth, image.naturalHeight]
    : [Number(image.getAttribute('width')), Number(image.getAttribute('height'))];

function enlarged(image: HTMLImageElement): readonly Remark[] {
  const [width, height] = sizeOf(image);
  const box = image.getBoundingClientRect();
  // A drawing is sharp at any size, and one that is not drawn at none.
  const isVector = 'kVector' in image.dataset;
  if (isVector || !(width > 0 && height > 0 && box.width > 0)) return [];
  const percent = Math.round(100 * scaleOf(getComputedStyle(image).objectFit, box, width, height));
  return percent < ENLARGED_LEAST ? [] : [[image, percent]];
}

/** Pictures drawn larger than they are: blurred on any screen. */
export const pictures: SightReader = {
  what: 'enlarged',
  read: ({ page }) => [...page.querySelectorAll('img')].flatMap(enlarged)
};
