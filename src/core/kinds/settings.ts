import type { Node } from '../project/types';
import type { Kind } from './contract';

const defaultsOf = new WeakMap<Kind, Record<string, unknown>>();
const settingsOf = new WeakMap<Node, Record<string, unknown>>();

/** @returns the settings a new piece of the kind has; the same object for the same kind. */
export function defaultSettings(kind: Kind): Record<string, unknown> {
  let defaults = defaultsOf.get(kind);
  if (!defaults) defaultsOf.set(kind, (defaults = (kind.settings.getDefault() ?? {}) as Record<string, unknown>));
  return defaults;
}

/** @returns the settings with the kind's defaults filled in; the same object for the same node. */
export function settingsWithDefaults(kind: Kind, node: Node): Record<string, unknown> {
  const known = settingsOf.get(node);
  if (known) return known;
  const defaults = defaultSettings(kind);
  const filled = Object.keys(node.settings).length === 0 ? defaults : Object.freeze({ ...defaults, ...node.settings });
  settingsOf.set(node, filled);
  return filled;
}
