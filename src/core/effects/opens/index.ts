import type { Element } from 'hast';
import { isEmpty } from '../../data/record';
import type { Context, Effect, EffectPlace } from '../../kinds/contract';
import { rule } from '../../kinds/rule';
import type { Node, NodeId } from '../../project/types';
import { about } from './about';
import { settings, type OpensSettings } from './settings';
import { opensByScript } from '../../kinds/opener';

function maybeUnfit({ kind, around }: EffectPlace): string | null {
  if (!around) return 'The page itself is no button. Let a picture or a card on it open something.';
  const isPressed = Object.values(kind.anatomy).some(({ states }) => states.pressed !== undefined);
  return isPressed
    ? `${kind.label} has something to press already. Let that open something, or what is around it.`
    : null;
}

/** A button over all of it, so that every press is the browser's own, by pointer and by key. */
function button({ target, label }: OpensSettings, opener: Element['properties'], ctx: Context): Element {
  const name = label || ctx.maybeNode(target as NodeId)!.name;
  return ctx.part('opens', 'button', { type: 'button', ...opener, ariaLabel: name });
}

const isHolder = ({ slots }: Node): boolean => Object.keys(slots).length > 0;

export const opens: Effect = {
  ...about,
  settings,
  anatomy: {
    opens: {
      label: 'what is pressed',
      states: { hover: ':hover', focus: ':focus-visible', pressed: ':active' },
      properties: ['cursor']
    }
  },
  look: {
    opens: {
      rest: {
        always: { 'background-color': 'transparent', 'border-width': '0', padding: '0', cursor: 'pointer' }
      },
      hover: { always: { 'background-color': '#0000000f' } },
      focus: { always: { outline: '2px solid #2b55a0', 'outline-offset': '2px' } },
      pressed: { always: { 'background-color': '#0000001f' } }
    }
  },
  maybeUnfit,
  around(holder, values, node, ctx) {
    const own = values as OpensSettings;
    const opener = ctx.opener(own.target);
    if (isEmpty(opener)) return holder;
    const pressed = button(own, opener, ctx);
    if (isHolder(node)) return { ...holder, children: [...holder.children, pressed] };
    return ctx.part('opens-box', 'div', {}, [holder, pressed]);
  },
  style(_values, { root, holder, measure }) {
    const pressed = `${root}-opens`;
    return [
      // Without weight: what sticks or lies over others has a place of its own, in which the button lies as well.
      rule(`:where(${holder})`, { position: 'relative' }),
      rule(`${root}-opens-box`, { ...measure, display: 'grid', position: 'relative' }),
      // Links and buttons in it stay within reach.
      rule(`${holder} :where(a, button, summary)`, { position: 'relative', 'z-index': '2' }),
      rule(pressed, {
        position: 'absolute',
        inset: '0',
        'z-index': '1',
        margin: '0',
        'border-radius': 'inherit'
      }),
      rule(pressed, { display: 'none' }, 'print'),
      rule(pressed, { display: 'none' }, 'no-script')
    ];
  },
  behaviours: (variants, _node, ctx) =>
    opensByScript((variants[0] as OpensSettings).target, ctx) ? ['opens'] : [],
  findings: () => import('./findings')
};
