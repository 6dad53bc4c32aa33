import { remarks, type FindingRule, type Remark } from '../../kinds/finding';
import { referencesInto } from '../../kinds/references';
import type { Node } from '../../project/types';

const neverOpened = (node: Node): Remark => ({
  severity: 'error',
  part: 'root',
  view: 'Fill',
  sentence: `Nothing opens ${node.name}`,
  cause: 'It has no button of its own, and no button of the page opens it. Nobody ever sees what is in it.',
  fix: {
    label: 'Give it a button',
    commands: [{ type: 'set-setting', id: node.id, key: 'label', value: node.name }]
  }
});

export const findings: readonly FindingRule[] = [
  {
    id: 'dialog-never-opened',
    summary: 'Nothing opens a dialog',
    kinds: ['dialog'],
    scope: 'project',
    check(node, project, _facts, of) {
      const isOpened = Boolean(node.settings.label) || referencesInto({ of }, project, [node.id]).length > 0;
      return remarks(isOpened ? null : neverOpened(node));
    }
  }
];
