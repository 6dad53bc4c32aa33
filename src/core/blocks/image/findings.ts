import type { FindingRule } from '../../kinds/finding';

export const findings: readonly FindingRule[] = [
  {
    id: 'picture-without-text',
    summary: 'A picture has neither alternative text nor is it marked as decorative',
    kinds: ['image'],
    check(node) {
      if (!node.settings.asset || node.settings.alt || node.settings.decorative) return [];
      return [
        {
          severity: 'error',
          part: 'root',
          sentence: `${node.name} says nothing to people who do not see it`,
          cause: 'It has no alternative text. Write what it shows, or mark it as decorative.',
          fix: {
            label: 'Mark as decorative',
            commands: [{ type: 'set-setting', id: node.id, key: 'decorative', value: true }]
          }
        }
      ];
    }
  }
];
