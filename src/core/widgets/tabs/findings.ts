import type { FindingRule } from '../../kinds/finding';
import type { NodeId } from '../../project/types';

export const findings: readonly FindingRule[] = [
  {
    id: 'empty-panel',
    summary: 'A panel holds nothing',
    kinds: ['tabs'],
    check: (node, project) =>
      (node.slots.panels ?? [])
        .map((id) => project.nodes[id as NodeId]!)
        .filter((panel) => (panel.slots.content ?? []).length === 0)
        .map((panel) => ({
          severity: 'warning' as const,
          part: 'panel',
          sentence: `Panel ${panel.name} of ${node.name} is empty`,
          cause: 'Choosing it shows nothing. Fill it, or take it out.',
          fix: { label: 'Take the panel out', commands: [{ type: 'remove', ids: [panel.id] }] }
        }))
  },
  {
    id: 'no-open-panel',
    summary: 'Every panel is disabled, so none can be chosen',
    kinds: ['tabs'],
    check: (node, project) => {
      const panels = (node.slots.panels ?? []).map((id) => project.nodes[id as NodeId]!);
      if (panels.some((panel) => panel.settings.disabled !== true)) return [];
      return [
        {
          severity: 'error',
          part: 'tab',
          sentence: `All ${panels.length} panels of ${node.name} are disabled`,
          cause: 'Nobody can choose one. Enable at least one under Fill.',
          fix: panels[0]
            ? { label: `Enable ${panels[0].name}`, commands: [{ type: 'set-setting', id: panels[0].id, key: 'disabled', value: false }] }
            : null
        }
      ];
    }
  }
];
