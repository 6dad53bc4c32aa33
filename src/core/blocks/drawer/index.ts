import { object, type InferType } from 'yup';
import { compact } from '../../data/compact';
import type { Kind } from '../../kinds/contract';
import { choiceField, cssField, textField } from '../../kinds/fields';
import { closingPart, openingLook, openingPart } from '../../kinds/opening';
import { rule } from '../../kinds/rule';
import { about } from './about';
import { text } from '../../html/build';

const settings = object({
  label: textField('Menu', 120, {
    label: 'Words on the button',
    help: 'Left empty, it has none: any button of the page can open it, under “Opens”.'
  }),
  close: textField('Close', 120, { label: 'Words on the button that closes it', names: true }),
  side: choiceField('start', { start: 'the left', end: 'the right' }, { label: 'Comes from' }),
  width: cssField('width', '320px', {
    label: 'Width of the panel',
    responsive: true,
    help: 'In any unit; it never takes more than nine tenths of the window.'
  })
});

type Settings = InferType<typeof settings>;

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
      {},
      { content: [make('heading', 'Panel heading', { level: '2', text: 'What stands at the side' })] }
    ),
  markup(node, ctx) {
    const { label, close } = ctx.settings<Settings>(node);
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
    return ctx.part('root', 'div', {}, compact([button, panel]));
  },
  style(node, ctx) {
    const { side, width } = ctx.settings<Settings>(node);
    const panel = ctx.sel('panel');
    return [
      ...['button', 'close'].map((part) =>
        rule(ctx.sel(part), { font: 'inherit', 'align-self': part === 'close' ? 'flex-end' : 'auto' })
      ),
      // Only what is open leaves the flow, so a browser that knows no popover shows everything where it stands.
      rule(`${panel}:popover-open`, {
        display: 'flex',
        'flex-direction': 'column',
        position: 'fixed',
        'box-sizing': 'border-box',
        inset: side === 'start' ? '0 auto 0 0' : '0 0 0 auto',
        width,
        'max-width': '90vw',
        height: 'auto',
        'max-height': 'none',
        margin: '0',
        'overflow-y': 'auto'
      }),
      rule(`${panel}::backdrop`, { background: '#00000066' }),
      rule(
        panel,
        { display: 'block', position: 'static', width: 'auto', height: 'auto', margin: '0' },
        'print'
      ),
      // One that is open when the page is printed stands where it stands, not over every sheet.
      rule(
        `${panel}:popover-open`,
        { display: 'block', position: 'static', width: 'auto', 'max-width': 'none', 'overflow-y': 'visible' },
        'print'
      ),
      rule(`${panel}::backdrop`, { display: 'none' }, 'print')
    ];
  },
  behaviours: () => [],
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
