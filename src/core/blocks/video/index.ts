import type { Element } from 'hast';
import { object, type InferType } from 'yup';
import { isFilmFile } from '../../html/clean';
import type { Context, Kind } from '../../kinds/contract';
import { assetField, choiceField, linkField, textField, toggleField } from '../../kinds/fields';
import { notes, rule } from '../../kinds/rule';
import type { AssetId } from '../../project/types';
import { defined } from '../../data/compact';
import { about } from './about';
import { element, text } from '../../html/build';

const settings = object({
  file: assetField({
    label: 'Film',
    media: 'film',
    help: 'A film of the project, MP4 or WebM; it plays in the page.'
  }),
  address: linkField({
    label: 'Or its address',
    help: 'A file (.mp4, .webm) plays in the page; any other address is led to by a picture with a play sign.'
  }),
  title: textField('', 200, { label: 'Title', help: 'What it shows, for those who cannot see it.' }),
  poster: assetField({ label: 'Picture before it plays' }),
  ratio: choiceField(
    '16 / 9',
    { '16 / 9': '16 : 9', '4 / 3': '4 : 3', '1 / 1': '1 : 1', '9 / 16': '9 : 16' },
    { label: 'Shape' }
  ),
  loop: toggleField(false, {
    label: 'Plays again and again, silently',
    view: 'behaviour',
    help: 'Without sound and without controls; people who asked for less motion get the picture.',
    live: 'on the exported page'
  })
});

type Settings = InferType<typeof settings>;

const isInPage = ({ file, address }: Settings) => file !== '' || isFilmFile(address);

function picture(poster: string, ctx: Context, alt: string): Element[] {
  const asset = poster ? ctx.maybeAsset(poster as AssetId) : null;
  if (!asset) return [];
  const element = ctx.part('poster', 'img', {
    alt,
    width: asset.width && asset.height ? asset.width : undefined,
    height: asset.width && asset.height ? asset.height : undefined
  });
  element.data = notes({ ...element.data, asset: asset.id });
  return [element];
}

/**
 * A film: a file plays in the page; one that is elsewhere is a picture that leads there, so that nothing
 * foreign loads unasked.
 */
export const video: Kind = {
  ...about,
  anatomy: {
    root: {
      label: 'video',
      states: { hover: ':hover', focus: ':focus-visible' },
      box: { x: 15, y: 22, width: 120, height: 72 }
    },
    poster: { label: 'picture', states: {} },
    sign: {
      label: 'play sign',
      states: {},
      hasText: true,
      properties: ['font-size'],
      box: { x: 60, y: 43, width: 30, height: 30 }
    }
  },
  settings,
  slots: {},
  forms: [],
  look: {
    root: {
      rest: {
        always: {
          'background-color': '#1f262a',
          color: '#ffffff',
          'text-decoration-line': 'none',
          cursor: 'pointer'
        }
      },
      focus: { always: { outline: '2px solid #2b55a0', 'outline-offset': '2px' } }
    },
    sign: {
      rest: {
        always: {
          'background-color': '#1f262a',
          color: '#ffffff',
          'border-radius': '50%',
          padding: '14px 16px 14px 20px',
          'font-size': '22px',
          'line-height': '1'
        }
      }
    }
  },
  create: (make) => make('video', 'Video'),
  markup(node, ctx) {
    const own = ctx.settings<Settings>(node);
    const { address, title, poster, loop } = own;
    const name = title || node.name;
    if (isInPage(own)) {
      const filed = own.file ? ctx.maybeAsset(own.file as AssetId) : null;
      const asset = poster ? ctx.maybeAsset(poster as AssetId) : null;
      const film = element(
        'video',
        defined({
          className: [ctx.cls('film')],
          src: filed ? undefined : address,
          ariaLabel: name,
          playsInline: true,
          preload: asset ? 'none' : 'metadata',
          muted: loop || undefined,
          loop: loop || undefined,
          controls: !loop || undefined
        })
      );
      if (filed) film.data = notes({ asset: filed.id });
      return ctx.part('root', 'div', loop ? { dataKPlays: '' } : {}, [...picture(poster, ctx, ''), film]);
    }
    const sign = ctx.part('sign', 'span', { ariaHidden: 'true' }, [text('▶')]);
    if (!address) return ctx.part('root', 'div', { dataEmpty: 'video' }, [...picture(poster, ctx, ''), sign]);
    return ctx.part('root', 'a', { href: address, ariaLabel: `${name}: play it where it is` }, [
      ...picture(poster, ctx, ''),
      sign
    ]);
  },
  style(node, ctx) {
    const { ratio } = ctx.settings<Settings>(node);
    const covers = { position: 'absolute', inset: '0', width: '100%', height: '100%', 'object-fit': 'cover' };
    return [
      rule(ctx.sel('root'), {
        display: 'block',
        position: 'relative',
        overflow: 'hidden',
        width: '100%',
        'aspect-ratio': ratio
      }),
      rule(ctx.sel('poster'), covers),
      rule(ctx.sel('film'), { ...covers, background: 'none' }),
      rule(ctx.sel('sign'), {
        position: 'absolute',
        top: '50%',
        left: '50%',
        transform: 'translate(-50%, -50%)'
      })
    ];
  },
  behaviours: (node, ctx) => {
    const own = ctx.settings<Settings>(node);
    return isInPage(own) && own.loop ? ['plays'] : [];
  },
  ground: (settings) => {
    const { poster } = settings as Settings;
    if (isInPage(settings as Settings)) return { layers: [{ film: true }] };
    return poster ? { layers: [{ picture: poster as AssetId, isWhole: false }] } : null;
  },
  fallbacks: (_node, { settings: under }) =>
    under<Settings>('always').loop
      ? [
          {
            label: 'Plays',
            wide: 'by itself',
            cells: { 'less-motion': 'does not play', 'no-script': 'does not play', print: 'its picture' }
          }
        ]
      : [],
  findings: []
};
