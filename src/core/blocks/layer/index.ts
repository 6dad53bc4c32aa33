import { object, type InferType } from 'yup';
import type { Kind } from '../../kinds/contract';
import { cssField, placeField } from '../../kinds/fields';
import { rule } from '../../kinds/rule';
import type { NodeId } from '../../project/types';
import { about } from './about';
import { styleAtRest } from '../../kinds/finding';
import { hexByte } from '../../colour/hex';

const settings = object({
  place: placeField('50% 50%', {
    label: 'Stands at',
    responsive: true,
    help: 'Shares of the free room from the left and from above: 50% 50% is the middle, 0% 100% the lower left corner.'
  }),
  width: cssField('width', '', {
    label: 'Width',
    responsive: true,
    help: '100% fills the box. Empty: as wide as what is in it.'
  })
});

type Settings = InferType<typeof settings>;

const veil = (id: NodeId, colour: string, share: number) => [
  styleAtRest(id, 'root', 'background-color', colour + hexByte(share))
];

/** One of the layers of a Layers block. */
export const layer: Kind = {
  ...about,
  anatomy: {
    root: {
      label: 'layer',
      states: { hover: ':hover' },
      hasText: true,
      properties: ['gap'],
      box: { x: 30, y: 30, width: 90, height: 56 }
    }
  },
  settings,
  slots: { content: { label: 'Content', accepts: ['block'] } },
  forms: [],
  look: { root: { rest: { always: { gap: '12px' } } } },
  create: (make) => make('layer', 'Layer', {}, { content: [] }),
  markup: (_node, ctx) => ctx.part('root', 'div', {}, ctx.slot('content')),
  style(node, ctx) {
    const { place, width } = ctx.settings<Settings>(node);
    const [x, y] = place.split(' ') as [string, string];
    return [
      rule(ctx.sel('root'), {
        display: 'flex',
        'flex-direction': 'column',
        'box-sizing': 'border-box',
        'max-width': '100%',
        width: width || 'fit-content',
        position: 'relative',
        // The places are shares from the left and from above, wherever lines begin.
        'place-self': 'start left',
        // A share of the free room: so far from the edge, less the same share of itself (as
        // background-position, CSS Backgrounds 3, section 2.6).
        left: x,
        top: y,
        transform: `translate(-${x}, -${y})`
      })
    ];
  },
  behaviours: () => [],
  ground: ({ width }) => ({
    layers: [],
    isAcross: width === '100%',
    veil
  }),
  fallbacks: () => [],
  findings: []
};
