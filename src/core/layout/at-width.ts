import { compact } from '../data/compact';
import type { Box } from '../facts/box';
import type { Ask } from '../facts/fact';
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

/** @returns what is asked of a page at each width: what is seen, and what tells where rows fit and what sticks. */
export function asksAtWidth(
  registry: Registry,
  project: Project,
  root: NodeId,
  texts: Trial
): readonly Ask[] {
  const all = asksFor(registry, project, subtreeIds(project, root));
  const rooms = all.filter(({ fact }) => fact === 'fit').map((ask): Ask => ({ ...ask, fact: 'room' }));
  const does = ({ node }: Ask) => moves(registry.of(nodeOf(project, node as NodeId)));
  const boxes = all.filter((ask) => ask.fact === 'box' && does(ask));
  return [{ fact: 'sights', node: root, part: texts }, ...rooms, ...boxes];
}

const valuesOf = <Value>(found: readonly Found[], fact: string): readonly (readonly [NodeId, Value])[] =>
  found.filter((each) => each.fact === fact).map(({ node, value }) => [node as NodeId, value as Value]);

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
  const [sights] = valuesOf<Sights>(found, 'sights');
  const fits = valuesOf<Room>(found, 'room').map(([node, fit]) => fitting(registry, project, node, fit));
  return sights ? [...sights[1], ...compact(fits), ...carried(registry, project, found, width)] : null;
}
