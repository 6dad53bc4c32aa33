import { array, boolean, number, object, string, type InferType } from 'yup';
import type { Fact } from './fact';

/** More stops than anyone walks through; what comes after them is not looked at. */
export const STOPS_MOST = 500;

const schema = array()
  .of(
    object({
      node: string().strict(true).max(80).required(),
      part: string().strict(true).max(80).required(),
      /** It has something to be called by. */
      isNamed: boolean().strict(true).required(),
      /** It takes room on the page where it can be seen. */
      isSeen: boolean().strict(true).required(),
      /** It stands before the stop that the Tab key comes from: above it, or beside it where lines begin. */
      comesBack: boolean().strict(true).required(),
      /** px from the top of the page; told where it is not seen. */
      top: number().strict(true).required()
    }).noUnknown()
  )
  .max(STOPS_MOST)
  .required();

/** Where the Tab key stops on a page, in its order. */
export type Stops = InferType<typeof schema>;

/** Asked of a page as a whole, since any edit may change where it stops. */
export const stopsFact: Fact<Stops> = {
  maybePart: ({ category }) => (category === 'page' ? 'root' : null),
  schema
};
