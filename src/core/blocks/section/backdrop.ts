import type { Element } from 'hast';
import { compact } from '../../data/compact';
import { isFilmFile } from '../../html/clean';
import type { Context } from '../../kinds/contract';
import { notes } from '../../kinds/rule';
import type { Asset, AssetId } from '../../project/types';
import type { SectionSettings } from './settings';

/** Width and height of a picture, so that its room is kept while it comes; none where they are not known. */
const sizeOf = ({ width, height }: Asset) => (width && height ? { width, height } : {});

const maybeAsset = (id: string, ctx: Context): Asset | null => (id ? ctx.maybeAsset(id as AssetId) : null);

/** Marks what shows a file of the project, for the printers to give it the file's address. */
const showing = (element: Element, { id }: Asset): Element => ({
  ...element,
  data: notes({ ...element.data, asset: id })
});

function picture({ picture: id, fit }: SectionSettings, ctx: Context): Element | null {
  const asset = maybeAsset(id, ctx);
  if (!asset) return null;
  if (fit === 'tile') return showing(ctx.part('picture', 'div', { ariaHidden: 'true' }), asset);
  return showing(ctx.part('picture', 'img', { alt: '', ...sizeOf(asset) }), asset);
}

const SILENT = {
  muted: true,
  loop: true,
  playsInline: true,
  ariaHidden: 'true',
  tabIndex: -1,
  preload: 'none'
};

function film({ film: id, video }: SectionSettings, ctx: Context): Element | null {
  const asset = maybeAsset(id, ctx);
  if (asset) return showing(ctx.part('film', 'video', SILENT), asset);
  return isFilmFile(video) ? ctx.part('film', 'video', { src: video, ...SILENT }) : null;
}

/** Real elements under the content: a picture can have sharp renditions, a film its poster, a layer its blend. */
export function backdrop(own: SectionSettings, ctx: Context): readonly Element[] {
  const found = compact([picture(own, ctx), film(own, ctx)]);
  if (found.length === 0 || !own.layer) return found;
  return [...found, ctx.part('layer', 'div', { ariaHidden: 'true' })];
}
