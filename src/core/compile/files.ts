import type { Registry } from '../kinds/registry';
import { pageStem } from '../project/files';
import type { Asset, AssetId, PageId, Project } from '../project/types';
import type { Rendition } from './renditions';
import { printSite, type PrintedPage } from './page';

/** A page with the name of its file, without ending. */
export interface PlannedPage extends Omit<PrintedPage, 'id' | 'assets'> {
  readonly file: string;
  /** Its own style sheet; empty where all pages share one. */
  readonly css: string;
}

/** What the finishing step is asked for: printed pages under their file names, and the pictures that go along. */
export interface ExportPlan {
  readonly single: boolean;
  /** The style sheet that all pages share; empty for single files, which carry their own. */
  readonly css: string;
  readonly pages: readonly PlannedPage[];
  /** Pictures to put into `assets/`; empty for single files, which carry them inside. */
  readonly assets: readonly Asset[];
  /** Names in `assets/` of renditions that some page names. */
  readonly renditions: readonly string[];
}

export interface PlanOptions {
  /** One file for each page, with everything inside. */
  readonly single: boolean;
  /** Gives a picture as a data address; asked only for single files. */
  readonly dataUri: (asset: Asset) => string;
  /** Smaller pictures of some, which the pages then name beside the picture itself. */
  readonly renditions?: ReadonlyMap<AssetId, readonly Rendition[]>;
  readonly marked?: boolean;
}

/** Plans the export of some pages. The first page of the project is `index`, the others go by their addresses. */
export function planExport(
  registry: Registry,
  project: Project,
  ids: readonly PageId[],
  options: PlanOptions
): ExportPlan {
  const fileOf = (id: PageId) => pageStem(project, id);
  return options.single
    ? planSingles(registry, project, ids, options, fileOf)
    : planSite(registry, project, ids, options, fileOf);
}

type FileOf = (id: PageId) => string;

/** One file has no picture beside it that others could fetch, and carries its pictures inside, once each. */
function planSingles(
  registry: Registry,
  project: Project,
  ids: readonly PageId[],
  { dataUri }: PlanOptions,
  fileOf: FileOf
): ExportPlan {
  const pages = ids.map((id) => {
    const { pages: printed, css } = printSite(registry, project, [id], {
      addressOf: dataUri,
      readable: true
    });
    return planned(printed[0]!, fileOf(id), css, null);
  });
  return { single: true, css: '', pages, assets: [], renditions: [] };
}

function planSite(
  registry: Registry,
  project: Project,
  ids: readonly PageId[],
  { renditions, marked }: PlanOptions,
  fileOf: FileOf
): ExportPlan {
  const ofAsset = (id: AssetId) => renditions?.get(id) ?? [];
  const { pages, css } = printSite(registry, project, ids, {
    addressOf: ({ file }) => `assets/${file}`,
    renditionsOf: ({ id }) =>
      ofAsset(id).map(({ format, width, file }) => ({ format, width, address: `assets/${file}` })),
    readable: true,
    marked
  });
  const assets = [...new Set(pages.flatMap((page) => page.assets))];
  return {
    single: false,
    css,
    pages: pages.map((page) => planned(page, fileOf(page.id), '', page.picture)),
    assets: assets.map((id) => project.assets[id]!),
    renditions: assets.flatMap((id) => ofAsset(id).map(({ file }) => file))
  };
}

function planned(
  { id: _id, assets: _assets, ...page }: PrintedPage,
  file: string,
  css: string,
  picture: string | null
): PlannedPage {
  return { ...page, file, css, picture };
}

/** What the finishing step is sent: plain data, without what only the workbench tells. */
export const requestOf = ({ single, css, pages }: ExportPlan) => ({
  single,
  css,
  pages: pages.map(pageRequestOf)
});

const pageRequestOf = ({ features: _features, behaviours, preloads, ...page }: PlannedPage) => ({
  ...page,
  behaviours: [...behaviours],
  preloads: [...preloads]
});
