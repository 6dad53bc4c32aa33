import { effectKey } from '../../kinds/effects';
import { remarks, type FindingRule, type Remark } from '../../kinds/finding';
import type { Node } from '../../project/types';

const TARGET = effectKey('opens', 'target');

const opensNothing = (node: Node): Remark => ({
  severity: 'warning',
  part: 'root',
  view: 'Behaviour',
  sentence: `${node.name} is told to open something, and not what`,
  cause: 'Choose a dialog or a side panel of this page under Behaviour, or take it off.',
  fix: { label: 'Take that off', commands: [{ type: 'remove-effect', id: node.id, effect: 'opens' }] }
});

export const findings: readonly FindingRule[] = [
  {
    id: 'opens-nothing',
    summary: 'Something is told to open something, and not what',
    kinds: null,
    scope: 'node',
    check(node) {
      const isAsked = node.effects?.includes('opens') ?? false;
      return remarks(isAsked && !node.settings[TARGET] ? opensNothing(node) : null);
    }
  }
];
