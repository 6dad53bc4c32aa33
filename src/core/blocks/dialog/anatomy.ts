import type { Anatomy } from '../../kinds/contract';
import { closingPart, openingLook, openingPart } from '../../kinds/opening';
import type { Styles } from '../../project/types';

export const anatomy: Anatomy = {
  root: { label: 'dialog', states: {}, box: { x: 4, y: 8, width: 142, height: 100 } },
  button: openingPart({ x: 10, y: 12, width: 46, height: 18 }),
  panel: {
    label: 'panel',
    states: {},
    hasText: true,
    properties: ['gap'],
    keys: { Escape: 'closes it', Tab: 'stays in it' },
    box: { x: 32, y: 36, width: 86, height: 60 }
  },
  close: closingPart({ x: 84, y: 42, width: 28, height: 14 })
};

export const look: Styles = {
  ...openingLook,
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
  }
};
