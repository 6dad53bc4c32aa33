import { object, type InferType } from 'yup';
import type { Kind } from '../../kinds/contract';
import { choiceField, numberField } from '../../kinds/fields';
import { rule } from '../../kinds/rule';
import { standIn, tied } from '../../kinds/scrolled';
import type { Declarations } from '../../project/types';
import { about } from './about';

const settings = object({
  place: choiceField(
    'top',
    { top: 'at the top of the window', bottom: 'at the bottom of the window', here: 'where it is put' },
    { label: 'Stands' }
  ),
  height: numberField(4, 1, 40, { label: 'Height', unit: 'px' })
});

type Settings = InferType<typeof settings>;

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
  markup: (_node, ctx) =>
    ctx.part('root', 'div', { ariaHidden: 'true', dataKScrolls: 'page 0 1' }, [ctx.part('bar', 'div', {})]),
  style(node, ctx) {
    const { place, height } = ctx.settings<Settings>(node);
    return [
      rule(ctx.sel('root'), { height: `${height}px`, ...placeOf(place) }),
      rule(ctx.sel('root'), { display: 'none' }, 'print'),
      rule(ctx.sel('bar'), { height: '100%', 'transform-origin': '0 50%' }),
      ...tied(ctx.sel('bar'), {
        names: ['k-read'],
        easing: 'linear',
        timeline: 'scroll(root)',
        range: 'normal'
      })
    ];
  },
  behaviours: (_node, ctx) => standIn(ctx.support),
  ranges: (_settings, box, { name }) => [
    {
      sort: 'follows',
      words: `${name} grows`,
      start: 0,
      end: Math.max(0, box.whole - box.height),
      travel: null,
      moves: ['transform']
    }
  ],
  fallbacks: () => [],
  findings: []
};
