import { CONDITIONS, type Circumstance, type ConditionName, type Node } from '../project/types';
import type { Kind } from './contract';

type Settings = Readonly<Record<string, unknown>>;

export const CIRCUMSTANCES = CONDITIONS.filter((name): name is Circumstance => name !== 'always');

/**
 * What differs under one condition: the kind's own word on it, with the node's over it. Null where nothing
 * does.
 */
export function maybeOwn(kind: Kind, node: Node, condition: Circumstance): Settings | null {
  const base = kind.adapt?.[condition];
  const mine = node.adapt[condition];
  return base || mine ? { ...base, ...mine } : null;
}

/**
 * A node's settings while some conditions hold. Each later one overrides only what it sets, so a narrower band keeps
 * what a wider one says and a circumstance such as touch has the last word.
 * @param base the settings with the kind's defaults filled in.
 */
export function settingsUnder(
  kind: Kind,
  node: Node,
  base: Settings,
  conditions: readonly ConditionName[]
): Settings {
  let settings = base;
  for (const condition of CIRCUMSTANCES) {
    const own = conditions.includes(condition) ? maybeOwn(kind, node, condition) : null;
    if (own) settings = { ...settings, ...own };
  }
  return settings;
}

/**
 * All conditions that hold when this one does, in the order their settings override one another: a narrow
 * window is a medium one too.
 */
export function heapOf(condition: ConditionName): readonly Circumstance[] {
  if (condition === 'always') return [];
  return condition === 'narrow' ? ['medium', 'narrow'] : [condition];
}
