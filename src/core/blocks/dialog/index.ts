import type { Element } from 'hast';
import { compact, defined } from '../../data/compact';
import type { Context, Kind, Rule } from '../../kinds/contract';
import { atEdge, entranceAnimation, type Edge } from '../../kinds/entrance';
import { leavingRules } from '../../kinds/lying';
import { rule } from '../../kinds/rule';
import { STILL_TRACK, trackOf } from '../../motion/track';
import type { Declarations, Node } from '../../project/types';
import { about } from './about';
import { anatomy, look } from './anatomy';
import { settings, type DialogSettings } from './settings';
import { text, element } from '../../html/build';

/** Where it stands in the window; what `size` is of: its width, or its height. */
interface Stand {
  readonly inset: string;
  readonly isWide: boolean;
  /** The edge it comes from and goes to. */
  readonly edge: Edge;
}

const PLACES: Readonly<Record<DialogSettings['place'], Stand>> = {
  middle: { inset: '0', isWide: false, edge: 'bottom' },
  start: { inset: '0 auto 0 0', isWide: false, edge: 'left' },
  end: { inset: '0 0 0 auto', isWide: false, edge: 'right' },
  top: { inset: '0 0 auto', isWide: true, edge: 'top' },
  bottom: { inset: 'auto 0 0', isWide: true, edge: 'bottom' }
};

/** Where it stands in the flow, and nothing is opened or closed. */
const WHERE_IT_LIES = ['no-script', 'print'] as const;

function boxOf({ place, size }: DialogSettings): Declarations {
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
  adapt: { 'less-motion': { track: STILL_TRACK, leave: STILL_TRACK } },
  opens: { part: 'panel', how: 'dialog' },
  create: (make) =>
    make(
      'dialog',
      'Dialog',
      { leave: trackOf({ form: 'fade', ms: 150, easing: 'ease-in' }) },
      { content: [make('heading', 'Dialog heading', { level: '2', text: 'What one is asked or told' })] }
    ),
  markup,
  style(node, ctx): readonly Rule[] {
    const own = ctx.settings<DialogSettings>(node);
    const panel = ctx.sel('panel');
    const { edge } = PLACES[own.place];
    const closed = `dialog${panel}:not([open])`;
    const place = {
      'flex-direction': 'column',
      position: 'fixed',
      'box-sizing': 'border-box',
      ...boxOf(own)
    };
    const inFlow = { display: 'block', position: 'static', width: 'auto', height: 'auto', margin: '0' };
    return [
      // Without a button of its own it takes no room: not even a gap.
      rule(ctx.sel('root'), { display: own.label ? 'block' : 'contents' }),
      rule(ctx.sel('button'), { font: 'inherit' }),
      rule(ctx.sel('close'), { font: 'inherit' }),
      rule(ctx.sel('form'), { 'align-self': 'flex-end', margin: '0' }),
      rule(`${panel}[open]`, {
        display: 'flex',
        ...place,
        'overflow-y': 'auto',
        'overscroll-behavior': 'contain',
        animation: entranceAnimation(atEdge(own.track, edge))
      }),
      rule(`${panel}::backdrop`, { background: own.backdrop }),
      ...leavingRules({ closed, place, edge, when: ['script'] }, own, ctx.variants<DialogSettings>(node)),
      ...WHERE_IT_LIES.flatMap((where) => [
        rule(panel, inFlow, where),
        ...['button', 'form'].map((part) => rule(ctx.sel(part), { display: 'none' }, where))
      ])
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
