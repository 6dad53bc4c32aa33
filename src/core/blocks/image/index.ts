import type { Context, Kind } from '../../kinds/contract';
import { notes, rule } from '../../kinds/rule';
import { shapeOf } from '../../kinds/shapes';
import type { AssetId, Declarations, Node } from '../../project/types';
import { about } from './about';
import { settings, type ImageSettings } from './settings';

/** What stands in the place of a picture that has not been chosen yet. */
const EMPTY = {
  'min-width': 'min(120px, 100%)',
  'min-height': '120px',
  'background-image': 'repeating-linear-gradient(45deg, #e4dfd3 0 8px, #f2efe7 8px 16px)'
};

/** The shape a picture has by itself, told before it has come. */
const ownShape = (asset: AssetId, ctx: Context): string => {
  const { width, height } = ctx.maybeAsset(asset) ?? {};
  return width && height ? `auto ${width} / ${height}` : 'auto';
};

/** Nothing is said of a picture that has its own shape everywhere, whose markup tells it already. */
function shaped(node: Node, ctx: Context): Declarations {
  const { asset, shape, focus } = ctx.settings<ImageSettings>(node);
  if (ctx.variants<ImageSettings>(node).every((each) => each.shape === 'own')) return {};
  return {
    'aspect-ratio': shape === 'own' ? ownShape(asset as AssetId, ctx) : shape,
    'object-fit': 'cover',
    'object-position': focus
  };
}

export const image: Kind = {
  ...about,
  anatomy: {
    root: { label: 'picture', states: { hover: ':hover' }, box: { x: 20, y: 16, width: 110, height: 84 } }
  },
  settings,
  slots: {},
  forms: [],
  look: {},
  create: (make) => make('image', 'Image'),
  markup(node, ctx) {
    const { asset: id, alt, decorative } = ctx.settings<ImageSettings>(node);
    const asset = id ? ctx.maybeAsset(id as AssetId) : null;
    if (!asset) {
      return ctx.part('root', 'div', { ariaHidden: 'true', dataEmpty: 'picture' });
    }
    const size = asset.width && asset.height ? { width: asset.width, height: asset.height } : {};
    const element = ctx.part('root', 'img', { alt: decorative ? '' : alt, ...size });
    element.data = notes({ ...element.data, asset: asset.id });
    return element;
  },
  style: (node, ctx) => [
    rule(ctx.sel('root'), { display: 'block', 'max-width': '100%', height: 'auto', ...shaped(node, ctx) }),
    rule(`${ctx.sel('root')}[data-empty]`, EMPTY)
  ],
  behaviours: () => [],
  fallbacks: () => [],
  covers: ({ shape }) => shapeOf(shape),
  ground: ({ asset }) => (asset ? { layers: [{ picture: asset as AssetId, isWhole: false }] } : null),
  findings: () => import('./findings')
};
