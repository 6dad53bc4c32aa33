import type { Element } from 'hast';
import { compact, defined } from '../../data/compact';
import { element, text } from '../../html/build';
import { choosing, chosenBy } from '../../kinds/choosing';
import type { Anatomy, Context, Kind } from '../../kinds/contract';
import { controlLook, pressable, ring } from '../../kinds/opening';
import { notes } from '../../kinds/rule';
import type { Node, StateName, Styles } from '../../project/types';
import { about } from './about';
import { adapt, settings, type CardSettings } from './settings';
import { style } from './style';

const faceBox = (x: number) => ({ x, y: 10, width: 62, height: 96 });

const face = (label: string, x: number) => ({
  label,
  states: { hover: ':hover' },
  hasText: true,
  properties: ['gap'],
  box: faceBox(x)
});

const anatomy: Anatomy = {
  root: {
    label: 'card',
    states: { hover: ':hover', focus: ':focus-visible' },
    keys: { Tab: 'to it, which turns it' },
    box: { x: 0, y: 0, width: 150, height: 116 }
  },
  front: face('front', 8),
  back: face('back', 80),
  flip: {
    label: 'turn button',
    states: { ...pressable, ...chosenBy('[aria-pressed="true"]') },
    hasText: true,
    properties: ['font-size', 'font-weight', 'cursor'],
    box: { x: 100, y: 92, width: 40, height: 12 }
  }
};

const FACE = {
  padding: '20px',
  gap: '12px',
  'background-color': '#ffffff',
  color: '#1f262a',
  'border-width': '1px',
  'border-color': '#c9c2b2',
  'border-radius': '6px'
};

const look: Styles = {
  root: { focus: ring },
  front: { rest: { always: FACE } },
  back: { rest: { always: { ...FACE, 'background-color': '#22372b', color: '#ffffff' } } },
  flip: {
    ...controlLook('5px 10px'),
    selected: { always: { 'background-color': '#1f262a', color: '#ffffff' } }
  }
};

const isPressed = ({ by }: CardSettings): boolean => by === 'press' || by === 'both';

/** What it says of itself while its back is seen, as `data-turned`. */
const TURNED = 'turned';

/** The states of the card in which its back is seen. */
const TURNED_IN: Readonly<Record<CardSettings['by'], readonly StateName[]>> = {
  hover: ['hover', 'focus'],
  focus: ['focus'],
  press: [],
  both: ['hover']
};

/** Both faces stand in one place, so it is as high as the longer one; what turns is neither of them. */
function markup(node: Node, ctx: Context): Element {
  const own = ctx.settings<CardSettings>(node);
  const side = (part: 'front' | 'back') => ctx.part(part, 'div', {}, ctx.slot(part));
  const back = side('back');
  back.data = notes({ ...back.data, keptUntil: TURNED });
  const root = ctx.part(
    'root',
    'div',
    defined({
      role: 'group',
      ariaLabel: own.label || node.name,
      dataKFlips: isPressed(own) ? '' : undefined,
      tabIndex: isPressed(own) ? undefined : 0
    }),
    compact([
      element('div', { className: [ctx.cls('turning')] }, [side('front'), back]),
      isPressed(own)
        ? ctx.part('flip', 'button', { type: 'button', ariaPressed: 'false' }, [text(own.words)])
        : null
    ])
  );
  root.data = notes({ ...root.data, bringsOut: { attribute: TURNED, states: TURNED_IN[own.by] } });
  return root;
}

export const card: Kind = {
  ...about,
  anatomy,
  states: choosing,
  settings,
  slots: {
    front: { label: 'Front', accepts: ['block'], part: 'front' },
    back: { label: 'Back', accepts: ['block'], part: 'back' }
  },
  forms: [],
  look,
  adapt,
  create: (make) =>
    make(
      'card',
      'Card',
      { width: '320px', height: '200px', place: 'center' },
      {
        front: [make('heading', 'Front heading', { text: 'What it is', level: '3' })],
        back: [make('text', 'Back text', { html: '<p>What there is to know of it.</p>' })]
      }
    ),
  markup,
  style,
  behaviours: (node, ctx) => (isPressed(ctx.settings<CardSettings>(node)) ? ['flips'] : []),
  fallbacks(_node, { settings: under }) {
    const { by } = under<CardSettings>('always');
    const words = {
      hover: 'pointed at or focused',
      press: 'pressed',
      both: 'pointed at or pressed',
      focus: 'focused'
    };
    return [
      {
        label: 'Turns when',
        wide: words[by],
        cells: { touch: 'pressed', 'no-script': by === 'press' ? 'focused' : null, print: 'both sides' }
      }
    ];
  },
  findings: () => import('./findings')
};
