import type { AssetId, NodeId } from '$core/project/types';
import { specificationCsv } from '$core/specification/csv';
import { printSpecification } from '$core/specification/page';
import { specificationOf } from '$core/specification/specification';
import type { FileSpec } from '$core/specification/types';
import { pageOf } from '$core/project/tree';
import { defined } from '$core/data/compact';
import { registry } from '$core/registry';
import { sweepPicture } from '$lib/parts/sweep-chart';
import { dataAddress } from './exporting';
import type { Workbench } from './workbench.svelte';

/** Pictures that are larger are drawn as boxes, bytes: a sheet is to be sent around. */
const PICTURE_MOST = 400_000;

export interface Sheet {
  readonly html: string;
  readonly csv: string;
}

/** The pictures of the project that may go along, as data addresses. */
async function picturesOf(wb: Workbench): Promise<ReadonlyMap<AssetId, string>> {
  const found = new Map<AssetId, string>();
  for (const [id, blob] of wb.blobs) {
    const asset = wb.project.assets[id];
    if (!asset || blob.size > PICTURE_MOST) continue;
    found.set(id, dataAddress(asset, new Uint8Array(await blob.arrayBuffer())));
  }
  return found;
}

/**
 * The specification of the page on show. @param piece describes this one and what is in it; null for the whole page.
 * @param files what the page exports to, where that is known.
 */
export async function makeSheet(
  wb: Workbench,
  piece: NodeId | null,
  files: readonly FileSpec[]
): Promise<Sheet> {
  const { project, pageId: page, facts, preview } = wb;
  const pictures = await picturesOf(wb);
  const measured = { facts, width: preview.width };
  const findings = wb.findingsWatch.all;
  const lanes = facts.sweeps.get(pageOf(project, page).root) ?? null;
  const spec = specificationOf(registry, project, { page, piece, measured, lanes, findings, files });
  const pictureOf = (id: AssetId) => pictures.get(id) ?? null;
  const chart = spec.widths ? await sweepPicture(spec.widths.seen) : undefined;
  return {
    html: printSpecification(spec, defined({ registry, project, page, pictureOf, chart })),
    csv: specificationCsv(spec)
  };
}

/** Puts a sheet under an address of its own, `/sheet/ID`. @returns the id; null where nobody answers. */
export async function keepSheet(html: string, signal: AbortSignal): Promise<string | null> {
  try {
    const response = await fetch('/api/sheet', { method: 'POST', body: html, signal });
    return response.ok ? ((await response.json()) as { id: string }).id : null;
  } catch (error) {
    if (signal.aborted) throw error;
    return null;
  }
}
