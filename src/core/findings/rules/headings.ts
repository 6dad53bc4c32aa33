import type { FindingRule } from '../../kinds/finding';
import { maybePageOf, subtreeIds } from '../../project/tree';
import type { Node, Project } from '../../project/types';

const DEFAULT_LEVEL = '2';
const levelOf = (node: Node) => Number(node.settings.level ?? DEFAULT_LEVEL);

/** Headings of the page a node stands on, in document order. */
function headingsAround(project: Project, node: Node): readonly Node[] {
  const page = maybePageOf(project, node.id);
  return page
    ? subtreeIds(project, page.root)
        .map((id) => project.nodes[id]!)
        .filter(({ kind }) => kind === 'heading')
    : [];
}

/** WCAG 2.2, 1.3.1 and 2.4.6; one h1 a page and no level left out are common practice. */
export const headingOrder: FindingRule = {
  id: 'heading-order',
  summary: 'A heading skips a level, or the page has several of level 1',
  kinds: ['heading'],
  scope: 'project',
  check(node, project) {
    const all = headingsAround(project, node);
    const at = all.indexOf(node);
    const level = levelOf(node);
    const above = at > 0 ? levelOf(all[at - 1]!) : 0;
    if (level === 1 && all.findIndex((each) => levelOf(each) === 1) < at) {
      return [
        {
          severity: 'warning',
          part: 'root',
          view: 'Fill',
          number: `${all.filter((each) => levelOf(each) === 1).length} × h1`,
          sentence: `${node.name} is a second heading of level 1`,
          cause: 'A page has one heading that names all of it. Make this one level 2.',
          fix: {
            label: 'Make it level 2',
            commands: [{ type: 'set-setting', id: node.id, key: 'level', value: '2' }]
          }
        }
      ];
    }
    if (level <= above + 1 || at < 0) return [];
    const fits = String(above + 1);
    return [
      {
        severity: 'warning',
        part: 'root',
        view: 'Fill',
        number: `h${above || '–'} → h${level}`,
        sentence: `${node.name} skips a level: h${level} after ${above === 0 ? 'nothing' : `h${above}`}`,
        cause:
          'People who walk by headings think they missed one. Its size can stay as it is; that is set under States.',
        fix: {
          label: `Make it level ${fits}`,
          commands: [{ type: 'set-setting', id: node.id, key: 'level', value: fits }]
        }
      }
    ];
  }
};
