import { object } from 'yup';
import type { Kind } from '../../kinds/contract';
import { cssField } from '../../kinds/fields';
import { FILLS } from '../../kinds/filling';
import { rule } from '../../kinds/rule';
import { defined } from '../../data/compact';
import { about } from './about';

const settings = object({
  height: cssField('height', '', {
    label: 'Least height',
    responsive: true,
    help: 'In any unit: 320px, 60svh. Empty: as high as the tallest layer.'
  })
});

/** Layers share one cell of a grid, so the box is as large as the largest of them and nothing is cut. */
export const layers: Kind = {
  ...about,
  anatomy: {
    root: { label: 'layers', states: { hover: ':hover' }, box: { x: 8, y: 10, width: 134, height: 96 } }
  },
  settings,
  slots: {
    layers: { label: 'Layers', accepts: ['layer'], items: true, stacked: true, least: 1, part: 'root' }
  },
  forms: [],
  look: {},
  create: (make) =>
    make(
      'layers',
      'Layers',
      {},
      {
        layers: [
          make('layer', 'Picture layer', { width: '100%' }, { content: [make('image', 'Layer picture')] }),
          make(
            'layer',
            'Words layer',
            {},
            { content: [make('heading', 'Layer heading', { text: 'Over the picture', level: '2' })] }
          )
        ]
      }
    ),
  markup: (_node, ctx) => ctx.part('root', 'div', {}, ctx.slot('layers')),
  style(node, ctx) {
    const { height } = ctx.settings<{ height: string }>(node);
    const isEverTall = ctx.variants<{ height: string }>(node).some((each) => each.height !== '');
    return [
      rule(
        ctx.sel('root'),
        defined({
          display: 'grid',
          'grid-template-columns': 'minmax(0, 1fr)',
          isolation: 'isolate',
          ...FILLS,
          'min-height': isEverTall ? height || '0' : undefined
        })
      ),
      rule(`${ctx.sel('root')} > *`, { 'grid-area': '1 / 1' })
    ];
  },
  behaviours: () => [],
  fallbacks: () => [],
  findings: []
};
