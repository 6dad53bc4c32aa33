import { effectPlace } from '../../commands/effects';
import type { Effect } from '../../kinds/contract';
import { type FindingRule, type Remark, error, takeOffFix } from '../../kinds/finding';
import type { Registry } from '../../kinds/registry';
import type { Node } from '../../project/types';
import { whyUnfit } from '../../kinds/effects';

const cannot = (node: Node, { effect, label }: Effect, why: string) =>
  error({
    view: 'Behaviour',
    sentence: `${node.name} ${label.toLowerCase()} where it cannot`,
    cause: why,
    fix: takeOffFix(node.id, effect)
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
    return effects.flatMap((effect) => maybeCannot(node, effect, whyUnfit(effect, place)) ?? []);
  }
});

const maybeCannot = (node: Node, effect: Effect, why: string | null): Remark | null =>
  why === null ? null : cannot(node, effect, why);
