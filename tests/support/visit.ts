import { apply } from '../../src/core/commands/apply';
import type { Command } from '../../src/core/commands/commands';
import type { Fragment, PageId, Project } from '../../src/core/project/types';
import { registry } from '../../src/core/whole';
import { bytes, demo, VISIT } from './demo';
import { exported, type Exported } from './exported';
import { expect, type Page } from './test';

export { bytes, demo };

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

/** The export of a project’s visit page alone. */
export const exportedVisit = (project: Project, marked = false): Promise<Exported> =>
  exported(project, bytes, false, marked, [VISIT]);

/** Exports some pages of a project, its first where none are named, without a problem; opens the first of them. */
export async function open(
  page: Page,
  project: Project,
  width = 1280,
  pages: readonly string[] = project.info.pageOrder.slice(0, 1)
): Promise<void> {
  await page.setViewportSize({ width, height: 900 });
  const made = await exported(project, bytes, false, true, pages as readonly PageId[]);
  expect(made.problems).toEqual([]);
  await page.goto(made.url);
}
