import type { Element } from 'hast';
import { visit } from 'unist-util-visit';
import type { Analysis } from '../compile/analyse';

/** @returns the first element of a part in a piece's markup; null where it is not drawn. */
export function maybeElement({ markup, id }: Analysis, part: string): Element | null {
  let found: Element | null = null;
  if (markup)
    visit(markup, 'element', (each: Element) => {
      if (found === null && each.data?.mark?.part === part) found = each;
    });
  return found ?? (part === 'root' && markup?.data?.mark?.node === id ? markup : null);
}

/** @returns what a part is in the page: its element, and the role it is given; empty where it is not drawn. */
export function elementOf(analysis: Analysis, part: string): string {
  const element = maybeElement(analysis, part);
  if (!element) return '';
  const { role } = { ...element.properties, ...element.data?.live };
  return role ? `${element.tagName} role=${String(role)}` : element.tagName;
}
