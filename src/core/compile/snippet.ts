import type { Element, ElementContent } from 'hast';
import { format } from 'hast-util-format';
import { printHtml } from '../html/print';
import type { Registry } from '../kinds/registry';
import { maybePageOf, nodeOf } from '../project/tree';
import type { Asset, AssetId, NodeId, Project } from '../project/types';
import { analyse, type Analysis } from './analyse';
import { drawnParts } from './parts';
import { addressed } from './page';
import { keyframesFor, pageDialect, printSheet, tokenRule, withoutParts } from './rules';

/** One piece to paste into a page of any site. Every name in it starts with `prefix`; nothing is global. */
export interface PrintedSnippet {
  readonly prefix: string;
  /** Language of the page it comes from, for validation. */
  readonly language: string;
  readonly html: string;
  readonly css: string;
  readonly behaviours: readonly string[];
  readonly assets: readonly AssetId[];
}

/**
 * Prints one piece with what is in it, all names under a prefix of its own: classes, ids, keyframes and tokens.
 * Throws where the piece is drawn by its owner and cannot stand alone.
 */
export function printSnippet(registry: Registry, project: Project, id: NodeId, { addressOf }: { readonly addressOf: (asset: Asset) => string }): PrintedSnippet {
  const prefix = `ky-${id}`;
  const found: Analysis[] = [];
  const ids = new Set<string>();

  const build = (analysis: Analysis, element: Element): Element => {
    const asset = element.data?.asset ? project.assets[element.data.asset] : undefined;
    if (typeof element.properties.id === 'string') ids.add(element.properties.id);
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
  renameIds(inner, ids, prefix);
  const root: Element = { type: 'element', tagName: 'div', properties: { className: [prefix] }, children: [inner] };
  format({ type: 'root', children: [root] });

  const sheets = [...new Map(found.map((each) => [each.stem, each])).values()].map((each) => {
    const drawn = new Set(found.filter(({ stem }) => stem === each.stem).flatMap((same) => [...drawnParts(same)]));
    const undrawn = Object.keys(registry.kindOf(each.kind).anatomy).filter((part) => part !== 'root' && !drawn.has(part));
    return printSheet(withoutParts(each.sheet, undrawn), `${prefix}-${each.stem}`, pageDialect, project.info.bands);
  });
  const rules = sheets.join('\n');
  const keyframes = keyframesFor(rules);
  const css = `.${prefix}, .${prefix} *, .${prefix} ::before, .${prefix} ::after { box-sizing: border-box; }\n${tokenRule(rules, project.tokens).replace(':root', `.${prefix}`)}${keyframes}${rules}`;
  return {
    prefix,
    language: maybePageOf(project, id)?.language ?? 'en',
    html: printHtml(root),
    css: css.replace(/\bk-(wait|fade|rise|drop|slide|grow|wipe)\b/g, `${prefix}-$1`),
    behaviours: [...new Set(found.flatMap((each) => each.behaviours))].sort(),
    assets: [...new Set(found.flatMap((each) => each.assets))].filter((asset) => project.assets[asset])
  };
}

const REFERENCES = ['ariaControls', 'ariaLabelledBy', 'ariaDescribedBy', 'popoverTarget', 'htmlFor', 'dataCurrent', 'href'] as const;

/** Gives every id its prefix, and what refers to one of them likewise. */
function renameIds(element: Element, ids: ReadonlySet<string>, prefix: string): void {
  const renamed = (value: string) => (ids.has(value) ? `${prefix}-${value}` : value);
  const properties = element.properties as Record<string, string | readonly (string | number)[] | number | boolean | null | undefined>;
  if (typeof properties.id === 'string') properties.id = renamed(properties.id);
  for (const name of REFERENCES) {
    const value = properties[name];
    if (typeof value === 'string') properties[name] = name === 'href' && value.startsWith('#') ? `#${renamed(value.slice(1))}` : renamed(value);
    else if (Array.isArray(value)) properties[name] = value.map((each) => renamed(String(each)));
  }
  for (const child of element.children) if (child.type === 'element') renameIds(child, ids, prefix);
}

/** A snippet as one text to paste. Throws where a text could end its own element early. */
export function snippetText({ html, css, prefix }: Pick<PrintedSnippet, 'html' | 'css' | 'prefix'>, script: string | null): string {
  for (const part of [css, script ?? '']) if (/<\/(?:style|script)/i.test(part)) throw new Error('snippetText: a closing tag stands inside the text');
  const closing = html.lastIndexOf('</div>');
  const tail = script ? `<script>${script}</script>\n` : '';
  return `<!-- ${prefix}: from here to the end of this element, to paste where it should stand -->\n${html.slice(0, html.indexOf('>') + 1)}\n<style>\n${css}</style>${html.slice(html.indexOf('>') + 1, closing)}${tail}</div>\n`;
}
