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
  /** Height of all that scrolls there, px. */
  whole: px(),
  /** Edges of the section it stands in; its own where it stands in none. */
  areaTop: px(),
  areaBottom: px(),
  /** Edges and width of what goes sideways in it or around it; of the section where nothing does. */
  runTop: px(),
  runBottom: px(),
  runWidth: px(),
  /** How far from the window's top that is held, px. */
  runInset: px(),
  /** How long the strip is that goes by there, px; the width where none does. */
  runLength: px(),
  /** From where the nearest around it that sticks carries it along, and how far, px; 0 and 0 for none. */
  heldFrom: px(),
  heldFor: px(),
  /** It is as high as its place because it is told to be. */
  isStretched: boolean().strict(true).required()
}).noUnknown();

/** Where a piece stands at rest, and in what; all in px of the page. */
export type Box = InferType<typeof schema>;

/** Asked of sections, of every piece that does something, and where its width says how what is in it lies. */
export const boxFact: Fact<Box> = {
  maybePart: ({ category, effects, arranged, ranges }) =>
    category === 'section' || (effects && effects.length > 0) || arranged || ranges ? 'root' : null,
  schema
};
