import type { Element } from 'hast';
import { compact, defined } from '../../data/compact';
import { element, text } from '../../html/build';
import { printValue } from '../../css/tokens';
import type { Anatomy, Context, Kind, Rule } from '../../kinds/contract';
import { rule } from '../../kinds/rule';
import { moves, STILL_TRACK } from '../../motion/track';
import type { Node, Styles } from '../../project/types';
import { about } from './about';
import { LOCALES, writtenAmount } from './amount';
import { settings, type NumberSettings } from './settings';

const words = ['font-family', 'font-size', 'font-weight', 'line-height', 'letter-spacing', 'text-align'];

const anatomy: Anatomy = {
  root: {
    label: 'tile',
    states: {},
    properties: ['gap', 'text-align'],
    box: { x: 20, y: 14, width: 110, height: 88 }
  },
  number: {
    label: 'number',
    states: {},
    hasText: true,
    properties: words,
    box: { x: 32, y: 24, width: 86, height: 34 }
  },
  caption: {
    label: 'caption',
    states: {},
    hasText: true,
    properties: words,
    box: { x: 32, y: 68, width: 86, height: 20 }
  }
};

const look: Styles = {
  root: { rest: { always: { gap: '4px', 'text-align': 'center' } } },
  number: { rest: { always: { 'font-size': '40px', 'font-weight': '700', 'line-height': '1.1' } } },
  caption: { rest: { always: { 'font-size': '16px' } } }
};

const counts = (node: Node, ctx: Context): boolean =>
  ctx.variants<NumberSettings>(node).some(({ move }) => moves(move));

/** The end value is there all along, and keeps its room: what counts stands over it, and is for the eye alone. */
function figure(own: NumberSettings, isCounting: boolean, ctx: Context): Element {
  const written = writtenAmount(own.value, own.locale);
  const end = element('span', {}, [text(written)]);
  const live = element('span', {
    ariaHidden: 'true',
    dataKAmount: own.value.replace('−', '-'),
    dataKDigits: String(own.value.split('.')[1]?.length ?? 0),
    dataKLocale: own.locale === 'none' ? '' : LOCALES[own.locale]!
  });
  return element('span', { className: [ctx.cls('figure')] }, isCounting ? [end, live] : [end]);
}

function markup(node: Node, ctx: Context): Element {
  const own = ctx.settings<NumberSettings>(node);
  const isCounting = counts(node, ctx);
  const number = compact([
    own.before ? text(own.before) : null,
    figure(own, isCounting, ctx),
    own.after ? text(own.after) : null
  ]);
  return ctx.part(
    'root',
    'div',
    defined({ dataKCounts: isCounting ? '' : undefined }),
    compact([
      ctx.part('number', 'p', {}, number),
      own.caption ? ctx.part('caption', 'p', {}, [text(own.caption)]) : null
    ])
  );
}

function style(node: Node, ctx: Context): readonly Rule[] {
  const { move } = ctx.settings<NumberSettings>(node);
  const [root, figure] = [ctx.sel('root'), ctx.sel('figure')];
  return [
    rule(root, { display: 'flex', 'flex-direction': 'column' }),
    rule(root, {
      '--k-count': String(moves(move) ? move.ms : 0),
      '--k-ease': printValue(move.easing),
      '--k-delay': String(move.delay)
    }),
    rule(ctx.sel('number'), { margin: '0', 'font-variant-numeric': 'tabular-nums' }),
    rule(ctx.sel('caption'), { margin: '0' }),
    rule(figure, { display: 'inline-grid', 'justify-items': 'end' }),
    rule(`${figure} > *`, { 'grid-area': '1 / 1' }),
    rule(`${figure}:has(> :last-child:not(:empty)) > :first-child`, { opacity: '0' })
  ];
}

/** A number with words around it, which counts up to itself; it is heard, found and copied as what it ends at. */
export const number: Kind = {
  ...about,
  anatomy,
  settings,
  slots: {},
  forms: [],
  look,
  adapt: { 'less-motion': { move: STILL_TRACK }, print: { move: STILL_TRACK } },
  create: (make) => make('number', 'Number', {}),
  markup,
  style,
  behaviours: (node, ctx) => (counts(node, ctx) ? ['counts'] : []),
  fallbacks: () => [
    { label: 'Counts', wide: 'in view, once', cells: { 'no-script': 'stands there', print: 'stands there' } }
  ],
  findings: []
};
