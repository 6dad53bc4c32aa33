import { makeDemo } from '../../demo/make';
import { apply } from '../../src/core/commands/apply';
import type { Command } from '../../src/core/commands/commands';
import type { Fragment, Project } from '../../src/core/project/types';
import { registry } from '../../src/core/whole';
import { exported } from './exported';
import { expect, type Page } from './test';

export const { project: demo, bytes } = makeDemo();

/** The demo after some commands, as one step. */
export function changed(...commands: Command[]): Project {
  const outcome = apply(registry, demo, { type: 'batch', label: '', commands });
  if (!outcome.ok) throw new Error(outcome.refusal.sentence);
  return outcome.project;
}

/** The command that puts a piece on the visit page, at the top of its first section where nothing else is said. */
export const put = (fragment: Fragment, index = 0, parent = 'welcome', slot = 'content'): Command => ({
  type: 'insert',
  fragment,
  at: { parent, slot, index }
});

/** Opens the export of a project, which has no problem. */
export async function open(page: Page, project: Project, width = 1280): Promise<void> {
  await page.setViewportSize({ width, height: 900 });
  const made = await exported(project, bytes, false, true);
  expect(made.problems).toEqual([]);
  await page.goto(made.url);
}
