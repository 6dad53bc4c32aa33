import { backdrops } from '../../cascade/contrast';
import { resolve } from '../../cascade/resolve';
import { contrast, maybeColour, over, type Colour } from '../../colour/contrast';
import { heapOf } from '../../kinds/circumstances';
import { type FindingRule, type Remark, warning } from '../../kinds/finding';
import type { Registry } from '../../kinds/registry';
import type { Project } from '../../project/types';
import { RING_LEAST } from './mends';
import { at, placesOf, type Place } from './places';

/**
 * What may take the place of a colour that is too faint, the first that can be told from its ground; a chosen one is
 * stronger than the others, so that it is told from them.
 */
const MENDS = { rest: ['#6f6a5c', '#b9b4a4', '#1f1d18', '#ffffff'], selected: ['#1f1d18', '#ffffff'] };

const leastOn = (colour: Colour, grounds: readonly Colour[]): number =>
  Math.min(...grounds.map((ground) => contrast(over(colour, ground), ground)));

/** The least contrast of a mark with what it stands on; null where its colour cannot be worked out. */
function maybeLeast(
  registry: Registry,
  project: Project,
  place: Place,
  grounds: readonly Colour[]
): number | null {
  const colour = maybeColour(resolve(registry, project, at(place)).get('background-color')!.value);
  return colour && leastOn(colour, grounds);
}

function tooFaint(
  { node, part, label, state, condition, where }: Place,
  least: number,
  mend?: string
): Remark {
  const number = `${least.toFixed(1)} : 1`;
  const command = {
    type: 'set-style',
    id: node.id,
    part,
    state,
    condition,
    property: 'background-color'
  };
  return warning({
    part,
    view: 'States',
    number,
    sentence: `The ${label} of ${node.name} can hardly be seen${where}: ${number}`,
    cause: `Its colour is all that shows it, which needs ${RING_LEAST} : 1 against what is behind it.`,
    fix: mend ? { label: `Make it ${mend}`, commands: [{ ...command, value: mend }] } : null
  });
}

function maybeFaint(registry: Registry, project: Project, place: Place): Remark | null {
  const { on } = registry.of(place.node).anatomy[place.part]!;
  const ground = { node: place.node.id, part: on ?? 'root', conditions: heapOf(place.condition) };
  const grounds = backdrops(registry, project, ground);
  const least = maybeLeast(registry, project, place, grounds) ?? RING_LEAST;
  if (least >= RING_LEAST) return null;
  const mends = place.state.startsWith('selected') ? MENDS.selected : MENDS.rest;
  const mend = mends.find((each) => leastOn(maybeColour(each)!, grounds) >= RING_LEAST);
  return tooFaint(place, least, mend);
}

export const markContrast = (registry: Registry): FindingRule => ({
  id: 'mark-contrast',
  summary: 'What is told by its colour alone is too faint (WCAG 2.2, 1.4.11)',
  kinds: null,
  check: (node, project) =>
    placesOf(registry, project, node, ['background-color'], ({ isMark = false }) => isMark).flatMap(
      (place) => maybeFaint(registry, project, place) ?? []
    )
});
