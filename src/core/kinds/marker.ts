import type { Rule } from './contract';
import { rule } from './rule';

/** A line of the words' own colour and thickness. */
const LINE = 'linear-gradient(currentcolor, currentcolor)';

/** Shapes of the marker when closed; the box is one letter wide. */
const SHAPES: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  chevron: {
    content: '""',
    width: '0.6em',
    height: '0.6em',
    border: 'solid currentcolor',
    'border-width': '0 2px 2px 0',
    transform: 'translateY(-25%) rotate(45deg)'
  },
  plus: {
    content: '""',
    width: '0.9em',
    height: '0.9em',
    background: `${LINE} center / 100% 2px no-repeat, ${LINE} center / 2px 100% no-repeat`
  },
  triangle: {
    content: '""',
    width: '0.7em',
    height: '0.7em',
    background: 'currentcolor',
    'clip-path': 'polygon(20% 0, 100% 50%, 20% 100%)'
  }
};

/** What an open item makes of the shape. */
const OPEN_SHAPES: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  chevron: { transform: 'translateY(15%) rotate(225deg)' },
  plus: { background: `${LINE} center / 100% 2px no-repeat` },
  triangle: { transform: 'rotate(90deg)' }
};

/** Markers of what opens, in words. */
export const MARKERS = {
  chevron: 'chevron, turns',
  plus: 'plus, becomes minus',
  triangle: 'triangle, turns',
  none: 'none'
} as const;

export const MARKER_SIDES = { start: 'before the words', end: 'at the end' } as const;

interface Marker {
  readonly shape: keyof typeof MARKERS;
  readonly side: keyof typeof MARKER_SIDES;
}

/**
 * Rules of a marker that is drawn by CSS alone.
 * @param selector of the marker's element.
 * @param open what stands before it in the selector of a marker of something open.
 */
export function markerRules(selector: string, open: string, { shape, side }: Marker): readonly Rule[] {
  return [
    rule(selector, {
      display: 'inline-grid',
      'place-items': 'center',
      flex: 'none',
      width: '1em',
      height: '1em',
      order: side === 'start' ? '-1' : '0'
    }),
    rule(`${selector}::before`, SHAPES[shape]!),
    rule(`${open}${selector}::before`, OPEN_SHAPES[shape]!)
  ];
}
