import type { Element, ElementContent, Root } from 'hast';
import { compact } from '../data/compact';
import { element } from '../html/build';
import { isSafeLink } from '../html/clean';
import { readOutside } from '../html/outside';
import { printHtml } from '../html/print';
import { tidyHtml } from '../html/tidy';
import type { Make } from '../kinds/contract';
import type { Fragment, NodeId } from '../project/types';

/** Pieces made of one text at most; what comes after is left out, and told. */
const PIECES_MOST = 500;
const NAME_MOST = 60;

/** HTML from elsewhere as pieces. */
export interface MarkupRead {
  /** In their order, each to stand on its own; empty where there is nothing that could. */
  readonly pieces: readonly Fragment[];
  /** Pictures that are not there yet: the piece that waits, and where its picture is. */
  readonly pictures: readonly { readonly node: NodeId; readonly address: string }[];
  /** What could not be taken, or became something else, in words. */
  readonly notes: readonly string[];
}

type Parent = Root | Element;

const childrenOf = (parent: Parent): readonly ElementContent[] =>
  parent.children as readonly ElementContent[];

const wordsOf = (node: ElementContent): string => {
  if (node.type === 'text') return node.value;
  return node.type === 'element' ? node.children.map(wordsOf).join('') : '';
};

const plain = (node: ElementContent): string => wordsOf(node).replaceAll(/\s+/g, ' ').trim();

const named = (words: string, otherwise: string): string => words.slice(0, NAME_MOST).trim() || otherwise;

const isElement = (node: ElementContent, ...tags: readonly string[]): boolean =>
  node.type === 'element' && tags.includes(node.tagName);

const isBlank = (node: ElementContent): boolean => node.type !== 'element' && plain(node) === '';

const hasPicture = (node: ElementContent): boolean =>
  node.type === 'element' && (node.tagName === 'img' || node.children.some(hasPicture));

const INLINE = new Set(['a', 'strong', 'em', 'b', 'i', 'code', 'br', 's', 'cite']);
const WRITTEN = new Set(['p', 'ul', 'ol', ...INLINE]);

/** Bold and italic as rich text has them. */
function asWritten(node: ElementContent): ElementContent {
  if (node.type !== 'element') return node;
  const tagName = { b: 'strong', i: 'em', cite: 'em' }[node.tagName] ?? node.tagName;
  return { ...node, tagName, children: node.children.map(asWritten) };
}

/** The one link that an entry of a list is; null for any other entry. */
function maybeSoleLink(entry: ElementContent): Element | null {
  if (entry.type !== 'element') return null;
  const [only, ...others] = entry.children.filter((child) => !isBlank(child));
  return only && others.length === 0 && isElement(only, 'a') ? (only as Element) : null;
}

const entriesOf = (list: Element): readonly ElementContent[] =>
  list.children.filter((child) => !isBlank(child));

const linksIn = (list: Element): readonly Element[] | null => {
  const links = entriesOf(list).map(maybeSoleLink);
  return links[0] && links.every((link) => link !== null) ? links : null;
};

const hrefOf = ({ properties }: Element): string => {
  const href = String(properties.href ?? '');
  return isSafeLink(href) ? href : '';
};

/** Reads one text; keeps what it found on the way. */
class MarkupReader {
  readonly pictures: { node: NodeId; address: string }[] = [];
  private tables = 0;

  constructor(private readonly make: Make) {}

  get notes(): readonly string[] {
    if (this.tables === 0) return [];
    return [this.tables === 1 ? 'a table became a list' : `${this.tables} tables became lists`];
  }

  /** Pieces of what stands one below the other: words together, everything else by itself. */
  flow(parent: Parent): Fragment[] {
    const found: Fragment[] = [];
    let words: ElementContent[] = [];
    let panels: Element[] = [];
    const close = (): void => {
      found.push(...this.text(words), ...this.accordion(panels));
      [words, panels] = [[], []];
    };
    for (const child of childrenOf(parent)) {
      if (isBlank(child)) continue;
      if (isElement(child, 'details')) {
        found.push(...this.text(words));
        words = [];
        panels.push(child as Element);
      } else if (this.isWords(child)) {
        found.push(...this.accordion(panels));
        panels = [];
        words.push(child);
      } else {
        close();
        found.push(...this.block(child as Element));
      }
    }
    close();
    return found;
  }

  private isWords(node: ElementContent): boolean {
    if (node.type !== 'element') return true;
    return WRITTEN.has(node.tagName) && !hasPicture(node);
  }

  private block(node: Element): readonly Fragment[] {
    if (/^h[1-6]$/.test(node.tagName)) return this.heading(node);
    const read = this.byTag[node.tagName];
    return read ? read(node) : this.flow(node);
  }

  private readonly byTag: Readonly<Record<string, (node: Element) => readonly Fragment[]>> = {
    img: (node) => [this.picture(node)],
    figure: (node) => [this.figure(node)],
    blockquote: (node) => [this.quote(node)],
    hr: () => [this.make('separator', 'Separator')],
    button: (node) => [this.make('button', named(plain(node), 'Button'), { label: plain(node) })],
    nav: (node) => this.navigation(node),
    table: (node) => this.table(node)
  };

  private text(words: readonly ElementContent[]): readonly Fragment[] {
    // Words that stand in nothing are a paragraph.
    const isLoose = words.some((node) => node.type === 'text' || INLINE.has((node as Element).tagName));
    const all =
      isLoose && words.every((node) => !isElement(node, 'p', 'ul', 'ol')) ? [element('p', {}, words)] : words;
    const html = tidyHtml(all.map((node) => printHtml(asWritten(node))).join(''));
    return html === '' ? [] : [this.make('text', named(words.map(plain).join(' '), 'Text'), { html })];
  }

  private heading(node: Element): readonly Fragment[] {
    const text = plain(node);
    return text === ''
      ? []
      : [this.make('heading', named(text, 'Heading'), { text, level: node.tagName.slice(1) })];
  }

  private picture({ properties }: Element): Fragment {
    const alt = String(properties.alt ?? '');
    const made = this.make('image', named(alt, 'Picture'), alt === '' ? {} : { alt });
    if (properties.src) this.pictures.push({ node: made.root, address: String(properties.src) });
    return made;
  }

  private figure(node: Element): Fragment {
    const caption = node.children.find((child) => isElement(child, 'figcaption'));
    const content = this.flow({ ...node, children: node.children.filter((child) => child !== caption) });
    const words = caption ? plain(caption) : '';
    return this.make('figure', named(words, 'Figure'), { caption: words }, { content });
  }

  private quote(node: Element): Fragment {
    const from = node.children.find((child) => isElement(child, 'footer', 'cite'));
    const author = from ? plain(from).replace(/^[—–-]\s*/, '') : '';
    const rest = node.children.filter((child) => child !== from);
    const [first] = this.text(rest.filter((child) => !isBlank(child) && this.isWords(child)));
    const words = first ? String(first.nodes[first.root]!.settings.html) : `<p>${author}</p>`;
    return this.make('quote', named(author, 'Quotation'), { words, author });
  }

  private accordion(panels: readonly Element[]): readonly Fragment[] {
    if (panels.length === 0) return [];
    const made = panels.map((node, i) => {
      const summary = node.children.find((child) => isElement(child, 'summary'));
      const content = this.flow({ ...node, children: node.children.filter((child) => child !== summary) });
      return this.make('panel', named(summary ? plain(summary) : '', `Panel ${i + 1}`), {}, { content });
    });
    return [this.make('accordion', 'Accordion', {}, { panels: made })];
  }

  /** A list of links in a navigation; anything else in one is read as it is. */
  private navigation(node: Element): readonly Fragment[] {
    const list = node.children.find((child) => isElement(child, 'ul', 'ol'));
    const links = list ? linksIn(list as Element) : null;
    if (!links) return this.flow(node);
    const made = links.map((link) =>
      this.make('link', named(plain(link), 'Link'), { href: hrefOf(link) }, { links: [] })
    );
    return [this.make('links', 'Links', { element: 'navigation' }, { links: made })];
  }

  /** Each row as an entry, its cells after one another; the first row says what they are where it is of heads. */
  private table(node: Element): readonly Fragment[] {
    this.tables += 1;
    const rows: Element[] = [];
    const collect = (each: Element): void => {
      for (const child of each.children) {
        if (isElement(child, 'tr')) rows.push(child as Element);
        else if (child.type === 'element') collect(child);
      }
    };
    collect(node);
    const cellsOf = (row: Element) => row.children.filter((child) => isElement(child, 'td', 'th')).map(plain);
    const [first, ...rest] = rows;
    const hasHeads = first?.children.every((child) => isBlank(child) || isElement(child, 'th')) ?? false;
    const heads = hasHeads ? cellsOf(first!) : [];
    const entries = (hasHeads ? rest : rows).map((row) =>
      cellsOf(row)
        .map((cell, i) => (heads[i] ? `${heads[i]}: ${cell}` : cell))
        .filter(Boolean)
        .join(' · ')
    );
    const items = entries.map((words) => element('li', {}, [{ type: 'text', value: words }]));
    return items.length === 0 ? [] : this.text([element('ul', {}, items)]);
  }
}

const counted = (words: string, count: number): string => `${count} ${words}${count === 1 ? '' : 's'}`;

/**
 * @returns HTML from anywhere as pieces: headings, text, lists, pictures, links, figures, quotations, disclosures,
 * simple tables. It is cleaned; looks are left out. Never throws.
 */
export function readMarkup(make: Make, text: string): MarkupRead {
  const { tree, left } = readOutside(text);
  const reader = new MarkupReader(make);
  const pieces = reader.flow(tree);
  const over = pieces.length - PIECES_MOST;
  const missing = [...left].map(([words, count]) => counted(words, count));
  const notes = compact([
    ...reader.notes,
    missing.length > 0 && `left out: ${missing.join(', ')}`,
    over > 0 && `the last ${over} pieces were too many`
  ]);
  return { pieces: pieces.slice(0, PIECES_MOST), pictures: reader.pictures, notes };
}
