import type { FindingRule } from '../../kinds/finding';
import type { NodeId } from '../../project/types';

export const findings: readonly FindingRule[] = [
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
