import { effectPlace } from '../../commands/effects';
import type { Effect } from '../../kinds/contract';
import { remarks, type FindingRule, type Remark } from '../../kinds/finding';
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
    const place = effectPlace(registry, project, node.id);
    return effects.flatMap((effect) => remarks(maybeCannot(node, effect, effect.maybeUnfit(place))));
  }
});

const maybeCannot = (node: Node, effect: Effect, why: string | null): Remark | null =>
  why === null ? null : cannot(node, effect, why);
