import { object, type InferType } from 'yup';
import type { Kind } from '../../kinds/contract';
import { assetField, textField, toggleField } from '../../kinds/fields';
import { notes, rule } from '../../kinds/rule';
import type { AssetId } from '../../project/types';
import { about } from './about';

const settings = object({
  asset: assetField({ label: 'Picture' }),
  alt: textField('', 500, {
    label: 'Alternative text',
    help: 'What the picture says, for those who do not see it.'
  }),
  decorative: toggleField(false, {
    label: 'Decorative',
    help: 'Says nothing the text does not say; readers skip it.'
  })
});

type Settings = InferType<typeof settings>;

/** What stands in the place of a picture that has not been chosen yet. */
const EMPTY = {
  'min-height': '120px',
  'background-image': 'repeating-linear-gradient(45deg, #e4dfd3 0 8px, #f2efe7 8px 16px)'
};

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
    const { asset: id, alt, decorative } = ctx.settings<Settings>(node);
    const asset = id ? ctx.maybeAsset(id as AssetId) : null;
    if (!asset) {
      return ctx.part('root', 'div', { ariaHidden: 'true', dataEmpty: 'picture' });
    }
    const size = asset.width && asset.height ? { width: asset.width, height: asset.height } : {};
    const element = ctx.part('root', 'img', { alt: decorative ? '' : alt, ...size });
    element.data = notes({ ...element.data, asset: asset.id });
    return element;
  },
  style: (_node, ctx) => [
    rule(ctx.sel('root'), { display: 'block', 'max-width': '100%', height: 'auto' }),
    rule(`${ctx.sel('root')}[data-empty]`, EMPTY)
  ],
  behaviours: () => [],
  fallbacks: () => [],
  ground: ({ asset }) => (asset ? { layers: [{ picture: asset as AssetId, isWhole: false }] } : null),
  findings: () => import('./findings')
};
