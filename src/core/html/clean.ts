import type { Element, Root } from 'hast';
import type { Schema } from 'hast-util-sanitize';
import { visit } from 'unist-util-visit';
import { NESTING_MOST, nestingOf, wordsOf } from './nesting';
import { maybeSanitized } from './sanitized';

/**
 * What rich text may hold; everything else is unwrapped to its text, and scripts and styles go with their
 * content.
 */
const RICH_TEXT: Schema = {
  tagNames: ['p', 'strong', 'em', 'a', 'ul', 'ol', 'li', 'code', 'br', 's', 'blockquote'],
  attributes: { a: ['href'] },
  protocols: { href: ['http', 'https', 'mailto', 'tel'] },
  ancestors: { li: ['ol', 'ul'] },
  strip: ['script', 'style', 'template', 'iframe', 'object', 'noscript', 'title'],
  required: {}
};

const KNOWN_MOST = 2000;
const known = new Map<string, Root>();

/**
 * @returns foreign HTML as a clean tree; never throws, the worst input gives an empty one. The tree is
 * shared: do not change it.
 */
export function cleanHtml(text: string): Root {
  const before = known.get(text);
  if (before) return before;
  // What is nested without end keeps its words.
  const written = nestingOf(text) > NESTING_MOST ? escapeHtml(wordsOf(text)) : text;
  const clean = sanitized(written) ?? sanitized(escapeHtml(wordsOf(text)))!;
  visit(clean, 'element', (element: Element) => {
    if (element.tagName === 'a' && !isSafeLink(String(element.properties.href ?? '')))
      delete element.properties.href;
  });
  const root: Root = { type: 'root', children: clean.children };
  if (known.size >= KNOWN_MOST) known.clear();
  known.set(text, root);
  return root;
}

const sanitized = (text: string): Root | null => maybeSanitized(text, RICH_TEXT);

const LINK =
  /^(?:https?:\/\/[^\s<>"'`\\]+|mailto:[^\s<>"'`]+|tel:[+\d\s().-]+|#[\w-]*|(?!\/\/)[\w./-][^\s:<>"'`\\]*)$/i;

/** Whether an address may stand in a page: http(s), mailto, tel, in-page, or relative; nothing that could run. */
export function isSafeLink(href: string): boolean {
  return href.length <= 2000 && LINK.test(href);
}

/** Whether an address is that of a film a browser can play in the page. */
export const isFilmFile = (address: string): boolean => /\.(?:mp4|webm|ogv)(?:[?#].*)?$/i.test(address);

/** @returns plain text as it is written in HTML. */
export const escapeHtml = (text: string): string =>
  text.replace(/[&<>]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;' })[sign]!);
