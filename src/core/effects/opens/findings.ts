import { effectKey } from '../../kinds/effects';
import { type FindingRule, warning, takeOffFix } from '../../kinds/finding';
import type { Node } from '../../project/types';

const TARGET = effectKey('opens', 'target');

const opensNothing = (node: Node) =>
  warning({
    view: 'Behaviour',
    sentence: `${node.name} is told to open something, and not what`,
    cause: 'Choose a dialog or a side panel of this page under Behaviour, or take it off.',
    fix: takeOffFix(node.id, 'opens')
  });

export const findings: readonly FindingRule[] = [
  {
    id: 'opens-nothing',
    summary: 'Something is told to open something, and not what',
    kinds: null,
    scope: 'node',
    check(node) {
      const isAsked = node.effects?.includes('opens') ?? false;
      return isAsked && !node.settings[TARGET] ? opensNothing(node) : null;
    }
  }
];
