import { type FindingRule, warning } from '../../kinds/finding';
import { childIds } from '../../project/tree';

export const findings: readonly FindingRule[] = [
  {
    id: 'collapse-empty',
    summary: 'What collapses holds nothing',
    kinds: null,
    scope: 'node',
    check(node) {
      const isEmpty = node.effects?.includes('collapse') && childIds(node).length === 0;
      return isEmpty
        ? warning({
            part: 'collapse-header',
            view: 'Fill',
            sentence: `${node.name} opens, and there is nothing in it`,
            cause: 'Whoever presses its header finds nothing. Put something in, or let it not collapse.',
            fix: {
              label: 'Let it not collapse',
              commands: [{ type: 'remove-effect', id: node.id, effect: 'collapse' }]
            }
          })
        : null;
    }
  }
];
