import { analyse } from '../../compile/analyse';
import { drawnParts } from '../../compile/parts';
import { textContrast } from '../../cascade/contrast';
import { cells } from '../../cascade/look';
import type { FindingRule } from '../../kinds/finding';
import type { Registry } from '../../kinds/registry';
import { STATES } from '../../project/types';

/** WCAG 2.2, success criterion 1.4.3: text has a contrast of at least 4.5 : 1. Disabled controls are exempt. */
const LEAST = 4.5;

export const textContrastRule = (registry: Registry): FindingRule => ({
  id: 'text-contrast',
  summary: 'Text has too little contrast in one of its states (WCAG 2.2, 1.4.3)',
  kinds: null,
  check(node, project) {
    const kind = registry.kindOf(node.kind);
    const drawn = drawnParts(analyse(registry, project, node));
    return Object.entries(kind.anatomy).flatMap(([part, { hasText, states, label }]) => {
      if (!hasText || !drawn.has(part)) return [];
      const declared = cells(kind, node, part).filter(({ property }) => property === 'color' || property === 'background-color' || property === 'opacity');
      return STATES.filter((state) => state !== 'disabled' && (state === 'rest' || states[state])).flatMap((state) => {
        if (!declared.some((cell) => cell.state === state)) return [];
        const ratio = textContrast(registry, project, { node: node.id, part, state });
        if (ratio === null || ratio >= LEAST) return [];
        const where = state === 'rest' ? '' : ` on ${state}`;
        return [
          {
            severity: 'error' as const,
            part,
            sentence: `The ${label} of ${node.name} cannot be read well${where}: ${ratio.toFixed(1)} : 1`,
            cause: `Text needs ${LEAST} : 1 against what is behind it. Make one of the two colours darker or lighter.`,
            fix: null
          }
        ];
      });
    });
  }
});
