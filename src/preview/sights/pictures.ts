import type { Remark, SightReader } from './reader';

/** Enlarged by less, in percent, a picture looks as it is. */
const ENLARGED_LEAST = 105;

/** How many times as large a picture is drawn, by how its box compares with it (CSS Images 3, section 5.5). */
const SCALES: Readonly<Record<string, (across: number, along: number) => number>> = {
  contain: (across, along) => Math.min(across, along),
  'scale-down': (across, along) => Math.min(1, across, along),
  none: () => 1
};
/** What covers its box, or is drawn out to fill it. */
const filling = (across: number, along: number): number => Math.max(across, along);

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
  const scaleOf = SCALES[getComputedStyle(image).objectFit] ?? filling;
  const percent = Math.round(100 * scaleOf(box.width / width, box.height / height));
  return percent < ENLARGED_LEAST ? [] : [[image, percent]];
}

/** Pictures drawn larger than they are: blurred on any screen. */
export const pictures: SightReader = {
  what: 'enlarged',
  read: ({ page }) => [...page.querySelectorAll('img')].flatMap(enlarged)
};
