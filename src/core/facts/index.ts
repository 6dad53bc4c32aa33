import type { Registry } from '../kinds/registry';
import { maybeNode } from '../project/tree';
import type { NodeId, Project } from '../project/types';
import { boxFact } from './box';
import type { Ask, Fact } from './fact';
import { fitFact } from './fit';

/** Everything that is measured, one line each; the frame has a reader for each (src/preview/readers.ts). */
export const FACTS = { fit: fitFact, box: boxFact } as const;

export type FactName = keyof typeof FACTS;

const all = Object.entries(FACTS) as readonly [FactName, Fact<unknown>][];

/** @returns what has to be measured to know all facts about some pieces. */
export function asksFor(registry: Registry, project: Project, ids: readonly NodeId[]): readonly Ask[] {
  return ids.flatMap((id) => {
    const node = maybeNode(project, id);
    const kind = node && registry.of(node);
    if (!node || !kind) return [];
    return all.flatMap(([fact, { maybePart }]) => {
      const part = maybePart(kind, node);
      return part === null ? [] : [{ fact, node: id, part }];
    });
  });
}

/** Whether a value that came from a frame is one of a fact. */
export const isFact = (name: string, value: unknown): boolean =>
  Object.hasOwn(FACTS, name) && FACTS[name as FactName].schema.isValidSync(value, { strict: true });
