import { object, type InferType } from 'yup';
import type { Kind } from '../../kinds/contract';
import { choiceField } from '../../kinds/fields';
import { rule } from '../../kinds/rule';
import { about } from './about';

/** Margins that bring a line to its place; at the start there are none. */
const MARGINS: Readonly<Record<string, string>> = { center: '0 auto', end: '0 0 0 auto' };

const settings = object({
  line: choiceField(
    'solid',
    { solid: 'solid', dashed: 'dashed', dotted: 'dotted', double: 'double' },
    { label: 'Line' }
  ),
  width: choiceField(
    '100%',
    { '100%': 'full width', '50%': 'half', '25%': 'a quarter', '64px': 'short' },
    { label: 'Length', responsive: true }
  ),
  place: choiceField('start', { start: 'start', center: 'centre', end: 'end' }, { label: 'Place' })
});

type Settings = InferType<typeof settings>;

export const separator: Kind = {
  ...about,
  anatomy: { root: { label: 'line', states: {}, box: { x: 20, y: 56, width: 110, height: 4 } } },
  settings,
  slots: {},
  forms: [],
  // Browsers give a line a grey of its own (HTML standard, 15.3.8), which is said here so that the cascade
  // knows it.
  look: {
    root: { rest: { always: { color: '#808080', 'border-color': '#c9c2b2', 'border-width': '1px 0 0 0' } } }
  },
  create: (make) => make('separator', 'Separator'),
  markup: (_node, ctx) => ctx.part('root', 'hr'),
  style(node, ctx) {
    const { line, width, place } = ctx.settings<Settings>(node);
    return [
      rule(ctx.sel('root'), {
        width,
        // What is as wide as there is room stands everywhere.
        'align-self': width === '100%' ? 'auto' : place,
        margin: MARGINS[place] ?? '0',
        'border-style': line
      })
    ];
  },
  behaviours: () => [],
  fallbacks: () => [],
  findings: []
};
