import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { edit, oneOfEvery } from '../testing/edits';
import { sampleProject } from '../testing/project';
import { maybeSteps } from './lineage';
import { reconciled } from './reconciled';
import type { NodeId, Project, ProjectId } from './types';

const readAnew = (project: Project): Project => structuredClone(project);
const HEADING = 'heading' as NodeId;

describe('a project that is read once more', () => {
  it('is what it was, where nothing was edited', () => {
    const before = sampleProject();
    expect(reconciled(before, readAnew(before))).toBe(before);
  });

  it('says what was read, and keeps all records that say the same, as one step from before', () => {
    const before = oneOfEvery();
    fc.assert(
      fc.property(fc.array(edit, { minLength: 1, maxLength: 4 }), (edits) => {
        const now = readAnew(edits.reduce((project, change) => change(project), before));
        const next = reconciled(before, now);
        expect(next).toEqual(now);
        expect(next).not.toBe(now);
        expect(maybeSteps(before, next)).not.toBeNull();
        const said = (project: Project, id: string) => JSON.stringify(project.nodes[id as NodeId]);
        const same = Object.keys(now.nodes).filter((id) => said(now, id) === said(before, id)) as NodeId[];
        expect(same.filter((id) => next.nodes[id] !== before.nodes[id])).toEqual([]);
      }),
      { numRuns: 60 }
    );
  });

  it('is taken as it was read where it is another one, or its records stand in another order', () => {
    const before = sampleProject();
    const other = { ...readAnew(before), id: 'another' as ProjectId };
    expect(reconciled(before, other)).toBe(other);
    expect(reconciled(null, other)).toBe(other);
    const { [HEADING]: heading, ...others } = readAnew(before).nodes;
    const turned = { ...readAnew(before), nodes: { ...others, [HEADING]: heading! } };
    expect(reconciled(before, turned)).toBe(turned);
  });
});
