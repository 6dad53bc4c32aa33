import { analyse } from '../../compile/analyse';
import { drawnParts } from '../../compile/parts';
import { CIRCUMSTANCES, heapOf } from '../../compile/variants';
import { changeAgainstRest } from '../../cascade/change';
import { ringContrast, textContrast } from '../../cascade/contrast';
import { cells } from '../../cascade/look';
import { FAINT } from '../../colour/difference';
import type { FindingRule } from '../../kinds/finding';
import type { Registry } from '../../kinds/registry';
import { CONDITION_WORDS } from '../../kinds/words';
import { STATES, type ConditionName, type Node, type Project, type StateName } from '../../project/types';

/** WCAG 2.2, success criterion 1.4.3: text has a contrast of at least 4.5 : 1. Disabled controls are exempt. */
const TEXT_LEAST = 4.5;
/** WCAG 2.2, success criterion 1.4.11: what shows the focus has a contrast of at least 3 : 1. */
const RING_LEAST = 3;

interface Place {
  readonly part: string;
  readonly label: string;
  readonly state: StateName;
  readonly condition: ConditionName;
  readonly where: string;
}

/** Every part, state and condition in which one of some properties is declared: only there can anything new be seen. */
function placesOf(registry: Registry, node: Node, project: Project, properties: readonly string[]): readonly (Place & { readonly hasText: boolean })[] {
  const kind = registry.kindOf(node.kind);
  const drawn = drawnParts(analyse(registry, project, node));
  return Object.entries(kind.anatomy).flatMap(([part, { states, label, hasText = false }]) => {
    if (!drawn.has(part)) return [];
    const declared = cells(kind, node, part).filter(({ property }) => properties.includes(property));
    return STATES.filter((state) => state !== 'disabled' && (state === 'rest' || states[state])).flatMap((state) =>
      (['always', ...CIRCUMSTANCES] as const)
        .filter((condition) => declared.some((cell) => cell.state === state && cell.condition === condition))
        .map((condition) => ({ part, label, hasText, state, condition, where: `${state === 'rest' ? '' : ` on ${state}`}${condition === 'always' ? '' : `, ${CONDITION_WORDS[condition]}`}` }))
    );
  });
}

const at = (node: Node, { part, state, condition }: Place) => ({ node: node.id, part, state, conditions: heapOf(condition) });

export const textContrastRule = (registry: Registry): FindingRule => ({
  id: 'text-contrast',
  summary: 'Text has too little contrast in one of its states or under a condition (WCAG 2.2, 1.4.3)',
  kinds: null,
  check: (node, project) =>
    placesOf(registry, node, project, ['color', 'background-color', 'opacity']).flatMap((place) => {
      const ratio = place.hasText ? textContrast(registry, project, at(node, place)) : null;
      if (ratio === null || ratio >= TEXT_LEAST) return [];
      return [
        {
          severity: 'error' as const,
          part: place.part,
          view: 'States' as const,
          number: `${ratio.toFixed(1)} : 1`,
          sentence: `The ${place.label} of ${node.name} cannot be read well${place.where}: ${ratio.toFixed(1)} : 1`,
          cause: `Text needs ${TEXT_LEAST} : 1 against what is behind it. Make one of the two colours darker or lighter.`,
          fix: null
        }
      ];
    })
});

export const ringContrastRule = (registry: Registry): FindingRule => ({
  id: 'ring-contrast',
  summary: 'The ring that shows the focus can hardly be seen (WCAG 2.2, 1.4.11)',
  kinds: null,
  check: (node, project) =>
    placesOf(registry, node, project, ['outline']).flatMap((place) => {
      const ratio = place.state === 'focus' ? ringContrast(registry, project, at(node, place)) : null;
      if (ratio === null || ratio >= RING_LEAST) return [];
      return [
        {
          severity: 'error' as const,
          part: place.part,
          view: 'States' as const,
          number: `${ratio.toFixed(1)} : 1`,
          sentence: `The ring of the ${place.label} of ${node.name} can hardly be seen${place.where}: ${ratio.toFixed(1)} : 1`,
          cause: `People who use the keyboard find their place by it; it needs ${RING_LEAST} : 1 against what is around.`,
          fix: null
        }
      ];
    })
});

export const faintChangeRule = (registry: Registry): FindingRule => ({
  id: 'faint-change',
  summary: 'A state can hardly be told from rest',
  kinds: null,
  check: (node, project) =>
    placesOf(registry, node, project, ['color', 'background-color', 'border-color', 'opacity', 'outline', 'box-shadow', 'translate', 'scale'])
      .filter(({ condition, state }) => condition === 'always' && state !== 'rest')
      .flatMap((place) => {
        const change = changeAgainstRest(registry, project, at(node, place));
        if (!change || change.colour >= FAINT || change.others.length > 0) return [];
        return [
          {
            severity: 'warning' as const,
            part: place.part,
            view: 'States' as const,
            number: `ΔE ${change.colour.toFixed(1)}`,
            sentence: `The ${place.label} of ${node.name} hardly changes${place.where}: ΔE ${change.colour.toFixed(1)}`,
            cause: `Under ΔE ${FAINT} a change is easily missed. Change the colour further, or something else with it.`,
            fix: null
          }
        ];
      })
});
