import type { Element, ElementContent, Root } from 'hast';
import { cells } from '../cascade/look';
import { HIDE } from '../css/values';
import { emptyRecord, ownOf } from '../data/record';
import { cleanHtml } from '../html/clean';
import type { Context, Kind, Rule } from '../kinds/contract';
import { notes, rule } from '../kinds/rule';
import type { Registry } from '../kinds/registry';
import { defaultSettings, settingsWithDefaults } from '../kinds/settings';
import type {
  Asset,
  AssetId,
  Bands,
  ConditionName,
  Node,
  NodeId,
  Project,
  SupportTarget
} from '../project/types';
import { maybeNode } from '../project/tree';
import { CIRCUMSTANCES, heapOf, settingsUnder } from '../kinds/circumstances';
import { buildRules } from './variants';
import { compact, defined } from '../data/compact';

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

/**
 * What an analysis was made from besides its node. Most ask for nothing, so the maps come when they are
 * needed.
 */
interface Reads {
  nodes: Map<NodeId, Node | undefined> | null;
  assets: Map<AssetId, Asset | undefined> | null;
  bands: Bands | null;
  support: SupportTarget | null;
}

const noReads = (): Reads => ({ nodes: null, assets: null, bands: null, support: null });
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

function isCurrent({ reads }: Remembered, project: Project): boolean {
  if (reads.bands && reads.bands !== project.info.bands) return false;
  if (reads.support && reads.support !== project.info.support) return false;
  if (reads.nodes) for (const [id, node] of reads.nodes) if (project.nodes[id] !== node) return false;
  if (reads.assets)
    for (const [id, asset] of reads.assets) if (ownOf(project.assets, id) !== asset) return false;
  return true;
}

/**
 * Decides what a node is on the page: markup, rules, behaviours. Remembered by the node's identity and by
 * everything the kind asked for on the way, so one edit analyses one node, and the owner of an item is
 * analysed again when the item changes.
 */
export function analyse(registry: Registry, project: Project, node: Node): Analysis {
  let memory = memories.get(registry);
  if (!memory) memories.set(registry, (memory = { byNode: new WeakMap(), lastOf: new Map() }));
  const before = memory.byNode.get(node);
  if (before && isCurrent(before, project)) return before.analysis;
  const last = memory.lastOf.get(node.id);
  const fresh = freshAnalysis(registry, project, node, last && isCurrent(last, project) ? last : null);
  memory.byNode.set(node, fresh);
  if (memory.lastOf.size >= LAST_MOST) memory.lastOf.clear();
  memory.lastOf.set(node.id, fresh);
  return fresh.analysis;
}

function freshAnalysis(
  registry: Registry,
  project: Project,
  node: Node,
  last: Remembered | null
): Remembered {
  const kind = registry.kindOf(node.kind);
  const reads = noReads();
  const sheet = kind.markup ? sheetOf(kind, node, project, registry, reads) : NO_SHEET;
  const stem = sheet.isDefault ? `k-${kind.kind}` : node.id;
  const isSame =
    last?.analysis.stem === stem &&
    last.node.kind === node.kind &&
    last.node.settings === node.settings &&
    last.node.slots === node.slots &&
    last.node.name === node.name &&
    last.node.adapt === node.adapt;
  if (isSame) carryReads(last.reads, reads);
  const ctx = new NodeContext(registry, project, node, reads, stem);
  const markupOf = () => (kind.markup ? inItsPlace(kind.markup(node, ctx), sheet, stem) : null);
  const analysis: Analysis = {
    id: node.id,
    kind: kind.kind,
    stem,
    markup: isSame ? last.analysis.markup : markupOf(),
    sheet,
    behaviours: kind.behaviours(node, ctx),
    assets: reads.assets ? [...reads.assets.keys()] : NOTHING,
    reads: reads.nodes ? [...reads.nodes.keys()] : NOTHING,
    kept: isSame ? last.analysis.kept : { html: null }
  };
  return { node, analysis, reads };
}

/** A piece whose widths are those of its place stands in an element that can be asked how wide it is. */
function inItsPlace(markup: Element, sheet: Sheet, stem: string): Element {
  if (!sheet.isContained) return markup;
  return {
    type: 'element',
    tagName: 'div',
    properties: { className: [`${stem}-place`] },
    children: [markup]
  };
}

function carryReads(from: Reads, to: Reads): void {
  from.nodes?.forEach((value, id) => (to.nodes ??= new Map()).set(id, value));
  from.assets?.forEach((value, id) => (to.assets ??= new Map()).set(id, value));
  to.bands ??= from.bands;
  to.support ??= from.support;
}

function isEmpty(record: object): boolean {
  for (const _key in record) return false;
  return true;
}

/**
 * @returns a node's settings while a condition holds, bands heaped up; the same object as long as nothing
 * differs there.
 */
export function settingsAt(kind: Kind, node: Node, condition: ConditionName): Record<string, unknown> {
  return settingsUnder(kind, node, settingsWithDefaults(kind, node), heapOf(condition)) as Record<
    string,
    unknown
  >;
}

const knownVariants = new WeakMap<object, readonly Readonly<Record<string, unknown>>[]>();

/** Nodes that are set alike and adapt to nothing share their variants. */
function variantsOf(kind: Kind, node: Node): readonly Readonly<Record<string, unknown>>[] {
  const base = settingsWithDefaults(kind, node);
  const key = isEmpty(node.adapt) ? base : node;
  let variants = knownVariants.get(key);
  if (!variants) {
    const under = CIRCUMSTANCES.filter((condition) => kind.adapt?.[condition] || node.adapt[condition]).map(
      (condition) => settingsUnder(kind, node, base, heapOf(condition))
    );
    knownVariants.set(key, (variants = [base, ...under]));
  }
  return variants;
}

interface Asking {
  /** Settings the kind has ever asked for; written down as it asks. */
  readonly asked: Set<string>;
  readonly settings: Readonly<Record<string, unknown>>;
}

/** A class, since one is made for every node and its methods are the same for all. */
class NodeContext implements Context {
  constructor(
    private readonly registry: Registry,
    private readonly project: Project,
    private readonly node: Node,
    private readonly reads: Reads,
    private readonly stem: string,
    private readonly asking: Asking | null = null
  ) {}

  get support(): SupportTarget {
    return (this.reads.support = this.project.info.support);
  }

  get bands(): Bands {
    return (this.reads.bands = this.project.info.bands);
  }

  variants<S>(of: Node): readonly S[] {
    const variants = variantsOf(this.registry.kindOf(of.kind), of);
    return (
      this.asking ? variants.map((settings) => noting(settings, this.asking!.asked)) : variants
    ) as readonly S[];
  }

  cls(part: string): string {
    return part === 'root' ? this.stem : `${this.stem}-${part}`;
  }

  sel(part: string): string {
    return `.${this.cls(part)}`;
  }

  maybeNode(id: NodeId): Node | null {
    const node = maybeNode(this.project, id);
    (this.reads.nodes ??= new Map()).set(id, node ?? undefined);
    return node;
  }

  maybeAsset(id: AssetId): Asset | null {
    const asset = ownOf(this.project.assets, id);
    (this.reads.assets ??= new Map()).set(id, asset);
    return asset ?? null;
  }

  items(slot: string): readonly Node[] {
    return (this.node.slots[slot] ?? []).map((id) => this.maybeNode(id)).filter((item) => item !== null);
  }

  slot(name: string, item: Node = this.node): ElementContent[] {
    return (item.slots[name] ?? []).map((child) => ({
      type: 'element',
      tagName: 'k-slot',
      properties: {},
      children: [],
      data: notes({ child })
    }));
  }

  settings<S>(of: Node): S {
    return (
      this.asking && of === this.node
        ? noting(this.asking.settings, this.asking.asked)
        : settingsWithDefaults(this.registry.kindOf(of.kind), of)
    ) as S;
  }

  part(
    name: string,
    tag: string,
    properties: Element['properties'] = {},
    children: readonly ElementContent[] = [],
    item?: Node
  ): Element {
    return {
      type: 'element',
      tagName: tag,
      properties: { className: [this.cls(name)], ...properties },
      children: children as Element['children'],
      data: notes({ mark: { node: item?.id ?? this.node.id, part: name } })
    };
  }

  html(text: string): Root {
    return cleanHtml(text);
  }
}

/** Rules of a node under a class name that stands for its own; printing puts the real one in its place. */
export interface Sheet {
  /** Rules of the kind's build, which settings change; the same list for all nodes that are set the same. */
  readonly build: readonly Rule[];
  /** Rules of the look, which the state sheet changes. */
  readonly look: readonly Rule[];
  /** The same as of any node of its kind that nobody has tuned. */
  readonly isDefault: boolean;
  /** Its widths are those of the place it stands in, not of the window. */
  readonly isContained: boolean;
}

/** The setting, of any kind that has it, that says what its widths are of: `window` or `place`. */
export const WIDTHS_SETTING = 'widths';

/** Stands for the node's class in the selectors of a sheet. No id, name or value can hold it. */
export const STEM = '\u0001';

const NO_SHEET: Sheet = { build: [], look: [], isDefault: true, isContained: false };
const SHEETS_MOST = 500;

/** The last sheet made for settings, looks and adaptations that copies of a piece share. */
interface Shared {
  readonly kind: Kind;
  readonly styles: Node['styles'];
  readonly adapt: Node['adapt'];
  readonly support: SupportTarget;
  readonly sheet: Sheet;
}

const sharedSheets = new WeakMap<Node['settings'], Shared>();

interface KindSheets {
  /** Settings the kind's style has ever asked for; only these make sheets differ. */
  readonly asked: Set<string>;
  readonly byKey: Map<string, Sheet>;
  /** The sheet of nodes nobody has touched, by support target. */
  readonly bare: Map<SupportTarget, Sheet>;
  /** Builds by what they were made from, which is the sheet's key without the look. */
  readonly builds: Map<string, readonly Rule[]>;
}

const sheets = new WeakMap<Kind, KindSheets>();

const keyOf = (
  asked: ReadonlySet<string>,
  settings: Readonly<Record<string, unknown>>,
  { styles, adapt }: { readonly styles: Node['styles'] | string; readonly adapt: Node['adapt'] },
  support: SupportTarget
) =>
  JSON.stringify([
    adapt,
    support,
    settings[WIDTHS_SETTING],
    ...[...asked].map((name) => settings[name]),
    styles
  ]);

/** Nodes with the same styles, and the same settings as far as style asks for them, share a sheet. */
function sheetOf(kind: Kind, node: Node, project: Project, registry: Registry, reads: Reads): Sheet {
  let known = sheets.get(kind);
  if (!known)
    sheets.set(kind, (known = { asked: new Set(), byKey: new Map(), bare: new Map(), builds: new Map() }));
  const shared = sharedSheets.get(node.settings);
  if (
    shared?.kind === kind &&
    shared.styles === node.styles &&
    shared.adapt === node.adapt &&
    shared.support === project.info.support
  )
    return shared.sheet;
  const settings = settingsWithDefaults(kind, node);
  const isBare = settings === defaultSettings(kind) && isEmpty(node.styles) && isEmpty(node.adapt);
  const bare = isBare ? known.bare.get(project.info.support) : undefined;
  if (bare) return bare;
  const before = known.byKey.get(keyOf(known.asked, settings, node, project.info.support));
  if (before) {
    sharedSheets.set(node.settings, {
      kind,
      styles: node.styles,
      adapt: node.adapt,
      support: project.info.support,
      sheet: before
    });
    return before;
  }
  const own = noReads();
  const { asked } = known;
  const watched = watchedNode(node, own);
  const styleOf = (under: Readonly<Record<string, unknown>>) =>
    kind.style(watched, new NodeContext(registry, project, watched, own, STEM, { asked, settings: under }));
  const isContained = settings[WIDTHS_SETTING] === 'place';
  const canHide = Object.values(node.styles.root?.rest ?? {}).some((declarations) =>
    Object.hasOwn(declarations, HIDE)
  );
  const lookless = { styles: canHide ? HIDE : {}, adapt: node.adapt };
  let build = known.builds.get(keyOf(asked, settings, lookless, project.info.support));
  if (!build) {
    build = compact([
      isContained
        ? rule(`.${STEM}-place`, {
            'container-type': 'inline-size',
            'min-width': '0',
            'align-self': 'stretch'
          })
        : null,
      ...hideable(buildRules(kind, node, settings, styleOf), canHide)
    ]);
    const readsOthers = own.nodes !== null || own.assets !== null || own.bands !== null;
    if (known.builds.size >= SHEETS_MOST) known.builds.clear();
    if (!readsOthers) known.builds.set(keyOf(asked, settings, lookless, project.info.support), build);
  }
  const look = lookRules(kind, node, new NodeContext(registry, project, node, own, STEM));
  carryReads(own, reads);
  const readsOthers = own.nodes !== null || own.assets !== null || own.bands !== null;
  const key = keyOf(asked, settings, node, project.info.support);
  const isDefault =
    !readsOthers &&
    key === keyOf(asked, defaultSettings(kind), { styles: {}, adapt: {} }, project.info.support);
  const sheet: Sheet = { build, look, isDefault, isContained };
  if (!readsOthers) {
    if (known.byKey.size >= SHEETS_MOST) known.byKey.clear();
    known.byKey.set(key, sheet);
    if (isBare) known.bare.set(project.info.support, sheet);
  }
  return sheet;
}

/**
 * A node for a kind's `style`: what it asks of it beside its settings is its own, so that its sheet is shared
 * with no other node.
 */
function watchedNode(node: Node, reads: Reads): Node {
  const own = <T>(value: T): T => {
    reads.nodes ??= new Map();
    return value;
  };
  return {
    id: node.id,
    kind: node.kind,
    settings: node.settings,
    adapt: node.adapt,
    styles: node.styles,
    get name() {
      return own(node.name);
    },
    get slots() {
      return own(node.slots);
    }
  };
}

/**
 * A piece that is hidden somewhere takes its `display` from `--k-hide` first; elsewhere that is not set and
 * the build's own holds.
 */
function hideable(rules: readonly Rule[], canHide: boolean): readonly Rule[] {
  if (!canHide) return rules;
  const root = `.${STEM}`;
  const isDisplayed = rules.some(({ selector, declarations }) => selector === root && declarations.display);
  const shown = rules.map((each) =>
    each.selector === root && each.declarations.display
      ? {
          ...each,
          declarations: { ...each.declarations, display: `var(${HIDE}, ${each.declarations.display})` }
        }
      : each
  );
  return isDisplayed ? shown : [rule(root, { display: `var(${HIDE}, block)` }), ...shown];
}

/** @returns the settings, writing down which are asked for. */
function noting(settings: Readonly<Record<string, unknown>>, asked: Set<string>): Record<string, unknown> {
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
    // A border needs a line style to be seen; its width starts at none and its colour at the text's, whatever
    // the browser's own
    // style sheet gives the element.
    if (found.some((cell) => cell.property.startsWith('border-') && cell.property !== 'border-radius')) {
      // It has no weight, so that a kind's build may give another line style.
      rules.push({
        selector: `:where(${ctx.sel(part)})`,
        when: [],
        declarations: { border: '0 solid currentcolor' }
      });
    }
    let openKey = '';
    let declarations = emptyRecord<string>();
    for (const { property, value, state, condition } of found) {
      const key = `${state}/${condition}`;
      if (openKey !== key) {
        openKey = key;
        declarations = emptyRecord();
        const base = {
          selector: ctx.sel(part),
          when: condition === 'always' ? [] : [condition],
          declarations,
          isLook: true
        };
        rules.push(
          state === 'rest'
            ? base
            : {
                ...base,
                state: defined({
                  name: state,
                  selector: states[state]!,
                  disabled: states.disabled ? states.disabled : undefined
                })
              }
        );
      }
      declarations[property] = value;
    }
  }
  return rules;
}
