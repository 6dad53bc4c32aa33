import { fragmentOf, nodeOf, outermost } from '$core/project/tree';
import type { Asset, Fragment, NodeId, Project } from '$core/project/types';
import type { Workbench } from './workbench.svelte';

/** Our own type on the system clipboard, beside HTML and plain text for every other program. */
export const PIECES = 'application/x-kymation-pieces';

export interface Carried {
  /** The project they come from, in whose store their pictures are. */
  readonly project: string;
  readonly fragments: readonly Fragment[];
  readonly assets: readonly Asset[];
  readonly tokens: Project['tokens'];
}

let last: string | null = null;

/**
 * What was copied last in this window; for a paste that no key started, where a page may not read the
 * clipboard.
 */
export const lastCopied = (): string | null => last;

/**
 * Puts the picked pieces on the clipboard. @param htmlOf prints them for other programs, once what prints is
 * there.
 */
export function copyPieces(
  wb: Workbench,
  data: DataTransfer,
  htmlOf: ((wb: Workbench, ids: readonly NodeId[]) => string) | undefined
): void {
  const ids = outermost(wb.project, wb.selected);
  last = JSON.stringify({
    project: wb.project.id,
    fragments: ids.map((id) => fragmentOf(wb.project, id)),
    assets: Object.values(wb.project.assets),
    tokens: wb.project.tokens
  } satisfies Carried);
  data.setData(PIECES, last);
  if (htmlOf) data.setData('text/html', htmlOf(wb, ids));
  data.setData('text/plain', ids.map((id) => nodeOf(wb.project, id).name).join('\n'));
  wb.message = {
    kind: 'info',
    text: `Copied ${ids.length === 1 ? nodeOf(wb.project, ids[0]!).name : `${ids.length} pieces`}`
  };
}

/** A copy that outlives the event it came with. */
export function keptData(data: DataTransfer): DataTransfer {
  const kept = new DataTransfer();
  for (const type of data.types) if (type !== 'Files') kept.setData(type, data.getData(type));
  for (const file of data.files) kept.items.add(file);
  return kept;
}
