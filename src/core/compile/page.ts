import type { Element, ElementContent, Root } from 'hast';
import { format } from 'hast-util-format';
import { printHtml } from '../html/print';
import type { Registry } from '../kinds/registry';
import { nodeOf, pageOf } from '../project/tree';
import type { Asset, AssetId, NodeId, PageId, Project } from '../project/types';
import { analyse, type Analysis, type Sheet } from './analyse';
import { drawnParts } from './parts';
import { sizesOf, slotOf, type Rendition } from './renditions';
import type { PlatformFeature } from '../support/features';
import { gather } from './gather';
import { BASE_CSS, keyframesFor, pageDialect, printSheet, tokenRule, usedTokens, withoutParts } from './rules';

/** A page as it leaves: what the finishing step turns into files. */
export interface PrintedPage {
  readonly id: PageId;
  readonly title: string;
  /** Address of the picture shown where a link to the page is shared; null for none. */
  readonly picture: string | null;
  readonly description: string;
  readonly language: string;
  /** The `body` element. */
  readonly body: string;
  readonly css: string;
  /** Behaviours the page's script needs, each once, sorted. */
  readonly behaviours: readonly string[];
  /** What it uses of the platform. */
  readonly features: ReadonlySet<PlatformFeature>;
  readonly assets: readonly AssetId[];
}

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
  /** Indented for reading; costs time, so benches and previews leave it out. */
  readonly readable?: boolean;
}

/** Prints a page for export. Throws where the page is not in the project. */
export function printPage(registry: Registry, project: Project, id: PageId, options: PageOptions): PrintedPage {
  const page = pageOf(project, id);
  const found: Analysis[] = [];
  const body = options.readable ? readableBody(registry, project, page.root, options, found) : bodyText(registry, project, page.root, options, found);
  const preview = page.picture ? project.assets[page.picture] : undefined;
  const sheets = sheetsOf(registry, found);
  const tokens = usedTokens(sheets.map(({ sheet }) => sheet), project.tokens);
  const { features, keyframes } = gather(found, sheets.map(({ sheet }) => sheet), tokens.map(({ value }) => value));
  const rules = sheets.map(({ stem, sheet }) => printSheet(sheet, stem, pageDialect, project.info.bands)).join('\n');
  return {
    id,
    title: page.title,
    picture: preview ? options.addressOf(preview) : null,
    description: page.description,
    language: page.language,
    body,
    css: BASE_CSS + (body.includes('class="k-picture"') ? PICTURE_CSS : '') + tokenRule(':root', tokens) + keyframesFor(keyframes) + rules,
    features,
    behaviours: [...new Set(found.flatMap((each) => each.behaviours))].sort(),
    assets: [...new Set([...found.flatMap((each) => each.assets), ...(preview ? [preview.id] : [])])].filter((asset) => project.assets[asset])
  };
}

/** A sheet that is printed, with the class its selectors start with. */
export interface StemSheet {
  readonly stem: string;
  readonly sheet: Sheet;
}

/** @returns the sheets of some pieces, each once, without the rules of parts that none of them draws. */
export function sheetsOf(registry: Registry, found: readonly Analysis[]): readonly StemSheet[] {
  const byStem = new Map<string, { sheet: Sheet; kind: string; drawn: Set<string> }>();
  for (const each of found) {
    const known = byStem.get(each.stem);
    if (!known) byStem.set(each.stem, { sheet: each.sheet, kind: each.kind, drawn: new Set(drawnParts(each)) });
    else drawnParts(each).forEach((part) => known.drawn.add(part));
  }
  return [...byStem].map(([stem, { sheet, kind, drawn }]) => {
    const undrawn = Object.keys(registry.kindOf(kind).anatomy).filter((part) => part !== 'root' && !drawn.has(part));
    return { stem, sheet: withoutParts(sheet, undrawn) };
  });
}

function analysed(registry: Registry, project: Project, id: NodeId, found: Analysis[]): Analysis & { readonly markup: Element } {
  const analysis = analyse(registry, project, nodeOf(project, id));
  if (!analysis.markup) throw new Error(`printPage: ${JSON.stringify(id)} is an item and cannot stand alone`);
  found.push(analysis);
  return analysis as Analysis & { readonly markup: Element };
}

const SLOT = printHtml({ type: 'element', tagName: 'k-slot', properties: {}, children: [] });

/** A node's text between the places of its children, kept as long as the node is what it was. */
interface Pieces {
  readonly texts: readonly string[];
  readonly children: readonly NodeId[];
}

const piecesOf = new WeakMap<Analysis, Pieces | null>();

/** @returns null for a node that shows pictures, whose addresses differ between exports, and where a text looks like a place. */
function maybePieces(analysis: Analysis & { readonly markup: Element }): Pieces | null {
  const known = piecesOf.get(analysis);
  if (known !== undefined) return known;
  const children: NodeId[] = [];
  collectChildren(analysis.markup, children);
  const texts = analysis.assets.length > 0 ? [] : printHtml(analysis.markup).split(SLOT);
  const pieces = texts.length === children.length + 1 ? { texts, children } : null;
  piecesOf.set(analysis, pieces);
  return pieces;
}

function collectChildren(element: Element, into: NodeId[]): void {
  for (const child of element.children) {
    if (child.type !== 'element') continue;
    if (child.data?.child) into.push(child.data.child);
    else collectChildren(child, into);
  }
}

function bodyText(registry: Registry, project: Project, id: NodeId, options: PageOptions, found: Analysis[]): string {
  const analysis = analysed(registry, project, id, found);
  const pieces = maybePieces(analysis);
  if (!pieces) return printHtml(filled(analysis, analysis.markup, registry, project, options, (child) => expanded(registry, project, child, options, found)));
  let text = pieces.texts[0]!;
  pieces.children.forEach((child, i) => (text += bodyText(registry, project, child, options, found) + pieces.texts[i + 1]!));
  return text;
}

/** The same, indented for reading: which white space may be added depends on the neighbours, so it takes the whole tree. */
function readableBody(registry: Registry, project: Project, root: NodeId, options: PageOptions, found: Analysis[]): string {
  const tree: Root = { type: 'root', children: [expanded(registry, project, root, options, found)] };
  format(tree);
  return printHtml(tree.children.find((child) => child.type === 'element')!);
}

function expanded(registry: Registry, project: Project, id: NodeId, options: PageOptions, found: Analysis[]): Element {
  const analysis = analysed(registry, project, id, found);
  return filled(analysis, analysis.markup, registry, project, options, (child) => expanded(registry, project, child, options, found));
}

/** @returns a copy of a node's markup with its pictures' addresses, and `childOf` in the place of each child. */
function filled(analysis: Analysis, element: Element, registry: Registry, project: Project, options: PageOptions, childOf: (id: NodeId) => ElementContent): Element {
  const asset = element.data?.asset ? project.assets[element.data.asset] : undefined;
  const made: Element = {
    type: 'element',
    tagName: element.tagName,
    properties: asset ? { ...addressed(element, options.addressOf(asset)), ...element.properties } : { ...element.properties },
    children: element.children.map((child): ElementContent => {
      if (child.type !== 'element') return child;
      return child.data?.child ? childOf(child.data.child) : filled(analysis, child, registry, project, options, childOf);
    })
  };
  const renditions = asset ? (options.renditionsOf?.(asset) ?? []) : [];
  return renditions.length > 0 && made.tagName === 'img' ? withRenditions(made, renditions, analysis.kind === 'section' ? '100vw' : sizesOf(slotOf(registry, project, analysis.id))) : made;
}

/** @returns what gives an element its picture or film: its source, or for one that only paints it, its background. */
export const addressed = ({ tagName }: Element, address: string): Element['properties'] => (tagName === 'img' || tagName === 'video' ? { src: address } : { style: `background-image: url("${address}")` });

/** The element around a picture lays nothing out, so the page is the same with it and without. */
const PICTURE_CSS = '.k-picture { display: contents; }\n';

/** A picture that the browser can take in a better format and in the size it needs (HTML standard, 4.8.4). */
function withRenditions(image: Element, renditions: readonly PrintedRendition[], sizes: string): Element {
  const srcSet = (format: Rendition['format']) => renditions.filter((each) => each.format === format).map(({ address, width }) => `${address} ${width}w`).join(', ');
  const plain = (['webp', 'jpeg', 'png'] as const).find((format) => srcSet(format) !== '');
  const avif = srcSet('avif');
  const fallback: Element = plain ? { ...image, properties: { ...image.properties, srcSet: srcSet(plain), sizes } } : image;
  if (avif === '') return fallback;
  return { type: 'element', tagName: 'picture', properties: { className: ['k-picture'] }, children: [{ type: 'element', tagName: 'source', properties: { type: 'image/avif', srcSet: avif, sizes }, children: [] }, fallback] };
}
