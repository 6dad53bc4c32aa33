import { boolean, number, object, string, type InferType } from 'yup';
import { heardSchema, heardWords, maybeRoleWords } from './heard';

/** More than anyone reads through in a list. */
export const READ_MOST = 1500;

/** One thing that is read when the page is read from its beginning. */
export const readSchema = object({
  node: string().strict(true).max(80).required(),
  part: string().strict(true).max(80).required(),
  item: string().strict(true).max(80).nullable().defined(),
  heard: heardSchema.required(),
  /** The beginning of its words, where it has no name of its own. */
  words: string().strict(true).max(120).defined(),
  /** Its number among the stops of the Tab key; null where it is none. */
  stop: number().integer().min(1).nullable().defined(),
  isNamed: boolean().strict(true).required(),
  isSeen: boolean().strict(true).required()
}).noUnknown();

export type Read = InferType<typeof readSchema>;

/** What is wrong with a stop, in a few words; null where nothing is, and for what is no stop. */
export function maybeTrouble({ stop, isNamed, isSeen }: Read): string | null {
  if (stop === null) return null;
  if (!isNamed) return 'has no name';
  return isSeen ? null : 'cannot be seen';
}

/** @returns the line of a list for it: role, name and state, or its words where it has nothing but those. */
export const readWords = (read: Read): string =>
  maybeRoleWords(read.heard) === null && read.heard.name === '' ? read.words : heardWords(read.heard, null);
