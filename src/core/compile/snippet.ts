import type { Element } from 'hast';
import { format } from 'hast-util-format';
import type { Registry } from '../kinds/registry';
import { isFromRight } from '../project/direction';
import { maybePageOf } from '../project/tree';
import type { Asset, AssetId, Declarations, NodeId, Project } from '../project/types';
import { styleSheetFor } from '../stylesheet';
import { forRootSize, ROOT_SIZE } from '../stylesheet/values';
import type { PlatformFeature } from '../support/features';
import { compact } from '../data/compact';
import { rule } from '../kinds/rule';
import { analyseAlone, type Analysis } from './analyse';
import { analysesUnder, BodyBuilder } from './body';
import { facesOf } from './faces';
import { gather } from './gather';
import { saidIn } from './language';
import { noteNames, renameAll, type Names } from './naming';
import { elementText, fillTemplates, tightDrawings } from './page';
import { sheetsOf } from './parts';
import { asItLeaves } from './refresh';
import { usedTokens } from './rules';
import { STEM } from './sheet';
import { element } from '../html/build';
import { visit } from 'unist-util-visit';

/** One piece to paste into a page of any site. Every name in it starts with `prefix`; nothing is global. */
export interface PrintedSnippet {
  readonly prefix: string;
  /** Language of the page it comes from, for validation. */
  readonly language: string;
  readonly html: string;
  readonly css: string;
  readonly behaviours: readonly string[];
  /** What it uses of the platform. */
  readonly features: ReadonlySet<PlatformFeature>;
  readonly assets: readonly AssetId[];
}

/**
 * Whose type, colour and ground a snippet stands in: those of the page it comes from, so that it looks as it does
 * there, or those of the site it goes into.
 */
export type SnippetLook = 'page' | 'site';

export interface SnippetOptions {
  /** Address of a picture as the page around it will find it. */
  readonly addressOf: (asset: Asset) => string;
  /** Left out, `page`. */
  readonly look?: SnippetLook;
  /** What `rem` is on the site it goes into, px; left out, 16. */
  readonly rootSize?: number;
}

/**
 * Inherited properties that sites set and pages of ours leave alone, with their initial values (CSS Text 3, CSS
 * Fonts 4).
 */
const UNSET: Declarations = {
  'font-style': 'normal',
  'font-weight': '400',
  hyphens: 'manual',
  'letter-spacing': 'normal',
  'overflow-wrap': 'normal',
  'text-align': 'start',
  'text-indent': '0',
  'text-shadow': 'none',
  'text-transform': 'none',
  'white-space': 'normal',
  'word-break': 'normal',
  'word-spacing': 'normal'
};

/** What a page gives to all that stands in it, as one more piece without content; null for what stands on no page. */
function pageAround(registry: Registry, project: Project, id: NodeId): Analysis | null {
  const page = maybePageOf(project, id);
  if (!page || page.root === id) return null;
  const analysis = analyseAlone(registry, project, page.root);
  const markup = { ...analysis.markup!, tagName: 'div', children: [] };
  const build = [rule(`.${STEM}`, UNSET)];
  return { ...analysis, markup, sheet: { ...analysis.sheet, build } };
}

/**
 * Prints one piece with what is in it, all names under a prefix of its own: classes, ids, keyframes and tokens.
 * What the site around it says of elements in general ends at it. Throws where the piece is drawn by its owner
 * and cannot stand alone.
 */
export function printSnippet(
  registry: Registry,
  given: Project,
  id: NodeId,
  options: SnippetOptions
): PrintedSnippet {
  const project = asItLeaves(registry, given);
  const prefix = `ky-${id}`;
  const language = maybePageOf(project, id)?.language ?? 'en';
  const found = analysesUnder(registry, project, id);
  const around = options.look === 'site' ? null : pageAround(registry, project, id);
  const all = compact([around, ...found]);
  const sheets = sheetsOf(registry, all).map(({ sheet }) => sheet);
  const tokens = usedTokens(sheets, project.tokens);
  const faces = facesOf(sheets, tokens, project, options.addressOf);
  const sheet = styleSheetFor(all, {
    faces,
    registry,
    nodes: project.nodes,
    bands: project.info.bands,
    tokens,
    hasPictures: false,
    isFromRight: isFromRight(language),
    prefix
  });
  const { root: inner, symbols } = new BodyBuilder(registry, project, found, sheet, {
    ...options,
    prefix
  }).build();
  const classes = around ? sheet.classesOf(around.id, 'root') : [];
  const said = isFromRight(language) ? saidIn(language) : {};
  const root = element(
    'div',
    { className: [prefix, ...classes], ...said },
    symbols ? [inner, symbols] : [inner]
  );
  const names: Names = { ids: new Set(), groups: new Set() };
  noteAll(root, names);
  renameAll(root, names, prefix);
  forgetPage(root);
  format({ type: 'root', children: [root] });
  tightDrawings(root, false);
  fillTemplates(root);
  const { features } = gather(
    found,
    sheets,
    tokens.map(({ value }) => value)
  );
  return {
    prefix,
    language,
    html: elementText(root),
    css: forRootSize(sheet.css, options.rootSize ?? ROOT_SIZE),
    features: sheet.nests ? new Set([...features, 'nesting']) : features,
    behaviours: [...new Set(found.flatMap((each) => each.behaviours))].sort(),
    assets: [...new Set(found.flatMap((each) => each.assets))].filter((asset) => project.assets[asset])
  };
}

function noteAll(root: Element, names: Names): void {
  visit(root, 'element', (element: Element) => noteNames(element, names));
}

/** Where it is pasted is another page than the one its links were marked for. */
function forgetPage(root: Element): void {
  visit(root, 'element', ({ tagName, properties }: Element) => {
    if (tagName === 'a' || properties.ariaExpanded !== undefined) delete properties.ariaCurrent;
  });
}

/** A snippet as one text to paste. Throws where a text could end its own element early. */
export function snippetText(
  { html, css, prefix }: Pick<PrintedSnippet, 'html' | 'css' | 'prefix'>,
  script: string | null
): string {
  for (const part of [css, script ?? ''])
    if (/<\/(?:style|script)/i.test(part))
      throw new Error('snippetText: a closing tag stands inside the text');
  const closing = html.lastIndexOf('</div>');
  const tail = script ? `<script>${script}</script>\n` : '';
  return `<!-- ${prefix}: from here to the end of this element, to paste where it should stand -->\n${html.slice(0, html.indexOf('>') + 1)}\n<style>\n${css}</style>${html.slice(html.indexOf('>') + 1, closing)}${tail}</div>\n`;
}
