import { compact } from '../data/compact';
import type { Box } from '../facts/box';
import type { Ask } from '../facts/fact';
import type { FactName } from '../facts/index';
import type { Room } from '../facts/fit';
import type { Sight, Sights } from '../facts/sights';
import { asksFor, moves } from '../kinds/asks';
import { bandAt } from '../kinds/conditions';
import type { Registry } from '../kinds/registry';
import { nodeOf, subtreeIds } from '../project/tree';
import type { NodeId, Project } from '../project/types';
import { rangesOf, reachedOf } from '../scroll/ranges';
import { fitsOnLine } from './fit';
import type { Trial } from '../sweep/trials';

/** What a frame found of a piece; checked where it arrived. */
export interface Found {
  readonly fact: string;
  readonly node: string;
  readonly value: unknown;
}

const roomsIn = (registry: Registry, project: Project, id: NodeId): readonly Ask[] =>
  asksFor(registry, project, subtreeIds(project, id))
    .filter(({ fact }) => fact === 'fit')
    .map((ask): Ask => ({ ...ask, fact: 'room' }));

/** What follows the scroll, wherever on the page: how far follows from how long the page is. */
function boxesOn(registry: Registry, project: Project, root: NodeId): readonly Ask[] {
  const does = ({ node }: Ask) => moves(registry.of(nodeOf(project, node as NodeId)));
  return asksFor(registry, project, subtreeIds(project, root)).filter(
    (ask) => ask.fact === 'box' && does(ask)
  );
}

/**
 * @param sections those that are looked at: others are as they were; null for the whole page.
 * @returns what is asked of a page at each width: what is seen, how large the words are, and what tells where rows fit
 *   and what sticks.
 */
export function asksAtWidth(
  registry: Registry,
  project: Project,
  root: NodeId,
  texts: Trial,
  sections: Iterable<NodeId> | null = null
): readonly Ask[] {
  const boxes = boxesOn(registry, project, root);
  const shape: Ask = { fact: 'shape', node: root, part: texts };
  if (!sections) {
    const seen: Ask = { fact: 'sights', node: root, part: texts };
    return [seen, shape, ...roomsIn(registry, project, root), ...boxes];
  }
  const own = [...sections];
  const seen = own.map((node): Ask => ({ fact: 'sightsIn', node, part: texts }));
  const rooms = own.flatMap((id) => roomsIn(registry, project, id));
  const across: Ask = { fact: 'sightsAcross', node: root, part: texts };
  return [across, ...seen, shape, ...rooms, ...boxes];
}

const SIGHTS = ['sights', 'sightsIn', 'sightsAcross'] as const satisfies readonly FactName[];

const valuesOf = <Value>(found: readonly Found[], fact: string): readonly (readonly [NodeId, Value])[] =>
  found.filter((each) => each.fact === fact).map(({ node, value }) => [node as NodeId, value as Value]);

/** @returns the shape of the words at that width (core/facts/shape.ts); null where the page does not say. */
export const shapeAtWidth = (found: readonly Found[]): number | null =>
  valuesOf<number>(found, 'shape')[0]?.[1] ?? null;

/** A row that has room for its labels on one line; where it is no row, it has no room at all. */
function fitting(registry: Registry, project: Project, node: NodeId, fit: Room): Sight | null {
  const { row } = registry.of(nodeOf(project, node)).fit ?? {};
  const isRow = fit.available > 0 && fitsOnLine(fit);
  return isRow && row ? { what: 'fits', node, part: row, value: Math.ceil(fit.needed) } : null;
}

/** What sticks and is carried along in a window of that height. */
function carried(registry: Registry, project: Project, found: readonly Found[], width: number): Sights {
  const boxes = new Map(valuesOf<Box>(found, 'box'));
  const ranges = rangesOf(registry, project, boxes, bandAt(project.info.bands, width));
  const sticking = ranges.filter(({ sort }) => sort === 'sticks');
  return sticking.flatMap((range): Sights => {
    const value = Math.round(reachedOf(range, boxes.get(range.node)!));
    return value < 1 ? [] : [{ what: 'carried', node: range.node, part: 'root', value }];
  });
}

/**
 * @param found what was measured of `asksAtWidth`.
 * @param width of the window, px.
 * @returns what is seen at that width; null where the page does not say.
 */
export function seenAtWidth(
  registry: Registry,
  project: Project,
  found: readonly Found[],
  width: number
): Sights | null {
  const sights = SIGHTS.flatMap((fact) => valuesOf<Sights>(found, fact));
  const fits = valuesOf<Room>(found, 'room').map(([node, fit]) => fitting(registry, project, node, fit));
  if (sights.length === 0) return null;
  const seen = sights.flatMap(([, each]) => each);
  return [...seen, ...compact(fits), ...carried(registry, project, found, width)];
}
