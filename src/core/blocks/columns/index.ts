import { object, type InferType } from 'yup';
import type { Kind } from '../../kinds/contract';
import { choiceField } from '../../kinds/fields';
import { rule } from '../../kinds/rule';

const settings = object({
  ratio: choiceField('1:1', { '1:1': '1 : 1', '2:1': '2 : 1', '1:2': '1 : 2', '3:1': '3 : 1', '1:3': '1 : 3', '3:2': '3 : 2', '2:3': '2 : 3' }, {
    label: 'Widths'
  }),
  align: choiceField('start', { start: 'at the top', center: 'in the middle', end: 'at the bottom', stretch: 'equal heights' }, { label: 'Columns stand' }),
  stack: choiceField('narrow', { narrow: 'narrow', medium: 'medium', never: 'never' }, {
    label: 'Stacked in band',
    view: 'fallbacks',
    help: 'In this width band and below, the columns stand one below the other.'
  })
});

export const columns: Kind = {
  kind: 'columns',
  label: 'Two columns',
  summary: 'Two columns side by side, stacked where it is narrow',
  category: 'block',
  icon: 'M2 3h5v10H2zM9 3h5v10H9z',
  insertable: true,
  anatomy: {
    root: { label: 'columns', states: {}, properties: ['gap'], box: { x: 0, y: 10, width: 150, height: 96 } }
  },
  settings,
  slots: { columns: { label: 'Columns', accepts: ['column'], least: 2 } },
  forms: [
    { form: 'columns', label: 'side by side', text: 'two columns' },
    { form: 'stack', label: 'stacked', text: 'one below the other' }
  ],
  look: { root: { rest: { always: { gap: '32px' } } } },
  create: (make) =>
    make('columns', 'Two columns', {}, {
      columns: [make('column', 'First column', {}, { content: [] }), make('column', 'Second column', {}, { content: [] })]
    }),
  markup: (_node, ctx) => ctx.part('root', 'div', {}, ctx.slot('columns')),
  style(node, ctx) {
    const { ratio, align, stack } = ctx.settings<InferType<typeof settings>>(node);
    const tracks = ratio.split(':').map((share) => `minmax(0, ${share}fr)`).join(' ');
    const root = ctx.sel('root');
    return [
      rule(root, { display: 'grid', 'grid-template-columns': tracks, 'align-items': align }),
      ...(stack === 'never' ? [] : [rule(root, { 'grid-template-columns': 'minmax(0, 1fr)' }, stack)])
    ];
  },
  behaviours: () => [],
  fallbacks(_node, { settings: under }) {
    const { stack } = under<InferType<typeof settings>>('always');
    return [
      {
        label: 'Shows',
        wide: 'side by side',
        cells: { medium: stack === 'medium' ? 'stacked' : null, narrow: stack === 'never' ? null : 'stacked' }
      }
    ];
  },
  findings: []
};
