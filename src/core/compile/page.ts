import type { Element, ElementContent, Root } from 'hast';
import { format } from 'hast-util-format';
import { toHtml } from 'hast-util-to-html';
import type { Registry } from '../kinds/registry';
import { nodeOf, pageOf } from '../project/tree';
import type { Asset, AssetId, NodeId, PageId, Project } from '../project/types';
import { analyse, type Analysis } from './analyse';
import { stemOf, withClasses } from './classes';
import { BASE_CSS, keyframesFor, pageDialect, printSheet } from './rules';

/** A page as it leaves: what the finishing step turns into files. */
export interface PrintedPage {
  readonly id: PageId;
  readonly title: string;
  readonly description: string;
  readonly language: string;
  /** The `body` element. */
  readonly body: string;
  readonly css: string;
  /** Behaviours the page's script needs, each once, sorted. */
  readonly behaviours: readonly string[];
  readonly assets: readonly AssetId[];
}

export interface PageOptions {
  /** Address of a picture as the page will find it. */
  readonly addressOf: (asset: Asset) => string;
  /** Indented for reading; costs time, so benches and previews leave it out. */
  readonly readable?: boolean;
}

/** Prints a page for export. Throws where the page is not in the project. */
export function printPage(registry: Registry, project: Project, id: PageId, options: PageOptions): PrintedPage {
  const page = pageOf(project, id);
  const found: Analysis[] = [];
  const body = expand(registry, project, page.root, options, found);
  const tree: Root = { type: 'root', children: [body] };
  if (options.readable) format(tree);
  const rules = printedSheets(found, project).join('\n');
  return {
    id,
    title: page.title,
    description: page.description,
    language: page.language,
    body: toHtml(tree, { closeSelfClosing: false }).trim(),
    css: BASE_CSS + keyframesFor(rules) + rules,
    behaviours: [...new Set(found.flatMap((each) => each.behaviours))].sort(),
    assets: [...new Set(found.flatMap((each) => each.assets))].filter((asset) => project.assets[asset])
  };
}

function printedSheets(found: readonly Analysis[], project: Project): string[] {
  const byStem = new Map(found.map((each) => [stemOf(each), each.sheet]));
  return [...byStem].map(([stem, sheet]) => printSheet(sheet, stem, pageDialect, project.info.bands));
}

function expand(registry: Registry, project: Project, id: NodeId, options: PageOptions, found: Analysis[]): Element {
  const analysis = analyse(registry, project, nodeOf(project, id));
  if (!analysis.markup) throw new Error(`printPage: ${JSON.stringify(id)} is an item and cannot stand alone`);
  found.push(analysis);
  const build = (element: Element): Element => ({
    type: 'element',
    tagName: element.tagName,
    properties: withAddress(element, withClasses(element, analysis), project, options),
    children: element.children.map((child): ElementContent => {
      if (child.type !== 'element') return child;
      return child.data?.child ? expand(registry, project, child.data.child, options, found) : build(child);
    })
  });
  return build(analysis.markup);
}

function withAddress(element: Element, properties: Element['properties'], project: Project, { addressOf }: PageOptions): Element['properties'] {
  const asset = element.data?.asset ? project.assets[element.data.asset] : undefined;
  return asset ? { src: addressOf(asset), ...properties } : properties;
}
