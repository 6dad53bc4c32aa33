import type { Finding, FindingRule } from '../kinds/finding';
import type { Registry } from '../kinds/registry';
import type { Project } from '../project/types';
import { pageRules } from './rules';

const rulesOf = new WeakMap<Registry, ReadonlyMap<string, readonly FindingRule[]>>();

/** Rules by kind; throws where two have the same id. */
function rulesByKind(registry: Registry): ReadonlyMap<string, readonly FindingRule[]> {
  const known = rulesOf.get(registry);
  if (known) return known;
  const all = [...pageRules(registry), ...registry.kinds.flatMap((kind) => kind.findings)];
  const twice = all.find((rule, i) => all.findIndex((other) => other.id === rule.id) !== i);
  if (twice) throw new Error(`Finding rule ${JSON.stringify(twice.id)} is registered twice`);
  const byKind = new Map(registry.kinds.map((kind) => [kind.kind, all.filter((rule) => !rule.kinds || rule.kinds.includes(kind.kind))]));
  rulesOf.set(registry, byKind);
  return byKind;
}

/** Everything the rules have to say about a project, errors first, then in the order of the document. */
export function runFindings(registry: Registry, project: Project): readonly Finding[] {
  const rules = rulesByKind(registry);
  const found: Finding[] = [];
  for (const node of Object.values(project.nodes)) {
    for (const rule of rules.get(node.kind) ?? []) {
      for (const each of rule.check(node, project)) found.push({ ...each, rule: rule.id, node: node.id });
    }
  }
  return found.sort((a, b) => Number(a.severity === 'warning') - Number(b.severity === 'warning'));
}
