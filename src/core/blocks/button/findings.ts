import { settingFix, type FindingRule, error } from '../../kinds/finding';
import { pathTo } from '../../project/tree';
import type { NodeId } from '../../project/types';

export const findings: readonly FindingRule[] = [
  {
    id: 'opens-what-holds-it',
    summary: 'A button opens what it stands in itself',
    kinds: ['button'],
    scope: 'around',
    check(node, project) {
      const { opens } = node.settings;
      const isInside = Boolean(opens) && pathTo(project, node.id).includes(opens as NodeId);
      return isInside
        ? error({
            view: 'Fill',
            sentence: `${node.name} opens ${project.nodes[opens as NodeId]!.name}, in which it stands`,
            cause:
              'It can be pressed only when that is open already. Put the button outside, or let it open another.',
            fix: settingFix('Let it open nothing', node.id, 'opens', '')
          })
        : null;
    }
  },
  {
    id: 'link-without-words',
    summary: 'A button or link has no label',
    kinds: ['button'],
    check: (node) =>
      node.settings.label === ''
        ? [
            error({
              sentence: `${node.name} has no words`,
              cause: 'Nobody can tell what it does. Give it a label under Fill.'
            })
          ]
        : []
  }
];
