import { groundOf } from '../cascade/contrast';
import { NO_FACTS, type Facts, type Finding, type FindingRule, type Remark } from '../kinds/finding';
import type { Registry } from '../kinds/registry';
import { maybeStacking } from '../kinds/stacked';
import { maybeSteps } from '../project/lineage';
import { maybePlaceOf, nodeOf, pathTo, subtreeIds } from '../project/tree';
import type { Change, Diff, Node, NodeId, Project } from '../project/types';
import { pageRules } from './rules';
import { compact } from '../data/compact';
import { remembered } from '../data/remembered';

/** The rules for pieces of one kind. */
interface Rules {
  readonly all: readonly FindingRule[];
  /** Those whose answer may hang on anything in the project. */
  readonly ofProject: readonly FindingRule[];
}

const rulesOf = new WeakMap<Registry, ReadonlyMap<string, Rules>>();

/** Every rule there is: those about any kind, then those of each kind. */
export async function allRules(registry: Registry): Promise<readonly FindingRule[]> {
  const ofKinds = await Promise.all(
    registry
      .everyKind()
      .map(async ({ findings }) => (typeof findings === 'function' ? (await findings()).findings : findings))
  );
  const ofEffects = await Promise.all(
    registry.everyEffect().map(async (effect) => (await effect.findings()).findings)
  );
  return [...pageRules(registry), ...ofKinds.flat(), ...ofEffects.flat()];
}

/**
 * Brings the rules, which a window does not carry; has to be done once before they are run.
 * Throws where two have the same id.
 */
export async function loadRules(registry: Registry): Promise<void> {
  if (rulesOf.has(registry)) return;
  const all = await allRules(registry);
  const twice = all.find((rule, i) => all.findIndex((other) => other.id === rule.id) !== i);
  if (twice) throw new Error(`Finding rule ${JSON.stringify(twice.id)} is registered twice`);
  rulesOf.set(registry, new Map(registry.kinds.map(({ kind }) => [kind, rulesFor(kind, all)])));
}

function rulesFor(kind: string, among: readonly FindingRule[]): Rules {
  const all = among.filter(({ kinds }) => !kinds || kinds.includes(kind));
  return { all, ofProject: all.filter(({ scope }) => scope === 'project') };
}

function rulesByKind(registry: Registry): ReadonlyMap<string, Rules> {
  const rules = rulesOf.get(registry);
  if (!rules) throw new Error('createFindingsRunner: the rules are not there; await loadRules() first');
  return rules;
}

type Found = readonly Finding[];

const NONE: Found = [];

/** Nodes an edit touched (`self`), and those its touch may matter to (`below`). */
interface Touched {
  readonly self: ReadonlySet<NodeId>;
  readonly below: ReadonlySet<NodeId>;
}

const changesAll = ({ pages, assets, tokens, shelf, sources, info }: Diff): boolean =>
  Boolean(pages ?? assets ?? tokens ?? shelf ?? sources) || info?.[0]?.bands !== info?.[1]?.bands;

const isStructural = ([from, to]: Change<Node>): boolean => !from || !to || from.slots !== to.slots;

/** What an edit touched; null where everything may have changed. */
function maybeTouched(registry: Registry, before: Project | null, project: Project): Touched | null {
  const steps = before ? maybeSteps(before, project) : null;
  if (!steps || steps.some(changesAll)) return null;
  const changes = steps.flatMap(({ nodes = {} }) => Object.entries(nodes) as [NodeId, Change<Node>][]);
  const ids = changes.map(([id]) => id).filter((id) => Object.hasOwn(project.nodes, id));
  const isMoved = changes.some(([, change]) => isStructural(change));
  // What comes, goes or moves may matter to all that stands on its page, and on the page that it has left.
  const reshaped = isMoved ? compact(ids.map((id) => pathTo(project, id)[0])) : [];
  const owners = compact(ids.map((id) => maybePlaceOf(project, id)?.parent));
  const grounds = ids.flatMap((id) => over(registry, project, id));
  const below = [...new Set([...ids, ...grounds, ...reshaped])].flatMap((id) => subtreeIds(project, id));
  const near = isMoved ? below : owners;
  return { self: new Set([...ids, ...near]), below: new Set(below) };
}

type MeasuredNodes = Readonly<Record<keyof Facts, ReadonlySet<NodeId>>>;

/** Facts come from another thread as copies, so they are compared by what they say. */
const isSame = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);

function changedIn<T>(now: ReadonlyMap<NodeId, T>, before: ReadonlyMap<NodeId, T>): ReadonlySet<NodeId> {
  const ids = new Set([...now.keys(), ...before.keys()]);
  return new Set([...ids].filter((id) => !isSame(now.get(id), before.get(id))));
}

/** What was tried at other widths is looked at as a whole. */
function changedElsewhere(now: Facts['elsewhere'], before: Facts['elsewhere']): ReadonlySet<NodeId> {
  if (now === before) return new Set();
  return new Set([...now.values(), ...before.values()].flatMap((boxes) => [...boxes.keys()]));
}

/** Nodes of which something else was measured than before, by the fact. */
const measuredAnew = (now: Facts, before: Facts): MeasuredNodes => ({
  fits: changedIn(now.fits, before.fits),
  boxes: changedIn(now.boxes, before.boxes),
  elsewhere: changedElsewhere(now.elsewhere, before.elsewhere),
  stops: changedIn(now.stops, before.stops),
  sweeps: changedIn(now.sweeps, before.sweeps)
});

/** What may have changed since the rules were run last, for nodes that were not touched themselves. */
interface Around {
  /** Whether anything was edited at all. */
  readonly isEdited: boolean;
  /** Nodes that an edit may matter to. */
  readonly below: ReadonlySet<NodeId>;
  readonly measured: MeasuredNodes;
  /** All of these: elsewhere only rules about the whole project are due. */
  readonly near: ReadonlySet<NodeId>;
}

/** Whether a rule may say something else of a node than it said before. */
function isDue({ scope = 'around', needs }: FindingRule, id: NodeId, around: Around): boolean {
  if (needs?.some((fact) => around.measured[fact].has(id))) return true;
  const reach = { node: false, around: around.below.has(id), project: around.isEdited };
  return reach[scope];
}

function aroundOf(touched: Touched | null, measured: MeasuredNodes): Around {
  const { self = new Set(), below = new Set<NodeId>() } = touched ?? {};
  const near = new Set([below, ...Object.values(measured)].flatMap((ids) => [...ids]));
  return { isEdited: self.size > 0, below, measured, near };
}

function dueAround({ all, ofProject }: Rules, id: NodeId, around: Around): readonly FindingRule[] {
  if (around.near.has(id)) return all.filter((rule) => isDue(rule, id, around));
  return around.isEdited ? ofProject : [];
}

const worstFirst = (a: Finding, b: Finding): number =>
  Number(a.severity === 'warning') - Number(b.severity === 'warning');

/**
 * Runs the rules, and after an edit again only those whose answer may have changed. One for each project that
 * is open. Throws where `loadRules` has not been waited for.
 */
export function createFindingsRunner(registry: Registry) {
  const rules = rulesByKind(registry);
  /** Of each node that was looked at, the rules that found something, and what. */
  let known = new Map<NodeId, Map<FindingRule, Found>>();
  let before: Project | null = null;
  let factsBefore: Facts = NO_FACTS;

  const runRule = (rule: FindingRule, node: Node, project: Project, facts: Facts): Found => {
    const said = rule.check(node, project, facts, registry.of);
    // Nearly always: no list is made of nothing.
    if (said === null) return NONE;
    const remarks = Array.isArray(said) ? (said as readonly Remark[]) : [said as Remark];
    return remarks.map(({ about = node.id, ...each }) => ({ ...each, rule: rule.id, node: about }));
  };

  const look = (node: Node, project: Project, facts: Facts, due: readonly FindingRule[]) => {
    const byRule = remembered(known, node.id, () => new Map<FindingRule, Found>());
    for (const rule of due) {
      const found = runRule(rule, node, project, facts);
      if (found.length > 0) byRule.set(rule, found);
      else byRule.delete(rule);
    }
  };

  const lookAgain = (project: Project, facts: Facts): void => {
    const touched = maybeTouched(registry, before, project);
    if (!touched) known = new Map();
    // All is forgotten of what was touched: a piece of another kind than it was has other rules.
    for (const id of touched?.self ?? []) known.delete(id);
    const around = aroundOf(touched, measuredAnew(facts, factsBefore));
    for (const node of Object.values(project.nodes)) {
      const ofKind = rules.get(node.kind)!;
      const due = known.has(node.id) ? dueAround(ofKind, node.id, around) : ofKind.all;
      look(node, project, facts, due);
    }
  };

  /** In the order of the rules, whichever was run last. */
  const foundOf = ({ id, kind }: Node): Found => {
    const byRule = known.get(id)!;
    return byRule.size === 0 ? NONE : rules.get(kind)!.all.flatMap((rule) => byRule.get(rule) ?? []);
  };

  return {
    /**
     * @returns what the rules have to say, errors first, then in the order of the document; what was set
     * aside is among it.
     */
    run(project: Project, facts: Facts = NO_FACTS): Found {
      lookAgain(project, facts);
      before = project;
      factsBefore = facts;
      return Object.values(project.nodes).flatMap(foundOf).sort(worstFirst);
    }
  };
}

/**
 * Pieces whose background may change with a touched one: the sibling before it, which it may overlap, the layers
 * stacked above its own, and those with parts that lie over what they hold.
 */
function over(registry: Registry, project: Project, id: NodeId): readonly NodeId[] {
  const place = maybePlaceOf(project, id);
  const row = place && nodeOf(project, place.parent).slots[place.slot];
  const before = row?.[place!.index - 1];
  const path = pathTo(project, id);
  return compact([
    before && groundOf(registry, project, before)?.isOverNext ? before : null,
    ...path.flatMap((each) => maybeStacking(registry, project, each)?.above ?? []),
    ...path.filter((each) => groundOf(registry, project, each)?.partsOver)
  ]);
}

/** Everything the rules have to say about a project, once. */
export const runFindings = (registry: Registry, project: Project, facts: Facts = NO_FACTS): Found =>
  createFindingsRunner(registry).run(project, facts);
