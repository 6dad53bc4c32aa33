import type { Element } from 'hast';
import { isFilled } from '../html/icon';
import { attributeNames } from '../html/print';
import type { Analysis } from '../compile/analyse';
import { remembered } from '../data/remembered';

/** What really stands in the markup of some pieces, beside what their kind could draw. */
export interface Drawn {
  readonly parts: Set<string>;
  /** Part → names of the elements that draw it. */
  readonly tags: Map<string, Set<string>>;
  readonly attributes: Set<string>;
  readonly behaviours: Set<string>;
  /** Whether there are icons, as lines and filled. */
  readonly icons: { line: boolean; filled: boolean };
}

export const nothingDrawn = (): Drawn => ({
  parts: new Set(),
  tags: new Map(),
  attributes: new Set(),
  behaviours: new Set(),
  icons: { line: false, filled: false }
});

const known = new WeakMap<Element, Drawn>();

/** @returns what one piece draws; the same object as long as its markup is the same. */
export function drawnIn(markup: Element): Drawn {
  return remembered(known, markup, () => {
    const own = nothingDrawn();
    collect(markup, own);
    return own;
  });
}

/** Adds what one piece draws. */
export function addDrawn({ markup, behaviours }: Analysis, into: Drawn): void {
  behaviours.forEach((name) => into.behaviours.add(name));
  if (!markup) return;
  const own = drawnIn(markup);
  own.parts.forEach((part) => into.parts.add(part));
  own.attributes.forEach((name) => into.attributes.add(name));
  into.icons.line ||= own.icons.line;
  into.icons.filled ||= own.icons.filled;
  for (const [part, tags] of own.tags) {
    const all = into.tags.get(part) ?? new Set();
    tags.forEach((tag) => all.add(tag));
    into.tags.set(part, all);
  }
}

function collect(element: Element, into: Drawn): void {
  const part = element.data?.mark?.part;
  if (part !== undefined) {
    into.parts.add(part);
    const tags = into.tags.get(part) ?? new Set();
    into.tags.set(part, tags.add(element.tagName));
    if (element.data?.becomes) tags.add(element.data.becomes);
  }
  const icon = element.data?.icon;
  if (icon) into.icons.line = true;
  if (icon && isFilled(icon)) into.icons.filled = true;
  attributeNames(element).forEach((name) => into.attributes.add(name));
  for (const child of element.children) if (child.type === 'element') collect(child, into);
}
