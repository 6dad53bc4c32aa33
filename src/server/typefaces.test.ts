import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import * as fontkit from 'fontkit';
import { describe, expect, it } from 'vitest';
import { withShippedFaces } from '$core/faces/shipping';
import { sampleProject } from '$core/testing/project';
import type { Asset, AssetId, Face, NodeId, Project } from '$core/project/types';
import { readFace, subsetFace } from './typefaces';

const file = (path: string): Uint8Array =>
  new Uint8Array(readFileSync(resolve('node_modules/@fontsource-variable', path)));
const FRAUNCES = file('fraunces/files/fraunces-latin-wght-normal.woff2');
const ITALIC = file('fraunces/files/fraunces-latin-wght-italic.woff2');
const MONO = file('jetbrains-mono/files/jetbrains-mono-latin-wght-normal.woff2');

const faceOf = (bytes: Uint8Array): Face => {
  const read = readFace(bytes);
  if (!read.ok) throw new Error(read.sentence);
  return read.face;
};

describe('a file of a typeface', () => {
  // fontkit reads the tables; what is made of them is compared with what it says itself.
  it('says how it is called, how bold it can be, how it stands and how high it is', () => {
    const font = fontkit.create(Buffer.from(FRAUNCES)) as fontkit.Font;
    const { wght } = font.variationAxes as Record<string, { min: number; max: number }>;
    const face = faceOf(FRAUNCES);
    expect(face.family).toMatch(/^Fraunces/);
    expect(face.weight).toEqual([wght!.min, wght!.max]);
    expect(face.style).toBe('normal');
    expect(faceOf(ITALIC).style).toBe('italic');
    expect(face.ascent).toBeCloseTo(font.ascent / font.unitsPerEm, 6);
    expect(face.descent).toBeCloseTo(-font.descent / font.unitsPerEm, 6);
    expect(face.allows).toBe('all');
  });

  it('is as wide on average as its letters are: all of one width are just that', () => {
    const font = fontkit.create(Buffer.from(MONO)) as fontkit.Font;
    expect(faceOf(MONO).width).toBeCloseTo(font.glyphForCodePoint(97).advanceWidth / font.unitsPerEm, 6);
  });

  it('that is broken or none is refused in a sentence', () => {
    const cut = FRAUNCES.slice(0, 900);
    for (const bytes of [new Uint8Array(), new Uint8Array([1, 2, 3]), cut, new Uint8Array(5000).fill(0x4f)]) {
      const read = readFace(bytes);
      expect(read).toEqual({ ok: false, sentence: expect.stringMatching(/damaged or no typeface/) });
    }
    expect(readFace(new Uint8Array(31e6))).toEqual({
      ok: false,
      sentence: expect.stringMatching(/larger than 30 MB/)
    });
  });

  it('keeps the letters that are used, some that may be, and its weights, and is smaller for it', async () => {
    const made = await subsetFace(FRAUNCES, 'Quillmere ü Ж');
    if (!made.ok) throw new Error(made.sentence);
    expect(made.missing).toBe('Ж');
    expect(made.bytes.length).toBeLessThan(FRAUNCES.length * 0.8);
    const small = fontkit.create(Buffer.from(made.bytes)) as fontkit.Font;
    expect([...'Qü~—'].every((letter) => small.hasGlyphForCodePoint(letter.codePointAt(0)!))).toBe(true);
    expect(small.hasGlyphForCodePoint('ñ'.codePointAt(0)!)).toBe(false);
    expect(faceOf(made.bytes).weight).toEqual(faceOf(FRAUNCES).weight);
    expect(await subsetFace(new Uint8Array([9, 9]), 'a')).toEqual({ ok: false, sentence: 'it is damaged' });
  });
});

describe('typefaces as they leave', () => {
  const asset = (allows: Face['allows']): Asset => ({
    id: 'serif' as AssetId,
    file: 'quill.ttf',
    type: 'font/ttf',
    width: null,
    height: null,
    bytes: FRAUNCES.length,
    face: { ...faceOf(FRAUNCES), family: 'Quill', allows }
  });
  const sample = sampleProject();
  const heading = sample.nodes['heading' as NodeId]!;
  const named = {
    ...heading,
    settings: { text: 'Ж!' },
    styles: { root: { rest: { always: { 'font-family': '"Quill", serif' } } } }
  };
  const project = (allows: Face['allows'], node = named): Project => ({
    ...sample,
    nodes: { ...sample.nodes, ['heading' as NodeId]: node },
    assets: { ['serif' as AssetId]: asset(allows) }
  });
  const shipped = (given: Project) =>
    withShippedFaces(given, new Map([['serif' as AssetId, FRAUNCES]]), ['page' as NodeId], subsetFace);

  it('are WOFF2 with the letters of the page, and letters they lack are told', async () => {
    const { project: made, bytes, notes } = await shipped(project('all'));
    expect(made.assets['serif' as AssetId]).toMatchObject({ file: 'quill.woff2', type: 'font/woff2' });
    expect(bytes.get('serif' as AssetId)!.length).toBeLessThan(FRAUNCES.length);
    expect(notes).toEqual(['Quill lacks letters of this page, which show in the typeface behind it: Ж.']);
  });

  it('go along whole, or not at all, where their licence says so, and that is told', async () => {
    const whole = await shipped(project('whole'));
    expect(whole.bytes.get('serif' as AssetId)).toBe(FRAUNCES);
    expect(whole.notes).toEqual([expect.stringMatching(/goes along whole/)]);
    const none = await shipped(project('none'));
    expect(none.project.assets).toEqual({});
    expect(none.notes).toEqual([expect.stringMatching(/left out: its licence forbids/)]);
  });

  it('are left as they are where nothing names them', async () => {
    const { bytes, notes } = await shipped(project('all', heading as never));
    expect(bytes.get('serif' as AssetId)).toBe(FRAUNCES);
    expect(notes).toEqual([]);
  });
});
