import type { Element } from 'hast';
import { object, type InferType } from 'yup';
import { isFilmFile } from '../../html/clean';
import type { Context, Ground, GroundLayer, Kind } from '../../kinds/contract';
import {
  assetField,
  choiceField,
  cssField,
  linkField,
  numberField,
  placeField,
  textField,
  widthField
} from '../../kinds/fields';
import { notes, rule } from '../../kinds/rule';
import type { Asset, AssetId, NodeId } from '../../project/types';
import { compact, defined } from '../../data/compact';
import { about } from './about';

const PLACE = 'Where it stands';
const GROUND = 'Background';

const settings = object({
  element: choiceField(
    'section',
    { section: 'section', header: 'header', footer: 'footer', aside: 'aside', nav: 'nav' },
    {
      label: 'Element',
      help: 'What the section is to a screen reader. Sections stand inside the page’s one main element.'
    }
  ),
  anchor: textField('', 60, {
    label: 'Anchor',
    names: true,
    help: 'Letters, digits and hyphens; links reach it as #anchor.'
  }).matches(/^([a-z][a-z0-9-]*)?$/, {
    message: 'An anchor starts with a letter and goes on with small letters, digits and hyphens.'
  }),
  span: choiceField(
    'inner',
    { inner: 'an inner width', bleed: 'the whole width' },
    { label: 'Content takes', help: 'The whole width reaches the edges of the window.' }
  ),
  inner: widthField(1120, 320, 2400, {
    label: 'Inner width',
    help: 'The greatest width of the content, in px.'
  }),
  height: cssField('height', '', {
    label: 'Least height',
    responsive: true,
    help: 'In any unit: 480px, 80svh, 200vh. 200vh is two screens. Empty: as high as its content.'
  }),
  place: choiceField(
    'start',
    { start: 'at the top', center: 'in the middle', end: 'at the bottom', 'space-between': 'apart' },
    { label: 'Content stands', responsive: true, needs: ['height'] }
  ),
  header: choiceField(
    'flow',
    { flow: 'in the flow', over: 'over the next section' },
    {
      group: PLACE,
      label: 'Stands',
      help: 'Over the next section, it lies on its top edge and takes no room of its own.'
    }
  ),
  aside: cssField('width', '', {
    group: PLACE,
    label: 'Stands at the side, this wide',
    help: 'Such as 240px: at the left of the whole page, as high as the window, and in sight while the rest scrolls. In the narrow band it is as any other. Empty: it does not.'
  }),
  overlap: numberField(0, 0, 100, {
    group: PLACE,
    label: 'Overlaps the one before',
    needs: ['height', 'overlap'],
    unit: '%',
    help: 'Share of its own least height that it is drawn up by: half of an 80 px bar is 40 px.'
  }),
  picture: assetField({ group: GROUND, label: 'Background picture' }),
  film: assetField({
    group: GROUND,
    label: 'Background film',
    media: 'film',
    help: 'The picture shows until it plays, and for people who asked for less motion.'
  }),
  video: linkField({
    group: GROUND,
    label: 'Film from elsewhere',
    help: 'Address of a file (.mp4, .webm). The picture shows until it plays, and for people who asked for less motion.'
  }),
  focus: placeField('50% 50%', {
    group: GROUND,
    label: 'What stays in sight',
    needs: ['picture', 'film', 'video']
  }),
  fit: choiceField(
    'cover',
    { cover: 'fills the section', contain: 'is seen whole', tile: 'is repeated' },
    { group: GROUND, label: 'The picture', needs: ['picture', 'film', 'video'] }
  ),
  tile: numberField(0, 0, 2000, {
    group: GROUND,
    label: 'One of it is this wide',
    needs: ['fit=tile'],
    unit: 'px',
    help: '0 is as wide as it was made.'
  }),
  layer: cssField('background', '', {
    group: GROUND,
    label: 'Layer over it',
    needs: ['picture', 'film', 'video'],
    help: 'A colour or a gradient: #000, linear-gradient(#0000, #000c).'
  }),
  opacity: numberField(70, 0, 100, {
    group: GROUND,
    label: 'Opacity of the layer',
    unit: '%',
    needs: ['layer'],
    help: '100 hides the picture, 0 is no layer.'
  }),
  blend: choiceField(
    'normal',
    {
      normal: 'lies over it',
      multiply: 'multiply',
      screen: 'screen',
      overlay: 'overlay',
      'soft-light': 'soft light',
      color: 'colour',
      luminosity: 'luminosity'
    },
    { group: GROUND, label: 'Blend of the layer', needs: ['layer'] }
  )
});

type Settings = InferType<typeof settings>;

const plays = ({ film, video }: Settings) => film !== '' || isFilmFile(video);

/** Width and height of a picture, so that its room is kept while it comes; none where they are not known. */
const sizeOf = ({ width, height }: Asset) => (width && height ? { width, height } : {});

/** Real elements under the content: a picture can have sharp renditions, a film its poster, a layer its blend. */
function backdrop(settings: Settings, ctx: Context): Element[] {
  const asset = settings.picture ? ctx.maybeAsset(settings.picture as AssetId) : null;
  const found: Element[] = [];
  if (asset) {
    const image =
      settings.fit === 'tile'
        ? ctx.part('picture', 'div', { ariaHidden: 'true' })
        : ctx.part('picture', 'img', {
            alt: '',
            ...sizeOf(asset)
          });
    image.data = notes({ ...image.data, asset: asset.id });
    found.push(image);
  }
  const film = settings.film ? ctx.maybeAsset(settings.film as AssetId) : null;
  if (film || isFilmFile(settings.video)) {
    const element = ctx.part(
      'film',
      'video',
      defined({
        src: film ? undefined : settings.video,
        muted: true,
        loop: true,
        playsInline: true,
        ariaHidden: 'true',
        tabIndex: -1,
        preload: 'none'
      })
    );
    if (film) element.data = notes({ ...element.data, asset: film.id });
    found.push(element);
  }
  if (found.length > 0 && settings.layer) found.push(ctx.part('layer', 'div', { ariaHidden: 'true' }));
  return found;
}

function ground(settings: Readonly<Record<string, unknown>>): Ground | null {
  const { picture, fit, layer, opacity, blend, header } = settings as Settings;
  const layers: GroundLayer[] = [];
  if (picture) layers.push({ picture: picture as AssetId, isWhole: fit === 'contain' });
  if (plays(settings as Settings)) layers.push({ film: true });
  if (layers.length > 0 && layer) layers.push({ paint: layer, opacity: opacity / 100, blend });
  const isOverNext = header === 'over';
  if (layers.length === 0 && !isOverNext) return null;
  return defined({
    layers,
    isOverNext,
    veil:
      layers.length > 0
        ? (id: NodeId, colour: string, share: number) => [
            { type: 'set-setting', id, key: 'layer', value: colour },
            { type: 'set-setting', id, key: 'opacity', value: Math.round(share * 100) },
            { type: 'set-setting', id, key: 'blend', value: 'normal' }
          ]
        : undefined
  });
}

export const section: Kind = {
  ...about,
  anatomy: {
    root: {
      label: 'section',
      states: { hover: ':hover' },
      hasText: true,
      box: { x: 0, y: 0, width: 150, height: 116 }
    },
    picture: { label: 'picture', states: {} },
    film: { label: 'film', states: {} },
    layer: { label: 'layer', states: {} },
    inner: {
      label: 'inner area',
      states: {},
      properties: ['gap'],
      box: { x: 16, y: 14, width: 118, height: 88 }
    }
  },
  settings,
  slots: { content: { label: 'Content', accepts: ['block'], part: 'inner' } },
  forms: [],
  look: {
    root: { rest: { always: { padding: '56px 24px' } } },
    inner: { rest: { always: { gap: '24px' } } }
  },
  create: (make) => make('section', 'Section', {}, { content: [] }),
  markup(node, ctx) {
    const own = ctx.settings<Settings>(node);
    const isPlaying = plays(own);
    return ctx.part(
      'root',
      own.element,
      defined({ id: own.anchor ? own.anchor : undefined, dataKPlays: isPlaying ? '' : undefined }),
      [...backdrop(own, ctx), ctx.part('inner', 'div', {}, ctx.slot('content'))]
    );
  },
  style(node, ctx) {
    const own = ctx.settings<Settings>(node);
    const {
      span,
      inner,
      height,
      place,
      header,
      overlap,
      picture,
      focus,
      fit,
      tile,
      layer,
      opacity,
      blend,
      aside
    } = own;
    const isTall = height !== '';
    // Once it is tall under some condition, the same properties are there under every one.
    const mayBeTall = ctx.variants<Settings>(node).some((each) => each.height !== '');
    const hasBackdrop = picture !== '' || plays(own);
    const isLifted = overlap > 0 && mayBeTall;
    const covers = { position: 'absolute', inset: '0', width: '100%', height: '100%' };
    const root = ctx.sel('root');
    // The page is told by what stands in it, so that pages without such a section have no rule for it.
    const page = `:where(body:has(> ${root}))`;
    const atSide = [
      rule(page, {
        display: 'grid',
        'grid-template-columns': `${aside} minmax(0, 1fr)`,
        'align-content': 'start'
      }),
      rule(`${page} > :where(*)`, { 'grid-column': '2' }),
      rule(root, {
        'grid-column': '1',
        'grid-row': '1 / span 99',
        position: 'sticky',
        top: '0',
        height: '100dvh',
        'overflow-y': 'auto',
        'align-self': 'start'
      }),
      rule(page, { 'grid-template-columns': 'minmax(0, 1fr)' }, 'narrow'),
      rule(`${page} > :where(*)`, { 'grid-column': '1' }, 'narrow'),
      rule(root, { 'grid-row': 'auto', position: 'static', height: 'auto' }, 'narrow')
    ];
    const isOver = header === 'over';
    const tall = {
      'min-height': isTall ? height : '0',
      'box-sizing': 'border-box',
      display: 'flex',
      'flex-direction': 'column',
      'justify-content': place
    };
    const lifted = { 'z-index': '1', 'margin-top': isTall ? `calc(${height} * ${-overlap / 100})` : '0' };
    const ofRoot = compact([
      mayBeTall ? tall : null,
      isOver ? { position: 'absolute', 'inset-inline': '0', 'z-index': '2' } : null,
      !isOver && (hasBackdrop || isLifted) ? { position: 'relative' } : null,
      hasBackdrop ? { isolation: 'isolate' } : null,
      isLifted && !isOver ? lifted : null
    ]);
    const asTiles = { 'background-size': tile > 0 ? `${tile}px` : 'auto', 'background-position': focus };
    const asOne = { 'object-fit': fit, 'object-position': focus };
    const asPicture = fit === 'tile' ? asTiles : asOne;
    const behindContent = [
      rule(ctx.sel('picture'), { ...covers, ...asPicture, 'z-index': '-3' }),
      rule(ctx.sel('film'), { ...covers, 'object-fit': 'cover', 'object-position': focus, 'z-index': '-2' }),
      rule(ctx.sel('layer'), {
        ...covers,
        background: layer,
        opacity: String(opacity / 100),
        'mix-blend-mode': blend,
        'z-index': '-1'
      })
    ];
    const rules = [
      rule(root, Object.fromEntries(ofRoot.flatMap((each) => Object.entries(each)))),
      rule(
        ctx.sel('inner'),
        defined({
          display: 'flex',
          'flex-direction': 'column',
          'max-width': span === 'bleed' ? 'none' : `${inner}px`,
          'margin-inline': span === 'bleed' ? '0' : 'auto',
          width: mayBeTall ? '100%' : undefined
        })
      )
    ];
    if (aside) rules.splice(1, 0, ...atSide);
    return hasBackdrop ? [...rules, ...behindContent] : rules;
  },
  behaviours: (node, ctx) => (plays(ctx.settings<Settings>(node)) ? ['plays'] : []),
  fallbacks: () => [],
  ground,
  findings: () => import('./findings')
};
