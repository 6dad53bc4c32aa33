import { describe, expect, it } from 'vitest';
import { damagedDrawings, damagedProjects, damagedTokenFiles } from './mutations';

// A sample; `npm run stress` does thousands of each, and says which were slow: a test on a shared machine cannot.
describe.each([
  ['project files', damagedProjects, 150],
  ['token files', damagedTokenFiles, 150],
  ['drawings', damagedDrawings, 100]
] as const)('damaged %s', (_what, damage, count) => {
  it('are read or refused in a sentence; nothing is thrown or changed', () => {
    const tally = damage(count);
    expect(tally).toMatchObject({ thrown: [], mute: [], changed: 0 });
    expect(tally.opened).toBeGreaterThan(0);
  });
});
