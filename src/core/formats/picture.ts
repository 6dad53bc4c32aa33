import { strFromU8, strToU8 } from 'fflate';
import type { Element } from 'hast';
import { toHtml } from 'hast-util-to-html';
import { readSvg } from '../html/svg';
import { slug } from '../project/ids';
import type { Asset, FACE_TYPES, FILM_TYPES, PICTURE_TYPES } from '../project/types';

export type ReadAsset =
  | {
      readonly ok: true;
      readonly type: Asset['type'];
      /** A name fit for files and addresses, with the right ending. */
      readonly file: string;
      readonly bytes: Uint8Array;
      readonly width: number | null;
      readonly height: number | null;
    }
  | { readonly ok: false; readonly sentence: string };

const ENDINGS: Readonly<Record<Asset['type'], string>> = {
  'image/svg+xml': 'svg',
  'image/png': 'png',
  'image/jpeg': 'jpg',
  'image/webp': 'webp',
  'image/gif': 'gif',
  'image/avif': 'avif',
  'video/mp4': 'mp4',
  'video/webm': 'webm',
  'font/woff2': 'woff2',
  'font/ttf': 'ttf',
  'font/otf': 'otf'
};

/** What a file is called that has no name of its own, by what it is. */
const CALLED: Readonly<Record<string, string>> = { image: 'picture', video: 'film', font: 'typeface' };

const fileOf = (stem: string, type: Asset['type']): string =>
  `${stem || CALLED[type.split('/')[0]!]}.${ENDINGS[type]}`;

/** Greatest size of a picture or film, bytes. */
export const FILE_MOST = 50e6;

/**
 * Recognises a picture or film by its bytes, not by its name (WHATWG MIME Sniffing, sections 6.1 and 6.2; SVG
 * by its root element). SVG comes back cleaned: no script, no event attribute, nothing fetched.
 */
export function readAsset(bytes: Uint8Array, name: string): ReadAsset {
  const shown = name.slice(0, 80) || 'This file';
  const no = (why: string): ReadAsset => ({ ok: false, sentence: `${shown} ${why}` });
  if (bytes.length === 0) return no('is empty. Choose another file.');
  if (bytes.length > FILE_MOST) return no(`is larger than ${FILE_MOST / 1e6} MB. Make it smaller first.`);
  const type = rasterType(bytes);
  const stem = slug(name.replace(/\.[^.]*$/, ''));
  if (type) return { ok: true, type, file: fileOf(stem, type), bytes, ...rasterSize(type, bytes) };
  const sizeless = filmType(bytes) ?? faceType(bytes);
  if (sizeless) return { ok: true, type: sizeless, file: fileOf(stem, sizeless), bytes, ...NO_SIZE };
  const text = strFromU8(bytes.subarray(0, 2_000_000));
  if (!/<svg[\s>]/i.test(text))
    return no('is no picture or film Kymation can use. Choose SVG, PNG, JPEG, WebP, AVIF, GIF, MP4 or WebM.');
  const read = readSvg(text);
  if (!read.ok) return no(read.why);
  const cleanBytes = strToU8(toHtml(read.svg, { space: 'svg', closeEmptyElements: true }));
  const svg = 'image/svg+xml';
  return { ok: true, type: svg, file: fileOf(stem, svg), bytes: cleanBytes, ...svgSize(read.svg) };
}

const bytesAt =
  (bytes: Uint8Array) =>
  (at: number, ...values: number[]) =>
    values.every((value, i) => bytes[at + i] === value);

/** A file of an ISO kind that is no picture is taken for MP4; Matroska that says so in its head for WebM. */
function filmType(bytes: Uint8Array): (typeof FILM_TYPES)[number] | null {
  const has = bytesAt(bytes);
  if (
    has(4, 0x66, 0x74, 0x79, 0x70) &&
    !/^(?:avi[fs]|mif1|msf1|hei[cx]|hev[cx])/.test(strFromU8(bytes.subarray(8, 12)))
  )
    return 'video/mp4';
  return has(0, 0x1a, 0x45, 0xdf, 0xa3) && strFromU8(bytes.subarray(4, 64), true).includes('webm')
    ? 'video/webm'
    : null;
}

const NO_SIZE = { width: null, height: null };

/** OpenType files by their first four bytes (OpenType, “Table directory”; WOFF2, section 4.1). */
export function faceType(bytes: Uint8Array): (typeof FACE_TYPES)[number] | null {
  const has = bytesAt(bytes);
  if (has(0, 0x77, 0x4f, 0x46, 0x32)) return 'font/woff2';
  if (has(0, 0x4f, 0x54, 0x54, 0x4f)) return 'font/otf';
  const isTrueType = has(0, 0x00, 0x01, 0x00, 0x00) || has(0, 0x74, 0x72, 0x75, 0x65);
  return isTrueType ? 'font/ttf' : null;
}

function rasterType(bytes: Uint8Array): Exclude<(typeof PICTURE_TYPES)[number], 'image/svg+xml'> | null {
  const has = bytesAt(bytes);
  if (has(0, 0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a)) return 'image/png';
  if (has(0, 0xff, 0xd8, 0xff)) return 'image/jpeg';
  if (has(0, 0x47, 0x49, 0x46, 0x38)) return 'image/gif';
  if (has(0, 0x52, 0x49, 0x46, 0x46) && has(8, 0x57, 0x45, 0x42, 0x50)) return 'image/webp';
  return has(4, 0x66, 0x74, 0x79, 0x70, 0x61, 0x76, 0x69) ? 'image/avif' : null;
}

interface Size {
  readonly width: number | null;
  readonly height: number | null;
}

/**
 * PNG: IHDR (PNG specification, 11.2.2). GIF: logical screen (GIF89a, 18). JPEG: the frame header (ITU-T
 * T.81, B.2.2).
 */
function rasterSize(type: Asset['type'], bytes: Uint8Array): Size {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (type === 'image/png' && bytes.length >= 24)
    return { width: view.getUint32(16), height: view.getUint32(20) };
  if (type === 'image/gif' && bytes.length >= 10)
    return { width: view.getUint16(6, true), height: view.getUint16(8, true) };
  if (type === 'image/jpeg') return jpegSize(view);
  return { width: null, height: null };
}

function jpegSize(view: DataView): Size {
  for (let at = 2; at + 9 < view.byteLength;) {
    if (view.getUint8(at) !== 0xff) break;
    const marker = view.getUint8(at + 1);
    const isFrame = marker >= 0xc0 && marker <= 0xcf && marker !== 0xc4 && marker !== 0xc8 && marker !== 0xcc;
    if (isFrame) return { height: view.getUint16(at + 5), width: view.getUint16(at + 7) };
    at += 2 + view.getUint16(at + 2);
  }
  return { width: null, height: null };
}

/** Natural size of an SVG: width and height in px, else its view box (SVG 2, section 8.2). */
function svgSize(svg: Element): Size {
  const px = (value: unknown) => {
    const length = Number(/^(\d+(?:\.\d+)?)(?:px)?$/.exec(String(value ?? ''))?.[1]);
    return length > 0 ? Math.round(length) : null;
  };
  const box = String(svg.properties.viewBox ?? '')
    .trim()
    .split(/[\s,]+/);
  return { width: px(svg.properties.width) ?? px(box[2]), height: px(svg.properties.height) ?? px(box[3]) };
}
