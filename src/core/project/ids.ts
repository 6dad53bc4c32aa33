import { customAlphabet } from 'nanoid';
import type { AssetId, NodeId, PageId, ProjectId, ShelfId, SourceId, TokenId } from './types';

const letters = customAlphabet('abcdefghijkmnpqrstuvwxyz', 1);
const tail = customAlphabet('0123456789abcdefghijkmnpqrstuvwxyz', 6);
const ending = () => `${letters()}${tail()}`;

/**
 * What an id may look like: it stands in class names, HTML ids and file names without escaping. `constructor`
 * is none, since it is the one such word that every object has an entry for.
 */
export const ID_PATTERN = /^(?!constructor$)[a-z][a-z0-9-]{0,63}$/;

type AnyId = SourceId | NodeId | PageId | AssetId | ProjectId | ShelfId | TokenId;

/** @returns a new id that starts with `stem` (lower case, digits and hyphens; anything else is dropped). */
export function newId<Id extends AnyId>(stem: string): Id {
  const start = slug(stem).slice(0, 40) || letters();
  return `${start}-${ending()}` as Id;
}

/** @returns `text` as lower-case words joined by hyphens, starting with a letter; empty where nothing is left. */
export function slug(text: string): string {
  return text
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[^a-z]+|-+$/g, '');
}

/**
 * White space, and characters that are drawn as nothing (Unicode: Default_Ignorable_Code_Point, and the blank
 * Braille cell).
 */
const UNSEEN = /[\p{White_Space}\p{Default_Ignorable_Code_Point}\p{Cc}\u2800]/gu;

/** Whether a name has something that can be seen. */
export const hasWords = (name: string): boolean => name.replace(UNSEEN, '') !== '';
