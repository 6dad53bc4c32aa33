import { CIRCUMSTANCES, heapOf, maybeOwn, settingsUnder } from '../kinds/circumstances';
import type { Condition, Kind, Rule } from '../kinds/contract';
import type { Circumstance, Node } from '../project/types';

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

type StyleOf = (settings: Settings) => readonly Rule[];

/**
 * The rules of a kind's build, with those that each condition adds: only what comes out differently there, so
 * that two conditions that hold at once do not undo each other.
 * @param styleOf asks the kind for its rules under given settings.
 */
export function buildRules(kind: Kind, node: Node, base: Settings, styleOf: StyleOf): Rule[] {
  const rules = styleOf(base);
  const all = [...rules];
  const under = (...conditions: readonly Circumstance[]) =>
    styleOf(settingsUnder(kind, node, base, conditions));
  /** What the page has been told so far while each condition holds alone. */
  const told = new Map<Circumstance, readonly Rule[]>();
  let bandRules = rules;
  for (const condition of CIRCUMSTANCES) {
    if (!maybeOwn(kind, node, condition)) continue;
    const isBand = condition === 'medium' || condition === 'narrow';
    const there = under(...heapOf(condition));
    const own = differences(isBand ? bandRules : rules, there, kind.kind);
    all.push(...whenever(own, condition));
    if (isBand) bandRules = there;
    else all.push(...together(condition, own, told, under, kind.kind));
    told.set(condition, there);
  }
  return all;
}

/**
 * What a condition has to say again where an earlier one holds with it: paper in the narrow band is both, and
 * what the band says of the same thing would stand where paper says it only as it is without conditions.
 */
function together(
  condition: Circumstance,
  own: readonly Rule[],
  told: ReadonlyMap<Circumstance, readonly Rule[]>,
  under: (...conditions: readonly Circumstance[]) => readonly Rule[],
  kind: string
): Rule[] {
  const found: Rule[] = [];
  let mediumToo: readonly Rule[] = [];
  for (const [earlier, rules] of told) {
    const known = [rules, own, earlier === 'narrow' ? mediumToo : []].flat();
    const again = differences(known, under(...heapOf(earlier), condition), kind);
    if (earlier === 'medium') mediumToo = again;
    found.push(...whenever(again, earlier, condition));
  }
  return found;
}

const whenever = (rules: readonly Rule[], ...conditions: readonly Condition[]): Rule[] =>
  rules.map((rule) => ({ ...rule, when: [...conditions, ...rule.when] }));

/**
 * @returns the rules of `to` with the declarations that `from` does not end up with; both have the same rules
 * in all.
 */
function differences(from: readonly Rule[], to: readonly Rule[], kind: string): Rule[] {
  const before = byKey(from);
  const after = byKey(to);
  const found: Rule[] = [];
  for (const [key, { rule, declarations }] of after) {
    const old = before.get(key);
    if (!old)
      throw new Error(
        `style of ${JSON.stringify(kind)}: the rule ${rule.selector} stands only under some responsive settings`
      );
    const missing = Object.keys(old.declarations).find((property) => !Object.hasOwn(declarations, property));
    if (missing)
      throw new Error(
        `style of ${JSON.stringify(kind)}: ${rule.selector} says ${missing} only under some responsive settings`
      );
    const changed = Object.fromEntries(
      Object.entries(declarations).filter(([property, value]) => old.declarations[property] !== value)
    );
    if (Object.keys(changed).length > 0) found.push({ ...rule, declarations: changed });
  }
  if (after.size < before.size)
    throw new Error(`style of ${JSON.stringify(kind)}: a rule is missing under some responsive settings`);
  return found;
}
