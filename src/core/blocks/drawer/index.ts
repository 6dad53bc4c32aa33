import { compact } from '../../data/compact';
import { text } from '../../html/build';
import type { Kind } from '../../kinds/contract';
import { closingPart, openingLook, openingPart } from '../../kinds/opening';
import { STILL_TRACK, trackOf } from '../../motion/track';
import { about } from './about';
import { settings, type DrawerSettings } from './settings';
import { style } from './style';

/**
 * A panel that lies over the page until it is put away: the browser's own popover (HTML standard, 6.12),
 * which opens, closes on Escape and on a press beside it, and gives the focus back, all without script. Where
 * it is not known, and on paper, the content stands in the flow.
 */
export const drawer: Kind = {
  ...about,
  anatomy: {
    root: { label: 'side panel', states: {}, box: { x: 4, y: 8, width: 142, height: 100 } },
    button: openingPart({ x: 10, y: 14, width: 46, height: 22 }),
    panel: {
      label: 'panel',
      states: {},
      hasText: true,
      properties: ['gap'],
      keys: { Escape: 'closes it' },
      box: { x: 76, y: 8, width: 70, height: 100 }
    },
    close: closingPart({ x: 110, y: 14, width: 30, height: 18 })
  },
  settings,
  opens: { part: 'panel', how: 'popover' },
  slots: { content: { label: 'Content', accepts: ['block'], part: 'panel' } },
  forms: [],
  adapt: { 'less-motion': { track: STILL_TRACK, leave: STILL_TRACK } },
  look: {
    ...openingLook,
    panel: {
      rest: {
        always: {
          'background-color': '#ffffff',
          color: '#1f262a',
          'border-width': '0',
          padding: '20px',
          gap: '16px',
          'box-shadow': '0 0 24px #00000040'
        }
      }
    }
  },
  create: (make) =>
    make(
      'drawer',
      'Side panel',
      {
        track: trackOf({ form: 'edge', ms: 220, easing: 'ease-out' }),
        leave: trackOf({ form: 'edge', ms: 160, easing: 'ease-in' })
      },
      { content: [make('heading', 'Panel heading', { level: '2', text: 'What stands at the side' })] }
    ),
  markup(node, ctx) {
    const { label, close } = ctx.settings<DrawerSettings>(node);
    const id = `${node.id}-panel`;
    const words = [text(label)];
    const button = label ? ctx.part('button', 'button', { type: 'button', popoverTarget: id }, words) : null;
    const putAway = { type: 'button', popoverTarget: id, popoverTargetAction: 'hide' };
    const panel = ctx.part(
      'panel',
      'div',
      { id, popover: 'auto', role: 'dialog', ariaLabel: label || node.name },
      [ctx.part('close', 'button', putAway, [text(close)]), ...ctx.slot('content')]
    );
    return ctx.part('root', 'div', { dataKCloses: '' }, compact([button, panel]));
  },
  style,
  behaviours: () => ['closes'],
  uses: () => ['popover'],
  fallbacks: () => [
    {
      label: 'The panel',
      wide: 'over the page, when asked for',
      cells: { 'no-script': null, print: 'in the flow' }
    }
  ],
  findings: () => import('./findings')
};
