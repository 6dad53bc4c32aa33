import type { Part } from './contract';
import type { Styles } from '../project/types';

/** States of what is pressed, with the selectors browsers have for them. */
export const pressable = { hover: ':hover', focus: ':focus-visible', pressed: ':active' };
/** The ring of what has the focus. */
export const ring = { always: { outline: '2px solid #2b55a0', 'outline-offset': '2px' } };
/** The same inside, in the colour of the words: it is seen on whatever they are read on, and whatever is around. */
export const ringInside = { always: { outline: '2px solid currentcolor', 'outline-offset': '-4px' } };
const properties = ['font-size', 'font-weight', 'cursor'];

/** The button that opens something over the page. @param box in the drawing of the parts. */
export const openingPart = (box: NonNullable<Part['box']>): Part => ({
  label: 'button',
  states: pressable,
  hasText: true,
  properties,
  box
});

/** The button in it that closes it. @param box in the drawing of the parts. */
export const closingPart = (box: NonNullable<Part['box']>): Part => ({
  label: 'close button',
  on: 'panel',
  states: pressable,
  hasText: true,
  properties,
  box
});

/** How the two buttons look before anyone tunes them. */
export const openingLook = {
  button: {
    rest: {
      always: {
        'background-color': '#0b6a5f',
        color: '#ffffff',
        'border-width': '0',
        'border-radius': '4px',
        padding: '8px 14px',
        'font-size': '15px',
        'font-weight': '600',
        'text-align': 'center',
        cursor: 'pointer'
      }
    },
    hover: { always: { 'background-color': '#08544b' } },
    focus: ring,
    pressed: { always: { 'background-color': '#063f39' } }
  },
  close: {
    rest: {
      always: {
        'background-color': 'transparent',
        color: '#0b6a5f',
        'border-width': '0',
        padding: '6px 8px',
        'font-size': '15px',
        'font-weight': '600',
        'text-align': 'center',
        cursor: 'pointer'
      }
    },
    hover: { always: { 'background-color': '#ece8dc' } },
    focus: ring,
    pressed: { always: { 'background-color': '#e0dac8' } }
  }
} satisfies Styles;

/** How a small button of a widget looks before anyone tunes it: an arrow, a hold button. */
export const controlLook = (padding: string): Styles[string] => ({
  rest: {
    always: {
      'background-color': 'transparent',
      color: '#1f262a',
      'border-width': '1px',
      'border-color': '#7d7868',
      'border-radius': '4px',
      padding,
      'font-size': '15px',
      'font-weight': '600',
      'text-align': 'center',
      cursor: 'pointer'
    }
  },
  hover: { always: { 'background-color': '#d6ccb4' } },
  focus: ringInside,
  pressed: { always: { 'background-color': '#b9ad8e' } }
});
