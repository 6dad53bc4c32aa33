import { choosing, chosenBy } from '../../kinds/choosing';
import type { Anatomy, OwnState } from '../../kinds/contract';
import { controlLook, pressable, ring } from '../../kinds/opening';
import type { Styles } from '../../project/types';

export const states: Readonly<Record<string, OwnState>> = {
  next: { label: 'next' },
  current: { label: 'current', like: 'selected' },
  ...choosing
};

export const anatomy: Anatomy = {
  root: {
    label: 'slider',
    states: { hover: ':hover' },
    properties: ['gap'],
    box: { x: 0, y: 0, width: 150, height: 116 }
  },
  bar: {
    label: 'bar of arrows',
    states: {},
    properties: ['gap'],
    box: { x: 92, y: 2, width: 56, height: 18 }
  },
  hold: {
    label: 'hold button',
    on: 'bar',
    states: { ...pressable, ...chosenBy('[aria-pressed="true"]') },
    hasText: true,
    properties: ['font-size', 'font-weight', 'cursor'],
    box: { x: 94, y: 4, width: 20, height: 14 }
  },
  arrow: {
    label: 'arrow',
    on: 'bar',
    states: { ...pressable, disabled: '[aria-disabled="true"]' },
    hasText: true,
    properties: ['font-size', 'cursor', 'scale'],
    box: { x: 118, y: 4, width: 13, height: 14 }
  },
  progress: { label: 'progress line', states: {}, box: { x: 2, y: 22, width: 90, height: 3 } },
  view: {
    label: 'window',
    states: { focus: ':focus-visible' },
    keys: { '← →': 'the slide before, the next' },
    box: { x: 2, y: 26, width: 146, height: 74 }
  },
  slide: {
    label: 'slide',
    on: 'view',
    states: { hover: ':hover', next: ':is([aria-current] + *)', current: '[aria-current]' },
    hasText: true,
    properties: ['gap', 'scale'],
    box: { x: 6, y: 30, width: 66, height: 66 }
  },
  dots: {
    label: 'row of dots',
    states: {},
    properties: ['gap'],
    box: { x: 40, y: 103, width: 70, height: 11 }
  },
  dot: {
    label: 'dot',
    on: 'dots',
    states: { ...pressable, ...chosenBy('[aria-current]') },
    isMark: true,
    properties: ['scale', 'cursor'],
    box: { x: 44, y: 105, width: 8, height: 8 }
  },
  thumb: {
    label: 'small picture',
    on: 'dots',
    states: { ...pressable, ...chosenBy('[aria-current]') },
    properties: ['scale', 'cursor']
  },
  counter: { label: 'counter', states: {}, hasText: true, properties: ['font-size', 'font-weight'] }
};

export const look: Styles = {
  root: { rest: { always: { gap: '12px' } } },
  bar: { rest: { always: { gap: '8px' } } },
  hold: {
    ...controlLook('6px 12px'),
    selected: { always: { 'background-color': '#1f262a', color: '#ffffff' } }
  },
  arrow: { ...controlLook('6px 12px'), disabled: { always: { color: '#777c7f', cursor: 'default' } } },
  progress: { rest: { always: { 'background-color': '#0b6a5f' } } },
  view: { focus: ring },
  slide: { rest: { always: { gap: '12px' } } },
  dots: { rest: { always: { gap: '12px' } } },
  dot: {
    rest: {
      always: {
        padding: '6px',
        color: '#1f262a',
        'text-align': 'center',
        'background-color': '#8b8678',
        'border-width': '0',
        'border-radius': '50%',
        cursor: 'pointer'
      }
    },
    hover: { always: { 'background-color': '#596167' } },
    focus: ring,
    pressed: { always: { 'background-color': '#1f262a' } },
    selected: { always: { 'background-color': '#0b6a5f' } }
  },
  thumb: {
    rest: {
      always: {
        padding: '2px',
        'background-color': 'transparent',
        'border-width': '2px',
        'border-color': 'transparent',
        'border-radius': '4px',
        opacity: '0.75',
        cursor: 'pointer'
      }
    },
    hover: { always: { opacity: '1' } },
    focus: { always: { ...ring.always, opacity: '1' } },
    pressed: { always: { 'border-color': '#8b8678' } },
    selected: { always: { opacity: '1', 'border-color': '#0b6a5f' } }
  },
  counter: { rest: { always: { 'font-size': '14px' } } }
};
