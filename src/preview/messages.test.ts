import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readFromFrame, readToFrame } from './messages';

describe('messages with the frame', () => {
  it.each([
    { type: 'ready' },
    { type: 'patched', seq: 3, work: 1.5, shown: 1e12 },
    { type: 'picked', pick: { node: 'tabs', part: 'tab', item: null }, opens: false },
    { type: 'key', key: 'z', code: 'KeyZ', ctrl: true, shift: false, alt: false },
    { type: 'fault', sentence: 'x is not defined' }
  ])('takes what fits: %o', (message) => {
    expect(readFromFrame(message)).toEqual(message);
  });

  it.each([
    null,
    'ready',
    {},
    { type: 'toString' },
    { type: ['ready'] },
    { type: 'ready', more: 1 },
    { type: 'patched', seq: '3', work: 1, shown: 1e12 },
    { type: 'patched', seq: 3, work: -1, shown: 1e12 },
    { type: 'patched', seq: 3, work: 1 },
    { type: 'picked', pick: { node: 'x'.repeat(81), part: 'tab', item: null }, opens: false },
    { type: 'picked', pick: { node: 'tabs' }, opens: false },
    { type: 'fault', sentence: 'x'.repeat(501) },
    { type: 'patch', seq: 1, root: 'page', keyframes: '', nodes: [], removed: [] }
  ])('drops what does not: %o', (message) => {
    expect(readFromFrame(message)).toBeNull();
  });

  it('never throws', () => {
    fc.assert(
      fc.property(fc.anything(), (value) => readFromFrame(value) === null || typeof value === 'object')
    );
  });

  it('reads patches on the other side', () => {
    const patch = {
      type: 'patch',
      seq: 1,
      root: 'page',
      keyframes: '',
      nodes: [{ id: 'page', html: '<k-body></k-body>', behaviours: [] }],
      sheets: [{ id: 'k-page', css: 'x' }],
      values: [{ id: 'page', stem: 'page', values: ['1px'], widths: [712] }],
      removed: ['old'],
      tokens: [{ id: 'leaf', value: '#0b6a5f' }]
    };
    expect(readToFrame(patch)).toEqual(patch);
    expect(
      readToFrame({ ...patch, nodes: [{ id: 'page', html: '', behaviours: [], script: 'alert(1)' }] })
    ).toBeNull();
    for (const wrong of [
      { nodes: [{ id: 'page', html: 1, behaviours: [] }] },
      { nodes: [null] },
      { nodes: [{ id: '', html: '', behaviours: [] }] },
      { nodes: [{ id: 'page', html: '', behaviours: [7] }] },
      { nodes: {} },
      { sheets: [{ id: 'k-page' }] },
      { values: [{ id: 'page', stem: 'page', values: ['x'.repeat(501)], widths: [] }] },
      { values: [{ id: 'page', stem: 'page', values: [], widths: ['712'] }] },
      { removed: [3] },
      { removed: null }
    ]) {
      expect(readToFrame({ ...patch, ...wrong }), JSON.stringify(wrong)).toBeNull();
    }
    expect(readToFrame({ type: 'asset', id: 'a', blob: 'not a blob' })).toBeNull();
  });
});
