import type { Element, ElementContent } from 'hast';
import { format } from 'hast-util-format';
import { printHtml } from '../html/print';
import type { Registry } from '../kinds/registry';
import { maybePageOf, nodeOf } from '../project/tree';
import type { Asset, AssetId, NodeId, Project } from '../project/types';
import { analyse, type Analysis, type Sheet } from './analyse';
import type { PlatformFeature } from '../support/features';
import { gather, playedBy } from './gather';
import { addressed, sheetsOf } from './page';
import { keyframesFor, pageDialect, printSheet, type Dialect, tokenRule, usedTokens } from './rules';

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

export interface SnippetOptions {
  /** Address of a picture as the page around it will find it. */
  readonly addressOf: (asset: Asset) => string;
  /** How conditions are written; those of a page where nothing else is said. */
  readonly dialect?: Dialect;
}

/**
 * Prints one piece with what is in it, all names under a prefix of its own: classes, ids, keyframes and tokens.
 * Throws where the piece is drawn by its owner and cannot stand alone.
 */
export function printSnippet(registry: Registry, project: Project, id: NodeId, { addressOf, dialect = pageDialect }: SnippetOptions): PrintedSnippet {
  const prefix = `ky-${id}`;
  const found: Analysis[] = [];
  const names: Names = { ids: new Set(), groups: new Set() };

  const build = (analysis: Analysis, element: Element): Element => {
    const asset = element.data?.asset ? project.assets[element.data.asset] : undefined;
    noteNames(element, names);
    return {
      type: 'element',
      tagName: element.tagName,
      properties: { ...(asset ? addressed(element, addressOf(asset)) : {}), ...element.properties, ...(Array.isArray(element.properties.className) ? { className: element.properties.className.map((name) => `${prefix}-${name}`) } : {}) },
      children: element.children.map((child): ElementContent => {
        if (child.type !== 'element') return child;
        return child.data?.child ? expand(child.data.child) : build(analysis, child);
      })
    };
  };
  const expand = (node: NodeId): Element => {
    const analysis = analyse(registry, project, nodeOf(project, node));
    if (!analysis.markup) throw new Error(`printSnippet: ${JSON.stringify(node)} is an item and cannot stand alone`);
    found.push(analysis);
    return build(analysis, analysis.markup);
  };

  const inner = expand(id);
  renameAll(inner, names, prefix);
  const root: Element = { type: 'element', tagName: 'div', properties: { className: [prefix] }, children: [inner] };
  format({ type: 'root', children: [root] });

  const sheets = sheetsOf(registry, found);
  const tokens = usedTokens(sheets.map(({ sheet }) => sheet), project.tokens);
  const { features, keyframes } = gather(found, sheets.map(({ sheet }) => sheet), tokens.map(({ value }) => value));
  const rules = sheets.map(({ stem, sheet }) => printSheet(withOwnKeyframes(sheet, prefix), `${prefix}-${stem}`, dialect, project.info.bands));
  const boxes = `.${prefix}, .${prefix} *, .${prefix} ::before, .${prefix} ::after { box-sizing: border-box; }\n`;
  const keyframeRules = keyframesFor(keyframes).replaceAll('@keyframes k-', `@keyframes ${prefix}-`);
  return {
    prefix,
    language: maybePageOf(project, id)?.language ?? 'en',
    html: printHtml(root),
    css: boxes + tokenRule(`.${prefix}`, tokens) + keyframeRules + rules.join('\n'),
    features,
    behaviours: [...new Set(found.flatMap((each) => each.behaviours))].sort(),
    assets: [...new Set(found.flatMap((each) => each.assets))].filter((asset) => project.assets[asset])
  };
}

/** A sheet whose rules play keyframes that have the snippet's prefix. */
function withOwnKeyframes(sheet: Sheet, prefix: string): Sheet {
  const build = sheet.build.map((rule) => {
    const name = playedBy(rule);
    if (!name) return rule;
    const animation = rule.declarations.animation!.replace(name, `${prefix}-${name.replace(/^k-/, '')}`);
    return { ...rule, declarations: { ...rule.declarations, animation } };
  });
  return { ...sheet, build };
}

/** Names that stand for something in the whole document: ids, and groups of which one thing is open or chosen at a time. */
interface Names {
  readonly ids: Set<string>;
  readonly groups: Set<string>;
}

const REFERENCES = ['ariaControls', 'ariaLabelledBy', 'ariaDescribedBy', 'popoverTarget', 'htmlFor', 'dataCurrent', 'href'] as const;

/** Elements whose `name` makes a group of them (HTML standard, 4.11.1 and 4.10.5.1.16). */
const isGrouped = ({ tagName, properties }: Element) => tagName === 'details' || (tagName === 'input' && properties.type === 'radio');

function noteNames(element: Element, { ids, groups }: Names): void {
  const { id, name } = element.properties;
  if (typeof id === 'string') ids.add(id);
  if (typeof name === 'string' && isGrouped(element)) groups.add(name);
}

type Written = string | readonly (string | number)[] | number | boolean | null | undefined;

/** Gives every id and every group its prefix, and what refers to one of them likewise. */
function renameAll(element: Element, names: Names, prefix: string): void {
  const renamed = (value: string) => (names.ids.has(value) ? `${prefix}-${value}` : value);
  const properties = element.properties as Record<string, Written>;
  if (typeof properties.id === 'string') properties.id = renamed(properties.id);
  if (typeof properties.name === 'string' && isGrouped(element)) properties.name = `${prefix}-${properties.name}`;
  for (const reference of REFERENCES) {
    const value = properties[reference];
    if (Array.isArray(value)) properties[reference] = value.map((each) => renamed(String(each)));
    if (typeof value !== 'string') continue;
    const isInPage = reference === 'href' && value.startsWith('#');
    properties[reference] = isInPage ? `#${renamed(value.slice(1))}` : renamed(value);
  }
  for (const child of element.children) if (child.type === 'element') renameAll(child, names, prefix);
}

/** A snippet as one text to paste. Throws where a text could end its own element early. */
export function snippetText({ html, css, prefix }: Pick<PrintedSnippet, 'html' | 'css' | 'prefix'>, script: string | null): string {
  for (const part of [css, script ?? '']) if (/<\/(?:style|script)/i.test(part)) throw new Error('snippetText: a closing tag stands inside the text');
  const closing = html.lastIndexOf('</div>');
  const tail = script ? `<script>${script}</script>\n` : '';
  return `<!-- ${prefix}: from here to the end of this element, to paste where it should stand -->\n${html.slice(0, html.indexOf('>') + 1)}\n<style>\n${css}</style>${html.slice(html.indexOf('>') + 1, closing)}${tail}</div>\n`;
}
