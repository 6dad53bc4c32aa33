import { type FindingRule, warning } from '../../kinds/finding';
import { referencesOf, type Reference } from '../../kinds/references';
import type { Registry } from '../../kinds/registry';
import { fieldsOf } from '../../kinds/settings';
import { maybeNode } from '../../project/tree';
import type { NodeId, Project } from '../../project/types';

const namesNothing = (project: Project, { to }: Reference): boolean =>
  !to.startsWith('#') && maybeNode(project, to as NodeId) === null;

const lost = (registry: Registry, { from, key, condition, label }: Reference) =>
  warning({
    view: viewOf(registry, key, from),
    sentence: `${label} of ${from.name} names a piece that is gone`,
    cause: 'It was deleted. Choose another one, or none.',
    fix: {
      label: 'Name none',
      commands: [{ type: 'clear-setting', id: from.id, key, condition }]
    }
  });

/** The view of the tuning sheet that has the field. */
function viewOf(registry: Registry, key: string, node: Reference['from']): 'Fill' | 'Behaviour' {
  const field = fieldsOf(registry.of(node)).find(([name]) => name === key)?.[1];
  return field?.meta()?.field?.view === 'fill' ? 'Fill' : 'Behaviour';
}

/** A setting that names a piece names one that has been deleted. */
export const deadReference = (registry: Registry): FindingRule => ({
  id: 'dead-reference',
  summary: 'A setting names a piece that has been deleted',
  kinds: null,
  scope: 'project',
  check: (node, project) =>
    referencesOf(registry, node)
      .filter((reference) => namesNothing(project, reference))
      .map((reference) => lost(registry, reference))
});
