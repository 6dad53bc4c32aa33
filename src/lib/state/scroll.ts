import { rangesOf, type Range } from '$core/scroll/ranges';
import { bandAt } from '$core/kinds/conditions';
import type { NodeId } from '$core/project/types';
import { registry } from '$core/registry';
import { widthsOf } from './survey.svelte';
import type { Workbench } from './workbench.svelte';
import { clamp } from '$core/data/clamp';

/** Everything that moves with the scroll of the page on show, at the width on show. */
export const rangesOnShow = (wb: Workbench): readonly Range[] =>
  rangesOf(registry, wb.project, wb.facts.boxes, bandAt(wb.project.info.bands, wb.preview.width));

/** What a piece does with the scroll at one width of each band. */
export interface AtWidth {
  readonly label: string;
  readonly width: number;
  /** null where it was not measured there yet. */
  readonly ranges: readonly Range[] | null;
}

export function atWidths(wb: Workbench, node: NodeId): readonly AtWidth[] {
  return Object.entries(widthsOf(wb.project)).map(([label, width]) => {
    const box = wb.facts.elsewhere.get(width)?.get(node);
    const boxes = new Map(box ? [[node, box] as const] : []);
    const band = bandAt(wb.project.info.bands, width);
    return { label, width, ranges: box ? rangesOf(registry, wb.project, boxes, band) : null };
  });
}

/** Scrolls the page on show to so many px from its top. */
export function scrollTo(wb: Workbench, px: number): void {
  const { extent } = wb.preview;
  const way = extent ? extent.page - extent.window : 0;
  if (way <= 0) return;
  const share = clamp(px / way, 0, 1);
  wb.preview.share = share;
  wb.preview.sendToPreview({ type: 'scroll', share, at: null });
}
