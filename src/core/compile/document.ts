import type { Element, ElementContent } from 'hast';
import { saidIn } from './language';
import { elementText, type PrintedPage } from './page';
import { compact } from '../data/compact';
import { element, text } from '../html/build';

export interface DocumentParts {
  /** Style sheet: the address of a file, or the text itself to stand in the page. */
  readonly style: { readonly href: string } | { readonly text: string };
  /** Script, in the same two ways; null where the page needs none. */
  readonly script: { readonly src: string } | { readonly text: string } | null;
}

/**
 * Stands for what is text already: the body, which this compiler printed, and the style and script, which
 * must not be escaped.
 */
const PLACE = element('k-place', {});
const PRINTED_PLACE = elementText(PLACE);

/** A typeface, which is fetched without credentials wherever it is named (CSS Fonts 4, section 4.10). */
const preload = (href: string): Element =>
  element('link', { rel: ['preload'], href, as: 'font', crossOrigin: 'anonymous' });

/** @returns the whole document around a printed page. Throws where a text could end its own element early. */
export function documentText(
  page: Omit<PrintedPage, 'id' | 'css' | 'behaviours' | 'features' | 'assets'>,
  { style, script }: DocumentParts
): string {
  for (const part of [style, script]) {
    if (part && 'text' in part && /<\/(?:style|script)/i.test(part.text))
      throw new Error('documentText: a closing tag stands inside the text');
  }
  /** What a page is shown by where it is shared (Open Graph protocol). */
  const open = (name: string, content: string) => element('meta', { property: `og:${name}`, content });
  const head = compact([
    element('meta', { charSet: 'utf-8' }),
    element('meta', { name: 'viewport', content: 'width=device-width, initial-scale=1' }),
    element('title', {}, [text(page.title)]),
    page.description ? element('meta', { name: 'description', content: page.description }) : null,
    page.picture ? open('title', page.title) : null,
    page.picture && page.description ? open('description', page.description) : null,
    page.picture ? open('image', page.picture) : null,
    ...page.preloads.map(preload),
    'text' in style
      ? element('style', {}, [PLACE])
      : element('link', { rel: ['stylesheet'], href: style.href }),
    script && 'src' in script ? element('script', { src: script.src, defer: true }) : null
  ]);
  const lines = head.flatMap((child): ElementContent[] => [text('\n    '), child]);
  const html = element('html', saidIn(page.language), [
    text('\n  '),
    element('head', {}, [...lines, text('\n  ')]),
    text('\n  '),
    PLACE,
    text('\n')
  ]);
  // An inline script cannot be deferred, so it stands at the end of the body.
  const tail = script && 'text' in script ? filled(element('script', {}, [PLACE]), [script.text]) : '';
  const body = tail ? page.body.replace(/<\/body>\s*$/, () => `${tail}</body>`) : page.body;
  return `<!doctype html>\n${filled(
    html,
    ['text' in style ? style.text : null, body].filter((part) => part !== null)
  )}\n`;
}

/** Prints an element with texts in its places, in order. */
function filled(element: Element, texts: readonly string[]): string {
  const pieces = elementText(element).split(PRINTED_PLACE);
  if (pieces.length !== texts.length + 1)
    throw new Error(`documentText: ${pieces.length - 1} places for ${texts.length} texts`);
  return pieces.map((piece, i) => piece + (texts[i] ?? '')).join('');
}
