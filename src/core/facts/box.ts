import { boolean, number, object, string, type InferType } from 'yup';
import type { Fact } from './fact';

const px = () => number().strict(true).required();

const schema = object({
  /** Border box at rest, px from the beginning of what scrolls, without transforms. */
  top: px(),
  bottom: px(),
  left: px(),
  right: px(),
  marginTop: px(),
  marginBottom: px(),
  /** Computed insets where it sticks, px; null for none. */
  insetTop: number().strict(true).nullable().defined(),
  insetBottom: number().strict(true).nullable().defined(),
  /** Content edges of what it stands in, and the piece that is; null for none of ours. */
  withinTop: px(),
  withinBottom: px(),
  within: string().strict(true).nullable().defined(),
  /** Where that would end, were it as high as what it stands in itself. */
  outerBottom: px(),
  /** What scrolls: a piece, or null for the page; its height, and its padding above and below, px. */
  scroller: string().strict(true).nullable().defined(),
  height: px(),
  padTop: px(),
  padBottom: px(),
  /** It is as high as its place because it is told to be. */
  isStretched: boolean().strict(true).required()
}).noUnknown();

/** Where a piece stands at rest, and in what; all in px of the page. */
export type Box = InferType<typeof schema>;

/** Asked of every piece that does something with the scroll, or whose width says how what is in it lies. */
export const boxFact: Fact<Box> = {
  maybePart: ({ effects, arranged }) => ((effects && effects.length > 0) || arranged ? 'root' : null),
  schema
};
