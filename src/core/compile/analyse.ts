import type { Element } from 'hast';
import { cells } from '../cascade/look';
import { cleanHtml } from '../html/clean';
import { notes } from '../kinds/rule';
import type { Context, Kind, Rule } from '../kinds/contract';
import type { Registry } from '../kinds/registry';
import type { Asset, AssetId, Bands, Node, NodeId, Project } from '../project/types';

/** What one node contributes to a page. Printers only read it. */
export interface Analysis {
  readonly id: NodeId;
  readonly kind: string;
  /** Null for an item its owner draws. Children stand as `k-slot` markers. */
  readonly markup: Element | null;
  /** Its rules; shared by all nodes that look and are set the same. */
  readonly sheet: Sheet;
  readonly behaviours: readonly string[];
  readonly assets: readonly AssetId[];
  /** Other nodes it was made from: when one of these changes, so does this. */
  readonly reads: readonly NodeId[];
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
    kind: kind.kind,
    markup: kind.markup ? kind.markup(node, ctx) : null,
    sheet: kind.markup ? sheetOf(kind, node, project, registry, reads) : NO_SHEET,
    behaviours: kind.behaviours(node),
    assets: [...reads.assets.keys()],
    reads: [...reads.nodes.keys()]
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

function contextFor(registry: Registry, project: Project, node: Node, reads: Reads, stem: string = node.id, asked?: Set<string>): Context {
  const cls = (part: string) => (part === 'root' ? stem : `${stem}-${part}`);
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
    settings: <S>(of: Node) => {
      const settings = settingsWithDefaults(registry.kindOf(of.kind), of);
      return (asked ? noting(settings, asked) : settings) as S;
    },
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

/** Rules of a node under a class name that stands for its own; printing puts the real one in its place. */
export interface Sheet {
  readonly rules: readonly Rule[];
  /** The same as of any node of its kind that nobody has tuned. */
  readonly isDefault: boolean;
}

/** Stands for the node's class in the selectors of a sheet. No id, name or value can hold it. */
export const STEM = '\u0001';

const NO_SHEET: Sheet = { rules: [], isDefault: true };
const SHEETS_MOST = 500;

interface KindSheets {
  /** Settings the kind's style has ever asked for; only these make sheets differ. */
  readonly asked: Set<string>;
  readonly byKey: Map<string, Sheet>;
}

const sheets = new WeakMap<Kind, KindSheets>();

const keyOf = (asked: ReadonlySet<string>, settings: Readonly<Record<string, unknown>>, styles: object) =>
  JSON.stringify([styles, ...[...asked].map((name) => settings[name])]);

/** Nodes with the same styles, and the same settings as far as style asks for them, share a sheet. */
function sheetOf(kind: Kind, node: Node, project: Project, registry: Registry, reads: Reads): Sheet {
  let known = sheets.get(kind);
  if (!known) sheets.set(kind, (known = { asked: new Set(), byKey: new Map() }));
  const settings = settingsWithDefaults(kind, node);
  const before = known.byKey.get(keyOf(known.asked, settings, node.styles));
  if (before) return before;
  const own: Reads = { nodes: new Map(), assets: new Map(), bands: null };
  const ctx = contextFor(registry, project, node, own, STEM, known.asked);
  const rules = [...kind.style(node, ctx), ...lookRules(kind, node, ctx)];
  own.nodes.forEach((value, id) => reads.nodes.set(id, value));
  own.assets.forEach((value, id) => reads.assets.set(id, value));
  reads.bands ??= own.bands;
  const readsOthers = own.nodes.size > 0 || own.assets.size > 0 || own.bands !== null;
  const key = keyOf(known.asked, settings, node.styles);
  const sheet: Sheet = { rules, isDefault: !readsOthers && key === keyOf(known.asked, kind.settings.getDefault() as Record<string, unknown>, {}) };
  if (!readsOthers) {
    if (known.byKey.size >= SHEETS_MOST) known.byKey.clear();
    known.byKey.set(key, sheet);
  }
  return sheet;
}

/** @returns the settings, writing down which are asked for. */
function noting(settings: Record<string, unknown>, asked: Set<string>): Record<string, unknown> {
  return new Proxy(settings, {
    get(target, name) {
      if (typeof name === 'string') asked.add(name);
      return target[name as string];
    }
  });
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
