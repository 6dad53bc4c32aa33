import { cells } from '../../cascade/look';
import type { FindingRule } from '../../kinds/finding';
import type { Registry } from '../../kinds/registry';
import { maybeTransitions } from '../../motion/transition';

/** Properties whose change makes the browser lay the page out again at every frame. */
const LAYOUT = [
  'padding',
  'border-width',
  'font-size',
  'line-height',
  'letter-spacing',
  'gap',
  'width',
  'height',
  'margin'
];

/** Common practice, no source: what moves should be placed and painted anew, not laid out anew. */
export const layoutMotion = (registry: Registry): FindingRule => ({
  id: 'layout-motion',
  summary: 'A change of state moves something that makes the page be laid out anew',
  kinds: null,
  scope: 'node',
  check: (node) => {
    const kind = registry.kindOf(node.kind);
    return Object.entries(kind.anatomy).flatMap(([part, { label }]) =>
      cells(kind, node, part)
        .filter(({ property, from }) => property === 'transition' && from === 'own')
        .flatMap(({ value, state, condition }) => {
          const entries = maybeTransitions(value) ?? [];
          const moved = entries
            .filter(({ property, ms }) => LAYOUT.includes(property) && ms > 0)
            .map(({ property }) => property);
          if (moved.length === 0) return [];
          const kept = entries.filter(({ property }) => !LAYOUT.includes(property));
          return [
            {
              severity: 'warning' as const,
              part,
              view: 'Timing' as const,
              number: moved.join(', '),
              sentence: `The ${label} of ${node.name} moves its ${moved.join(' and ')}`,
              cause:
                'The page is laid out again at every frame, which stutters on slow machines. Let it change at once, or use Move and Scale.',
              fix: {
                label: 'Let it change at once',
                commands: [
                  {
                    type: 'set-style',
                    id: node.id,
                    part,
                    state,
                    condition,
                    property: 'transition',
                    value:
                      kept.length === 0
                        ? 'none'
                        : kept
                            .map(
                              ({ property, ms, delay, easing }) => `${property} ${ms}ms ${easing} ${delay}ms`
                            )
                            .join(', ')
                  }
                ]
              }
            }
          ];
        })
    );
  }
});
