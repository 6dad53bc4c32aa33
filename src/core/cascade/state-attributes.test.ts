import { describe, expect, it } from 'vitest';
import { registry } from '../whole';
import { attributesIn, valueOutside } from './state-attributes';

describe('attributes that a state asks for', () => {
  it('are read with where they stand', () => {
    expect(attributesIn('[open]:where(:hover)')).toEqual([{ name: 'open', value: '', above: 0 }]);
    expect(attributesIn(':is([open] > * > *)')).toEqual([{ name: 'open', value: '', above: 2 }]);
    expect(attributesIn(':is([aria-selected="true"], [aria-current])')).toEqual([
      { name: 'aria-selected', value: 'true', above: 0 },
      { name: 'aria-current', value: 'true', above: 0 }
    ]);
  });

  it('are none where the pointer, the focus or a neighbour brings the state', () => {
    for (const selector of [':hover', ':focus-visible', ':is([aria-current] + *)'])
      expect(attributesIn(selector)).toEqual([]);
  });

  it('go off where they are on or off, and say false where they say true', () => {
    const [open, selected] = [attributesIn('[open]'), attributesIn('[aria-expanded="true"]')];
    expect(valueOutside(open[0]!)).toBe(null);
    expect(valueOutside(selected[0]!)).toBe('false');
  });

  it('are all found in the states of every kind', () => {
    const selectors = registry
      .everyKind()
      .flatMap(({ anatomy }) => Object.values(anatomy).flatMap(({ states }) => Object.values(states)))
      .map(String)
      .filter((selector) => selector.includes('[') && !selector.includes('+'));
    expect(selectors.length).toBeGreaterThan(8);
    for (const selector of selectors) {
      const written = attributesIn(selector).map(({ name }) => name);
      expect([selector, written]).toEqual([
        selector,
        [...selector.matchAll(/\[([\w-]+)/g)].map(([, name]) => name)
      ]);
    }
  });
});
