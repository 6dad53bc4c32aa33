import checksum from 'crc-32';
import { strFromU8, Unzip, UnzipInflate } from 'fflate';

/** Limits of a zip, in bytes but for the count of entries. */
export interface ZipLimits {
  /** Of the entry `project.json`, unpacked. */
  readonly json: number;
  /** Of any other entry, unpacked. */
  readonly asset: number;
  /** Of all entries together, unpacked. */
  readonly unpacked: number;
  readonly entries: number;
}

export interface Unpacked {
  readonly entries: ReadonlyMap<string, Uint8Array>;
  /** Names of entries whose bytes are not those the zip was made of, by its own checksums. */
  readonly damaged: readonly string[];
}

const no = (sentence: string) => ({ ok: false as const, sentence });
const inMegabytes = (bytes: number) => Math.round(bytes / 1e6);

class Limit extends Error {}

/**
 * Unpacks a zip, in chunks, so that a small file that grows without end is stopped on the way, and checks it
 * by its own CRC-32.
 * @param isWanted which entries are unpacked; the others only count.
 * @returns a sentence where the zip cannot be unpacked or is larger than it may be. Never throws.
 */
export function unzip(
  file: Uint8Array,
  limits: ZipLimits,
  isWanted: (name: string) => boolean
): Unpacked | { readonly ok: false; readonly sentence: string } {
  const entries = new Map<string, Uint8Array>();
  let total = 0;
  let count = 0;
  let ended = 0;
  let wanted = 0;
  const broken: string[] = [];
  const unzipper = new Unzip((entry) => {
    count += 1;
    if (count > limits.entries)
      throw new Limit(
        `This file holds more than ${limits.entries} entries, which no project needs. It was not opened.`
      );
    if (entry.name.includes('..') || entry.name.startsWith('/') || entry.name.includes('\\')) {
      throw new Limit(
        `This file holds a path that leads outside (“${entry.name.slice(0, 60)}”). It was not opened.`
      );
    }
    if (!isWanted(entry.name)) return;
    wanted += 1;
    const chunks: Uint8Array[] = [];
    let size = 0;
    let isBroken = false;
    entry.ondata = (error, chunk, final) => {
      if (isBroken) return;
      if (error instanceof Limit) throw error;
      if (error) {
        // One picture that cannot be unpacked takes no more with it than itself.
        isBroken = true;
        ended += 1;
        broken.push(entry.name);
        return;
      }
      size += chunk.length;
      total += chunk.length;
      const most = entry.name === 'project.json' ? limits.json : limits.asset;
      if (size > most)
        throw new Limit(
          `${entry.name} in this file unpacks to more than ${inMegabytes(most)} MB. It was not opened.`
        );
      if (total > limits.unpacked)
        throw new Limit(
          `This file unpacks to more than ${inMegabytes(limits.unpacked)} MB. It was not opened.`
        );
      chunks.push(chunk);
      if (!final) return;
      ended += 1;
      entries.set(entry.name, joined(chunks, size));
    };
    entry.start();
  });
  unzipper.register(UnzipInflate);
  try {
    const step = 65_536;
    for (let at = 0; at < file.length; at += step)
      unzipper.push(file.subarray(at, at + step), at + step >= file.length);
  } catch (error) {
    if (error instanceof Limit) return no(error.message);
    return no('This zip is damaged and cannot be unpacked. Try an older copy of the file.');
  }
  if (ended < wanted) return no('This zip is cut short. Copy the file again, or try an older one.');
  return { entries, damaged: [...broken, ...damagedOf(entries, checksumsOf(file))] };
}

function joined(chunks: readonly Uint8Array[], size: number): Uint8Array {
  const all = new Uint8Array(size);
  let at = 0;
  for (const chunk of chunks) {
    all.set(chunk, at);
    at += chunk.length;
  }
  return all;
}

const END_OF_LIST = 0x06054b50;
const LIST_ENTRY = 0x02014b50;

/**
 * @returns the CRC-32 of each entry as the list at the end of a zip has it (APPNOTE.TXT 6.3.10, sections
 * 4.3.12 and 4.3.16).
 */
function checksumsOf(file: Uint8Array): ReadonlyMap<string, number> {
  const found = new Map<string, number>();
  const view = new DataView(file.buffer, file.byteOffset, file.byteLength);
  let end = file.length - 22;
  while (end >= 0 && view.getUint32(end, true) !== END_OF_LIST) end -= 1;
  if (end < 0) return found;
  let at = view.getUint32(end + 16, true);
  while (at + 46 <= file.length && view.getUint32(at, true) === LIST_ENTRY) {
    const nameLength = view.getUint16(at + 28, true);
    const name = strFromU8(file.subarray(at + 46, at + 46 + nameLength));
    found.set(name, view.getInt32(at + 16, true));
    at += 46 + nameLength + view.getUint16(at + 30, true) + view.getUint16(at + 32, true);
  }
  return found;
}

/** An entry the list does not name is damaged too: it, or the list, is not as it was written. */
const damagedOf = (entries: Unpacked['entries'], checksums: ReadonlyMap<string, number>): readonly string[] =>
  [...entries].flatMap(([name, bytes]) => (checksums.get(name) === checksum.buf(bytes) ? [] : [name]));
