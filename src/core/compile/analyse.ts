import type { Element } from 'hast';
import { cells } from '../cascade/look';
import { cleanHtml } from '../html/clean';
import type { Context, Kind, Rule } from '../kinds/contract';
import { notes } from '../kinds/rule';
import type { Registry } from '../kinds/registry';
import type { Asset, AssetId, Bands, Node, NodeId, Project } from '../project/types';

/** What one node contributes to a page. Printers only read it. */
export interface Analysis {
  readonly id: NodeId;
  /** Null for an item its owner draws. Children stand as `k-slot` markers. */
  readonly markup: Element | null;
  readonly rules: readonly Rule[];
  readonly behaviours: readonly string[];
  readonly assets: readonly AssetId[];
}

interface Reads {
  readonly nodes: Map<NodeId, Node | undefined>;
  readonly assets: Map<AssetId, Asset | undefined>;
  bands: Bands | null;
}

interface Remembered {
  readonly analysis: Analysis;
  readonly reads: Reads;
}

const memory = new WeakMap<Registry, WeakMap<Node, Remembered>>();
const defaultsOf = new WeakMap<Kind, Record<string, unknown>>();
const settingsOf = new WeakMap<Node, Record<string, unknown>>();

function isCurrent({ reads }: Remembered, project: Project): boolean {
  if (reads.bands && reads.bands !== project.info.bands) return false;
  for (const [id, node] of reads.nodes) if (project.nodes[id] !== node) return false;
  for (const [id, asset] of reads.assets) if (project.assets[id] !== asset) return false;
  return true;
}

/**
 * Decides what a node is on the page: markup, rules, behaviours. Remembered by the node's identity and by everything the kind
 * asked for on the way, so one edit analyses one node, and the owner of an item is analysed again when the item changes.
 */
export function analyse(registry: Registry, project: Project, node: Node): Analysis {
  let known = memory.get(registry);
  if (!known) memory.set(registry, (known = new WeakMap()));
  const before = known.get(node);
  if (before && isCurrent(before, project)) return before.analysis;
  const reads: Reads = { nodes: new Map(), assets: new Map(), bands: null };
  const analysis = freshAnalysis(registry, project, node, reads);
  known.set(node, { analysis, reads });
  return analysis;
}

function freshAnalysis(registry: Registry, project: Project, node: Node, reads: Reads): Analysis {
  const kind = registry.kindOf(node.kind);
  const ctx = contextFor(registry, project, node, reads);
  return {
    id: node.id,
    markup: kind.markup ? kind.markup(node, ctx) : null,
    rules: kind.markup ? [...kind.style(node, ctx), ...lookRules(kind, node, ctx)] : [],
    behaviours: kind.behaviours(node),
    assets: [...reads.assets.keys()]
  };
}

/** @returns the settings with the kind's defaults filled in; the same object for the same node. */
export function settingsWithDefaults(kind: Kind, node: Node): Record<string, unknown> {
  const known = settingsOf.get(node);
  if (known) return known;
  let defaults = defaultsOf.get(kind);
  if (!defaults) defaultsOf.set(kind, (defaults = kind.settings.getDefault() as Record<string, unknown>));
  const filled = Object.freeze({ ...defaults, ...node.settings });
  settingsOf.set(node, filled);
  return filled;
}

function contextFor(registry: Registry, project: Project, node: Node, reads: Reads): Context {
  const cls = (part: string) => (part === 'root' ? node.id : `${node.id}-${part}`);
  const maybeNode = (id: NodeId): Node | null => {
    reads.nodes.set(id, project.nodes[id]);
    return project.nodes[id] ?? null;
  };
  return {
    get bands() {
      return (reads.bands = project.info.bands);
    },
    cls,
    sel: (part) => `.${cls(part)}`,
    maybeNode,
    maybeAsset(id) {
      reads.assets.set(id, project.assets[id]);
      return project.assets[id] ?? null;
    },
    items: (slot) => (node.slots[slot] ?? []).map(maybeNode).filter((item) => item !== null),
    slot: (name, item = node) =>
      (item.slots[name] ?? []).map((child) => ({ type: 'element', tagName: 'k-slot', properties: {}, children: [], data: notes({ child }) })),
    settings: <S>(of: Node) => settingsWithDefaults(registry.kindOf(of.kind), of) as S,
    part: (name, tag, properties = {}, children = [], item) => ({
      type: 'element',
      tagName: tag,
      properties: { className: [cls(name)], ...properties },
      children: children as Element['children'],
      data: notes({ mark: { node: item?.id ?? node.id, part: name } })
    }),
    html: cleanHtml
  };
}

/** The look as rules, part by part, in the order of the cascade. */
function lookRules(kind: Kind, node: Node, ctx: Context): Rule[] {
  const rules: Rule[] = [];
  for (const [part, { states }] of Object.entries(kind.anatomy)) {
    const found = cells(kind, node, part);
    // A border needs a line style to be seen; its width starts at none and its colour at the text's, whatever the browser's own
    // style sheet gives the element.
    if (found.some((cell) => cell.property.startsWith('border-') && cell.property !== 'border-radius')) {
      rules.push({ selector: ctx.sel(part), when: [], declarations: { border: '0 solid currentcolor' } });
    }
    let openKey = '';
    let declarations: Record<string, string> = {};
    for (const { property, value, state, condition } of found) {
      const key = `${state}/${condition}`;
      if (openKey !== key) {
        openKey = key;
        declarations = {};
        const base = { selector: ctx.sel(part), when: condition === 'always' ? [] : [condition], declarations };
        rules.push(state === 'rest' ? base : { ...base, state: { name: state, selector: states[state]!, ...(states.disabled ? { disabled: states.disabled } : {}) } });
      }
      declarations[property] = value;
    }
  }
  return rules;
}
