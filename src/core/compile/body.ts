import type { Element, ElementContent } from 'hast';
import type { Registry } from '../kinds/registry';
import type { Asset, NodeId, Project } from '../project/types';
import type { StyleSheet } from '../stylesheet';
import { analyseAlone, type Analysis } from './analyse';
import { sizesOf, roomOf, type Rendition } from './renditions';
import { symbolClass } from '../stylesheet/base';
import { Symbols } from './symbols';
import { element as elementOf } from '../html/build';
import { remembered } from '../data/remembered';
import { idsIn } from './ids';

export interface PrintedRendition {
  readonly format: Rendition['format'];
  readonly width: number;
  readonly address: string;
}

export interface PageOptions {
  /** Address of a picture as the page will find it. */
  readonly addressOf: (asset: Asset) => string;
  /** Smaller pictures of one, with their addresses; none where there are none. */
  readonly renditionsOf?: (asset: Asset) => readonly PrintedRendition[];
  /** Indented for reading; costs time, so benches leave it out. */
  readonly readable?: boolean;
  /** What every class starts with, for a piece that goes into a page of any site. */
  readonly prefix?: string;
  /** Marks each element with its piece and part, so that tests find it. */
  readonly marked?: boolean;
}

/**
 * @returns the pieces under a node that draw themselves, in the order of their markup. Throws for an item its
 * owner draws.
 */
export function analysesUnder(registry: Registry, project: Project, root: NodeId): Analysis[] {
  const found: Analysis[] = [];
  const add = (id: NodeId): void => {
    const analysis = analyseAlone(registry, project, id);
    found.push(analysis);
    childrenIn(analysis.markup).forEach(add);
  };
  add(root);
  return found;
}

const children = new WeakMap<Element, readonly NodeId[]>();

const childrenIn = (markup: Element): readonly NodeId[] =>
  remembered(children, markup, () => childrenOf(markup));

function childrenOf(content: ElementContent): readonly NodeId[] {
  if (content.type !== 'element') return [];
  const child = content.data?.child;
  return child ? [child] : content.children.flatMap(childrenOf);
}

/** Markup of a page, and what draws its icons; null where it has none. */
interface Body {
  readonly root: Element;
  readonly symbols: Element | null;
}

/** Builds the markup of one page from what its pieces are. */
export class BodyBuilder {
  private readonly byId: ReadonlyMap<NodeId, Analysis>;
  private readonly symbols: Symbols;
  /** Pictures so far: only the first of a page can be in sight when it opens and is what people wait for. */
  private pictures = 0;

  constructor(
    private readonly registry: Registry,
    private readonly project: Project,
    private readonly found: readonly Analysis[],
    private readonly sheet: Pick<StyleSheet, 'classesOf'>,
    private readonly options: PageOptions
  ) {
    this.byId = new Map(found.map((analysis) => [analysis.id, analysis]));
    this.symbols = new Symbols(() => idsIn(found), symbolClass(options.prefix));
  }

  /**
   * @returns the element of the first piece with all others in it, and the drawings they use, null where
   * there are none.
   */
  build(): Body {
    const root = this.piece(this.found[0]!);
    return { root, symbols: this.symbols.isEmpty ? null : this.symbols.sheet() };
  }

  private piece(analysis: Analysis): Element {
    return this.element(analysis.markup!, analysis);
  }

  private element(element: Element, of: Analysis): Element {
    const { data, tagName } = element;
    if (data?.icon) return this.symbols.use(data.icon, element.properties);
    const asset = data?.asset ? this.project.assets[data.asset] : undefined;
    const made = elementOf(
      tagName,
      this.properties(element, of),
      element.children.map((child): ElementContent => {
        if (child.type !== 'element') return child;
        return child.data?.child ? this.piece(this.byId.get(child.data.child)!) : this.element(child, of);
      })
    );
    if (this.options.marked && data?.mark)
      Object.assign(made.properties, { dataNode: of.id, dataItem: data.mark.node, dataPart: data.mark.part });
    if (asset) Object.assign(made.properties, addressed(element, this.options.addressOf(asset)));
    if (tagName === 'img') this.loadLate(made);
    const renditions = asset ? (this.options.renditionsOf?.(asset) ?? []) : [];
    if (renditions.length === 0 || tagName !== 'img') return made;
    return withRenditions(made, renditions, data?.shownAs ?? this.sizes(of, asset!));
  }

  private sizes({ kind, id }: Analysis, asset: Asset): string {
    return kind === 'section' ? '100vw' : sizesOf(roomOf(this.registry, this.project, id, asset));
  }

  /** Classes under which the style sheet knows the piece come first, as people write them. */
  private properties({ properties }: Element, of: Analysis): Element['properties'] {
    const made: Element['properties'] = {};
    const { className } = properties;
    if (Array.isArray(className)) {
      const classes = this.classes(className, of);
      if (classes.length > 0) made.className = classes;
    }
    for (const name in properties) if (name !== 'className') made[name] = properties[name];
    return made;
  }

  private classes(names: readonly (string | number)[], { id, stem }: Analysis): string[] {
    const found: string[] = [];
    for (const each of names) {
      const name = String(each);
      if (name === stem) found.push(...this.sheet.classesOf(id, 'root'));
      else if (name.startsWith(`${stem}-`))
        found.push(...this.sheet.classesOf(id, name.slice(stem.length + 1)));
      else found.push(name);
    }
    return found;
  }

  /**
   * A picture below the first screen is fetched when it comes near, and none holds up the page (HTML
   * standard, 2.5.7).
   */
  private loadLate({ properties }: Element): void {
    this.pictures += 1;
    properties.decoding = 'async';
    if (this.pictures > 1) properties.loading = 'lazy';
  }
}

/** Whether a file stands in the page itself. */
export const isCarried = (address: string): boolean => address.startsWith('data:');

/** The attribute that says where a picture or film is, of elements that have one. */
const SOURCES: Readonly<Record<string, string>> = { img: 'src', video: 'src', a: 'href' };

/**
 * @returns what gives an element its picture or film: its source, or for one that only paints it, its
 * background.
 */
export function addressed({ tagName }: Element, address: string): Element['properties'] {
  // Browsers follow no link to what stands in the page itself, and it would be there twice.
  if (tagName === 'a' && isCarried(address)) return { href: '#' };
  const source = SOURCES[tagName];
  return source ? { [source]: address } : { style: `background-image: url("${address}")` };
}

/** A picture that the browser can take in a better format and in the size it needs (HTML standard, 4.8.4). */
function withRenditions(image: Element, renditions: readonly PrintedRendition[], sizes: string): Element {
  const srcSet = (format: Rendition['format']) =>
    renditions
      .filter((each) => each.format === format)
      .map(({ address, width }) => `${address} ${width}w`)
      .join(', ');
  const plain = (['webp', 'jpeg', 'png'] as const).find((format) => srcSet(format) !== '');
  const avif = srcSet('avif');
  const fallback: Element = plain
    ? { ...image, properties: { ...image.properties, srcSet: srcSet(plain), sizes } }
    : image;
  if (avif === '') return fallback;
  const source = elementOf('source', { type: 'image/avif', srcSet: avif, sizes });
  return elementOf('picture', {}, [source, fallback]);
}
