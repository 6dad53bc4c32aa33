import { beforeAll, expect, it } from 'vitest';
import { makeDemo } from '../../../demo/make';
import { apply } from '../commands/apply';
import type { Command } from '../commands/commands';
import type { Project } from '../project/types';
import { registry } from '../whole';
import { loadRules, runFindings } from './run';

beforeAll(() => loadRules(registry));

function after(project: Project, commands: readonly Command[]): Project {
  const outcome = apply(registry, project, { type: 'batch', label: '', commands });
  if (!outcome.ok) throw new Error(outcome.refusal.sentence);
  return outcome.project;
}

const contrasts = (project: Project) =>
  runFindings(registry, project).filter(({ rule }) => rule.includes('contrast'));

it('light words of a header that come to stand on a white side panel are told of, and one fix mends all of it', () => {
  const asPanel: Command = { type: 'set-setting', id: 'site-links', key: 'opensAs', value: 'end' };
  const project = after(makeDemo().project, [asPanel]);
  const found = contrasts(project);
  expect(found).toMatchObject([{ rule: 'text-contrast-moved', node: 'site-links', part: 'link' }]);
  expect(contrasts(after(project, found[0]!.fix!.commands as readonly Command[]))).toEqual([]);
});
