import { type FindingRule, warning } from '../../kinds/finding';

export const findings: readonly FindingRule[] = [
  {
    id: 'embed-without-title',
    summary: 'An embedded page has no title',
    kinds: ['embed'],
    check: (node) =>
      node.settings.address && !node.settings.title
        ? [
            warning({
              sentence: `${node.name} has no title`,
              cause: 'A screen reader can only say “frame”. Give it a title under Fill.'
            })
          ]
        : []
  }
];
