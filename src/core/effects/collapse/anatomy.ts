import type { Anatomy } from '../../kinds/contract';
import type { Styles } from '../../project/types';

/** Selectors weigh as much as one class, so that the order of states decides. */
const OPEN = ':is([open] > *)';

export const anatomy: Anatomy = {
  collapse: {
    label: 'what opens',
    states: { open: '[open]' }
  },
  'collapse-header': {
    label: 'header',
    on: 'collapse',
    states: {
      hover: ':hover',
      focus: ':focus-visible',
      pressed: ':active',
      open: OPEN,
      'open-hover': `${OPEN}:where(:hover)`
    },
    hasText: true,
    properties: ['gap', 'font-size', 'font-weight', 'letter-spacing', 'text-transform', 'cursor']
  },
  'collapse-marker': {
    label: 'marker',
    on: 'collapse-header',
    states: { open: ':is([open] > * > *)' },
    properties: ['font-size', 'rotate', 'scale']
  }
};

export const look: Styles = {
  'collapse-header': {
    rest: {
      always: {
        padding: '12px 4px',
        'font-size': '20px',
        'font-weight': '600',
        color: '#1f262a',
        gap: '10px',
        cursor: 'pointer',
        'text-align': 'start',
        transition: 'background-color 150ms ease, color 150ms ease'
      },
      'less-motion': { transition: 'none' }
    },
    hover: { always: { 'background-color': '#0000001f' } },
    focus: { always: { outline: '2px solid #2b55a0', 'outline-offset': '-2px' } },
    pressed: { always: { 'background-color': '#00000038' } },
    open: { always: { color: '#0b6a5f' } }
  },
  'collapse-marker': {
    rest: { always: { 'font-size': '14px', rotate: '0deg' } }
  }
};
