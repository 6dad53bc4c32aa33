import type { Context, FallbackContext, FallbackRow, Kind, Make } from '../../kinds/contract';
import type { Node } from '../../project/types';
import { about } from './about';
import { lay } from './arranging';
import { anatomy, look } from './anatomy';
import { markup, opensLarge } from './markup';
import { adapt, settings, type GallerySettings } from './settings';
import { style } from './style';

const ORDERS = { packed: 'packed', down: 'column by column', rows: 'row by row' } as const;

function fallbacks(_node: Node, { settings: under }: FallbackContext): readonly FallbackRow[] {
  const { order, large } = under<GallerySettings>('always');
  const opens = large
    ? {
        wide: 'over the page',
        cells: { touch: 'over the page, by swipes', 'no-script': 'by itself', print: '—' }
      }
    : { wide: 'stays as it is', cells: {} };
  return [
    { label: 'Shows', wide: ORDERS[order], cells: {} },
    { label: 'A picture that is pressed', ...opens }
  ];
}

const ORDINALS = ['First', 'Second', 'Third', 'Fourth', 'Fifth', 'Sixth'] as const;

const emptyPicture = (make: Make, ordinal: string) =>
  make('panel', `${ordinal} picture`, {}, { content: [make('image', `Picture ${ordinal.toLowerCase()}`)] });

const behaviours = (node: Node, ctx: Context): readonly string[] => (opensLarge(node, ctx) ? ['large'] : []);

export const gallery: Kind = {
  ...about,
  anatomy,
  settings,
  slots: {
    panels: {
      label: 'Pictures',
      accepts: ['panel'],
      items: true,
      repeats: true,
      ofPictures: true,
      least: 1,
      part: 'open',
      list: 'list'
    }
  },
  forms: [
    { form: 'packed', label: 'packed', text: 'pictures in columns that end at much the same height' },
    { form: 'down', label: 'column by column', text: 'pictures down each column' },
    { form: 'rows', label: 'row by row', text: 'pictures in rows' }
  ],
  look,
  adapt,
  create: (make) =>
    make('gallery', 'Gallery', {}, { panels: ORDINALS.map((ordinal) => emptyPicture(make, ordinal)) }),
  markup,
  style,
  behaviours,
  fallbacks,
  enlarges: 'large',
  fills: () => true,
  share: ({ columns }) => 1 / (columns as number),
  arranged: { setting: 'order', lay },
  findings: () => import('./findings')
};
