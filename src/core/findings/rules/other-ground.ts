import { backdrop, backdrops } from '../../cascade/contrast';
import { resolve } from '../../cascade/resolve';
import { contrast, maybeColour, over } from '../../colour/contrast';
import { hexOf } from '../../colour/hex';
import { error, styleAtRest, type FindingRule } from '../../kinds/finding';
import type { Registry } from '../../kinds/registry';
import type { Node, Project } from '../../project/types';
import { TEXT_LEAST } from './mends';
import { drawnAnatomy } from './places';

/** A part whose words also stand on another ground than where the page has room. */
interface Moved {
  readonly part: string;
  readonly label: string;
  /** The part they stand on then, and what people call it. */
  readonly on: string;
  readonly ground: string;
  readonly ratio: number;
}

function ratioOn(registry: Registry, project: Project, node: Node, part: string, on: string): number | null {
  const text = maybeColour(resolve(registry, project, { node: node.id, part }).get('color')!.value);
  if (!text) return null;
  const backs = backdrops(registry, project, { node: node.id, part: on });
  return Math.min(...backs.map((back) => contrast(over(text, back), back)));
}

/** Parts that may come to stand on another one, as far as both are drawn. */
function movedParts(registry: Registry, project: Project, node: Node): readonly Moved[] {
  const drawn = new Map(drawnAnatomy(registry, project, node));
  return [...drawn].flatMap(([part, { label, movesTo: on }]) => {
    const ground = on && drawn.get(on)?.label;
    const ratio = ground ? ratioOn(registry, project, node, part, on) : null;
    return ground && ratio !== null ? [{ part, label, on: on!, ground, ratio }] : [];
  });
}

/** The ground the words stand on where the page has room: with it, everything on it is read as there. */
function groundHex(registry: Registry, project: Project, node: Node): string {
  const { r, g, b } = backdrop(registry, project, { node: node.id, part: 'root' });
  return hexOf([r, g, b]);
}

/** Commands that give a part the ground of the piece, and what stands on it alone the colour of the words. */
function sameGround(registry: Registry, project: Project, node: Node, { part, on }: Moved) {
  const { value } = resolve(registry, project, { node: node.id, part }).get('color')!;
  const others = drawnAnatomy(registry, project, node).filter(([, anatomy]) => anatomy.on === on);
  const ground = styleAtRest(node.id, on, 'background-color', groundHex(registry, project, node));
  return [ground, ...others.map(([other]) => styleAtRest(node.id, other, 'color', value))];
}

function faint(registry: Registry, project: Project, node: Node, moved: Moved) {
  const { part, label, ground, ratio } = moved;
  const hex = groundHex(registry, project, node);
  const number = `${ratio.toFixed(1)} : 1`;
  return error({
    part,
    view: 'States',
    number,
    sentence: `The ${label} of ${node.name} can hardly be read on its ${ground}: ${number}`,
    cause: `Its colour is made for what stands behind the piece; text needs ${TEXT_LEAST} : 1 (WCAG 2.2, 1.4.3).`,
    fix: {
      label: `Give the ${ground} the same ground, ${hex}`,
      commands: sameGround(registry, project, node, moved)
    }
  });
}

/** WCAG 2.2, 1.4.3 (contrast), for words that come to stand on another ground under a width. */
export const otherGround = (registry: Registry): FindingRule => ({
  id: 'text-contrast-moved',
  summary: 'Text can hardly be read where it comes to stand on another ground (WCAG 2.2, 1.4.3)',
  kinds: null,
  check: (node, project) =>
    movedParts(registry, project, node)
      .filter(({ ratio }) => ratio < TEXT_LEAST)
      .map((moved) => faint(registry, project, node, moved))
});
