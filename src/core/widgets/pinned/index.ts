import type { Element, ElementContent } from 'hast';
import { clamp } from '../../data/clamp';
import { compact } from '../../data/compact';
import { element } from '../../html/build';
import type { Box } from '../../facts/box';
import type { Context, EffectRange, Kind, Make, RangeTo } from '../../kinds/contract';
import { standIn } from '../../kinds/scrolled';
import type { ConditionName, Node, Settings } from '../../project/types';
import { about } from './about';
import { adapt, BLOCK_LEAST, BLOCK_MOST, INSET_MOST, settings, type PinnedSettings } from './settings';
import { style } from './style';

/** Kinds that can be the picture of a text. */
const PICTURES = ['image', 'figure', 'video', 'embed'];

/** What stays of an item: the first picture in it; what goes by is all the rest. */
function partsOf(
  item: Node,
  ctx: Context
): { readonly picture: ElementContent[]; readonly text: ElementContent[] } {
  const all = ctx.slot('content', item);
  const isPicture = (each: ElementContent) => {
    const child = each.type === 'element' ? each.data?.child : undefined;
    return PICTURES.includes((child && ctx.maybeNode(child)?.kind) ?? '');
  };
  const first = all.find(isPicture);
  return { picture: compact([first ?? null]), text: all.filter((each) => each !== first) };
}

function itemOf(item: Node, own: PinnedSettings, ctx: Context): Element {
  const { picture, text } = partsOf(item, ctx);
  return element(
    'div',
    { className: [ctx.cls('item')], dataKScrolls: `cover ${own.from / 100} ${own.to / 100}` },
    compact([
      picture.length > 0 ? ctx.part('picture', 'div', {}, picture, item) : null,
      ctx.part('text', 'div', {}, text, item)
    ])
  );
}

const isFolded = (fold: PinnedSettings['fold'], band: string): boolean =>
  fold === band || (band === 'narrow' && fold === 'medium');

/** Height of what stays in the window, px. */
const stageOf = ({ height }: Box, inset: number): number => Math.max(0, height - 2 * inset);

/** It is carried along while its texts go by: from where its place reaches the inset to where the last one ends. */
function ranges(
  settings: Readonly<Record<string, unknown>>,
  box: Box,
  node: Node,
  band: ConditionName
): readonly EffectRange[] {
  const { inset, fold } = settings as PinnedSettings;
  if (isFolded(fold, band)) return [];
  const stage = stageOf(box, inset);
  const travel = Math.max(0, box.bottom - box.top - stage);
  const start = box.top - inset;
  return [{ sort: 'sticks', words: `${node.name} stays`, start, end: start + travel, travel, moves: [] }];
}

/** Its start follows from its distance to the top, its end from the height of its texts. */
const rangeTo: RangeTo = (values, box, end, px): Settings => {
  const { inset, block } = values as PinnedSettings;
  const height = box.bottom - box.top;
  if (end === 'start') return { inset: Math.round(clamp(box.top - px, 0, INSET_MOST)) };
  const wanted = px - (box.top - inset) + stageOf(box, inset);
  return { block: Math.round(clamp((block * wanted) / height, BLOCK_LEAST, BLOCK_MOST)) };
};

const ORDINALS = ['First', 'Second', 'Third', 'Fourth'] as const;

const step = (make: Make, ordinal: string) =>
  make(
    'panel',
    `${ordinal} step`,
    {},
    {
      content: [
        make('image', `${ordinal} step picture`),
        make('heading', `${ordinal} step heading`, { text: `${ordinal} heading`, level: '3' }),
        make('text', `${ordinal} step words`, { html: '<p>What is said of the picture beside it.</p>' })
      ]
    }
  );

export const pinned: Kind = {
  ...about,
  anatomy: {
    root: {
      label: 'texts and pictures',
      states: {},
      properties: ['gap'],
      box: { x: 0, y: 0, width: 150, height: 116 }
    },
    text: {
      label: 'text',
      states: {},
      hasText: true,
      properties: ['gap'],
      box: { x: 8, y: 12, width: 60, height: 92 }
    },
    picture: { label: 'picture', states: {}, box: { x: 80, y: 12, width: 62, height: 60 } }
  },
  settings,
  slots: {
    panels: { label: 'Texts', accepts: ['panel'], items: true, repeats: true, least: 1, part: 'text' }
  },
  forms: [
    { form: 'pinned', label: 'beside a picture that stays', text: 'texts beside a picture that stays' },
    { form: 'stack', label: 'one below the other', text: 'each text under its own picture' }
  ],
  look: {
    root: { rest: { always: { gap: '0 32px' } } },
    text: { rest: { always: { gap: '12px' } } }
  },
  adapt,
  create: (make) =>
    make('pinned', 'Pinned picture', {}, { panels: ORDINALS.map((each) => step(make, each)) }),
  markup(node, ctx) {
    const own = ctx.settings<PinnedSettings>(node);
    return ctx.part(
      'root',
      'div',
      {},
      ctx.items('panels').map((item) => itemOf(item, own, ctx))
    );
  },
  style,
  behaviours: (_node, ctx) => standIn(ctx.support),
  share(settings, { band }) {
    const { share, fold } = settings as PinnedSettings;
    return isFolded(fold, band) ? 1 : share / 100;
  },
  ranges,
  rangeTo,
  fallbacks(_node, { settings: under }) {
    const { fold } = under<PinnedSettings>('always');
    const stacked = 'each text under its own picture';
    return [
      {
        label: 'Shows',
        wide: 'texts beside a picture that stays',
        cells: {
          medium: fold === 'medium' ? stacked : null,
          narrow: stacked,
          print: stacked,
          'less-motion': 'the same, changing at once'
        }
      }
    ];
  },
  findings: () => import('./findings')
};
