import { HIDE } from '../css/values';
import { isEmpty } from '../data/record';
import type { EffectContext, Kind, Rule } from '../kinds/contract';
import { isOfEffect } from '../kinds/effects';
import type { Registry } from '../kinds/registry';
import { KEEPS_FILL, rule } from '../kinds/rule';
import { defaultSettings, settingsWithDefaults } from '../kinds/settings';
import { childIds } from '../project/tree';
import type { Declarations, Node, Project, Styles, SupportTarget } from '../project/types';
import { NodeContext } from './context';
import { effectRules } from './effects';
import { lookRules } from './look';
import { carryReads, noReads, type Reads } from './reads';
import { buildRules } from './variants';
import { remembered } from '../data/remembered';

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

export const NO_SHEET: Sheet = { build: [], look: [], isDefault: true, isContained: false };
const SHEETS_MOST = 500;

/** What a sheet depends on besides the settings the kind's style asks for. */
interface Tuning {
  readonly styles: Node['styles'];
  readonly adapt: Node['adapt'];
  readonly support: SupportTarget;
  /** Names of its effects, and how many pieces it holds where it has any; undefined where it has none. */
  readonly effects: string | undefined;
}

/** What the rules of effects depend on besides settings. */
const effectsKey = (node: Node): string | undefined =>
  node.effects && [...node.effects, childIds(node).length].join(' ');

/** The last sheet made for settings, looks and adaptations that copies of a piece share. */
interface Shared extends Tuning {
  readonly kind: Kind;
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

const sheetsOf = (kind: Kind): KindSheets =>
  remembered(sheets, kind, () => ({
    asked: new Set(),
    byKey: new Map(),
    bare: new Map(),
    builds: new Map()
  }));

type Settings = Readonly<Record<string, unknown>>;

/** The same for nodes whose sheets are the same. */
function keyOf(
  asked: ReadonlySet<string>,
  settings: Settings,
  { styles, adapt, support, effects }: Omit<Tuning, 'styles'> & { readonly styles: Node['styles'] | string }
): string {
  const named = Array.from(asked, (name) => settings[name]);
  return JSON.stringify([adapt, support, settings[WIDTHS_SETTING], named, styles, effects]);
}

const isTunedAlike = (a: Tuning, b: Tuning): boolean =>
  a.styles === b.styles && a.adapt === b.adapt && a.support === b.support && a.effects === b.effects;

/** Forgets all once there are very many: a project has few that differ. */
function remember<T>(into: Map<string, T>, key: string, value: T): void {
  if (into.size >= SHEETS_MOST) into.clear();
  into.set(key, value);
}

const readsOthers = ({ nodes, assets, bands }: Reads): boolean =>
  nodes !== null || assets !== null || bands !== null;

/** Nodes with the same styles, and the same settings as far as style asks for them, share a sheet. */
export function sheetOf(kind: Kind, node: Node, project: Project, registry: Registry, reads: Reads): Sheet {
  const known = sheetsOf(kind);
  const { support } = project.info;
  const tuning = { styles: node.styles, adapt: node.adapt, support, effects: effectsKey(node) };
  const shared = sharedSheets.get(node.settings);
  if (shared?.kind === kind && isTunedAlike(shared, tuning)) return shared.sheet;
  const settings = settingsWithDefaults(kind, node);
  const isUntouched = isEmpty(node.styles) && isEmpty(node.adapt) && !node.effects;
  const isBare = settings === defaultSettings(kind) && isUntouched;
  const bare = isBare ? known.bare.get(support) : undefined;
  if (bare) return bare;
  const before = known.byKey.get(keyOf(known.asked, settings, tuning));
  if (before) {
    sharedSheets.set(node.settings, { kind, ...tuning, sheet: before });
    return before;
  }
  const own = noReads();
  const sheet = freshSheet({ kind, node, project, registry, own, settings, known, tuning });
  carryReads(own, reads);
  if (readsOthers(own)) return sheet;
  remember(known.byKey, keyOf(known.asked, settings, tuning), sheet);
  if (isBare) known.bare.set(support, sheet);
  return sheet;
}

interface Making {
  readonly kind: Kind;
  readonly node: Node;
  readonly project: Project;
  readonly registry: Registry;
  /** What the sheet is made from besides the node; written down on the way. */
  readonly own: Reads;
  readonly settings: Settings;
  readonly known: KindSheets;
  readonly tuning: Tuning;
}

function freshSheet(making: Making): Sheet {
  const { kind, node, project, registry, own, settings, known, tuning } = making;
  const build = buildOf(making);
  const look = lookRules(kind, node, new NodeContext(registry, project, node, own, STEM));
  const untuned = { styles: {}, adapt: {}, support: tuning.support, effects: undefined };
  const isDefault =
    !readsOthers(own) &&
    keyOf(known.asked, settings, tuning) === keyOf(known.asked, defaultSettings(kind), untuned);
  return { build, look, isDefault, isContained: settings[WIDTHS_SETTING] === 'place' };
}

const markRules = ({ anatomy }: Kind): readonly Rule[] =>
  Object.entries(anatomy).flatMap(([part, { isMark }]) => (isMark ? [rule(classOf(part), KEEPS_FILL)] : []));

/** A piece whose widths are of its place is measured by this; it takes the piece's room in a column or row. */
const PLACE_RULE = rule(`.${STEM}-place`, {
  'container-type': 'inline-size',
  'min-width': '0',
  'align-self': 'stretch'
});

const classOf = (part: string): string => (part === 'root' ? `.${STEM}` : `.${STEM}-${part}`);

/** The piece's own transitions at rest: what an effect moves is added to them. */
function transitionOf(kind: Kind, node: Node): string {
  const at = (part: Styles[string] | undefined) => part?.rest?.always?.transition;
  const own = at(node.styles.root) ?? at(kind.look.root) ?? '';
  return own === 'none' ? '' : own;
}

/** Properties that say how wide an element is, and where it stands in what is wider. */
const MEASURE = ['width', 'max-width', 'margin-inline', 'align-self', 'box-sizing'];

/** What the build says of an element's width under no condition. */
function measureOf(build: readonly Rule[], selector: string): Declarations {
  const said = build
    .filter((each) => each.selector === selector && each.when.length === 0)
    .flatMap(({ declarations }) => Object.entries(declarations));
  return Object.fromEntries(said.filter(([property]) => MEASURE.includes(property)));
}

/** A piece whose widths are of its place stands in an element of its own, which takes its place in the page. */
function effectContext(
  kind: Kind,
  node: Node,
  isContained: boolean,
  support: SupportTarget,
  build: readonly Rule[]
): EffectContext {
  const root = classOf('root');
  const [slot] = Object.values(kind.slots);
  const holder = classOf(slot?.list ?? slot?.part ?? 'root');
  return {
    root,
    outer: isContained ? `${root}-place` : root,
    holder,
    children: childIds(node).length,
    inner: kind.category === 'section' ? holder : null,
    backdrop: kind.backdrop ? classOf(kind.backdrop) : null,
    transition: transitionOf(kind, node),
    measure: measureOf(build, holder),
    support
  };
}

function buildOf({
  kind,
  node,
  project,
  registry,
  own: reads,
  settings,
  known,
  tuning
}: Making): readonly Rule[] {
  const { asked, builds } = known;
  const canHide = Object.values(node.styles.root?.rest ?? {}).some((declarations) =>
    Object.hasOwn(declarations, HIDE)
  );
  const lookless = { ...tuning, styles: canHide ? HIDE : {} };
  const before = builds.get(keyOf(asked, settings, lookless));
  if (before) return before;
  // What an effect is set to is asked for as a whole.
  for (const { effect } of kind.effects ?? [])
    Object.keys(settings).forEach((key) => isOfEffect(effect, key) && asked.add(key));
  const watched = watchedNode(node, reads);
  const styleOf = (under: Settings) =>
    kind.style(watched, new NodeContext(registry, project, watched, reads, STEM, { asked, settings: under }));
  const own = hideable(buildRules(kind, node, settings, styleOf), canHide);
  const isContained = settings[WIDTHS_SETTING] === 'place';
  const context = effectContext(kind, node, isContained, tuning.support, own);
  const rules = [...own, ...markRules(kind), ...effectRules(kind, node, settings, context)];
  const build = isContained ? [PLACE_RULE, ...rules] : rules;
  if (!readsOthers(reads)) remember(builds, keyOf(asked, settings, lookless), build);
  return build;
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
    effects: node.effects!,
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
