import type { Element } from 'hast';
import { compact, defined } from '../../data/compact';
import type { Context, Kind, Rule } from '../../kinds/contract';
import { entranceAnimation } from '../../kinds/entrance';
import { rule } from '../../kinds/rule';
import { STILL_TRACK } from '../../motion/track';
import type { Node } from '../../project/types';
import { about } from './about';
import { anatomy, look } from './anatomy';
import { settings, type DialogSettings } from './settings';
import { text, element } from '../../html/build';

/** Where it stands in the window; what `size` is of: its width, or its height. */
const PLACES: Readonly<
  Record<DialogSettings['place'], { readonly inset: string; readonly isWide: boolean }>
> = {
  middle: { inset: '0', isWide: false },
  start: { inset: '0 auto 0 0', isWide: false },
  end: { inset: '0 0 0 auto', isWide: false },
  top: { inset: '0 0 auto', isWide: true },
  bottom: { inset: 'auto 0 0', isWide: true }
};

function boxOf({ place, size }: DialogSettings): Record<string, string> {
  const { inset, isWide } = PLACES[place];
  const most = { 'max-width': '100vw', 'max-height': '100dvh' };
  if (isWide) return { inset, margin: '0', width: '100%', height: size, ...most };
  if (place !== 'middle') return { inset, margin: '0', width: size, height: '100dvh', ...most };
  const air = { 'max-width': 'calc(100vw - 2rem)', 'max-height': 'calc(100dvh - 2rem)' };
  return { inset, margin: 'auto', width: size, height: 'fit-content', ...air };
}

/** The button closes it without script (HTML standard, 4.11.4 and 4.10.21.3, `method="dialog"`). */
const closing = (words: string, ctx: Context): Element =>
  element('form', { method: 'dialog', className: [ctx.cls('form')] }, [
    ctx.part('close', 'button', { type: 'submit' }, [text(words)])
  ]);

function markup(node: Node, ctx: Context): Element {
  const { title, label, close, outside } = ctx.settings<DialogSettings>(node);
  const panel = ctx.part(
    'panel',
    'dialog',
    defined({
      id: `${node.id}-panel`,
      ariaLabel: title || label || node.name,
      dataOutside: outside ? '' : undefined
    }),
    [closing(close, ctx), ...ctx.slot('content')]
  );
  const opener = { type: 'button', ...ctx.opener(node.id) };
  const button = label ? ctx.part('button', 'button', opener, [text(label)]) : null;
  return ctx.part('root', 'div', {}, compact([button, panel]));
}

/**
 * The browser's own dialog, shown as a modal one: the focus goes in, stays and comes back, Escape closes it, and
 * the page behind it is out of reach. Without script, and on paper, it stands in the flow.
 */
export const dialog: Kind = {
  ...about,
  anatomy,
  settings,
  slots: { content: { label: 'Content', accepts: ['block'], part: 'panel' } },
  forms: [],
  look,
  adapt: { 'less-motion': { track: STILL_TRACK } },
  opens: { part: 'panel', how: 'dialog' },
  create: (make) =>
    make(
      'dialog',
      'Dialog',
      {},
      { content: [make('heading', 'Dialog heading', { level: '2', text: 'What one is asked or told' })] }
    ),
  markup,
  style(node, ctx): readonly Rule[] {
    const own = ctx.settings<DialogSettings>(node);
    const panel = ctx.sel('panel');
    const inFlow = { display: 'block', position: 'static', width: 'auto', height: 'auto', margin: '0' };
    return [
      // Without a button of its own it takes no room: not even a gap.
      rule(ctx.sel('root'), { display: own.label ? 'block' : 'contents' }),
      rule(ctx.sel('button'), { font: 'inherit' }),
      rule(ctx.sel('close'), { font: 'inherit' }),
      rule(ctx.sel('form'), { 'align-self': 'flex-end', margin: '0' }),
      rule(`${panel}[open]`, {
        display: 'flex',
        'flex-direction': 'column',
        position: 'fixed',
        'box-sizing': 'border-box',
        ...boxOf(own),
        'overflow-y': 'auto',
        'overscroll-behavior': 'contain',
        animation: entranceAnimation(own.track)
      }),
      rule(`${panel}::backdrop`, { background: own.backdrop }),
      rule(panel, inFlow, 'no-script'),
      rule(panel, inFlow, 'print')
    ];
  },
  behaviours: (node, ctx) => (ctx.settings<DialogSettings>(node).label ? ['opens'] : []),
  fallbacks: () => [
    {
      label: 'The dialog',
      wide: 'over the page, when asked for',
      cells: { 'no-script': 'in the flow', print: 'in the flow' }
    }
  ],
  findings: () => import('./findings')
};
