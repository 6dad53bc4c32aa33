import type { Anatomy, OwnState } from '../../kinds/contract';
import type { Styles } from '../../project/types';

/** Selectors weigh as much as one class, so that the order of states decides. */
const OPEN = ':is([open] > *)';

export const states: Readonly<Record<string, OwnState>> = {
  open: { label: 'open', like: 'selected' },
  'open-hover': { label: 'open, hover', implies: ['hover', 'open'], like: 'selected-hover' }
};

export const anatomy: Anatomy = {
  root: {
    label: 'accordion',
    states: { hover: ':hover' },
    properties: ['gap'],
    box: { x: 0, y: 0, width: 150, height: 116 }
  },
  item: {
    label: 'item',
    states: { hover: ':hover', open: '[open]', 'open-hover': '[open]:where(:hover)' },
    box: { x: 2, y: 2, width: 146, height: 72 }
  },
  header: {
    label: 'header',
    on: 'item',
    states: {
      hover: ':hover',
      focus: ':focus-visible',
      pressed: ':active',
      open: OPEN,
      'open-hover': `${OPEN}:where(:hover)`,
      disabled: '[aria-disabled="true"]'
    },
    hasText: true,
    icons: { rest: 'icon' },
    properties: [
      'gap',
      'font-size',
      'font-weight',
      'letter-spacing',
      'text-transform',
      'text-decoration-line',
      'cursor'
    ],
    box: { x: 5, y: 5, width: 140, height: 22 }
  },
  icon: {
    label: 'header icon',
    on: 'header',
    states: {},
    properties: ['font-size', 'scale', 'rotate'],
    box: { x: 8, y: 9, width: 14, height: 14 }
  },
  marker: {
    label: 'marker',
    on: 'header',
    states: { open: ':is([open] > * > *)' },
    properties: ['font-size', 'rotate', 'scale'],
    box: { x: 128, y: 9, width: 14, height: 14 }
  },
  panel: {
    label: 'panel',
    on: 'item',
    seenIn: 'open',
    states: { hover: ':hover' },
    hasText: true,
    properties: ['gap'],
    box: { x: 5, y: 30, width: 140, height: 42 }
  }
};

const CHANGE = 'background-color 150ms ease, color 150ms ease, border-color 150ms ease';

export const look: Styles = {
  root: { rest: { always: { gap: '8px' } } },
  item: {
    rest: { always: { 'border-color': '#c9c2b2', 'border-width': '0 0 1px' } }
  },
  header: {
    rest: {
      always: {
        padding: '12px 4px',
        'font-size': '16px',
        'font-weight': '600',
        color: '#1f262a',
        gap: '10px',
        cursor: 'pointer',
        'text-align': 'start',
        transition: CHANGE
      },
      'less-motion': { transition: 'none' }
    },
    hover: { always: { 'background-color': '#0000001f' } },
    focus: { always: { outline: '2px solid #2b55a0', 'outline-offset': '-2px' } },
    pressed: { always: { 'background-color': '#00000038' } },
    open: { always: { color: '#0b6a5f' } },
    disabled: { always: { color: '#6a6f72', cursor: 'not-allowed' } }
  },
  icon: { rest: { always: { 'font-size': '1.2em' } } },
  marker: {
    rest: {
      always: { 'font-size': '14px', rotate: '0deg', transition: 'rotate 150ms ease' },
      'less-motion': { transition: 'none' }
    }
  },
  panel: { rest: { always: { padding: '4px 4px 20px', gap: '16px' } } }
};
