import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply } from '../commands/apply';
import type { Command } from '../commands/commands';
import type { Finding } from '../kinds/finding';
import type { Project } from '../project/types';
import { edit, oneOfEvery } from '../testing/edits';
import '../testing/project';
import { registry } from '../whole';
import { createFindingsRunner, runFindings } from './run';

const base = oneOfEvery();
const edits = fc.array(edit, { minLength: 4, maxLength: 10 });

const isSame = (one: Finding, other: Finding): boolean =>
  one.rule === other.rule &&
  one.node === other.node &&
  one.part === other.part &&
  one.sentence === other.sentence;

/** What is wrong with the mends of a finding, in words; empty for nothing. */
function faultsOf(project: Project, finding: Finding): readonly string[] {
  return [finding.fix, finding.or].flatMap((fix) => {
    if (!fix) return [];
    const commands = fix.commands as readonly Command[];
    const outcome = apply(registry, project, { type: 'batch', label: fix.label, commands });
    const about = `${finding.rule}: ${finding.sentence} ${fix.label}`;
    if (!outcome.ok) return [`${about} is refused: ${outcome.refusal.sentence}`];
    const isThere = runFindings(registry, outcome.project).some((each) => isSame(each, finding));
    return isThere ? [`${about} mends nothing`] : [];
  });
}

describe('findings of a page with one of every kind, after any edits', () => {
  it('are what they are from scratch, having run only what each edit may change', () => {
    fc.assert(
      fc.property(edits, (steps) => {
        const runner = createFindingsRunner(registry);
        let project = base;
        runner.run(project);
        for (const step of steps) {
          project = step(project);
          expect(runner.run(project)).toEqual(runFindings(registry, project));
        }
      }),
      { numRuns: 12 }
    );
  });

  it('have mends that are taken, and after which they are gone', () => {
    let mends = 0;
    fc.assert(
      fc.property(edits, (steps) => {
        const project = steps.reduce((now, step) => step(now), base);
        const found = runFindings(registry, project);
        mends += found.filter(({ fix }) => fix).length;
        expect(found.flatMap((each) => faultsOf(project, each))).toEqual([]);
      }),
      { numRuns: 15 }
    );
    expect(mends).toBeGreaterThan(15);
  });
});
