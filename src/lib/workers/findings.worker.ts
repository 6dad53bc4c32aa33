import { loadGrammar } from '$core/css/grammar';
import { createFindingsRunner, loadRules } from '$core/findings/run';
import type { Facts } from '$core/kinds/finding';
import { patched, type Diff } from '$core/project/diff';
import { reconciled } from '$core/project/reconciled';
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
let newest: FindingsRequest | null = null;

/** What has come meanwhile is taken first. */
const others = () => new Promise((resolve) => setTimeout(resolve));

self.onmessage = async ({ data }: MessageEvent<FindingsRequest>) => {
  const runner = await ready;
  if ('project' in data) project = reconciled(project, unpackedProject(data.project));
  else if (project) project = data.diffs.map(unpackedDiff).reduce(patched, project);
  newest = data;
  await others();
  // The newest asks for the same, of the project as it is by then.
  if (!project || newest !== data) return;
  const from = performance.now();
  const findings = runner.run(project, data.facts);
  self.postMessage({ id: data.id, findings, ms: performance.now() - from } satisfies FindingsAnswer);
};
