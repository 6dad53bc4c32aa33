import type { FindingRule } from '../../kinds/finding';

export const findings: readonly FindingRule[] = [
  {
    id: 'link-without-words',
    summary: 'A button or link has no label',
    kinds: ['button'],
    check: (node) =>
      node.settings.label === ''
        ? [
            {
              severity: 'error',
              part: 'root',
              sentence: `${node.name} has no words`,
              cause: 'Nobody can tell what it does. Give it a label under Fill.',
              fix: null
            }
          ]
        : []
  }
];
