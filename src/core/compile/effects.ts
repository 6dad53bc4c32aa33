import { CIRCUMSTANCES, heapOf, settingsUnder } from '../kinds/circumstances';
import type { Condition, Effect, EffectContext, Kind, Rule } from '../kinds/contract';
import { effectKey, effectValues } from '../kinds/effects';
import type { Circumstance, ConditionName, Node } from '../project/types';
import { buildRules } from './variants';

type Settings = Readonly<Record<string, unknown>>;

const SCREENS = CIRCUMSTANCES.filter((name) => name !== 'medium' && name !== 'narrow');

/**
 * Stretches of widths over which an effect is on, as conditions that hold just there; one empty list for all
 * widths, none where it is on at no width.
 * @param isOn at wide, medium and narrow windows.
 */
function stretches(isOn: readonly [wide: boolean, medium: boolean, narrow: boolean]): readonly Condition[][] {
  const [wide, medium, narrow] = isOn;
  if (wide && medium && narrow) return [[]];
  const found: Condition[][] = [];
  if (wide) found.push([{ not: medium ? 'narrow' : 'medium' }]);
  if (medium && !wide) found.push(narrow ? ['medium'] : ['medium', { not: 'narrow' }]);
  if (narrow && !medium) found.push(['narrow']);
  return found;
}

/** Everything that has to hold for an effect to be on: one list for each stretch of widths. */
function whenOn(effect: Effect, kind: Kind, node: Node, settings: Settings): readonly Condition[][] {
  const key = effectKey(effect.effect, 'on');
  const isOn = (condition: ConditionName, base = settings) =>
    settingsUnder(kind, node, base, heapOf(condition))[key] === true;
  // Beside widths, a condition can only switch it off: whether it says so shows where it would be on.
  const off = SCREENS.filter((condition) => !isOn(condition, { ...settings, [key]: true }));
  const widths = stretches([isOn('always'), isOn('medium'), isOn('narrow')]);
  return widths.map((stretch) => [...stretch, ...off.map((not): Condition => ({ not }))]);
}

const isNot = (condition: Condition): condition is { readonly not: Circumstance } =>
  typeof condition === 'object' && 'not' in condition;

/** Whether all of some conditions can hold at once: one and its opposite never do. */
const canHold = (when: readonly Condition[]): boolean =>
  !when.some((condition) => isNot(condition) && when.includes(condition.not));

const whileOn = (rules: readonly Rule[], when: readonly Condition[]): readonly Rule[] =>
  rules.map((rule) => alsoWhen(rule, when)).filter((rule) => canHold(rule.when));

function alsoWhen(rule: Rule, when: readonly Condition[]): Rule {
  return { ...rule, when: [...new Set([...when, ...rule.when])] };
}

/**
 * Rules of a piece's effects, which stand between those of its build and its look. They are printed only where
 * the effect is on, so that elsewhere nothing of it is left: no height, no stacking, no alignment.
 */
export function effectRules(kind: Kind, node: Node, settings: Settings, ctx: EffectContext): readonly Rule[] {
  return (kind.effects ?? []).flatMap((effect) => {
    const rules = buildRules(kind, node, settings, (under) => effect.style(effectValues(effect, under), ctx));
    return whenOn(effect, kind, node, settings).flatMap((when) => whileOn(rules, when));
  });
}
