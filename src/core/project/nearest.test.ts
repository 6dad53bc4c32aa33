import { describe, expect, it } from 'vitest';
import type { Command } from '../commands/commands';
import { after, id, sampleProject } from '../testing/project';
import { nearestLeft } from './nearest';

const project = sampleProject();
const leftAfter = (gone: readonly string[], picked: string) => {
  const remove: Command = { type: 'remove', ids: gone.map(id) };
  return nearestLeft(project, after(project, remove), id(picked));
};

describe('where a hand goes on when a piece is gone', () => {
  it('is the one before it', () => {
    expect(leftAfter(['columns'], 'columns')).toBe('tabs');
    expect(leftAfter(['tabs', 'columns'], 'columns')).toBe('heading');
  });

  it('is the one after it where none is before', () => {
    expect(leftAfter(['heading'], 'heading')).toBe('tabs');
  });

  it('is what it stood in where it stood alone', () => {
    expect(leftAfter(['text-one'], 'text-one')).toBe('one');
  });

  it('is beside what it stood in where that is gone too', () => {
    expect(leftAfter(['columns'], 'left')).toBe('tabs');
    expect(leftAfter(['section'], 'text-two')).toBe('page');
  });

  it('is nowhere on a page that is gone whole', () => {
    expect(nearestLeft(project, { nodes: {} }, id('text-two'))).toBeNull();
  });
});
