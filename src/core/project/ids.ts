import { customAlphabet } from 'nanoid';
import type { AssetId, NodeId, PageId, ProjectId, ShelfId, TokenId } from './types';

const letters = customAlphabet('abcdefghijkmnpqrstuvwxyz', 1);
const tail = customAlphabet('0123456789abcdefghijkmnpqrstuvwxyz', 6);

/** What an id may look like: it stands in class names, HTML ids and file names without escaping. */
export const ID_PATTERN = /^[a-z][a-z0-9-]{0,63}$/;

/** @returns a new id that starts with `stem` (lower case, digits and hyphens; anything else is dropped). */
export function newId<Id extends NodeId | PageId | AssetId | ProjectId | ShelfId | TokenId>(stem: string): Id {
  const clean = slug(stem).slice(0, 40);
  return `${clean || letters()}-${letters()}${tail()}` as Id;
}

/** @returns `text` as lower-case words joined by hyphens, starting with a letter; empty where nothing is left. */
export function slug(text: string): string {
  return text
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[^a-z]+|-+$/g, '');
}
