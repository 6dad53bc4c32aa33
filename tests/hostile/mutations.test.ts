import { describe, expect, it } from 'vitest';
import { damagedDrawings, damagedProjects, damagedTokenFiles } from './mutations';

// A sample; `npm run stress` does thousands of each.
describe.each([
  ['project files', damagedProjects, 150],
  ['token files', damagedTokenFiles, 150],
  ['drawings', damagedDrawings, 100]
] as const)('damaged %s', (_what, damage, count) => {
  it('are read or refused in a sentence; nothing is thrown, slow or changed', () => {
    const { opened, ...rest } = damage(count);
    expect(rest).toEqual({ thrown: [], slow: [], mute: [], changed: 0 });
    expect(opened).toBeGreaterThan(0);
  });
});
