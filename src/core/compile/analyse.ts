import type { Element } from 'hast';
import type { Registry } from '../kinds/registry';
import type { PlatformFeature } from '../support/features';
import type { AssetId, Node, NodeId, Project } from '../project/types';
import { NodeContext } from './context';
import { carryReads, isCurrent, noReads, type Reads } from './reads';
import { NO_SHEET, sheetOf, type Sheet } from './sheet';
import { element } from '../html/build';
import { remembered } from '../data/remembered';
import { nodeOf } from '../project/tree';

/** What one node contributes to a page. Printers only read it. */
export interface Analysis {
  readonly id: NodeId;
  readonly kind: string;
  /**
   * What its class names start with: nodes nobody has tuned share their kind's, so that a hundred of them
   * cost no more than one.
   */
  readonly stem: string;
  /** Null for an item its owner draws. Children stand as `k-slot` markers. */
  readonly markup: Element | null;
  /** Its rules; shared by all nodes that look and are set the same. */
  readonly sheet: Sheet;
  readonly behaviours: readonly string[];
  /** What its markup and its behaviours use of the platform. */
  readonly uses: readonly PlatformFeature[];
  readonly assets: readonly AssetId[];
  /** Other nodes it was made from: when one of these changes, so does this. */
  readonly reads: readonly NodeId[];
  /**
   * For a printer to keep what it made of the markup; the next analysis has it too as long as the markup is
   * the same.
   */
  readonly kept: Kept;
}

/** Kept in the analysis, since a table beside it for thousands of nodes costs more than what goes into it. */
export interface Kept {
  html: string | null;
}

const NOTHING: readonly never[] = [];

interface Remembered {
  readonly node: Node;
  readonly analysis: Analysis;
  readonly reads: Reads;
}

interface Memory {
  readonly byNode: WeakMap<Node, Remembered>;
  /** The last analysis under each id: its markup still holds where only the look has changed. */
  readonly lastOf: Map<NodeId, Remembered>;
}

const memories = new WeakMap<Registry, Memory>();
const LAST_MOST = 20_000;

/**
 * Decides what a node is on the page: markup, rules, behaviours. Remembered by the node's identity and by
 * everything the kind asked for on the way, so one edit analyses one node, and the owner of an item is
 * analysed again when the item changes.
 */
export function analyse(registry: Registry, project: Project, node: Node): Analysis {
  const memory = remembered(memories, registry, () => ({ byNode: new WeakMap(), lastOf: new Map() }));
  const before = memory.byNode.get(node);
  if (before && isCurrent(before.reads, project)) return before.analysis;
  const last = memory.lastOf.get(node.id);
  const fresh = freshAnalysis(registry, project, node, last && isCurrent(last.reads, project) ? last : null);
  memory.byNode.set(node, fresh);
  if (memory.lastOf.size >= LAST_MOST) memory.lastOf.clear();
  memory.lastOf.set(node.id, fresh);
  return fresh.analysis;
}

/** An analysis of what draws itself, not an item that its owner draws. */
export type AnalysisAlone = Analysis & { readonly markup: Element };

/** As `analyse`, for a piece that stands by itself. Throws for an item, which its owner draws. */
export function analyseAlone(registry: Registry, project: Project, id: NodeId): AnalysisAlone {
  const analysis = analyse(registry, project, nodeOf(project, id));
  if (analysis.markup) return analysis as AnalysisAlone;
  throw new Error(`analyseAlone: ${JSON.stringify(id)} is an item and cannot stand alone`);
}

function freshAnalysis(
  registry: Registry,
  project: Project,
  node: Node,
  last: Remembered | null
): Remembered {
  const kind = registry.of(node);
  const reads = noReads();
  const sheet = kind.markup ? sheetOf(kind, node, project, registry, reads) : NO_SHEET;
  const stem = sheet.isDefault ? `k-${kind.kind}` : (node.copyOf ?? node.id);
  const isSame =
    last?.analysis.stem === stem &&
    last.node.kind === node.kind &&
    last.node.settings === node.settings &&
    last.node.slots === node.slots &&
    last.node.name === node.name &&
    last.node.adapt === node.adapt &&
    last.node.effects === node.effects &&
    last.node.refresh === node.refresh &&
    last.node.drawnFor === node.drawnFor &&
    // Whether a look of its own is there can be written in the markup of what has effects.
    (!node.effects || last.node.styles === node.styles);
  if (isSame) carryReads(last.reads, reads);
  const ctx = new NodeContext(registry, project, node, reads, stem);
  const markupOf = () =>
    kind.markup ? inItsPlace(drawnWhere(node, kind.markup(node, ctx)), sheet, stem) : null;
  const analysis: Analysis = {
    id: node.id,
    kind: kind.kind,
    stem,
    markup: isSame ? last.analysis.markup : markupOf(),
    sheet,
    behaviours: kind.behaviours(node, ctx),
    uses: kind.uses?.(node, ctx) ?? NOTHING,
    assets: reads.assets ? [...reads.assets.keys()] : NOTHING,
    reads: reads.nodes ? [...reads.nodes.keys()] : NOTHING,
    kept: isSame ? last.analysis.kept : { html: null }
  };
  return { node, analysis, reads };
}

/** What stands in a row that stands for all says in which rows it is drawn. */
const drawnWhere = ({ drawnFor }: Node, markup: Element): Element =>
  drawnFor === undefined ? markup : { ...markup, properties: { ...markup.properties, dataIf: drawnFor } };

/** A piece whose widths are those of its place stands in an element that can be asked how wide it is. */
function inItsPlace(markup: Element, sheet: Sheet, stem: string): Element {
  if (!sheet.isContained) return markup;
  return element('div', { className: [`${stem}-place`] }, [markup]);
}
