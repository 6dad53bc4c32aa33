import { readCsv } from './csv';
import { readJson } from './json';
import { refused, type ReadTable } from './table';

/** Of the WHATWG Encoding standard; browsers and Node have it, the language itself has not. */
declare const TextDecoder: new (
  label: string,
  options?: { readonly fatal?: boolean }
) => { decode(bytes: Uint8Array): string };

/** What spreadsheets of the West write where they do not write UTF-8. */
const OLD_ENCODING = 'windows-1252';

/** @returns the text of a file: by the mark at its beginning, else as UTF-8, else as older spreadsheets write. */
export function decoded(bytes: Uint8Array): string {
  const [first, second] = bytes;
  if (first === 0xff && second === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (first === 0xfe && second === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder(OLD_ENCODING).decode(bytes);
  }
}

const isJson = (text: string, name: string): boolean =>
  name.toLowerCase().endsWith('.json') || /^\s*[[{]/.test(text.slice(0, 200));

/**
 * Reads a table of either sort, told by its name and its first sign. Never throws.
 * @param onprogress told now and then which share is read, 0 to 1.
 */
export function readTable(text: string, name: string, onprogress?: (share: number) => void): ReadTable {
  if (/^\s*<(?:!doctype|html)/i.test(text.slice(0, 200)))
    return refused('This is a web page and no table. Choose a file that ends in .csv or .json.');
  return isJson(text, name) ? readJson(text) : readCsv(text, onprogress);
}
