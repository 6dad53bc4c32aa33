import { specificationCsv } from '../core/specification/csv';
import { printSpecification } from '../core/specification/page';
import { specificationOf } from '../core/specification/specification';
import type { Finding } from '../core/kinds/finding';
import type { AssetId, NodeId, PageId, Project } from '../core/project/types';
import type { Lane } from '../core/sweep/runs';
import { registry } from '../core/whole';

/** Pictures that are larger are drawn as boxes, bytes: a sheet is to be sent around. */
const PICTURE_MOST = 400_000;

export interface Sheet {
  readonly html: string;
  readonly csv: string;
}

/** What was found out about a page. */
export interface Found {
  readonly findings: readonly Finding[];
  /** Over all widths; null where they were not swept. */
  readonly lanes: readonly Lane[] | null;
}

/**
 * The specification of a page as it is without a browser: what has to be measured is left out.
 * @param piece describes this one and what is in it; null for the whole page.
 */
export function sheetOf(
  project: Project,
  page: PageId,
  piece: NodeId | null,
  files: ReadonlyMap<AssetId, Uint8Array>,
  { lanes, findings }: Found
): Sheet {
  const spec = specificationOf(registry, project, {
    page,
    piece,
    measured: null,
    lanes,
    findings,
    files: []
  });
  const pictureOf = (id: AssetId): string | null => {
    const bytes = files.get(id);
    if (!bytes || bytes.length > PICTURE_MOST) return null;
    return `data:${project.assets[id]!.type};base64,${Buffer.from(bytes).toString('base64')}`;
  };
  const html = printSpecification(spec, { registry, project, page, pictureOf });
  return { html, csv: specificationCsv(spec) };
}
