import { loadGrammar } from '$core/css/grammar';
import { createFindingsRunner, loadRules } from '$core/findings/run';
import type { Facts } from '$core/kinds/finding';
import { patched, type Diff } from '$core/project/diff';
import type { Project } from '$core/project/types';
import { unpackedDiff, unpackedProject } from '$core/tables/packed';
import { registry } from '$core/registry';

/**
 * What the window sends, packed: a whole project, or what changed; and what was measured. `id` comes back with the
 * answer.
 */
export type FindingsRequest =
  | { readonly id: number; readonly project: Project; readonly facts: Facts }
  | { readonly id: number; readonly diffs: readonly Diff[]; readonly facts: Facts };

export interface FindingsAnswer {
  readonly id: number;
  readonly findings: ReturnType<ReturnType<typeof createFindingsRunner>['run']>;
  /** Time the rules took, ms. */
  readonly ms: number;
}

async function prepare() {
  await Promise.all([loadGrammar(), registry.loadAll()]);
  await loadRules(registry);
  return createFindingsRunner(registry);
}

const ready = prepare();
let project: Project | null = null;

self.onmessage = async ({ data }: MessageEvent<FindingsRequest>) => {
  const runner = await ready;
  if ('project' in data) project = unpackedProject(data.project);
  else if (project) project = data.diffs.map(unpackedDiff).reduce(patched, project);
  if (!project) return;
  const from = performance.now();
  const findings = runner.run(project, data.facts);
  self.postMessage({ id: data.id, findings, ms: performance.now() - from } satisfies FindingsAnswer);
};
