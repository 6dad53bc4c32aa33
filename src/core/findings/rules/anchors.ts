import type { FindingRule } from '../../kinds/finding';
import { maybePageOf } from '../../project/tree';

/** HTML standard, 3.2.6: an id is unique in its tree. */
export const duplicateAnchor: FindingRule = {
  id: 'duplicate-anchor',
  summary: 'Two pieces of a page have the same anchor',
  kinds: ['section'],
  scope: 'project',
  check(node, project) {
    const { anchor } = node.settings;
    if (!anchor) return [];
    const page = maybePageOf(project, node.id);
    const twin = Object.values(project.nodes).find(
      (each) =>
        each !== node &&
        (each.settings.anchor === anchor || each.id === anchor) &&
        maybePageOf(project, each.id) === page
    );
    if (!twin) return [];
    return [
      {
        severity: 'error',
        part: 'root',
        view: 'Fill',
        number: `#${String(anchor)}`,
        sentence: `${node.name} and ${twin.name} have the same anchor: #${String(anchor)}`,
        cause: 'A link to it reaches only the first of them.',
        fix: {
          label: `Take it off ${node.name}`,
          commands: [{ type: 'set-setting', id: node.id, key: 'anchor', value: '' }]
        }
      }
    ];
  }
};
