import type { Anatomy } from '../../kinds/contract';
import { controlLook, pressable, ring } from '../../kinds/opening';
import type { Styles } from '../../project/types';

export const anatomy: Anatomy = {
  root: { label: 'gallery', states: { hover: ':hover' }, box: { x: 0, y: 0, width: 150, height: 116 } },
  item: {
    label: 'picture',
    states: { hover: ':hover' },
    properties: ['scale'],
    box: { x: 4, y: 4, width: 44, height: 50 }
  },
  open: {
    label: 'frame of the picture',
    on: 'item',
    states: pressable,
    properties: ['cursor'],
    keys: { Enter: 'shows it large' },
    box: { x: 8, y: 8, width: 36, height: 30 }
  },
  caption: {
    label: 'caption',
    on: 'item',
    states: {},
    hasText: true,
    properties: ['font-size', 'font-weight', 'text-align'],
    box: { x: 4, y: 42, width: 44, height: 12 }
  },
  view: {
    label: 'large view',
    on: null,
    states: {},
    hasText: true,
    properties: ['gap'],
    keys: { '← →': 'the picture before, the next', Escape: 'closes it' },
    box: { x: 56, y: 20, width: 90, height: 86 }
  },
  words: {
    label: 'its caption',
    on: 'view',
    states: {},
    hasText: true,
    properties: ['font-size', 'text-align'],
    box: { x: 78, y: 92, width: 46, height: 10 }
  },
  step: {
    label: 'arrow',
    on: 'view',
    states: pressable,
    hasText: true,
    properties: ['font-size', 'cursor'],
    box: { x: 60, y: 92, width: 14, height: 10 }
  },
  close: {
    label: 'close button',
    on: 'view',
    states: pressable,
    hasText: true,
    properties: ['font-size', 'font-weight', 'cursor'],
    box: { x: 116, y: 24, width: 26, height: 11 }
  }
};

const { rest } = controlLook('8px 14px');
/** As any small button, light on dark. */
const onDark: Styles[string] = {
  rest: { always: { ...rest!.always, color: '#ffffff', 'border-color': '#a9afac' } },
  hover: { always: { 'background-color': '#39423e' } },
  focus: { always: { outline: '2px solid #ffffff', 'outline-offset': '2px' } },
  pressed: { always: { 'background-color': '#56605b' } }
};

export const look: Styles = {
  open: { rest: { always: { cursor: 'zoom-in' } }, focus: ring },
  caption: { rest: { always: { 'font-size': '14px', padding: '6px 0 0' } } },
  view: {
    rest: { always: { 'background-color': '#101412', color: '#ffffff', padding: '16px', gap: '12px' } }
  },
  words: { rest: { always: { 'font-size': '15px', 'text-align': 'center' } } },
  step: onDark,
  close: onDark
};
