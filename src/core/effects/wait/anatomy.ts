import type { Anatomy } from '../../kinds/contract';
import { openingLook, pressable, ring } from '../../kinds/opening';
import type { Styles } from '../../project/types';

/** The notice that the page is about to be left. */
export const anatomy: Anatomy = {
  'wait-notice': {
    label: 'leaving notice',
    states: {},
    hasText: true,
    properties: ['gap', 'font-size', 'font-weight']
  },
  'wait-link': {
    label: 'link to go on',
    on: 'wait-notice',
    states: pressable,
    hasText: true,
    properties: ['font-size', 'font-weight', 'text-decoration-line', 'cursor']
  },
  'wait-stay': {
    label: 'button to stay',
    on: 'wait-notice',
    states: pressable,
    hasText: true,
    properties: ['font-size', 'font-weight', 'cursor']
  }
};

export const look: Styles = {
  'wait-notice': {
    rest: {
      always: {
        'background-color': '#ffffff',
        color: '#1f262a',
        'border-width': '1px',
        'border-color': '#cfd6cf',
        'border-radius': '4px',
        padding: '10px 14px',
        gap: '6px 16px',
        'font-size': '16px'
      }
    }
  },
  'wait-link': {
    rest: { always: { color: '#0b6a5f', 'text-decoration-line': 'underline', cursor: 'pointer' } },
    hover: { always: { color: '#063f39' } },
    focus: ring
  },
  'wait-stay': openingLook.button
};
