import { object, type InferType } from 'yup';
import type { Kind } from '../../kinds/contract';
import { choiceField, toggleField } from '../../kinds/fields';
import { fillRules } from '../../kinds/filling';
import { rule } from '../../kinds/rule';
import { about } from './about';

const settings = object({
  flow: choiceField(
    'column',
    { column: 'one below the other', row: 'side by side' },
    { label: 'Flow', responsive: true }
  ),
  justify: choiceField(
    'start',
    {
      start: 'at the start',
      center: 'in the middle',
      end: 'at the end',
      'space-between': 'apart, to the edges',
      'space-around': 'apart, half at the edges',
      'space-evenly': 'apart, all equal'
    },
    { label: 'Along the flow', responsive: true }
  ),
  align: choiceField(
    'stretch',
    {
      start: 'at the start',
      center: 'in the middle',
      end: 'at the end',
      stretch: 'stretched',
      baseline: 'on one baseline'
    },
    { label: 'Across the flow', responsive: true }
  ),
  wrap: toggleField(true, {
    label: 'May wrap',
    help: 'What no longer fits side by side goes to the next line.'
  })
});

type Settings = InferType<typeof settings>;

/** Pieces in a flow, one below the other or side by side; stands anywhere, in stacks too. */
export const stack: Kind = {
  ...about,
  anatomy: {
    root: {
      label: 'stack',
      states: { hover: ':hover' },
      hasText: true,
      properties: ['gap', 'text-align'],
      box: { x: 20, y: 8, width: 110, height: 100 }
    }
  },
  settings,
  slots: { content: { label: 'Content', accepts: ['block'], repeats: true } },
  forms: [],
  unlists: 'collapse',
  look: { root: { rest: { always: { gap: '16px' } } } },
  create: (make) => make('stack', 'Stack', {}, { content: [] }),
  markup: (_node, ctx) => ctx.part('root', 'div', {}, ctx.slot('content')),
  style(node, ctx) {
    const own = ctx.settings<Settings>(node);
    const { flow, justify, align, wrap } = own;
    return [
      rule(ctx.sel('root'), {
        display: 'flex',
        'flex-direction': flow,
        'flex-wrap': wrap && flow === 'row' ? 'wrap' : 'nowrap',
        'justify-content': justify,
        'align-items': align,
        'min-width': '0'
      }),
      ...fillRules(ctx.sel('root'), own, ctx.variants<Settings>(node))
    ];
  },
  behaviours: () => [],
  fallbacks: () => [],
  findings: []
};
