import { CIRCUMSTANCES, heapOf, maybeOwn, settingsUnder } from '../kinds/circumstances';
import type { Condition, Kind, Rule } from '../kinds/contract';
import type { Node } from '../project/types';

type Settings = Readonly<Record<string, unknown>>;

const keyOf = ({ selector, when, state }: Rule) => JSON.stringify([selector, when, state?.name]);

function byKey(rules: readonly Rule[]): Map<string, { rule: Rule; declarations: Record<string, string> }> {
  const found = new Map<string, { rule: Rule; declarations: Record<string, string> }>();
  for (const rule of rules) {
    const key = keyOf(rule);
    const known = found.get(key);
    if (known) Object.assign(known.declarations, rule.declarations);
    else found.set(key, { rule, declarations: { ...rule.declarations } });
  }
  return found;
}

/**
 * The rules of a kind's build, with those that each condition adds: only what comes out differently there, so that two conditions
 * that hold at once do not undo each other.
 * @param styleOf asks the kind for its rules under given settings.
 */
export function buildRules(kind: Kind, node: Node, base: Settings, styleOf: (settings: Settings) => readonly Rule[]): Rule[] {
  const rules = styleOf(base);
  const all = [...rules];
  let bandRules = rules;
  for (const condition of CIRCUMSTANCES) {
    if (!maybeOwn(kind, node, condition)) continue;
    const isBand = condition === 'medium' || condition === 'narrow';
    const there = styleOf(settingsUnder(kind, node, base, heapOf(condition)));
    all.push(...differences(isBand ? bandRules : rules, there, condition, kind.kind));
    if (isBand) bandRules = there;
  }
  return all;
}

function differences(from: readonly Rule[], to: readonly Rule[], condition: Condition, kind: string): Rule[] {
  const before = byKey(from);
  const found: Rule[] = [];
  for (const [key, { rule, declarations }] of byKey(to)) {
    const old = before.get(key);
    if (!old) throw new Error(`style of ${JSON.stringify(kind)}: the rule ${rule.selector} stands only under some responsive settings`);
    const missing = Object.keys(old.declarations).find((property) => !Object.hasOwn(declarations, property));
    if (missing) throw new Error(`style of ${JSON.stringify(kind)}: ${rule.selector} says ${missing} only under some responsive settings`);
    const changed = Object.fromEntries(Object.entries(declarations).filter(([property, value]) => old.declarations[property] !== value));
    if (Object.keys(changed).length > 0) found.push({ ...rule, when: [condition, ...rule.when], declarations: changed });
  }
  if (before.size > found.length && byKey(to).size < before.size) throw new Error(`style of ${JSON.stringify(kind)}: a rule is missing under some responsive settings`);
  return found;
}
