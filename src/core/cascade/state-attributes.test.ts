import { describe, expect, it } from 'vitest';
import { registry } from '../whole';
import { attributesIn } from './state-attributes';

describe('attributes that a state asks for', () => {
  it('are read with where they stand', () => {
    expect(attributesIn('[open]:where(:hover)')).toMatchObject([{ name: 'open', value: '', above: 0 }]);
    expect(attributesIn(':is([open] > * > *)')).toMatchObject([{ name: 'open', value: '', above: 2 }]);
    expect(attributesIn(':is([aria-selected="true"], [aria-current])')).toMatchObject([
      { name: 'aria-selected', value: 'true', above: 0 },
      { name: 'aria-current', value: 'true', above: 0 }
    ]);
  });

  it('are none where the pointer, the focus or a neighbour brings the state', () => {
    for (const selector of [':hover', ':focus-visible', ':is([aria-current] + *)'])
      expect(attributesIn(selector)).toEqual([]);
  });

  it('say false outside the state where they say true in it, and else are gone', () => {
    const outside = (selector: string) => attributesIn(selector).map((each) => each.outside);
    expect(outside('[aria-expanded="true"]')).toEqual(['false']);
    expect(outside(':is([aria-selected="true"], [aria-current])')).toEqual(['false', null]);
    expect(outside('[open]')).toEqual([null]);
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
