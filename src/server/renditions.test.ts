import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { sizesOf, roomOf, widthsFor } from '../core/compile/renditions';
import type { Asset, AssetId } from '../core/project/types';
import { registry } from '../core/whole';
import { after, id, sampleProject } from '../core/testing/project';
import { makeRenditions } from './renditions';

const photo = (width: number, height: number) =>
  sharp({
    create: {
      width,
      height,
      channels: 3,
      background: '#7a9a4c',
      noise: { type: 'gaussian', mean: 120, sigma: 40 }
    }
  })
    .jpeg()
    .toBuffer();
const asset = (width: number): Asset => ({
  id: 'shot' as AssetId,
  file: 'shot.jpg',
  type: 'image/jpeg',
  width,
  height: width,
  bytes: 1
});

describe('renditions', () => {
  it('are as wide as asked, in two formats, upright, and without camera data', async () => {
    const turned = await sharp(await photo(800, 600))
      .withMetadata({ orientation: 6 })
      .toBuffer();
    const result = await makeRenditions(turned, [320, 600, 640]);
    if (!result.ok) throw new Error(result.sentence);
    // Turned, it is 600 wide; 640 would be larger than the picture.
    expect(result.made.map(({ format, width }) => `${width} ${format}`)).toEqual([
      '320 avif',
      '320 jpeg',
      '600 avif',
      '600 jpeg'
    ]);
    for (const { bytes, width } of result.made) {
      const meta = await sharp(bytes).metadata();
      expect([meta.width, meta.orientation ?? 1, meta.exif]).toEqual([width, 1, undefined]);
      expect(meta.height).toBeGreaterThan(meta.width);
    }
  });

  it('keep what is see-through', async () => {
    const clear = await sharp({
      create: { width: 400, height: 300, channels: 4, background: { r: 0, g: 0, b: 0, alpha: 0 } }
    })
      .png()
      .toBuffer();
    const result = await makeRenditions(clear, [320]);
    if (!result.ok) throw new Error(result.sentence);
    expect(result.made.map(({ format }) => format)).toEqual(['avif', 'webp']);
    for (const { bytes } of result.made) expect((await sharp(bytes).metadata()).hasAlpha).toBe(true);
  });

  it('of something broken, huge or moving are refused with the reason', async () => {
    const sentence = async (bytes: Uint8Array) => {
      const result = await makeRenditions(bytes, [320]);
      return result.ok ? '' : result.sentence;
    };
    expect(await sentence(new Uint8Array([0xff, 0xd8, 0xff, 1, 2, 3]))).toContain('damaged');
    expect(await sentence((await photo(900, 900)).subarray(0, 4000))).toContain('damaged');
    expect(
      await sentence(
        await sharp({ create: { width: 20_000, height: 4000, channels: 3, background: 'red' } })
          .png({ compressionLevel: 1 })
          .toBuffer()
      )
    ).toContain('million pixels');
    const frame = await sharp({ create: { width: 40, height: 40, channels: 3, background: 'red' } })
      .png()
      .toBuffer();
    const other = await sharp({ create: { width: 40, height: 40, channels: 3, background: 'blue' } })
      .png()
      .toBuffer();
    expect(
      await sentence(
        await sharp([frame, other], { join: { animated: true } })
          .gif()
          .toBuffer()
      )
    ).toContain('moves');
  });

  it('stop when asked to', async () => {
    const controller = new AbortController();
    controller.abort();
    await expect(makeRenditions(await photo(400, 400), [320], controller.signal)).rejects.toThrow(/abort/i);
  });
});

describe('the place of a picture', () => {
  const project = after(
    sampleProject(),
    { type: 'set-setting', id: 'columns', key: 'shares', value: '1/4 3/4' },
    { type: 'move', ids: ['text-two'], at: { parent: 'left', slot: 'content', index: 0 } }
  );

  it('is its share of the section, and the whole room where columns stack', () => {
    expect(sizesOf(roomOf(registry, project, id('text-two')))).toBe(
      '(width <= 640px) 100vw, min(25vw, 280px)'
    );
    expect(sizesOf(roomOf(registry, project, id('heading')))).toBe('min(100vw, 1120px)');
    const bled = after(project, { type: 'set-setting', id: 'section', key: 'span', value: 'bleed' });
    expect(sizesOf(roomOf(registry, bled, id('heading')))).toBe('100vw');
  });

  it('decides which widths are worth making, and none is wider than the picture', () => {
    expect(widthsFor(asset(4000), roomOf(registry, project, id('text-two')))).toEqual([
      320, 480, 640, 960, 1280
    ]);
    expect(widthsFor(asset(500), roomOf(registry, project, id('heading')))).toEqual([320, 480, 500]);
  });
});
