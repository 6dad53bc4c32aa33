import { object, type InferType } from 'yup';
import { clamp } from '../../data/clamp';
import type { Box } from '../../facts/box';
import type { Kind } from '../../kinds/contract';
import { choiceField, numberField } from '../../kinds/fields';
import { fromRight, rule } from '../../kinds/rule';
import { standIn, tied } from '../../kinds/scrolled';
import type { Declarations } from '../../project/types';
import { about } from './about';

const settings = object({
  place: choiceField(
    'top',
    { top: 'at the top of the window', bottom: 'at the bottom of the window', here: 'where it is put' },
    { label: 'Stands' }
  ),
  height: numberField(4, 1, 40, { label: 'Height', unit: 'px' }),
  from: numberField(0, 0, 100, {
    label: 'Begins at',
    unit: '%',
    view: 'behaviour',
    help: 'Share of the way down the page: where the text begins that is read.'
  }),
  to: numberField(100, 0, 100, {
    label: 'Full at',
    unit: '%',
    view: 'behaviour',
    help: 'Where that text ends, such as before a long footer. Never before it begins.'
  })
});

type Settings = InferType<typeof settings>;

/** Between which percents of the way down the page it grows: it never ends before it begins. */
const percentsOf = ({ from, to }: Settings): readonly [number, number] => [from, Math.max(from, to)];

const wayOf = ({ whole, height }: Box): number => Math.max(0, whole - height);

const FIXED: Declarations = { position: 'fixed', 'inset-inline': '0', 'z-index': '3' };

const placeOf = (place: Settings['place']): Declarations =>
  place === 'here' ? {} : { ...FIXED, [place]: '0' };

export const progress: Kind = {
  ...about,
  anatomy: {
    root: { label: 'track', states: {}, box: { x: 0, y: 50, width: 150, height: 14 } },
    bar: { label: 'bar', states: {}, isMark: true, box: { x: 0, y: 50, width: 90, height: 14 } }
  },
  settings,
  slots: {},
  forms: [],
  look: {
    root: { rest: { always: { 'background-color': '#e4dfd3' } } },
    bar: { rest: { always: { 'background-color': '#0b6b5f' } } }
  },
  // How far one has read is no movement that was not asked for; paper has no such thing.
  adapt: {},
  create: (make) => make('progress', 'Reading progress'),
  markup(node, ctx) {
    const [from, to] = percentsOf(ctx.settings<Settings>(node));
    const told = { ariaHidden: 'true', dataKScrolls: `page ${from / 100} ${to / 100}` };
    return ctx.part('root', 'div', told, [ctx.part('bar', 'div', {})]);
  },
  style(node, ctx) {
    const own = ctx.settings<Settings>(node);
    const [from, to] = percentsOf(own);
    return [
      rule(ctx.sel('root'), { height: `${own.height}px`, ...placeOf(own.place) }),
      rule(ctx.sel('root'), { display: 'none' }, 'print'),
      rule(ctx.sel('bar'), { height: '100%', 'transform-origin': '0 50%' }),
      rule(fromRight(ctx.sel('bar')), { 'transform-origin': '100% 50%' }),
      // A timeline moves nothing while there is nothing to scroll, as on a long page of which little has come yet.
      rule(ctx.sel('bar'), { transform: 'scaleX(0)' }, 'timeline', 'used'),
      ...tied(ctx.sel('bar'), {
        names: ['k-read'],
        easing: 'linear',
        timeline: 'scroll(root)',
        range: `${from}% ${to}%`
      })
    ];
  },
  behaviours: (_node, ctx) => standIn(ctx.support),
  ranges(settings, box, { name }) {
    const [from, to] = percentsOf(settings as Settings);
    const [start, end] = [(from / 100) * wayOf(box), (to / 100) * wayOf(box)];
    return [{ sort: 'follows', words: `${name} grows`, start, end, travel: null, moves: ['transform'] }];
  },
  rangeTo(_settings, box, end, px) {
    const way = wayOf(box);
    if (way === 0) return null;
    return { [end === 'start' ? 'from' : 'to']: Math.round(clamp(px / way, 0, 1) * 100) };
  },
  fallbacks: () => [],
  findings: []
};
