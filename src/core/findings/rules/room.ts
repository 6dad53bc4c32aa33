import { resolve } from '../../cascade/resolve';
import { parseQuantity } from '../../css/quantity';
import type { FindingRule } from '../../kinds/finding';
import type { Registry } from '../../kinds/registry';
import { settingsWithDefaults } from '../../kinds/settings';
import { childIds, nodeOf, subtreeIds } from '../../project/tree';
import type { Node, Project } from '../../project/types';

interface Sides {
  readonly top: number;
  readonly bottom: number;
}

/** Padding above and below a part, px; null where it is in another unit. */
function maybePadding(registry: Registry, project: Project, node: Node, part: string): Sides | null {
  const sides = resolve(registry, project, { node: node.id, part })
    .get('padding')!
    .value.split(' ')
    .map(parseQuantity);
  const [top, bottom] = [sides[0], sides[2] ?? sides[0]];
  const px = (side: ReturnType<typeof parseQuantity> | undefined) =>
    side && (side.unit === 'px' || side.value === 0) ? side.value : null;
  const [above, below] = [px(top), px(bottom)];
  return above === null || below === null ? null : { top: above, bottom: below };
}

/** Common practice, no source: an 80 px bar with 75 px of padding above and below has no room for anything. */
export const paddingOverHeight = (registry: Registry): FindingRule => ({
  id: 'padding-over-height',
  summary: 'A piece has more padding above and below than the height it is given',
  kinds: null,
  check(node, project) {
    const { height } = settingsWithDefaults(registry.kindOf(node.kind), node);
    const given = typeof height === 'string' ? parseQuantity(height) : null;
    if (!given || given.unit !== 'px' || given.value === 0) return [];
    const padding = maybePadding(registry, project, node, 'root');
    if (!padding || padding.top + padding.bottom <= given.value) return [];
    const both = padding.top + padding.bottom;
    const room = Math.max(0, Math.floor((given.value - 24) / 2));
    const words = resolve(registry, project, { node: node.id, part: 'root' })
      .get('padding')!
      .value.split(' ');
    const right = words[1] ?? words[0]!;
    const left = words[3] ?? right;
    return [
      {
        severity: 'warning',
        part: 'root',
        view: 'States',
        number: `${both} of ${given.value} px`,
        sentence: `${node.name} is to be ${given.value} px high and has ${both} px of padding alone`,
        cause:
          'It grows past its height before anything is in it. Take padding away, and place the content in the middle instead.',
        fix: {
          label: `Pad it by ${room} px above and below`,
          commands: [
            {
              type: 'set-style',
              id: node.id,
              part: 'root',
              state: 'rest',
              condition: 'always',
              property: 'padding',
              value: right === left ? `${room}px ${right}` : `${room}px ${right} ${room}px ${left}`
            }
          ]
        }
      }
    ];
  }
});

/** Padding of less than this on both is a design, not an oversight (common practice, no source). */
const TWICE_LEAST = 24;

export const paddingTwice = (registry: Registry): FindingRule => ({
  id: 'padding-twice',
  summary: 'A piece and the only piece in it both keep a wide padding',
  kinds: null,
  check(node, project) {
    const children = childIds(node);
    const only = children.length === 1 ? nodeOf(project, children[0]!) : null;
    if (
      !only ||
      Object.keys(registry.kindOf(only.kind).slots).length === 0 ||
      !registry.kindOf(only.kind).markup
    )
      return [];
    const [outer, inner] = [
      maybePadding(registry, project, node, 'root'),
      maybePadding(registry, project, only, 'root')
    ];
    const ground = resolve(registry, project, { node: only.id, part: 'root' });
    const isSeen =
      ground.get('background-color')!.value !== 'transparent' ||
      !/^0(?:px)?$/.test(ground.get('border-width')!.value);
    if (!outer || !inner || isSeen || outer.top < TWICE_LEAST || inner.top < TWICE_LEAST) return [];
    return [
      {
        severity: 'warning',
        part: 'root',
        view: 'States',
        number: `${outer.top} + ${inner.top} px`,
        sentence: `${node.name} and ${only.name} in it both keep room: ${outer.top} + ${inner.top} px above`,
        cause: `${only.name} shows neither a ground nor a border, so the two look like one padding of ${outer.top + inner.top} px. Keep one of them.`,
        fix: {
          label: `Take the padding of ${only.name} away`,
          commands: [
            {
              type: 'set-style',
              id: only.id,
              part: 'root',
              state: 'rest',
              condition: 'always',
              property: 'padding',
              value: '0'
            }
          ]
        }
      }
    ];
  }
});

/** WCAG 2.2, success criterion 2.4.3: focus goes in an order that keeps the meaning. */
export const seenOrder = (registry: Registry): FindingRule => ({
  id: 'seen-order',
  summary:
    'Pieces with something to press are seen in another order than the keyboard goes (WCAG 2.2, 2.4.3)',
  kinds: null,
  check: (node, project) =>
    Object.keys(node.slots).flatMap((slot) => {
      const row = node.slots[slot]!.map((id) => nodeOf(project, id));
      const orderOf = (each: Node, condition: 'always' | 'medium' | 'narrow') =>
        Number(
          each.styles.root?.rest?.[condition]?.order ??
            (condition === 'narrow' ? each.styles.root?.rest?.medium?.order : undefined) ??
            each.styles.root?.rest?.always?.order ??
            0
        );
      const isPressed = (each: Node) =>
        subtreeIds(project, each.id).some((id) =>
          Object.values(registry.kindOf(nodeOf(project, id).kind).anatomy).some(({ states }) => states.focus)
        );
      for (const condition of ['always', 'medium', 'narrow'] as const) {
        const pressed = row.filter(isPressed);
        const seen = pressed.toSorted((a, b) => orderOf(a, condition) - orderOf(b, condition));
        const at = seen.findIndex((each, i) => each !== pressed[i]);
        if (at < 0) continue;
        return [
          {
            severity: 'warning' as const,
            part: 'root',
            view: 'Fallbacks' as const,
            sentence: `In ${node.name}, ${seen[at]!.name} is seen before ${pressed[at]!.name}, but the keyboard reaches it after${condition === 'always' ? '' : ` (${condition})`}`,
            cause:
              'People who use the keyboard or a screen reader go by the outline. Move the pieces there instead of changing their order.',
            fix: null
          }
        ];
      }
      return [];
    })
});
