import { settingFix, type FindingRule, type Remark, warning } from '../../kinds/finding';
import { headingsAround, maybeHeading, type Heading } from '../../kinds/headings';

const isSecondTitle = (all: readonly Heading[], at: number): boolean =>
  all[at]!.level === 1 && all.findIndex(({ level }) => level === 1) < at;

const secondTitle = ({ node, key }: Heading, count: number) =>
  warning({
    view: 'Fill',
    number: `${count} × h1`,
    sentence: `${node.name} is a second heading of level 1`,
    cause: 'A page has one heading that names all of it. Make this one level 2.',
    fix: settingFix('Make it level 2', node.id, key, '2')
  });

function skippedLevel({ node, key, level }: Heading, above: number): Remark {
  const fits = String(above + 1);
  return warning({
    view: 'Fill',
    number: `h${above || '–'} → h${level}`,
    sentence: `${node.name} skips a level: h${level} after ${above === 0 ? 'nothing' : `h${above}`}`,
    cause:
      'People who walk by headings think they missed one. Its size can stay as it is; that is set under States.',
    fix: settingFix(`Make it level ${fits}`, node.id, key, fits)
  });
}

/** WCAG 2.2, 1.3.1 and 2.4.6; one h1 a page and no level left out are common practice. */
export const headingOrder: FindingRule = {
  id: 'heading-order',
  summary: 'A heading skips a level, or the page has several of level 1',
  kinds: null,
  scope: 'project',
  check(node, project, _facts, of) {
    if (!maybeHeading(node, of)) return [];
    const all = headingsAround(project, node.id, of);
    const at = all.findIndex((each) => each.node === node);
    if (at < 0) return [];
    const here = all[at]!;
    if (isSecondTitle(all, at)) return [secondTitle(here, all.filter(({ level }) => level === 1).length)];
    const above = all[at - 1]?.level ?? 0;
    return here.level > above + 1 ? skippedLevel(here, above) : null;
  }
};
