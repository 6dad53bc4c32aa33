import { colourDifference } from '../colour/difference';
import { maybeColour, over } from '../colour/contrast';
import type { Registry } from '../kinds/registry';
import type { Project } from '../project/types';
import { backdrop } from './contrast';
import { resolve, type At } from './resolve';
import { compact } from '../data/compact';

/** How a state differs from rest, as far as it can be seen. */
export interface Change {
  /** Greatest colour difference (ΔE00) of what is painted: ground, words, border. */
  readonly colour: number;
  /** What else is seen to change: a ring, a shadow, a size, a place. In a word each. */
  readonly others: readonly string[];
}

const OTHERS: Readonly<Record<string, string>> = {
  outline: 'ring',
  'box-shadow': 'shadow',
  translate: 'moves',
  scale: 'size',
  rotate: 'turns',
  padding: 'size',
  'font-size': 'size',
  'font-weight': 'weight',
  'border-width': 'border',
  'text-decoration-line': 'underline',
  opacity: 'opacity'
};

/** What a person sees change between rest and a state of a part; null for rest itself. */
export function changeAgainstRest(registry: Registry, project: Project, at: At): Change | null {
  if (!at.state || at.state === 'rest') return null;
  const rest = { ...at, state: 'rest' as const };
  const [before, after] = [resolve(registry, project, rest), resolve(registry, project, at)];
  const [groundBefore, groundAfter] = [backdrop(registry, project, rest), backdrop(registry, project, at)];
  const painted = (property: string, values: typeof before, ground: typeof groundBefore) => {
    const word = values.get(property)!.value;
    const colour = maybeColour(word === 'currentcolor' ? values.get('color')!.value : word);
    return colour ? over(colour, ground) : ground;
  };
  const hasBorder = [before, after].some(
    (values) => !/^0(?:px)?( 0(?:px)?)*$/.test(values.get('border-width')!.value)
  );
  const colours = compact(['color', hasBorder ? 'border-color' : null]).map((property) =>
    colourDifference(painted(property, before, groundBefore), painted(property, after, groundAfter))
  );
  const others = Object.entries(OTHERS).filter(
    ([property]) => before.get(property)!.value !== after.get(property)!.value
  );
  return {
    colour: Math.max(colourDifference(groundBefore, groundAfter), ...colours),
    others: [...new Set(others.map(([, word]) => word))]
  };
}
