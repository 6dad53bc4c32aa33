import { backdrops } from '../../cascade/contrast';
import { resolve } from '../../cascade/resolve';
import { contrast, maybeColour, over, type Colour } from '../../colour/contrast';
import { type FindingRule, type Remark, warning } from '../../kinds/finding';
import type { Registry } from '../../kinds/registry';
import type { Node, Project, StateName } from '../../project/types';
import { RING_LEAST } from './mends';

/**
 * What may take the place of a colour that is too faint, the first that can be told from its ground; a chosen one is
 * stronger than the others, so that it is told from them.
 */
const MENDS = { rest: ['#6f6a5c', '#b9b4a4', '#1f1d18', '#ffffff'], selected: ['#1f1d18', '#ffffff'] };

interface Mark {
  readonly part: string;
  readonly label: string;
  readonly state: StateName;
  readonly grounds: readonly Colour[];
}

/** Parts that are told by their fill alone, in the states that say something. */
function marksOf(registry: Registry, project: Project, node: Node): readonly Mark[] {
  return Object.entries(registry.of(node).anatomy)
    .filter(([, { isMark }]) => isMark)
    .flatMap(([part, { label, on, states }]) => {
      const grounds = backdrops(registry, project, { node: node.id, part: on ?? 'root' });
      const said: readonly StateName[] = states.selected ? ['rest', 'selected'] : ['rest'];
      return said.map((state) => ({ part, label, state, grounds }));
    });
}

const leastOn = (colour: Colour, grounds: readonly Colour[]): number =>
  Math.min(...grounds.map((ground) => contrast(over(colour, ground), ground)));

function tooFaint(node: Node, { part, label, state, grounds }: Mark, least: number): Remark {
  const mends = state === 'selected' ? MENDS.selected : MENDS.rest;
  const mend = mends.find((each) => leastOn(maybeColour(each)!, grounds) >= RING_LEAST);
  const where = state === 'rest' ? '' : ` (${state})`;
  const number = `${least.toFixed(1)} : 1`;
  const command = {
    type: 'set-style',
    id: node.id,
    part,
    state,
    condition: 'always',
    property: 'background-color'
  };
  return warning({
    part,
    view: 'States',
    number,
    sentence: `The ${label} of ${node.name}${where} can hardly be seen: ${number}`,
    cause: `Its colour is all that shows it, which needs ${RING_LEAST} : 1 against what is behind it.`,
    fix: mend ? { label: `Make it ${mend}`, commands: [{ ...command, value: mend }] } : null
  });
}

export const markContrast = (registry: Registry): FindingRule => ({
  id: 'mark-contrast',
  summary: 'What is told by its colour alone is too faint (WCAG 2.2, 1.4.11)',
  kinds: null,
  check: (node, project) =>
    marksOf(registry, project, node).flatMap((mark) => {
      const at = { node: node.id, part: mark.part, state: mark.state };
      const colour = maybeColour(resolve(registry, project, at).get('background-color')!.value);
      const least = colour ? leastOn(colour, mark.grounds) : RING_LEAST;
      return least < RING_LEAST ? [tooFaint(node, mark, least)] : [];
    })
});
