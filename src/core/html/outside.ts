import type { Element, Root } from 'hast';
import type { Schema } from 'hast-util-sanitize';
import { visit } from 'unist-util-visit';
import { escapeHtml } from './clean';
import { NESTING_MOST, nestingOf, wordsOf } from './nesting';
import { maybeSanitized, maybeTree } from './sanitized';

const WRAPPERS = ['div', 'section', 'article', 'header', 'footer', 'main', 'aside', 'nav'];
const TABLES = ['table', 'caption', 'thead', 'tbody', 'tfoot', 'tr', 'th', 'td'];
const WORDS = ['p', 'strong', 'em', 'b', 'i', 'a', 'ul', 'ol', 'li', 'code', 'br', 's', 'cite'];
const PIECES = [
  'h1',
  'h2',
  'h3',
  'h4',
  'h5',
  'h6',
  'img',
  'figure',
  'figcaption',
  'blockquote',
  'details',
  'summary',
  'hr',
  'button'
];

/** What of a page from elsewhere can become pieces; everything else goes, some of it with what is in it. */
const SCHEMA: Schema = {
  tagNames: [...WRAPPERS, ...TABLES, ...WORDS, ...PIECES],
  attributes: { a: ['href'], img: ['src', 'alt'] },
  protocols: { href: ['http', 'https', 'mailto', 'tel'], src: ['http', 'https', 'data'] },
  ancestors: { li: ['ol', 'ul'], tr: ['table'], td: ['table'], th: ['table'] },
  strip: [
    'script',
    'style',
    'template',
    'iframe',
    'object',
    'noscript',
    'title',
    'form',
    'select',
    'svg',
    'video',
    'audio',
    'canvas',
    'math'
  ],
  required: {}
};

/** What is left out, by its element, as one says it. */
const LEFT_OUT: Readonly<Record<string, string>> = {
  script: 'script',
  style: 'style sheet',
  link: 'style sheet',
  iframe: 'frame',
  object: 'frame',
  form: 'form',
  video: 'film',
  audio: 'sound',
  svg: 'drawing',
  canvas: 'drawing'
};

export interface Outside {
  /** Cleaned; nothing of it runs or is fetched. */
  readonly tree: Root;
  /** What was left out, in words, with how often. */
  readonly left: ReadonlyMap<string, number>;
}

function leftOut(text: string): ReadonlyMap<string, number> {
  const found = new Map<string, number>();
  const tree = maybeTree(text);
  if (tree)
    visit(tree, 'element', ({ tagName }: Element) => {
      const words = Object.hasOwn(LEFT_OUT, tagName) ? LEFT_OUT[tagName]! : null;
      if (words) found.set(words, (found.get(words) ?? 0) + 1);
    });
  return found;
}

/** @returns HTML from elsewhere as a clean tree. Never throws; what is nested without end keeps its words. */
export function readOutside(text: string): Outside {
  const isDeep = nestingOf(text) > NESTING_MOST;
  const written = isDeep ? escapeHtml(wordsOf(text)) : text;
  const tree = maybeSanitized(written, SCHEMA) ?? maybeSanitized(escapeHtml(wordsOf(text)), SCHEMA)!;
  return { tree, left: isDeep ? new Map() : leftOut(text) };
}
