import { remembered } from '../../data/remembered';
import { settingFix, type FindingRule, type KindOf, type Remark, warning } from '../../kinds/finding';
import { headingsUnder, type Heading } from '../../kinds/headings';
import type { NodeId, Project } from '../../project/types';

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

const NO_TITLE = 'A page starts with a heading of level 1 that names all of it. Put one before this.';

const noTitle = ({ node, level }: Heading): Remark =>
  warning({
    view: 'Fill',
    number: 'no h1',
    sentence: `${node.name} is the first heading of its page, and of level ${level}`,
    cause: NO_TITLE
  });

function skippedLevel(heading: Heading, above: number): Remark {
  const { node, key, level } = heading;
  if (above === 0 && !heading.mayBeTitle) return noTitle(heading);
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

function maybeFault(all: readonly Heading[], at: number): Remark | null {
  const here = all[at]!;
  if (isSecondTitle(all, at)) return secondTitle(here, all.filter(({ level }) => level === 1).length);
  const above = all[at - 1]?.level ?? 0;
  return here.level > above + 1 ? skippedLevel(here, above) : null;
}

/** What is wrong with the headings of a project, by their pieces: worked out once for all of them. */
const faults = new WeakMap<Project, ReadonlyMap<NodeId, Remark>>();

function freshFaults(project: Project, of: KindOf): ReadonlyMap<NodeId, Remark> {
  const found = new Map<NodeId, Remark>();
  for (const { root } of Object.values(project.pages)) {
    const all = headingsUnder(project, root, of);
    for (const [at, { node }] of all.entries()) {
      const fault = maybeFault(all, at);
      if (fault) found.set(node.id, fault);
    }
  }
  return found;
}

/** WCAG 2.2, 1.3.1 and 2.4.6; one h1 a page and no level left out are common practice. */
export const headingOrder: FindingRule = {
  id: 'heading-order',
  summary: 'A heading skips a level, or the page has several of level 1',
  kinds: null,
  scope: 'project',
  check: (node, project, _facts, of) =>
    remembered(faults, project, () => freshFaults(project, of)).get(node.id) ?? null
};
