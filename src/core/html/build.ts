import type { Element, ElementContent, Text } from 'hast';

/** @returns an element as hast has it. */
export const element = (
  tagName: string,
  properties: Element['properties'] = {},
  children: readonly ElementContent[] = []
): Element => ({ type: 'element', tagName, properties, children: [...children] });

/** @returns words as hast has them. */
export const text = (value: string): Text => ({ type: 'text', value });
