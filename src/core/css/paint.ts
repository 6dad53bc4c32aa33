import type { CssNode } from 'css-tree';
import { grammar } from './grammar';

/**
 * @returns the colours written in a background or gradient, as CSS texts, in order; words that are no colours
 * are among them.
 */
export function coloursIn(value: string): string[] {
  const { generate, parse, walk } = grammar();
  const found: string[] = [];
  try {
    walk(parse(value, { context: 'value' }), (item: CssNode) => {
      const isColour =
        item.type === 'Hash' ||
        item.type === 'Identifier' ||
        (item.type === 'Function' && !/gradient$/i.test(item.name));
      if (isColour) found.push(generate(item));
    });
  } catch {
    return [];
  }
  return found;
}
