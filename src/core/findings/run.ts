import { groundOf } from '../cascade/contrast';
import { NO_FACTS, type Facts, type Finding, type FindingRule, type Fit } from '../kinds/finding';
import type { Registry } from '../kinds/registry';
import { maybeStacking } from '../kinds/stacked';
import { maybeSteps } from '../project/lineage';
import { maybePlaceOf, nodeOf, pathTo, subtreeIds } from '../project/tree';
import type { Node, NodeId, Project } from '../project/types';
import { pageRules } from './rules';
import { compact } from '../data/compact';

const rulesOf = new WeakMap<Registry, ReadonlyMap<string, readonly FindingRule[]>>();

/** Every rule there is: those about any kind, then those of each kind. */
export async function allRules(registry: Registry): Promise<readonly FindingRule[]> {
  const ofKinds = await Promise.all(
    registry.kinds.map(async ({ findings }) =>
      typeof findings === 'function' ? (await findings()).findings : findings
    )
  );
  const ofEffects = await Promise.all(
    registry.effects.map(async (effect) => (await effect.findings()).findings)
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
  const ofKind = (name: string) => all.filter(({ kinds }) => !kinds || kinds.includes(name));
  rulesOf.set(registry, new Map(registry.kinds.map(({ kind }) => [kind, ofKind(kind)])));
}

function rulesByKind(registry: Registry): ReadonlyMap<string, readonly FindingRule[]> {
  const rules = rulesOf.get(registry);
  if (!rules) throw new Error('createFindingsRunner: the rules are not there; await loadRules() first');
  return rules;
}

type Found = readonly Finding[];

/**
 * Runs the rules, and after an edit again only those whose answer may have changed. One for each project that
 * is open. Throws where `loadRules` has not been waited for.
 */
export function createFindingsRunner(registry: Registry) {
  const rules = rulesByKind(registry);
  /** Findings of each node by rule. */
  let known = new Map<NodeId, Map<FindingRule, Found>>();
  let before: Project | null = null;
  let factsBefore: Facts = NO_FACTS;

  const runRule = (rule: FindingRule, node: Node, project: Project, facts: Facts): Found =>
    rule.check(node, project, facts).map((each) => ({ ...each, rule: rule.id, node: node.id }));

  const runNode = (
    node: Node,
    project: Project,
    facts: Facts,
    wanted: (rule: FindingRule) => boolean
  ): void => {
    let byRule = known.get(node.id);
    if (!byRule) known.set(node.id, (byRule = new Map()));
    for (const rule of rules.get(node.kind) ?? [])
      if (wanted(rule) || !byRule.has(rule)) byRule.set(rule, runRule(rule, node, project, facts));
  };

  /** Nodes an edit touched, and what stands in or around them; null where everything may have changed. */
  const touchedBy = (
    project: Project
  ): { readonly self: ReadonlySet<NodeId>; readonly below: ReadonlySet<NodeId> } | null => {
    const steps = before ? maybeSteps(before, project) : null;
    if (!steps) return null;
    const self = new Set<NodeId>();
    const below = new Set<NodeId>();
    for (const diff of steps) {
      if (
        diff.pages ||
        diff.assets ||
        diff.tokens ||
        diff.shelf ||
        (diff.info && diff.info[0]?.bands !== diff.info[1]?.bands)
      )
        return null;
      for (const [id, [from, to]] of Object.entries(diff.nodes ?? {})) {
        if (!from || !to || from.slots !== to.slots) return null;
        self.add(id as NodeId);
        const owner = maybePlaceOf(project, id as NodeId)?.parent;
        if (owner) self.add(owner);
        subtreeIds(project, id as NodeId).forEach((each) => below.add(each));
        for (const above of over(registry, project, id as NodeId))
          subtreeIds(project, above).forEach((each) => below.add(each));
      }
    }
    return { self, below };
  };

  return {
    /**
     * @returns what the rules have to say, errors first, then in the order of the document; what was set
     * aside is among it.
     */
    run(project: Project, facts: Facts = NO_FACTS): Found {
      const touched = touchedBy(project);
      if (!touched) {
        known = new Map();
        for (const node of Object.values(project.nodes)) runNode(node, project, facts, () => true);
      } else {
        // Facts come from another thread as copies, so they are compared by what they say.
        const measured = new Set(
          [...facts.fits.keys()].filter((id) => !isSameFit(facts.fits.get(id), factsBefore.fits.get(id)))
        );
        for (const node of Object.values(project.nodes)) {
          const isSelf = touched.self.has(node.id) || measured.has(node.id);
          const isBelow = isSelf || touched.below.has(node.id);
          if (touched.self.size === 0 && !isSelf) continue;
          const isDue = { node: isSelf, around: isBelow, project: touched.self.size > 0 || isSelf };
          runNode(node, project, facts, ({ scope = 'around' }) => isDue[scope]);
        }
      }
      before = project;
      factsBefore = facts;
      const all = Object.values(project.nodes).flatMap(({ id }) =>
        Array.from(known.get(id)?.values() ?? []).flat()
      );
      return all.sort((a, b) => Number(a.severity === 'warning') - Number(b.severity === 'warning'));
    }
  };
}

/**
 * Pieces whose background may change with a touched one: the sibling before it, which it may overlap, and the
 * layers stacked above its own.
 */
function over(registry: Registry, project: Project, id: NodeId): readonly NodeId[] {
  const place = maybePlaceOf(project, id);
  const row = place && nodeOf(project, place.parent).slots[place.slot];
  const before = row?.[place!.index - 1];
  return compact([
    before && groundOf(registry, project, before)?.isOverNext ? before : null,
    ...pathTo(project, id).flatMap((each) => maybeStacking(registry, project, each)?.above ?? [])
  ]);
}

const isSameFit = (a: Fit | undefined, b: Fit | undefined) =>
  a === b || JSON.stringify(a) === JSON.stringify(b);

/** Everything the rules have to say about a project, once. */
export const runFindings = (registry: Registry, project: Project, facts: Facts = NO_FACTS): Found =>
  createFindingsRunner(registry).run(project, facts);
