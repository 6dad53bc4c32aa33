import type { Arrangement, Context } from '../../kinds/contract';
import { balanced, inRows, leftover, packedColumns, stackedIn, type Packing } from './packing';
import { ratiosOf } from '../../kinds/pictures';
import type { GallerySettings } from './settings';

/** Gaps as they come, px: what is in other units is worked out by the page alone. */
const pxOf = (length: string): number => {
  const [, number, unit] = /^(\d*\.?\d+)(px|rem|em)$/.exec(length.trim()) ?? [];
  if (!number) return 0;
  return Number(number) * (unit === 'px' ? 1 : 16);
};

function arrangement(packing: Packing, heights: readonly number[], width: number, gap: number): Arrangement {
  const step = width + gap;
  return {
    boxes: heights.map((height, i) => ({
      left: packing.columns[i]! * step,
      top: packing.tops[i]!,
      width,
      height
    })),
    leftover: Math.round(leftover(packing))
  };
}

/**
 * How the pictures lie in each order in a gallery so wide.
 * @param width px.
 * @returns null where the height of one is not known beforehand.
 */
export function lay(
  own: Readonly<Record<string, unknown>>,
  width: number,
  ctx: Pick<Context, 'items' | 'maybeNode' | 'maybeAsset'>
): Readonly<Record<string, Arrangement>> | null {
  const ratios = ratiosOf(ctx.items('panels'), ctx);
  if (!ratios || ratios.length === 0) return null;
  const { columns, across, below, captions, room } = own as unknown as GallerySettings;
  const [gap, under] = [pxOf(across), pxOf(below)];
  const each = (width - (columns - 1) * gap) / columns;
  const caption = captions === 'below' ? pxOf(room) : 0;
  const heights = ratios.map((ratio) => each * ratio + caption);
  const taken = heights.map((height) => height + under);
  const draw = (packing: Packing) => arrangement(packing, heights, each, gap);
  return {
    // As the page has it, where the columns are the same at every width of a band.
    packed: draw(stackedIn(packedColumns(ratios, columns), taken, columns)),
    down: draw(balanced(taken, columns)),
    rows: draw(inRows(taken, columns))
  };
}
