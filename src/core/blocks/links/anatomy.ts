import { chosenBy } from '../../kinds/choosing';
import type { Anatomy } from '../../kinds/contract';
import { closingPart, pressable, ring } from '../../kinds/opening';
import type { Styles } from '../../project/types';

const words = ['font-size', 'font-weight', 'gap', 'cursor'];
const lettering = ['text-decoration-line', 'letter-spacing', 'text-transform'];

export const anatomy: Anatomy = {
  root: { label: 'links', states: {}, hasText: true, box: { x: 0, y: 30, width: 150, height: 44 } },
  list: { label: 'list', states: {}, properties: ['gap'], box: { x: 4, y: 36, width: 112, height: 32 } },
  link: {
    label: 'link',
    states: { ...pressable, ...chosenBy('[aria-current]') },
    hasText: true,
    on: 'list',
    movesTo: 'panel',
    properties: [...words, ...lettering],
    box: { x: 8, y: 42, width: 30, height: 20 }
  },
  arrow: {
    label: 'arrow of a sub-list',
    states: { ...pressable, ...chosenBy('[aria-expanded="true"]') },
    on: 'list',
    movesTo: 'panel',
    properties: words,
    keys: { Escape: 'closes the sub-list' }
  },
  sublist: {
    label: 'sub-list',
    states: {},
    on: 'list',
    properties: ['gap'],
    box: { x: 8, y: 70, width: 46, height: 40 }
  },
  sublink: {
    label: 'sub-link',
    states: { ...pressable, ...chosenBy('[aria-current]') },
    hasText: true,
    on: 'sublist',
    properties: [...words, ...lettering],
    keys: { Escape: 'closes the sub-list' },
    box: { x: 12, y: 74, width: 38, height: 14 }
  },
  panel: {
    label: 'side panel',
    states: {},
    properties: ['gap'],
    keys: { Escape: 'closes it' },
    box: { x: 60, y: 4, width: 86, height: 104 }
  },
  close: closingPart({ x: 104, y: 10, width: 36, height: 16 }),
  menu: {
    label: 'menu button',
    states: { ...pressable, ...chosenBy('[aria-expanded="true"]') },
    hasText: true,
    properties: words,
    keys: { Escape: 'closes the menu' },
    box: { x: 120, y: 42, width: 26, height: 20 }
  }
};

export const look: Styles = {
  list: { rest: { always: { gap: '4px 24px', padding: '0' } } },
  link: {
    rest: {
      always: {
        color: '#0b6a5f',
        padding: '4px 0',
        gap: '6px',
        'text-decoration-line': 'none',
        cursor: 'pointer'
      }
    },
    hover: { always: { color: '#063f39', 'text-decoration-line': 'underline' } },
    focus: ring,
    selected: { always: { 'font-weight': '700' } }
  },
  arrow: {
    rest: {
      always: {
        color: 'inherit',
        'background-color': 'transparent',
        'border-width': '0',
        padding: '6px 8px',
        cursor: 'pointer'
      }
    },
    hover: { always: { opacity: '0.75' } },
    focus: { always: { outline: '2px solid currentcolor', 'outline-offset': '2px' } },
    selected: { always: { rotate: '180deg' } }
  },
  sublist: {
    rest: {
      always: {
        'background-color': '#ffffff',
        'border-width': '1px',
        'border-color': '#cfd6cf',
        'border-radius': '4px',
        'box-shadow': '0 6px 20px #00000026',
        padding: '6px 0'
      }
    }
  },
  sublink: {
    rest: {
      always: {
        color: '#1f262a',
        padding: '8px 16px',
        gap: '6px',
        'text-decoration-line': 'none',
        cursor: 'pointer'
      }
    },
    hover: { always: { 'background-color': '#e3efec', color: '#063f39' } },
    focus: { always: { outline: '2px solid #2b55a0', 'outline-offset': '-2px' } },
    selected: { always: { 'font-weight': '700' } }
  },
  panel: {
    rest: {
      always: {
        'background-color': '#ffffff',
        'border-width': '0',
        padding: '20px',
        gap: '16px',
        'box-shadow': '0 0 24px #00000040'
      }
    }
  },
  close: {
    rest: {
      always: {
        color: '#1f262a',
        'background-color': 'transparent',
        'border-width': '0',
        padding: '6px 8px',
        'font-weight': '600',
        cursor: 'pointer'
      }
    },
    hover: { always: { opacity: '0.85' } },
    focus: { always: { outline: '2px solid currentcolor', 'outline-offset': '2px' } },
    pressed: { always: { opacity: '0.75' } }
  },
  menu: {
    rest: {
      always: {
        'text-align': 'center',
        padding: '8px 14px',
        gap: '8px',
        'border-width': '1px',
        'border-color': '#0b6a5f',
        'border-radius': '4px',
        color: '#0b6a5f',
        'background-color': 'transparent',
        cursor: 'pointer'
      }
    },
    hover: { always: { 'background-color': '#e3efec' } },
    focus: ring,
    selected: { always: { 'background-color': '#0b6a5f', color: '#ffffff' } }
  }
};
