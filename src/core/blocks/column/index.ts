import { object } from 'yup';
import type { Kind } from '../../kinds/contract';
import { rule } from '../../kinds/rule';
import { about } from './about';

/** One of the columns of a Columns block. */
export const column: Kind = {
  ...about,
  anatomy: {
    root: {
      label: 'column',
      states: { hover: ':hover' },
      hasText: true,
      properties: ['gap'],
      box: { x: 30, y: 4, width: 90, height: 108 }
    }
  },
  settings: object({}),
  slots: { content: { label: 'Content', accepts: ['block'] } },
  forms: [],
  look: { root: { rest: { always: { gap: '16px' } } } },
  create: (make) => make('column', 'Column', {}, { content: [] }),
  markup: (_node, ctx) => ctx.part('root', 'div', {}, ctx.slot('content')),
  style: (_node, ctx) => [
    rule(ctx.sel('root'), { display: 'flex', 'flex-direction': 'column', 'min-width': '0' })
  ],
  behaviours: () => [],
  fallbacks: () => [],
  findings: []
};
