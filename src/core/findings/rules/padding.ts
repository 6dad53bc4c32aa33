import { resolve } from '../../cascade/resolve';
import { parseQuantity, type Quantity } from '../../css/quantity';
import { styleFix, type FindingRule, type Remark, warning } from '../../kinds/finding';
import type { Registry } from '../../kinds/registry';
import { settingsWithDefaults } from '../../kinds/settings';
import { childIds, nodeOf } from '../../project/tree';
import type { Node, Project } from '../../project/types';

interface Sides {
  readonly top: number;
  readonly bottom: number;
}

/** Words of the padding of a piece: one to four, as CSS has them. */
const paddingWords = (registry: Registry, project: Project, node: Node): readonly string[] =>
  resolve(registry, project, { node: node.id, part: 'root' }).get('padding')!.value.split(' ');

const maybePx = (side: Quantity | null): number | null =>
  side && (side.unit === 'px' || side.value === 0) ? side.value : null;

/** Padding above and below a piece, px; null where it is in another unit. */
function maybePadding(registry: Registry, project: Project, node: Node): Sides | null {
  const sides = paddingWords(registry, project, node).map((word) => maybePx(parseQuantity(word)));
  const top = sides[0]!;
  const bottom = sides[2] === undefined ? top : sides[2];
  return top === null || bottom === null ? null : { top, bottom };
}

/** The height a piece is given, px; null where it has none or one in another unit. */
function maybeHeight(registry: Registry, node: Node): number | null {
  const { height } = settingsWithDefaults(registry.of(node), node);
  const given = typeof height === 'string' ? parseQuantity(height) : null;
  return given?.unit === 'px' ? given.value || null : null;
}

/** Padding with other sides above and below, and those at the sides as they were. */
function paddedBy(room: number, [top, right = top, , left = right]: readonly string[]): string {
  return right === left ? `${room}px ${right}` : `${room}px ${right} ${room}px ${left}`;
}

function tooMuch(node: Node, height: number, both: number, words: readonly string[]): Remark {
  const room = Math.max(0, Math.floor((height - 24) / 2));
  const label = `Pad it by ${room} px above and below`;
  return warning({
    view: 'States',
    number: `${both} of ${height} px`,
    sentence: `${node.name} is to be ${height} px high and has ${both} px of padding alone`,
    cause:
      'It grows past its height before anything is in it. Take padding away, and place the content in the middle instead.',
    fix: styleFix(label, node.id, 'root', 'padding', paddedBy(room, words))
  });
}

/** Common practice, no source: an 80 px bar with 75 px of padding above and below has no room for anything. */
export const paddingOverHeight = (registry: Registry): FindingRule => ({
  id: 'padding-over-height',
  summary: 'A piece has more padding above and below than the height it is given',
  kinds: null,
  check(node, project) {
    const height = maybeHeight(registry, node);
    const padding = height === null ? null : maybePadding(registry, project, node);
    if (height === null || !padding) return [];
    const both = padding.top + padding.bottom;
    return both > height ? [tooMuch(node, height, both, paddingWords(registry, project, node))] : [];
  }
});

/** Padding of less than this on both is a design, not an oversight (common practice, no source). */
const TWICE_LEAST = 24;

/** The only piece in a box, where it is a box itself. */
function maybeOnlyBox(registry: Registry, project: Project, node: Node): Node | null {
  const children = childIds(node);
  const only = children.length === 1 ? nodeOf(project, children[0]!) : null;
  if (!only) return null;
  const { slots, markup } = registry.of(only);
  return markup && Object.keys(slots).length > 0 ? only : null;
}

/** Whether a ground or a border shows where a piece begins. */
function isSeen(registry: Registry, project: Project, { id }: Node): boolean {
  const look = resolve(registry, project, { node: id, part: 'root' });
  const hasGround = look.get('background-color')!.value !== 'transparent';
  return hasGround || !/^0(?:px)?$/.test(look.get('border-width')!.value);
}

function keptTwice(outside: Node, outer: number, inside: Node, inner: number): Remark {
  const label = `Take the padding of ${inside.name} away`;
  return warning({
    view: 'States',
    number: `${outer} + ${inner} px`,
    sentence: `${outside.name} and ${inside.name} in it both keep room: ${outer} + ${inner} px above`,
    cause: `${inside.name} shows neither a ground nor a border, so the two look like one padding of ${outer + inner} px. Keep one of them.`,
    fix: styleFix(label, inside.id, 'root', 'padding', '0')
  });
}

export const paddingTwice = (registry: Registry): FindingRule => ({
  id: 'padding-twice',
  summary: 'A piece and the only piece in it both keep a wide padding',
  kinds: null,
  check(node, project) {
    const only = maybeOnlyBox(registry, project, node);
    if (!only || isSeen(registry, project, only)) return [];
    const outer = maybePadding(registry, project, node)?.top ?? 0;
    const inner = maybePadding(registry, project, only)?.top ?? 0;
    return Math.min(outer, inner) < TWICE_LEAST ? null : keptTwice(node, outer, only, inner);
  }
});
