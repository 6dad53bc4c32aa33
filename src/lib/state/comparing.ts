import { movedTo } from '$core/commands/history';
import { migratedProject } from '$core/formats/migrate';
import { readProjectFile } from '$core/formats/project-file';
import type { Project } from '$core/project/types';
import { registry } from '$core/registry';
import type { VersionRow } from '$lib/store/versions';
import type { Workbench } from './workbench.svelte';

/** How many steps back are offered one by one. */
const STEPS_MOST = 25;

export interface StepBack {
  /** Steps taken back from now. */
  readonly count: number;
  readonly label: string;
}

/** The last steps, each with how far back it is; the last one is before everything that is remembered. */
export function stepsBack({ history: { past } }: Workbench): readonly StepBack[] {
  const steps = past
    .slice(-STEPS_MOST)
    .toReversed()
    .map(({ label }, i): StepBack => ({ count: i + 1, label: `before: ${label}` }));
  const isAll = past.length <= steps.length && steps.length > 0;
  return isAll ? steps : [...steps, { count: past.length, label: 'as it was opened first' }];
}

/** The project as it was so many steps ago. */
export const changesAgo = ({ project, history }: Workbench, count: number): Project =>
  movedTo(project, history, history.past.length - count)?.project ?? project;

/** A kept version, in the format of today. */
export const projectOfVersion = ({ project }: Workbench, { document }: VersionRow): Project => ({
  ...migratedProject(registry, document),
  id: project.id
});

type Read =
  { readonly ok: true; readonly project: Project } | { readonly ok: false; readonly sentence: string };

/** Reads a project file to compare with; nothing of it is kept. */
export async function projectFromFile(file: File): Promise<Read> {
  const opened = readProjectFile(registry, new Uint8Array(await file.arrayBuffer()));
  return opened.ok
    ? { ok: true, project: opened.project }
    : { ok: false, sentence: `${file.name}: ${opened.sentence}` };
}
