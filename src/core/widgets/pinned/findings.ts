import { settingFix, warning, type FindingRule } from '../../kinds/finding';
import { ownSettings } from '../../kinds/settings';
import type { Node, NodeId, Project } from '../../project/types';
import { settings, type PinnedSettings } from './settings';

const KINDS = ['pinned'];
const PICTURES = ['image', 'figure', 'video', 'embed'];

const ownOf = (node: Node): PinnedSettings => ownSettings(settings, node) as unknown as PinnedSettings;

const childrenOf = (project: Project, id: NodeId): readonly Node[] =>
  Object.values(project.nodes[id]?.slots ?? {})
    .flat()
    .map((child) => project.nodes[child]!);

const hasPicture = (project: Project, item: Node): boolean =>
  childrenOf(project, item.id).some(({ kind }) => PICTURES.includes(kind));

const noPicture: FindingRule = {
  id: 'pinned-no-picture',
  summary: 'Beside the first text there is no picture to stay',
  kinds: KINDS,
  scope: 'project',
  check(node, project) {
    const [first] = childrenOf(project, node.id);
    if (!first || hasPicture(project, first)) return null;
    return warning({
      view: 'Fill',
      sentence: `Beside ${first.name}, the first text of ${node.name}, there is no picture`,
      cause: 'A text without a picture keeps the one before it; the first has none before it.',
      fix: null
    });
  }
};

const backwards: FindingRule = {
  id: 'pinned-backwards',
  summary: 'A picture has changed before it begins to',
  kinds: KINDS,
  scope: 'node',
  check(node) {
    const { from, to } = ownOf(node);
    if (to > from) return null;
    return warning({
      view: 'Behaviour',
      number: `${from} to ${to} %`,
      sentence: `The pictures of ${node.name} change from ${from} % until ${to} %: at once, and early`,
      cause: 'The end of a change comes after its start.',
      fix: settingFix(`Until ${Math.min(100, from + 15)} %`, node.id, 'to', Math.min(100, from + 15))
    });
  }
};

/** The next text is in sight before a picture has been looked at (common practice, no source). */
const BLOCK_LEAST = 30;

const hurried: FindingRule = {
  id: 'pinned-hurried',
  summary: 'Texts are so low that pictures change faster than they are looked at',
  kinds: KINDS,
  scope: 'node',
  check(node) {
    const { block } = ownOf(node);
    if (block >= BLOCK_LEAST) return null;
    return warning({
      view: 'Behaviour',
      number: `${block} %`,
      sentence: `Each text of ${node.name} is ${block} % of a window high: three and more are in sight at once`,
      cause: 'Which one the picture belongs to is hard to tell. Half a window each is usual.',
      fix: settingFix('Make each half a window high', node.id, 'block', 50)
    });
  }
};

export const findings: readonly FindingRule[] = [noPicture, backwards, hurried];
