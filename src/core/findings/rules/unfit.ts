import { effectPlace } from '../../commands/effects';
import type { Effect } from '../../kinds/contract';
import type { FindingRule, Remark } from '../../kinds/finding';
import type { Registry } from '../../kinds/registry';
import type { Node } from '../../project/types';

const cannot = (node: Node, { effect, label }: Effect, why: string): Remark => ({
  severity: 'error',
  part: 'root',
  view: 'Behaviour',
  sentence: `${node.name} ${label.toLowerCase()} where it cannot`,
  cause: why,
  fix: { label: 'Take that off', commands: [{ type: 'remove-effect', id: node.id, effect }] }
});

/** A piece that was moved takes its effects along, also to where they can do nothing. */
export const unfitEffect = (registry: Registry): FindingRule => ({
  id: 'effect-unfit',
  summary: 'A piece is told to do what it cannot do where it stands',
  kinds: null,
  scope: 'project',
  check(node, project) {
    const effects = registry.of(node).effects ?? [];
    return effects.flatMap((effect) => {
      const why = effect.maybeUnfit(effectPlace(registry, project, node.id));
      return why === null ? [] : [cannot(node, effect, why)];
    });
  }
});
