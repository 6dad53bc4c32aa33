import { describe, expect, it } from 'vitest';
import { isIcon } from '../core/html/icon';
import { findIcons } from './icons';

describe('icons', () => {
  it('are found by name and by meaning', () => {
    expect(findIcons('apple', 5)[0]!.name).toBe('apple');
    expect(findIcons('orchard', 20).map(({ name }) => name)).toContain('apple');
    expect(findIcons('winter', 20).map(({ name }) => name)).toContain('snowflake');
    expect(findIcons('zzzz', 5)).toEqual([]);
    expect(findIcons('', 12)).toHaveLength(12);
  });

  it('are all drawings the project takes', () => {
    expect(findIcons('', 5000).length).toBeGreaterThan(1500);
  });

  it.each([
    [{ name: 'x', nodes: [['script', { d: 'M0 0' }]] }],
    [{ name: 'x', nodes: [['path', { d: 'M0 0', onload: 'alert(1)' }]] }],
    [{ name: 'x', nodes: [['path', { d: '"><script>' }]] }],
    [{ name: 'x', nodes: [['path', { d: 'url(https://x.example)' }]] }],
    [{ name: 'x', nodes: 'M0 0' }],
    [{ name: 'x', nodes: [], extra: 1 }],
    ['apple']
  ])('refuses %j', (value) => {
    expect(isIcon(value)).toBe(false);
  });
});
