import type { Anatomy } from '../../kinds/contract';
import type { Styles } from '../../project/types';

const pressable = { hover: ':hover', focus: ':focus-visible', pressed: ':active' };

export const anatomy: Anatomy = {
  root: { label: 'dialog', states: {}, box: { x: 4, y: 8, width: 142, height: 100 } },
  button: {
    label: 'button',
    states: pressable,
    hasText: true,
    properties: ['font-size', 'font-weight', 'cursor'],
    box: { x: 10, y: 12, width: 46, height: 18 }
  },
  panel: {
    label: 'panel',
    states: {},
    hasText: true,
    properties: ['gap'],
    box: { x: 32, y: 36, width: 86, height: 60 }
  },
  close: {
    label: 'close button',
    on: 'panel',
    states: pressable,
    hasText: true,
    properties: ['font-size', 'font-weight', 'cursor'],
    box: { x: 84, y: 42, width: 28, height: 14 }
  }
};

const ring = { always: { outline: '2px solid #2b55a0', 'outline-offset': '2px' } };

export const look: Styles = {
  button: {
    rest: {
      always: {
        'background-color': '#0b6a5f',
        color: '#ffffff',
        'border-width': '0',
        'border-radius': '4px',
        padding: '10px 18px',
        'font-size': '15px',
        'font-weight': '600',
        cursor: 'pointer'
      }
    },
    hover: { always: { 'background-color': '#08544b' } },
    focus: ring,
    pressed: { always: { 'background-color': '#063f39' } }
  },
  panel: {
    rest: {
      always: {
        'background-color': '#ffffff',
        color: '#1f262a',
        'border-width': '0',
        'border-radius': '6px',
        padding: '24px',
        gap: '16px',
        'box-shadow': '0 8px 40px #00000059'
      }
    }
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
        cursor: 'pointer'
      }
    },
    hover: { always: { 'background-color': '#ece8dc' } },
    focus: ring,
    pressed: { always: { 'background-color': '#e0dac8' } }
  }
};
