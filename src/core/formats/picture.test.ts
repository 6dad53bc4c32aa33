import { strToU8 } from 'fflate';
import { describe, expect, it } from 'vitest';
import { readAsset } from './picture';

/** A one-pixel GIF, written out from GIF89a, sections 17 to 27. */
const gif = Uint8Array.from([
  0x47, 0x49, 0x46, 0x38, 0x39, 0x61, 3, 0, 2, 0, 0x80, 0, 0, 0, 0, 0, 255, 255, 255, 0x3b
]);
/** PNG signature and an IHDR of 640 by 400 (PNG specification, 5.2 and 11.2.2). */
const png = Uint8Array.from([
  0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13, 0x49, 0x48, 0x44, 0x52, 0, 0, 2, 128, 0, 0, 1,
  144
]);
/** JPEG: SOI, an APP0 of 4 bytes, SOF0 with 300 lines of 200 samples (ITU-T T.81, B.2.2). */
const jpeg = Uint8Array.from([
  0xff, 0xd8, 0xff, 0xe0, 0, 4, 0, 0, 0xff, 0xc0, 0, 11, 8, 1, 44, 0, 200, 1, 1, 17, 0, 0, 0, 0
]);

describe('readAsset', () => {
  it.each([
    ['gif', gif, { type: 'image/gif', width: 3, height: 2, file: 'my-shot.gif' }],
    ['png', png, { type: 'image/png', width: 640, height: 400, file: 'my-shot.png' }],
    ['jpeg', jpeg, { type: 'image/jpeg', width: 200, height: 300, file: 'my-shot.jpg' }],
    [
      'svg',
      strToU8('<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg" width="30px" height="20"/>'),
      { type: 'image/svg+xml', width: 30, height: 20, file: 'my-shot.svg' }
    ]
  ])('knows %s by its bytes, whatever it is called', (_name, bytes, expected) => {
    expect(readAsset(bytes, 'My shot!.txt')).toMatchObject({ ok: true, ...expected });
  });

  it.each([
    [new Uint8Array(), /empty/],
    [strToU8('<html><body>hello</body></html>'), /no picture/],
    [strToU8('MZ'), /no picture/]
  ])('refuses what is none', (bytes, expected) => {
    const read = readAsset(bytes, 'x.png');
    expect(!read.ok && read.sentence).toMatch(expected);
  });
});
