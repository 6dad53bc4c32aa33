import { array, number, object, type InferType } from 'yup';
import type { Fact } from './fact';

const px = () => number().strict(true).min(0);

const schema = object({
  /** Room the row needs on one line, and room there is, px. */
  needed: px().required(),
  available: px().required(),
  /** The smaller side of the smallest thing in the row that can be pressed; left out while it is folded away. */
  target: px(),
  /** Heights of the panels, in their order, px. */
  heights: array().of(px().required()).max(500).required()
}).noUnknown();

export type RowFit = InferType<typeof schema>;

const roomSchema = schema.pick(['needed', 'available']);

export type Room = InferType<typeof roomSchema>;

/** Of a fit what the sweep asks for at every width: to know how high panels would be takes as long as all else. */
export const roomFact: Fact<Room> = { maybePart: () => null, schema: roomSchema };

/** How much room a row of labels needs on one line, and how much it has. */
export const fitFact: Fact<RowFit> = {
  maybePart: ({ fit }) => fit?.row ?? null,
  schema
};
