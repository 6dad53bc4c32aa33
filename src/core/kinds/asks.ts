import type { Ask, Fact } from '../facts/fact';
import { FACTS, type FactName } from '../facts/index';
import { maybeNode } from '../project/tree';
import type { NodeId, Project } from '../project/types';
import type { Kind } from './contract';
import type { Registry } from './registry';

const all = Object.entries(FACTS) as readonly [FactName, Fact<unknown>][];

/** @returns what has to be measured to know all facts about some pieces. */
export function asksFor(registry: Registry, project: Project, ids: readonly NodeId[]): readonly Ask[] {
  return ids.flatMap((id) => {
    const node = maybeNode(project, id);
    const kind = node && registry.of(node);
    if (!node || !kind) return [];
    return all.flatMap(([fact, { maybePart }]) => {
      const part = maybePart(kind);
      return part === null ? [] : [{ fact, node: id, part }];
    });
  });
}

/** Whether a kind of piece does anything with the scroll. */
export const moves = ({ effects, ranges }: Kind): boolean =>
  (effects?.length ?? 0) > 0 || ranges !== undefined;
