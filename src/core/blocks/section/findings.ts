import { settingFix, type FindingRule, warning } from '../../kinds/finding';
import type { Node } from '../../project/types';

const overlapsNothing = ({ id, name, settings: { overlap } }: Node) =>
  warning({
    view: 'Fill',
    number: `${String(overlap)} %`,
    sentence: `${name} overlaps nothing: a share of its height needs a height`,
    cause: 'Without a least height there is nothing to take the share of. Give it one under Fill.',
    fix: settingFix('Make it 80 px high', id, 'height', '80px')
  });

export const findings: readonly FindingRule[] = [
  {
    id: 'overlap-without-height',
    summary: 'A section overlaps the one before by a share of a height it does not have',
    kinds: ['section'],
    scope: 'node',
    check(node) {
      const { overlap, height } = node.settings;
      return overlap && !height ? overlapsNothing(node) : null;
    }
  }
];
