import type { Element } from 'hast';
import { visit } from 'unist-util-visit';
import type { Analysis } from './analyse';

/** @returns the ids in the markup of some pieces. */
export function idsIn(found: readonly Pick<Analysis, 'markup'>[]): Set<string> {
  const ids = new Set<string>();
  for (const { markup } of found) if (markup) collectIds(markup, ids);
  return ids;
}

function collectIds(markup: Element, into: Set<string>): void {
  visit(markup, 'element', ({ properties: { id } }: Element) => {
    if (typeof id === 'string') into.add(id);
  });
}
