import { STYLE_PROPERTIES } from '../css/properties';
import { maybeSteps } from '../project/lineage';
import type { Change, Diff, Node, Project, Styles } from '../project/types';

const isColour = (property: string): boolean => STYLE_PROPERTIES.get(property)?.control === 'colour';

/** Every declaration, by where it stands. */
const declarationsOf = (styles: Styles): ReadonlyMap<string, { property: string; value: string }> =>
  new Map(
    Object.entries(styles).flatMap(([part, states]) =>
      Object.entries(states).flatMap(([state, conditions]) =>
        Object.entries(conditions ?? {}).flatMap(([condition, declarations]) =>
          Object.entries(declarations ?? {}).map(
            ([property, value]) =>
              [[part, state, condition, property].join(' '), { property, value }] as const
          )
        )
      )
    )
  );

function differInColours(before: Styles, after: Styles): boolean {
  if (before === after) return true;
  const [from, to] = [declarationsOf(before), declarationsOf(after)];
  const changed = [...from, ...to].filter(([where]) => from.get(where)?.value !== to.get(where)?.value);
  return changed.every(([, { property }]) => isColour(property));
}

function isNodeRecoloured([from, to]: Change<Node>): boolean {
  if (!from || !to) return false;
  const fields = new Set([...Object.keys(from), ...Object.keys(to)]) as Set<keyof Node>;
  fields.delete('styles');
  return [...fields].every((field) => from[field] === to[field]) && differInColours(from.styles, to.styles);
}

const isOfColours = ({ nodes = {}, ...others }: Diff): boolean =>
  Object.keys(others).length === 0 && Object.values(nodes).every(isNodeRecoloured);

/**
 * Whether nothing but colours was changed between two states of a project: where things stand, and how much room they
 * take, is then as it was. False where it is not known what was changed.
 */
export const isRecoloured = (before: Project, after: Project): boolean =>
  maybeSteps(before, after)?.every(isOfColours) ?? false;
