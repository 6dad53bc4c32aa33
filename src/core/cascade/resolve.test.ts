import chroma from 'chroma-js';
import type { Command } from '../commands/commands';
import { describe, expect, it } from 'vitest';
import type { ConditionName, StateName } from '../project/types';
import { registry } from '../whole';
import { after, id, sampleProject } from '../testing/project';
import { backdrop, ringContrast, textContrast } from './contrast';
import { maybeParentPart, resolve } from './resolve';

const set = (
  part: string,
  property: string,
  value: string,
  state: StateName = 'rest',
  condition: ConditionName = 'always',
  node = 'tabs'
) =>
  ({
    type: 'set-style',
    id: node,
    part,
    state,
    condition,
    property,
    value
  }) as Command;
const at = (part: string, state: StateName = 'rest', conditions: ConditionName[] = [], node = 'tabs') => ({
  node: id(node),
  part,
  state,
  conditions
});

describe('resolve', () => {
  it('says the value and where it came from', () => {
    const project = after(
      sampleProject(),
      set('tab', 'color', '#111111'),
      set('root', 'color', '#222222', 'rest', 'always', 'page')
    );
    const of = (part: string, property: string, state: StateName = 'rest') =>
      resolve(registry, project, at(part, state)).get(property);
    expect(of('tab', 'color')).toEqual({
      value: '#111111',
      written: '#111111',
      origin: { from: 'own', state: 'rest', condition: 'always' }
    });
    expect(of('tab', 'background-color', 'hover')!.origin).toEqual({
      from: 'look',
      state: 'hover',
      condition: 'always'
    });
    expect(of('panel', 'color')).toEqual({
      value: '#222222',
      written: '#222222',
      origin: { from: 'inherited', node: 'page', part: 'root' }
    });
    expect(of('panel', 'opacity')).toEqual({ value: '1', written: '1', origin: { from: 'initial' } });
  });

  it('lets an own value take the place of the look in its own cell only', () => {
    const project = after(sampleProject(), set('tab', 'background-color', '#aaaaaa'));
    const value = (state: StateName) =>
      resolve(registry, project, at('tab', state)).get('background-color')!.value;
    expect(value('rest')).toBe('#aaaaaa');
    expect(value('hover')).toBe('#e4dfd3');
    expect(value('focus')).toBe('#aaaaaa');
  });

  it('counts hover in while pressed, but not where the pointer cannot hover', () => {
    const project = after(sampleProject(), set('tab', 'color', '#0000ff', 'hover'));
    expect(resolve(registry, project, at('tab', 'pressed')).get('color')!.value).toBe('#0000ff');
    expect(resolve(registry, project, at('tab', 'pressed', ['touch'])).get('color')!.value).toBe('#3b444a');
    expect(resolve(registry, project, at('tab', 'hover', ['touch'])).get('color')!.value).toBe('#3b444a');
  });

  it('puts states before conditions, and narrower conditions after wider ones', () => {
    const project = after(
      sampleProject(),
      set('tab', 'padding', '1px', 'rest', 'narrow'),
      set('tab', 'padding', '2px', 'rest', 'medium'),
      set('tab', 'padding', '3px', 'selected', 'always')
    );
    const padding = (state: StateName, ...conditions: ConditionName[]) =>
      resolve(registry, project, at('tab', state, conditions)).get('padding')!.value;
    expect([
      padding('rest'),
      padding('rest', 'medium'),
      padding('rest', 'medium', 'narrow'),
      padding('selected', 'medium', 'narrow')
    ]).toEqual(['10px 16px', '2px', '1px', '3px']);
  });

  it('makes an em of type size px before it is handed down', () => {
    const project = after(
      sampleProject(),
      set('root', 'font-size', '20px', 'rest', 'always', 'page'),
      set('tab', 'font-size', '1.5em')
    );
    expect(resolve(registry, project, at('tab')).get('font-size')!.value).toBe('30px');
  });

  it('finds what a part is drawn in, through the owner of an item', () => {
    const parent = (node: string, part: string) =>
      maybeParentPart(registry, sampleProject(), sampleProject().nodes[id(node)]!, part);
    expect(parent('tabs', 'tab')).toEqual({ node: 'tabs', part: 'list' });
    expect(parent('text-one', 'root')).toEqual({ node: 'tabs', part: 'panel' });
    expect(parent('tabs', 'root')).toEqual({ node: 'section', part: 'inner' });
    expect(parent('page', 'root')).toBeNull();
  });
});

describe('contrast of parts', () => {
  it('looks through what is transparent to what is behind', () => {
    const project = after(
      sampleProject(),
      set('root', 'background-color', '#000000', 'rest', 'always', 'section'),
      set('root', 'color', '#ffffff', 'rest', 'always', 'section')
    );
    expect(textContrast(registry, project, at('panel'))!.least).toBeCloseTo(21);
    expect(backdrop(registry, project, at('panel'))).toMatchObject({ r: 0, g: 0, b: 0 });
  });

  it('counts opacity in', () => {
    const solid = textContrast(registry, sampleProject(), at('tab'))!.least;
    const faded = textContrast(
      registry,
      after(sampleProject(), set('tab', 'opacity', '0.4')),
      at('tab')
    )!.least;
    expect(faded).toBeLessThan(solid / 2);
  });

  it('measures a ring against what it is drawn on: around the part, or on its own ground in the state it is in', () => {
    const blue = set('tab', 'outline', '2px solid #2b55a0', 'focus');
    const outside = after(sampleProject(), blue, set('tab', 'outline-offset', '2px', 'focus'));
    const inside = after(sampleProject(), blue);
    const besides = (state: StateName) => ({ ...at('tab', 'focus'), besides: [state] });
    // Ratios by the WCAG formula, worked out with chroma-js: #2b55a0 on white, on #f2efe7, on #0b6a5f.
    expect(ringContrast(registry, outside, at('tab', 'focus'))).toBeCloseTo(7.2, 1);
    expect(ringContrast(registry, outside, besides('selected'))).toBeCloseTo(7.2, 1);
    expect(ringContrast(registry, inside, at('tab', 'focus'))).toBeCloseTo(
      chroma.contrast('#2b55a0', '#f2efe7'),
      2
    );
    expect(ringContrast(registry, inside, besides('selected'))).toBeCloseTo(
      chroma.contrast('#2b55a0', '#0b6a5f'),
      2
    );
  });

  it('takes a ring without a colour for one in that of the words, and has nothing to say where there is none', () => {
    const ringed = (outline: string) =>
      ringContrast(
        registry,
        after(sampleProject(), set('tab', 'outline', outline, 'focus')),
        at('tab', 'focus')
      );
    const words = textContrast(registry, sampleProject(), at('tab', 'focus'))!.least;
    for (const outline of ['2px solid currentcolor', '2px dashed'])
      expect(ringed(outline), outline).toBeCloseTo(words, 5);
    for (const outline of ['none', 'auto', '0']) expect(ringed(outline), outline).toBeNull();
    expect(ringContrast(registry, sampleProject(), at('tab'))).toBeNull();
  });
});
