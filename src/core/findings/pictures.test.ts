import { describe, expect, it } from 'vitest';
import { roomOf, shownWidth, sizesOf } from '../compile/renditions';
import type { Command } from '../commands/commands';
import { makeWith } from '../kinds/make';
import type { Asset, Project } from '../project/types';
import { registry } from '../whole';
import { after, id, sampleProject } from '../testing/project';
import { runFindings } from './run';

const make = makeWith({ exactIds: true });
const asset = (changes: Partial<Asset>): Command => ({
  type: 'add-asset',
  asset: {
    id: 'photo',
    file: 'photo.jpg',
    type: 'image/jpeg',
    width: 2400,
    height: 1600,
    bytes: 300_000,
    ...changes
  }
});
const picture: Command = {
  type: 'insert',
  fragment: make('image', 'Picture', { asset: 'photo', alt: 'Trees' }),
  at: { parent: 'left', slot: 'content', index: 0 }
};
const found = (project: Project) =>
  runFindings(registry, project)
    .filter(({ rule }) => /^picture|^full/.test(rule))
    .map(({ rule, number }) => ({ rule, number }));
const withPicture = (changes: Partial<Asset>) => after(sampleProject(), asset(changes), picture);

describe('pictures', () => {
  it('are shown as wide as their place, never wider than they are, and as wide as the window where columns stack', () => {
    const room = roomOf(registry, withPicture({}), id('picture'));
    expect(shownWidth(room, 1440, null)).toBe(560);
    expect(shownWidth(room, 1440, 400)).toBe(400);
    expect(shownWidth(room, 600, null)).toBe(600);
  });

  it('need two pixels for each px that is shown, and drawings none', () => {
    expect(found(withPicture({ width: 1120 }))).toEqual([]);
    expect(found(withPicture({ width: 1119 }))).toEqual([
      { rule: 'picture-grainy', number: '1119 of 1120 px' }
    ]);
    expect(found(withPicture({ width: 300, file: 'photo.svg', type: 'image/svg+xml' }))).toEqual([]);
    expect(
      found(
        after(sampleProject(), asset({ width: 1000 }), {
          type: 'set-setting',
          id: 'section',
          key: 'picture',
          value: 'photo'
        })
      )
    ).toEqual([{ rule: 'picture-grainy', number: '1000 of 2880 px' }]);
  });

  it('are drawn wider than their place where they are cut at their sides, and need the pixels for it', () => {
    const cutTo = (value: string, condition = 'always'): Command =>
      ({ type: 'set-setting', id: 'picture', key: 'shape', value, condition }) as Command;
    const roomIn = (project: Project) =>
      roomOf(registry, project, id('picture'), Object.values(project.assets)[0]!);
    // 3 : 2 in 1 : 1 is half as wide again as what is seen of it; in 16 : 9 it is cut above and below.
    const square = after(withPicture({ width: 1600 * 1.5 }), cutTo('1 / 1'));
    expect(shownWidth(roomIn(square), 1440, 2400)).toBe(840);
    expect(sizesOf(roomIn(square))).toBe('(width <= 640px) 150vw, min(75vw, 840px)');
    expect(shownWidth(roomIn(after(square, cutTo('16 / 9'))), 1440, 2400)).toBe(560);
    expect(shownWidth(roomIn(after(square, cutTo('own', 'narrow'))), 600, 2400)).toBe(600);
    expect(found(after(withPicture({ width: 1500, height: 1000 }), cutTo('1 / 1')))).toEqual([
      { rule: 'picture-grainy', number: '1500 of 1680 px' }
    ]);
  });

  it('that lose more than half to a shape are told, and the fix takes one that is nearer, where it is set', () => {
    const cutTo = (value: string, condition: string): Command =>
      ({ type: 'set-setting', id: 'picture', key: 'shape', value, condition }) as Command;
    const strip = after(withPicture({ width: 6400, height: 1600 }), cutTo('16 / 9', 'always'));
    const fixed = runFindings(registry, strip).find(({ rule }) => rule === 'picture-cut')!.fix!;
    expect(fixed.label).toBe('Leave it its own shape');
    expect(found(after(strip, ...(fixed.commands as Command[])))).toEqual([]);
    const wide = withPicture({ width: 3200, height: 1600 });
    expect(found(after(wide, cutTo('1 / 1', 'always')))).toEqual([]);
    const project = after(wide, cutTo('3 / 4', 'narrow'));
    expect(found(project)).toEqual([{ rule: 'picture-cut', number: '63 %' }]);
    const { fix } = runFindings(registry, project).find(({ rule }) => rule === 'picture-cut')!;
    const mended = after(project, ...(fix!.commands as Command[]));
    expect(found(mended)).toEqual([]);
    expect(mended.nodes[id('picture')]!.adapt.narrow).toEqual({ shape: '16 / 9' });
    expect(mended.nodes[id('picture')]!.settings).not.toHaveProperty('shape');
  });

  it('may weigh so much', () => {
    expect(found(withPicture({ bytes: 4_900_000 }))).toEqual([]);
    expect(found(withPicture({ bytes: 5_100_000 }))).toEqual([{ rule: 'picture-heavy', number: '5.1 MB' }]);
    expect(found(withPicture({ bytes: 450_000, file: 'photo.gif', type: 'image/gif' }))).toEqual([
      { rule: 'picture-heavy', number: '450 kB' }
    ]);
  });

  it('fill the window a few times on a page, not many times', () => {
    const band = (n: number): Command => ({
      type: 'insert',
      fragment: make('section', `Band ${n}`, { height: '100svh', picture: 'photo' }, { content: [] }),
      at: { parent: 'page', slot: 'sections', index: 1 }
    });
    const many = (count: number) =>
      after(sampleProject(), asset({ width: 4000 }), ...Array.from({ length: count }, (_, n) => band(n)));
    expect(found(many(4))).toEqual([]);
    expect(found(many(5))).toEqual([{ rule: 'full-screen-media', number: '5, 300 kB' }]);
  });
});
