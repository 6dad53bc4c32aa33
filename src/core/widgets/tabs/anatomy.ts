import { chosenBy } from '../../kinds/choosing';
import type { Anatomy } from '../../kinds/contract';
import { ringInside } from '../../kinds/opening';
import type { Styles } from '../../project/types';

/** Before the script has made tabs of them, the button of the open panel is the current one. */
export const CHOSEN = ':is([aria-selected="true"], [aria-current])';

export const anatomy: Anatomy = {
  root: {
    label: 'widget',
    states: { hover: ':hover' },
    properties: ['gap'],
    box: { x: 0, y: 0, width: 150, height: 116 }
  },
  list: {
    label: 'tab list',
    states: { hover: ':hover', focus: ':focus-within' },
    properties: ['gap'],
    box: { x: 2, y: 2, width: 146, height: 26 }
  },
  tab: {
    label: 'tab',
    on: 'list',
    states: {
      hover: ':hover',
      focus: ':focus-visible',
      pressed: ':active',
      ...chosenBy(CHOSEN),
      disabled: '[aria-disabled="true"]'
    },
    hasText: true,
    icons: { rest: 'icon', selected: 'iconChosen' },
    keys: {
      '← →': 'the tab before, the next',
      'Home, End': 'the first, the last',
      Tab: 'into the panel'
    },
    properties: [
      'gap',
      'font-size',
      'font-weight',
      'letter-spacing',
      'text-transform',
      'text-decoration-line',
      'scale',
      'cursor'
    ],
    box: { x: 5, y: 5, width: 44, height: 22 }
  },
  icon: {
    label: 'tab icon',
    on: 'tab',
    states: {},
    properties: ['font-size', 'scale', 'rotate'],
    box: { x: 8, y: 9, width: 14, height: 14 }
  },
  indicator: { label: 'moving line', on: 'list', states: {} },
  header: {
    label: 'folded header',
    states: {
      hover: ':hover',
      focus: ':focus-visible',
      pressed: ':active',
      ...chosenBy('[aria-expanded="true"]'),
      disabled: '[aria-disabled="true"]'
    },
    hasText: true,
    keys: { '↑ ↓': 'the header before, the next', 'Home, End': 'the first, the last' },
    properties: [
      'gap',
      'font-size',
      'font-weight',
      'letter-spacing',
      'text-transform',
      'text-decoration-line',
      'cursor'
    ]
  },
  panel: {
    label: 'panel',
    states: { hover: ':hover', focus: ':focus-visible' },
    hasText: true,
    properties: ['gap'],
    box: { x: 2, y: 32, width: 146, height: 82 }
  }
};

const RING = { outline: '2px solid #2b55a0', 'outline-offset': '2px' };
const CHANGE =
  'background-color 150ms ease, color 150ms ease, border-color 150ms ease, box-shadow 150ms ease, opacity 150ms ease, translate 150ms ease, scale 150ms ease';
const CHOICE = {
  padding: '10px 16px',
  'font-size': '15px',
  'font-weight': '600',
  'border-width': '0',
  cursor: 'pointer',
  gap: '8px',
  transition: CHANGE
};
/** Colours may still change at once; nothing travels. */
const STILL = { transition: 'none' };

export const look: Styles = {
  root: { rest: { always: { gap: '0' } } },
  list: {
    rest: { always: { gap: '4px', 'border-color': '#c9c2b2', 'border-width': '0 0 2px', padding: '0' } }
  },
  tab: {
    rest: {
      always: {
        ...CHOICE,
        'background-color': '#f2efe7',
        color: '#3b444a',
        'border-radius': '4px 4px 0 0',
        'text-align': 'center'
      },
      'less-motion': STILL
    },
    hover: { always: { 'background-color': '#e4dfd3', color: '#1f262a' } },
    focus: ringInside,
    pressed: { always: { 'background-color': '#d5cfc1' } },
    selected: { always: { 'background-color': '#0b6a5f', color: '#ffffff' } },
    disabled: { always: { color: '#8a8f92', cursor: 'not-allowed' } }
  },
  header: {
    rest: {
      always: {
        ...CHOICE,
        'background-color': '#f2efe7',
        color: '#3b444a',
        'border-radius': '4px',
        'text-align': 'start'
      },
      'less-motion': STILL
    },
    hover: { always: { 'background-color': '#e4dfd3', color: '#1f262a' } },
    focus: ringInside,
    pressed: { always: { 'background-color': '#d5cfc1' } },
    selected: { always: { 'background-color': '#0b6a5f', color: '#ffffff' } },
    disabled: { always: { color: '#8a8f92', cursor: 'not-allowed' } }
  },
  icon: { rest: { always: { 'font-size': '1.2em' } } },
  indicator: { rest: { always: { 'background-color': '#0b6a5f', 'border-radius': '2px' } } },
  panel: {
    rest: { always: { padding: '20px 0', gap: '16px' } },
    focus: { always: RING }
  }
};
