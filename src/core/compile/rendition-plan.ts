import type { Registry } from '../kinds/registry';
import type { Asset, Project } from '../project/types';
import { asItLeaves } from './refresh';
import { hasPixels, picturesOf, widthsFor } from './renditions';

/** What has to be made for the pages of a project: for each picture with pixels, the widths its places need. */
export function renditionPlan(registry: Registry, given: Project): ReadonlyMap<Asset, readonly number[]> {
  // Rows of a list bring pictures of their own.
  const project = asItLeaves(registry, given);
  const plan = new Map<Asset, number[]>();
  for (const node of Object.values(project.nodes)) {
    for (const { asset, room } of picturesOf(registry, project, node)) {
      if (!hasPixels(asset)) continue;
      plan.set(
        asset,
        [...new Set([plan.get(asset) ?? [], widthsFor(asset, room)].flat())].sort((a, b) => a - b)
      );
    }
  }
  return plan;
}
