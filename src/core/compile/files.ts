import type { Registry } from '../kinds/registry';
import type { Asset, AssetId, PageId, Project } from '../project/types';
import type { Rendition } from './renditions';
import { printPage, type PrintedPage } from './page';

/** What the finishing step is asked for: printed pages under their file names, and the pictures that go along. */
export interface ExportPlan {
  readonly single: boolean;
  readonly pages: readonly (Omit<PrintedPage, 'id' | 'assets'> & { readonly file: string })[];
  /** Pictures to put into `assets/`; empty for single files, which carry them inside. */
  readonly assets: readonly Asset[];
  /** Names in `assets/` of renditions that some page names. */
  readonly renditions: readonly string[];
}

/**
 * Plans the export of some pages. The first page of the project is `index`, the others go by their ids.
 * @param renditions smaller pictures of some, which the pages then name beside the picture itself.
 * @param dataUri gives a picture as a data address; asked only for single files.
 */
export function planExport(
  registry: Registry,
  project: Project,
  pageIds: readonly PageId[],
  { single, dataUri, renditions }: { readonly single: boolean; readonly dataUri: (asset: Asset) => string; readonly renditions?: ReadonlyMap<AssetId, readonly Rendition[]> }
): ExportPlan {
  const assetIds = new Set<AssetId>();
  const pages = pageIds.map((id) => {
    const addressOf = single ? dataUri : (asset: Asset) => `assets/${asset.file}`;
    // One file carries its pictures inside, once each.
    const renditionsOf = (asset: Asset) => (single ? [] : (renditions?.get(asset.id) ?? []).map(({ format, width, file }) => ({ format, width, address: `assets/${file}` })));
    const { id: _id, assets, ...printed } = printPage(registry, project, id, { addressOf, renditionsOf, readable: true });
    assets.forEach((asset) => assetIds.add(asset));
    // One file has no picture beside it that others could fetch.
    return { ...printed, picture: single ? null : printed.picture, file: id === project.info.pageOrder[0] ? 'index' : id };
  });
  return { single, pages, assets: single ? [] : [...assetIds].map((id) => project.assets[id]!), renditions: single ? [] : [...assetIds].flatMap((id) => (renditions?.get(id) ?? []).map(({ file }) => file)) };
}
