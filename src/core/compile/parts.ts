import type { Element } from 'hast';
import type { Analysis } from './analyse';

const known = new WeakMap<Element, ReadonlySet<string>>();
const NONE: ReadonlySet<string> = new Set();

/** @returns the parts that really stand in a node's markup: a text without a link draws no link. */
export function drawnParts({ markup }: Analysis): ReadonlySet<string> {
  if (!markup) return NONE;
  let parts = known.get(markup);
  if (!parts) {
    const found = new Set<string>();
    collect(markup, found);
    known.set(markup, (parts = found));
  }
  return parts;
}

function collect(element: Element, into: Set<string>): void {
  if (element.data?.mark) into.add(element.data.mark.part);
  for (const child of element.children) if (child.type === 'element') collect(child, into);
}
