import type { Element, ElementContent, Root } from 'hast';
import { toHtml } from 'hast-util-to-html';
import type { PrintedPage } from './page';

export interface DocumentParts {
  /** Style sheet: the address of a file, or the text itself to stand in the page. */
  readonly style: { readonly href: string } | { readonly text: string };
  /** Script, in the same two ways; null where the page needs none. */
  readonly script: { readonly src: string } | { readonly text: string } | null;
}

const element = (tagName: string, properties: Element['properties'], children: ElementContent[] = []): Element => ({
  type: 'element',
  tagName,
  properties,
  children
});

const text = (value: string): ElementContent => ({ type: 'text', value });

/** @returns the whole document around a printed page. Throws where a text could end its own element early. */
export function documentText(page: Omit<PrintedPage, 'id' | 'css' | 'behaviours' | 'assets'>, { style, script }: DocumentParts): string {
  for (const part of [style, script]) {
    if (part && 'text' in part && /<\/(?:style|script)/i.test(part.text)) throw new Error('documentText: a closing tag stands inside the text');
  }
  const head = element('head', {}, [
    element('meta', { charSet: 'utf-8' }),
    element('meta', { name: 'viewport', content: 'width=device-width, initial-scale=1' }),
    element('title', {}, [text(page.title)]),
    ...(page.description ? [element('meta', { name: 'description', content: page.description })] : []),
    'text' in style ? element('style', {}, [text(style.text)]) : element('link', { rel: ['stylesheet'], href: style.href }),
    ...(script && 'src' in script ? [element('script', { src: script.src, defer: true })] : [])
  ]);
  const lines = head.children.flatMap((child): ElementContent[] => [text('\n    '), child]);
  head.children = [...lines, text('\n  ')];
  const opening = toHtml({ type: 'root', children: [{ type: 'doctype' }, text('\n')] } as Root);
  const tail = script && 'text' in script ? [element('script', {}, [text(script.text)])] : [];
  const html = element('html', { lang: page.language }, [
    text('\n  '),
    head,
    text('\n  '),
    // The body is this compiler's own print, escaped when it was made.
    { type: 'raw', value: withTail(page.body, toHtml(tail)) } as unknown as ElementContent,
    text('\n')
  ]);
  return `${opening}${toHtml(html, { allowDangerousHtml: true })}\n`;
}

/** An inline script cannot be deferred, so it stands at the end of the body. */
function withTail(body: string, tail: string): string {
  return tail ? body.replace(/<\/body>\s*$/, () => `${tail}</body>`) : body;
}
