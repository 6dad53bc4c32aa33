import { settingFix, type FindingRule, type Remark, error } from '../../kinds/finding';
import { maybePageOf } from '../../project/tree';
import type { Node, Project } from '../../project/types';
import { anchoredAt } from './anchored';

/** Another piece of the same page that a link to `#anchor` could mean. */
function maybeTwin(project: Project, node: Node, anchor: string): Node | null {
  const page = maybePageOf(project, node.id);
  const twins = anchoredAt(project, anchor).filter((each) => each !== node);
  return twins.find((each) => maybePageOf(project, each.id) === page) ?? null;
}

function sharedAnchor(node: Node, twin: Node): Remark {
  const address = `#${String(node.settings.anchor)}`;
  return error({
    view: 'Fill',
    number: address,
    sentence: `${node.name} and ${twin.name} have the same anchor: ${address}`,
    cause: 'A link to it reaches only the first of them.',
    fix: settingFix(`Take it off ${node.name}`, node.id, 'anchor', '')
  });
}

/** HTML standard, 3.2.6: an id is unique in its tree. */
export const duplicateAnchor: FindingRule = {
  id: 'duplicate-anchor',
  summary: 'Two pieces of a page have the same anchor',
  kinds: ['section'],
  scope: 'project',
  check(node, project) {
    const { anchor } = node.settings;
    const twin = anchor ? maybeTwin(project, node, String(anchor)) : null;
    return twin && sharedAnchor(node, twin);
  }
};
