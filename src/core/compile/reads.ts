import { ownOf } from '../data/record';
import { maybeFileOf } from '../project/files';
import type { Asset, AssetId, Bands, Node, NodeId, Project, SupportTarget } from '../project/types';

/**
 * What an analysis was made from besides its node. Most ask for nothing, so the maps come when they are
 * needed.
 */
export interface Reads {
  nodes: Map<NodeId, Node | undefined> | null;
  assets: Map<AssetId, Asset | undefined> | null;
  bands: Bands | null;
  support: SupportTarget | null;
  /** File of the page a piece stands on; null for a piece on no page. */
  files: Map<NodeId, string | null> | null;
}

export const noReads = (): Reads => ({ nodes: null, assets: null, bands: null, support: null, files: null });

/** Whether all it was made from is as it was. */
export function isCurrent(reads: Reads, project: Project): boolean {
  if (reads.bands && reads.bands !== project.info.bands) return false;
  if (reads.support && reads.support !== project.info.support) return false;
  if (reads.nodes) for (const [id, node] of reads.nodes) if (project.nodes[id] !== node) return false;
  if (reads.files) for (const [id, file] of reads.files) if (maybeFileOf(project, id) !== file) return false;
  if (reads.assets)
    for (const [id, asset] of reads.assets) if (ownOf(project.assets, id) !== asset) return false;
  return true;
}

export function carryReads(from: Reads, to: Reads): void {
  from.nodes?.forEach((value, id) => (to.nodes ??= new Map()).set(id, value));
  from.assets?.forEach((value, id) => (to.assets ??= new Map()).set(id, value));
  from.files?.forEach((value, id) => (to.files ??= new Map()).set(id, value));
  to.bands ??= from.bands;
  to.support ??= from.support;
}
