import { settingFix, type FindingRule, error } from '../../kinds/finding';
import type { Node } from '../../project/types';

const saysNothing = ({ id, name }: Node) =>
  error({
    sentence: `${name} says nothing to people who do not see it`,
    cause: 'It has no alternative text. Write what it shows, or mark it as decorative.',
    fix: settingFix('Mark as decorative', id, 'decorative', true)
  });

export const findings: readonly FindingRule[] = [
  {
    id: 'picture-without-text',
    summary: 'A picture has neither alternative text nor is it marked as decorative',
    kinds: ['image'],
    check(node) {
      const { asset, alt, decorative } = node.settings;
      return asset && !alt && !decorative ? saysNothing(node) : null;
    }
  }
];
