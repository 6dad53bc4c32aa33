import type { Box } from '../facts/box';
import { heapOf, settingsUnder } from '../kinds/circumstances';
import type { EffectRange, EffectValues, Kind } from '../kinds/contract';
import { effectKey, effectValues } from '../kinds/effects';
import type { Registry } from '../kinds/registry';
import { settingsWithDefaults } from '../kinds/settings';
import { maybeNode } from '../project/tree';
import type { ConditionName, Node, NodeId, Project, Settings } from '../project/types';

/** The same with what it is of: one row of the Scroll view, one bar of the map. */
export interface Range extends EffectRange {
  readonly node: NodeId;
  readonly effect: string;
  /** The piece that scrolls; null for the page. */
  readonly scroller: string | null;
}

/**
 * @returns how much of a range one can scroll through, px: what scrolls may end before it does.
 * @param box of the piece it is of, as it was measured in that window.
 */
export const reachedOf = ({ start, end }: EffectRange, { whole, height }: Box): number =>
  Math.max(0, Math.min(end, whole - height) - Math.max(start, 0));

/**
 * @param boxes where pieces stand, as they were measured at one width.
 * @param condition the width band they were measured in.
 * @returns everything that happens with the scroll on a page, in the order it begins.
 */
export function rangesOf(
  registry: Registry,
  project: Project,
  boxes: ReadonlyMap<NodeId, Box>,
  condition: ConditionName
): readonly Range[] {
  const found = [...boxes].flatMap(([id, box]) => {
    const node = maybeNode(project, id);
    return node ? rangesOfNode(registry, node, box, condition) : [];
  });
  return found.sort((a, b) => a.start - b.start);
}

/** A place that one end of a range is brought to, px of the scroll. */
export interface EndAt {
  readonly end: 'start' | 'end';
  readonly px: number;
}

/**
 * @param settings all of the piece, as they are where its box was measured.
 * @returns what has to be set so that an end of a range comes to a place, by the keys settings stand under; null where
 * that end follows from something else.
 */
export function settingsForEnd(
  kind: Kind,
  { effect: of }: Pick<Range, 'effect'>,
  settings: EffectValues,
  box: Box,
  { end, px }: EndAt
): Settings | null {
  if (of === kind.kind) return kind.rangeTo?.(settings, box, end, px) ?? null;
  const effect = kind.effects?.find((each) => each.effect === of);
  const set = effect?.rangeTo?.(effectValues(effect, settings), box, end, px);
  if (!set) return null;
  return Object.fromEntries(Object.entries(set).map(([name, value]) => [effectKey(of, name), value]));
}

/** What was worked out of a box last: an edit of one piece leaves the ranges of all others the same objects. */
const known = new WeakMap<
  Box,
  {
    readonly kind: Kind;
    readonly node: Node;
    readonly condition: ConditionName;
    readonly ranges: readonly Range[];
  }
>();

function rangesOfNode(registry: Registry, node: Node, box: Box, condition: ConditionName): readonly Range[] {
  const kind = registry.of(node);
  const last = known.get(box);
  if (last?.kind === kind && last.node === node && last.condition === condition) return last.ranges;
  const ranges = madeOf(kind, node, box, condition);
  known.set(box, { kind, node, condition, ranges });
  return ranges;
}

function madeOf(kind: Kind, node: Node, box: Box, condition: ConditionName): readonly Range[] {
  const settings = settingsUnder(kind, node, settingsWithDefaults(kind, node), heapOf(condition));
  const at = { node: node.id, scroller: box.scroller };
  const ofKind = (kind.ranges?.(settings, box, node, condition) ?? []).map((range) => ({
    ...range,
    ...at,
    effect: kind.kind
  }));
  const ofEffects = (kind.effects ?? []).flatMap((effect) => {
    const values = effectValues(effect, settings);
    const own = values.on === true ? (effect.ranges?.(values, box, node) ?? []) : [];
    return own.map((range) => ({ ...range, ...at, effect: effect.effect }));
  });
  return [...ofKind, ...ofEffects];
}
