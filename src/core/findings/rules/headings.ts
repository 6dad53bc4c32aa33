import { remarks, settingFix, type FindingRule, type Remark } from '../../kinds/finding';
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

function isSecondTitle(all: readonly Node[], at: number): boolean {
  return levelOf(all[at]!) === 1 && all.findIndex((each) => levelOf(each) === 1) < at;
}

const secondTitle = (node: Node, count: number): Remark => ({
  severity: 'warning',
  part: 'root',
  view: 'Fill',
  number: `${count} × h1`,
  sentence: `${node.name} is a second heading of level 1`,
  cause: 'A page has one heading that names all of it. Make this one level 2.',
  fix: settingFix('Make it level 2', node.id, 'level', '2')
});

function skippedLevel(node: Node, above: number): Remark {
  const level = levelOf(node);
  const fits = String(above + 1);
  return {
    severity: 'warning',
    part: 'root',
    view: 'Fill',
    number: `h${above || '–'} → h${level}`,
    sentence: `${node.name} skips a level: h${level} after ${above === 0 ? 'nothing' : `h${above}`}`,
    cause:
      'People who walk by headings think they missed one. Its size can stay as it is; that is set under States.',
    fix: settingFix(`Make it level ${fits}`, node.id, 'level', fits)
  };
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
    if (at < 0) return [];
    if (isSecondTitle(all, at)) return [secondTitle(node, all.filter((each) => levelOf(each) === 1).length)];
    const above = at > 0 ? levelOf(all[at - 1]!) : 0;
    return remarks(levelOf(node) > above + 1 ? skippedLevel(node, above) : null);
  }
};
