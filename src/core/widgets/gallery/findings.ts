import { settingFix, warning, type FindingRule, type KindOf } from '../../kinds/finding';
import { childrenIn, maybeNode } from '../../project/tree';
import type { Node, Project } from '../../project/types';
import { lookingIn, ratiosOf } from '../../kinds/pictures';
import { ownSettings } from '../../kinds/settings';
import { settings } from './settings';

const unpackable = (node: Node, project: Project) => {
  if (ownSettings(settings, node).order !== 'packed') return null;
  const ctx = lookingIn(project);
  const items = childrenIn(project, node, 'panels');
  const isPlaceholder = items.every((item) => isWithoutPicture(item, project));
  if (isPlaceholder || ratiosOf(items, ctx)) return null;
  const unknown = items.filter((item) => !ratiosOf([item], ctx));
  return warning({
    view: 'Behaviour',
    number: `${unknown.length} of ${items.length}`,
    sentence: `${node.name} cannot be packed: the height of ${unknown[0]!.name} is not known beforehand`,
    cause:
      'Only pictures with a size of their own can be, each alone in its place. The pictures stand in rows instead.',
    fix: settingFix('Let them go down each column', node.id, 'order', 'down')
  });
};

/** One that still waits for its picture. */
const isWithoutPicture = (item: Node, project: Project): boolean => {
  const content = item.slots.content ?? [];
  const only = content.length === 1 ? maybeNode(project, content[0]!) : null;
  return content.length === 0 || (only?.kind === 'image' && !only.settings.asset);
};

const waiting = (node: Node, project: Project) => {
  const items = childrenIn(project, node, 'panels');
  const empty = items.filter((item) => isWithoutPicture(item, project));
  if (empty.length === 0) return null;
  return warning({
    view: 'Fill',
    number: `${empty.length} of ${items.length}`,
    sentence: `${empty.length} places of ${node.name} have no picture yet`,
    cause: 'Add pictures to its list, all at once, or drop them on it: they fill the empty places first.',
    fix:
      empty.length < items.length
        ? {
            label: 'Take the empty places out',
            commands: [{ type: 'remove', ids: empty.map(({ id }) => id) }]
          }
        : null
  });
};

type Check = (node: Node, project: Project, facts: unknown, of: KindOf) => ReturnType<typeof waiting>;

const ruleOf = (id: string, summary: string, check: Check): FindingRule => ({
  id: `gallery-${id}`,
  summary,
  kinds: ['gallery'],
  scope: 'project',
  check
});

export const findings: readonly FindingRule[] = [
  ruleOf('unpackable', 'Pictures of a gallery cannot be packed, since a height is not known', unpackable),
  ruleOf('empty', 'Places of a gallery wait for their pictures', waiting)
];
