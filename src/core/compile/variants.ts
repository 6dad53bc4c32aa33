import type { Condition, Kind, Rule } from '../kinds/contract';
import { CONDITIONS, type Circumstance, type ConditionName, type Node } from '../project/types';

type Settings = Readonly<Record<string, unknown>>;

export const CIRCUMSTANCES = CONDITIONS.filter((name): name is Circumstance => name !== 'always');

/** What differs under one condition: the kind's own word on it, with the node's over it. Null where nothing does. */
function maybeOwn(kind: Kind, node: Node, condition: Circumstance): Settings | null {
  const base = kind.adapt?.[condition];
  const mine = node.adapt[condition];
  return base || mine ? { ...base, ...mine } : null;
}

/**
 * A node's settings while some conditions hold. Conditions heap up in cascade order, so a narrower band keeps what a wider one
 * says and a circumstance such as touch has the last word.
 * @param base the settings with the kind's defaults filled in.
 */
export function settingsUnder(kind: Kind, node: Node, base: Settings, conditions: readonly ConditionName[]): Settings {
  let settings = base;
  for (const condition of CIRCUMSTANCES) {
    const own = conditions.includes(condition) ? maybeOwn(kind, node, condition) : null;
    if (own) settings = { ...settings, ...own };
  }
  return settings;
}

/** Conditions that hold whenever this one does and that settings heap up over: a narrow window is a medium one too. */
export const heapOf = (condition: ConditionName): readonly Circumstance[] =>
  condition === 'always' ? [] : condition === 'narrow' ? ['medium', 'narrow'] : [condition];

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
    const missing = Object.keys(old.declarations).find((property) => !(property in declarations));
    if (missing) throw new Error(`style of ${JSON.stringify(kind)}: ${rule.selector} says ${missing} only under some responsive settings`);
    const changed = Object.fromEntries(Object.entries(declarations).filter(([property, value]) => old.declarations[property] !== value));
    if (Object.keys(changed).length > 0) found.push({ ...rule, when: [condition, ...rule.when], declarations: changed });
  }
  if (before.size > found.length && byKey(to).size < before.size) throw new Error(`style of ${JSON.stringify(kind)}: a rule is missing under some responsive settings`);
  return found;
}
