import type { Element, Root } from 'hast';
import { format } from 'hast-util-format';
import { toHtml } from 'hast-util-to-html';
import { visit } from 'unist-util-visit';
import { text as textOf } from '../html/build';
import { printHtml } from '../html/print';
import type { Registry } from '../kinds/registry';
import { isFromRight } from '../project/direction';
import { pageOf } from '../project/tree';
import type { AssetId, PageId, Project } from '../project/types';
import type { PlatformFeature } from '../support/features';
import { styleSheetFor } from '../stylesheet';
import type { Analysis } from './analyse';
import { analysesUnder, BodyBuilder, isCarried, type PageOptions } from './body';
import { facesOf, type UsedFaces } from './faces';
import { gather } from './gather';
import { sheetsOf } from './parts';
import { asItLeaves } from './refresh';
import { usedTokens } from './rules';

/** A page as it leaves: what the finishing step turns into files. */
export interface PrintedPage {
  readonly id: PageId;
  readonly title: string;
  /** Address of the picture shown where a link to the page is shared; null for none. */
  readonly picture: string | null;
  readonly description: string;
  readonly language: string;
  /**
   * Addresses of typefaces to be fetched first, as they are drawn from the start or not at all; empty where they
   * stand in the style sheet itself.
   */
  readonly preloads: readonly string[];
  /** The `body` element. */
  readonly body: string;
  /** Behaviours the page's script needs, each once, sorted. */
  readonly behaviours: readonly string[];
  /** What it uses of the platform. */
  readonly features: ReadonlySet<PlatformFeature>;
  readonly assets: readonly AssetId[];
}

/** Pages that have one style sheet between them. */
export interface PrintedSite {
  readonly pages: readonly PrintedPage[];
  readonly css: string;
}

/** Prints a page for export, with a style sheet of its own. Throws where the page is not in the project. */
export function printPage(
  registry: Registry,
  project: Project,
  id: PageId,
  options: PageOptions
): PrintedPage & { readonly css: string } {
  const { pages, css } = printSite(registry, project, [id], options);
  return { ...pages[0]!, css };
}

/** Prints pages for export that share a style sheet. Throws where one of them is not in the project. */
export function printSite(
  registry: Registry,
  given: Project,
  ids: readonly PageId[],
  options: PageOptions
): PrintedSite {
  const project = asItLeaves(registry, given);
  const found = ids.map((id) => analysesUnder(registry, project, pageOf(project, id).root));
  const all = found.flat();
  const rulesOf = (pieces: readonly Analysis[]) => sheetsOf(registry, pieces).map((each) => each.sheet);
  const ofPages = found.map((pieces) => rulesOf(pieces));
  const tokens = usedTokens(ofPages.flat(), project.tokens);
  const faces = facesOf(ofPages.flat(), tokens, project, options.addressOf);
  const sheet = styleSheetFor(all, {
    faces,
    registry,
    nodes: project.nodes,
    bands: project.info.bands,
    tokens,
    hasPictures: hasRenditions(all, project, options),
    isFromRight: ids.some((id) => isFromRight(pageOf(project, id).language))
  });
  const pages = ids.map((id, i): PrintedPage => {
    const pieces = found[i]!;
    const { title, description, language, picture } = pageOf(project, id);
    const preview = picture ? project.assets[picture] : undefined;
    const sheets = ofPages[i]!;
    const own = ids.length === 1 ? tokens : usedTokens(sheets, project.tokens);
    const { features } = gather(
      pieces,
      sheets,
      own.map(({ value }) => value)
    );
    const assets = new Set(pieces.flatMap((each) => each.assets));
    if (preview) assets.add(preview.id);
    const named = facesOf(sheets, own, project, options.addressOf);
    for (const { id: face } of faces.faces) assets.add(face);
    return {
      id,
      title,
      picture: preview ? options.addressOf(preview) : null,
      description,
      language,
      preloads: preloadsOf(named),
      body: bodyText(new BodyBuilder(registry, project, pieces, sheet, options), options),
      features: sheet.nests ? new Set([...features, 'nesting']) : features,
      behaviours: [...new Set(pieces.flatMap((each) => each.behaviours))].sort(),
      assets: [...assets].filter((asset) => project.assets[asset])
    };
  });
  return { pages, css: sheet.css };
}

const preloadsOf = ({ faces, addressOf }: UsedFaces): readonly string[] =>
  faces
    .filter(({ face }) => face.late !== 'changes')
    .map(addressOf)
    .filter((address) => !isCarried(address));

function bodyText(builder: BodyBuilder, { readable }: PageOptions): string {
  const { root: body, symbols } = builder.build();
  if (symbols) body.children.push(symbols);
  // What nobody reads is printed by the faster of the two serialisers; a browser makes the same of both.
  if (!readable) return printHtml(body);
  const tree: Root = { type: 'root', children: [body] };
  format(tree);
  const made = tree.children.find((child) => child.type === 'element')!;
  tightDrawings(made, false);
  fillTemplates(made);
  return elementText(made);
}

/**
 * What stands in a template is its content (HTML standard, 4.12.3), which is no child of it. Each of it goes on a line
 * of its own, as all else that is formatted.
 */
export function fillTemplates(element: Element): void {
  visit(element, { tagName: 'template' }, (template: Element, index, parent) => {
    const [before] = (parent as Element).children;
    const indent = before?.type === 'text' ? before.value : '';
    const lines = template.children.flatMap((child) => [textOf(`${indent}  `), child]);
    template.content = { type: 'root', children: [...lines, textOf(indent)] };
    template.children = [];
    (parent as Element).children.splice(index!, 0, textOf(indent));
    return index! + 2;
  });
}

/**
 * @returns an element as HTML as one writes it by hand: `defer` as `defer`, `&amp;` as `&amp;`, drawings
 * closed where they stand.
 */
export const elementText = (element: Element): string =>
  toHtml(element, {
    collapseEmptyAttributes: true,
    closeEmptyElements: true,
    tightSelfClosing: true,
    // Where a value has double quotes in it, single ones stand around it.
    quoteSmart: true,
    allowDangerousCharacters: true,
    characterReferences: { useNamedReferences: true }
  });

/** Takes out white space inside drawings, where nobody reads: each icon and each use of one stands on one line. */
export function tightDrawings(element: Element, isInside: boolean): void {
  const isDrawing =
    isInside ||
    element.tagName === 'symbol' ||
    (element.tagName === 'svg' && !element.children.some(isSymbol));
  if (isDrawing)
    element.children = element.children.filter((child) => child.type !== 'text' || child.value.trim() !== '');
  for (const child of element.children) if (child.type === 'element') tightDrawings(child, isDrawing);
}

const isSymbol = (child: Element['children'][number]): boolean =>
  child.type === 'element' && child.tagName === 'symbol';

function hasRenditions(
  found: readonly Analysis[],
  { assets }: Project,
  { renditionsOf }: PageOptions
): boolean {
  if (!renditionsOf) return false;
  return found.some((each) => each.assets.some((id) => assets[id] && renditionsOf(assets[id]).length > 0));
}
