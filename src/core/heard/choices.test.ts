import { roles, type ARIAProperty, type ARIARoleDefinitionKey } from 'aria-query';
import { describe, expect, it } from 'vitest';
import { isHeardAt, OF_ROLE } from './choices';

const STATES = ['checked', 'disabled', 'expanded', 'pressed', 'selected'].map((name) => `aria-${name}`);

describe('states that are heard', () => {
  // WAI-ARIA 1.2 as the package aria-query has it.
  it.each(Object.keys(OF_ROLE))('of a %s are those that ARIA gives it', (role) => {
    const { props } = roles.get(role as ARIARoleDefinitionKey)!;
    expect(OF_ROLE[role]).toEqual(STATES.filter((name) => props[name as ARIAProperty] !== undefined));
  });

  it('are told by ARIA or by the element itself, not by data', () => {
    expect(isHeardAt('button', '[aria-pressed="true"]')).toBe(true);
    expect(isHeardAt('button', '[aria-selected="true"]')).toBe(false);
    expect(isHeardAt('link', '[aria-current]')).toBe(true);
    expect(isHeardAt('button', ':is([open] > *)')).toBe(true);
    expect(isHeardAt('button', '[data-open]')).toBe(false);
  });
});
