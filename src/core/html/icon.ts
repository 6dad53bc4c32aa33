import type { Element, ElementData } from 'hast';
import { element } from './build';

/** A line drawing in a field of 24 by 24, as data: it travels with the piece and needs no icon font. */
export interface Icon {
  readonly name: string;
  readonly nodes: readonly (readonly [tag: string, attributes: Readonly<Record<string, string>>])[];
}

const TAGS = new Set(['path', 'circle', 'rect', 'line', 'polyline', 'polygon', 'ellipse']);
const ATTRIBUTES = new Set([
  'd',
  'cx',
  'cy',
  'r',
  'x',
  'y',
  'x1',
  'x2',
  'y1',
  'y2',
  'rx',
  'ry',
  'width',
  'height',
  'points',
  'fill'
]);
const VALUE = /^[\w\s.,+-]{0,4000}$/;

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * Whether a value is an icon with shapes and numbers only: nothing in it can run, fetch or reach out of its
 * field.
 */
export function isIcon(value: unknown): value is Icon {
  if (
    !isRecord(value) ||
    typeof value.name !== 'string' ||
    value.name.length > 80 ||
    !Array.isArray(value.nodes)
  )
    return false;
  if (Object.keys(value).length !== 2 || value.nodes.length > 40) return false;
  return value.nodes.every((node) => {
    if (!Array.isArray(node) || node.length !== 2 || !TAGS.has(node[0] as string) || !isRecord(node[1]))
      return false;
    return Object.entries(node[1]).every(
      ([name, text]) => ATTRIBUTES.has(name) && typeof text === 'string' && VALUE.test(text)
    );
  });
}

/** Whether all its shapes are filled with the colour of the text. */
export const isFilled = ({ nodes }: Icon): boolean =>
  nodes.length > 0 && nodes.every(([, { fill }]) => fill === 'currentColor');

/**
 * @returns the icon as markup, one em large and in the colour of the text. Readers skip it: the words beside
 * it say it.
 */
export function iconElement(icon: Icon): Element {
  const { nodes } = icon;
  return {
    // Of the printers' notes this is one; hast's own type asks for a source position, which built elements
    // have not.
    data: { icon } as ElementData,
    type: 'element',
    tagName: 'svg',
    properties: {
      viewBox: '0 0 24 24',
      width: '1em',
      height: '1em',
      fill: 'none',
      stroke: 'currentColor',
      strokeWidth: '2',
      strokeLineCap: 'round',
      strokeLineJoin: 'round',
      ariaHidden: 'true'
    },
    children: nodes.map(([tagName, properties]) => element(tagName, { ...properties }))
  };
}
