import type { FindingRule } from '../../kinds/finding';
import { nodeOf, pathTo } from '../../project/tree';
import type { NodeId } from '../../project/types';
import { covered, maybeCover } from '../../scroll/cover';

export const findings: readonly FindingRule[] = [
  {
    id: 'accordion-under-header',
    summary: 'What is opened comes to the top under a header that sticks',
    kinds: ['accordion'],
    scope: 'project',
    needs: ['boxes'],
    check(node, project, facts, of) {
      const page = nodeOf(project, pathTo(project, node.id)[0]!);
      const isRaised = (node.settings.raise ?? 'stays') !== 'stays';
      const cover = isRaised ? maybeCover(page, project, facts, of) : null;
      const why = 'Its header is out of sight when it has come to the top.';
      return cover && covered(page, cover, `What is opened in ${node.name}`, why);
    }
  },
  {
    id: 'accordion-empty-panel',
    summary: 'A header opens an empty panel',
    kinds: ['accordion'],
    scope: 'around',
    check: (node, project) =>
      (node.slots.panels ?? [])
        .map((id) => project.nodes[id as NodeId]!)
        .filter(({ slots }) => (slots.content ?? []).length === 0)
        .map(({ name }) => ({
          severity: 'warning' as const,
          part: 'panel',
          view: 'Fill' as const,
          sentence: `${name} of ${node.name} opens an empty panel`,
          cause: 'Whoever opens it finds nothing. Put something in, or take the item out.',
          fix: null
        }))
  }
];
