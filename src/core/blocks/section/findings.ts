import type { FindingRule } from '../../kinds/finding';

export const findings: readonly FindingRule[] = [
  {
    id: 'overlap-without-height',
    summary: 'A section overlaps the one before by a share of a height it does not have',
    kinds: ['section'],
    scope: 'node',
    check(node) {
      const { overlap, height } = node.settings;
      if (!overlap || height) return [];
      return [
        {
          severity: 'warning',
          part: 'root',
          view: 'Fill',
          number: `${String(overlap)} %`,
          sentence: `${node.name} overlaps nothing: a share of its height needs a height`,
          cause: 'Without a least height there is nothing to take the share of. Give it one under Fill.',
          fix: {
            label: 'Make it 80 px high',
            commands: [{ type: 'set-setting', id: node.id, key: 'height', value: '80px' }]
          }
        }
      ];
    }
  }
];
