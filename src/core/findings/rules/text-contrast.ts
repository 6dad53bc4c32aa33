import { analyse } from '../../compile/analyse';
import { drawnParts } from '../../compile/parts';
import { CIRCUMSTANCES, heapOf } from '../../kinds/circumstances';
import { changeAgainstRest } from '../../cascade/change';
import { groundOf, maybeGroundOwner, ringContrast, textContrast } from '../../cascade/contrast';
import { resolve } from '../../cascade/resolve';
import { apply } from '../../commands/apply';
import type { Command } from '../../commands/commands';
import { cells } from '../../cascade/look';
import { FAINT } from '../../colour/difference';
import { STYLE_PROPERTIES } from '../../css/properties';
import { colourIn, nearestColour } from './nearest-colour';
import type { FindingRule } from '../../kinds/finding';
import type { Registry } from '../../kinds/registry';
import { statesOf } from '../../cascade/states';
import { conditionWords } from '../../kinds/conditions';
import { nodeOf } from '../../project/tree';
import { type ConditionName, type Node, type Project, type StateName } from '../../project/types';

/** WCAG 2.2, success criterion 1.4.3: text has a contrast of at least 4.5 : 1. Disabled controls are exempt. */
const TEXT_LEAST = 4.5;
/** WCAG 2.2, success criterion 1.4.11: what shows the focus has a contrast of at least 3 : 1. */
const RING_LEAST = 3;
/** A heavier layer would leave nothing of the picture. */
const VEIL_MOST = 95;

interface Place {
  readonly part: string;
  readonly label: string;
  readonly state: StateName;
  readonly condition: ConditionName;
  readonly where: string;
}

/**
 * Every part, state and condition in which one of some properties is declared: only there can anything new be
 * seen.
 */
function placesOf(
  registry: Registry,
  node: Node,
  project: Project,
  properties: readonly string[]
): readonly (Place & { readonly hasText: boolean })[] {
  const kind = registry.kindOf(node.kind);
  const drawn = drawnParts(analyse(registry, project, node));
  return Object.entries(kind.anatomy).flatMap(([part, { states, label, hasText = false }]) => {
    if (!drawn.has(part)) return [];
    const declared = cells(kind, node, part).filter(({ property }) => properties.includes(property));
    return statesOf(kind)
      .filter((state) => state !== 'disabled' && (state === 'rest' || states[state]))
      .flatMap((state) =>
        (['always', ...CIRCUMSTANCES] as const)
          .filter((condition) =>
            declared.some((cell) => cell.state === state && cell.condition === condition)
          )
          .map((condition) => ({
            part,
            label,
            hasText,
            state,
            condition,
            where: `${state === 'rest' ? '' : ` on ${state}`}${condition === 'always' ? '' : `, ${conditionWords(condition)}`}`
          }))
      );
  });
}

const at = (node: Node, { part, state, condition }: Place) => ({
  node: node.id,
  part,
  state,
  conditions: heapOf(condition)
});

/**
 * A part that stands on a picture is looked at even where nothing is declared on it: the picture is what
 * matters.
 */
function restOverPicture(
  registry: Registry,
  node: Node,
  project: Project,
  seen: ReturnType<typeof placesOf>
): ReturnType<typeof placesOf> {
  const drawn = drawnParts(analyse(registry, project, node));
  return Object.entries(registry.kindOf(node.kind).anatomy).flatMap(([part, { label, hasText = false }]) => {
    const isSeen = seen.some(
      (place) => place.part === part && place.state === 'rest' && place.condition === 'always'
    );
    if (!hasText || isSeen || !drawn.has(part) || !writesOwnText(registry, node, part)) return [];
    return maybeGroundOwner(registry, project, { node: node.id, part })
      ? [{ part, label, hasText, state: 'rest' as const, condition: 'always' as const, where: '' }]
      : [];
  });
}

/** The root of a container has text only in what it holds, which is looked at on its own. */
const writesOwnText = (registry: Registry, node: Node, part: string) =>
  part !== 'root' || Object.keys(registry.kindOf(node.kind).slots).length === 0;

interface Mend {
  readonly label: string;
  readonly commands: readonly object[];
}

/**
 * The least opacity, in whole percent, of a black or white layer over the picture at which the text can be
 * read.
 */
function maybeVeil(registry: Registry, project: Project, node: Node, place: Place): Mend | null {
  const owner = maybeGroundOwner(registry, project, at(node, place));
  const ground = owner && groundOf(registry, project, owner, heapOf(place.condition));
  if (!owner || !ground?.veil) return null;
  const reads = (colour: string, percent: number) => {
    const outcome = apply(registry, project, {
      type: 'batch',
      label: '',
      commands: ground.veil!(owner, colour, percent / 100) as Command[]
    });
    return outcome.ok && (textContrast(registry, outcome.project, at(node, place))?.least ?? 0) >= TEXT_LEAST;
  };
  const leastOf = (colour: string): number | null => {
    if (!reads(colour, VEIL_MOST)) return null;
    let [low, high] = [0, VEIL_MOST];
    while (high - low > 1) {
      const middle = Math.floor((low + high) / 2);
      if (reads(colour, middle)) high = middle;
      else low = middle;
    }
    return high;
  };
  const found = (['#000000', '#ffffff'] as const).flatMap((colour) => {
    const percent = leastOf(colour);
    return percent === null ? [] : [{ colour, percent }];
  });
  const best = found.sort((one, other) => one.percent - other.percent)[0];
  if (!best) return null;
  return {
    label: `Lay ${best.percent} % ${best.colour === '#000000' ? 'black' : 'white'} behind the words, in ${nodeOf(project, owner).name}`,
    commands: ground.veil(owner, best.colour, best.percent / 100)
  };
}

/** A cell of the state sheet given another value, and the project as it would be then. */
function withCell(
  registry: Registry,
  project: Project,
  node: Node,
  { part, state, condition }: Place,
  property: string,
  value: string
): { readonly command: Command; readonly project: Project | null } {
  const command: Command = { type: 'set-style', id: node.id, part, state, condition, property, value };
  const outcome = apply(registry, project, command);
  return { command, project: outcome.ok ? outcome.project : null };
}

/** The colour nearest to the text's own, on the way to black or white, that can be read. */
function maybeColourMend(registry: Registry, project: Project, node: Node, place: Place): Mend | null {
  const own = resolve(registry, project, at(node, place)).get('color')!.value;
  const value = nearestColour(own, (each) => {
    const { project: next } = withCell(registry, project, node, place, 'color', each);
    return next !== null && (textContrast(registry, next, at(node, place))?.least ?? 0) >= TEXT_LEAST;
  });
  return value === null
    ? null
    : {
        label: `Make the text ${value}`,
        commands: [withCell(registry, project, node, place, 'color', value).command]
      };
}

/** The ring in the nearest colour that can be seen. */
function maybeRingMend(registry: Registry, project: Project, node: Node, place: Place): Mend | null {
  const ring = resolve(registry, project, at(node, place)).get('outline')!.value;
  const own = colourIn(ring);
  if (own === null) return null;
  const ringOf = (colour: string) => ring.replace(own, colour);
  const value = nearestColour(own, (each) => {
    const { project: next } = withCell(registry, project, node, place, 'outline', ringOf(each));
    return next !== null && (ringContrast(registry, next, at(node, place)) ?? 0) >= RING_LEAST;
  });
  return value === null
    ? null
    : {
        label: `Make the ring ${value}`,
        commands: [withCell(registry, project, node, place, 'outline', ringOf(value)).command]
      };
}

/** The state's own colour moved on until the change can be seen and its words can still be read. */
function maybeChangeMend(
  registry: Registry,
  project: Project,
  node: Node,
  place: Place & { readonly hasText: boolean }
): Mend | null {
  const resolved = resolve(registry, project, at(node, place));
  for (const property of ['background-color', 'color', 'border-color']) {
    const value = nearestColour(resolved.get(property)!.value, (each) => {
      const { project: next } = withCell(registry, project, node, place, property, each);
      if (next === null || (changeAgainstRest(registry, next, at(node, place))?.colour ?? 0) < FAINT)
        return false;
      return (
        !place.hasText || (textContrast(registry, next, at(node, place))?.least ?? TEXT_LEAST) >= TEXT_LEAST
      );
    });
    if (value === null) continue;
    const { command } = withCell(registry, project, node, place, property, value);
    return {
      label: `Make its ${STYLE_PROPERTIES.get(property)!.label.toLowerCase()} ${value}`,
      commands: [command]
    };
  }
  return null;
}

export const textContrastRule = (registry: Registry): FindingRule => ({
  id: 'text-contrast',
  summary:
    'Text has too little contrast in one of its states, under a condition or over a picture (WCAG 2.2, 1.4.3)',
  kinds: null,
  check(node, project) {
    const declared = placesOf(registry, node, project, ['color', 'background-color', 'opacity']);
    return [...declared, ...restOverPicture(registry, node, project, declared)].flatMap((place) => {
      const ratio = place.hasText ? textContrast(registry, project, at(node, place)) : null;
      if (ratio === null || ratio.least >= TEXT_LEAST) return [];
      const isMixed = ratio.most > ratio.least + 0.05;
      // What it holds is looked at on its own, with the very same picture behind it.
      if (isMixed && !writesOwnText(registry, node, place.part)) return [];
      const number = isMixed
        ? `${ratio.least.toFixed(1)} to ${ratio.most.toFixed(1)} : 1`
        : `${ratio.least.toFixed(1)} : 1`;
      const onPicture = isMixed ? ' over what it stands on' : '';
      return [
        {
          severity: 'error' as const,
          part: place.part,
          view: 'States' as const,
          number,
          sentence: `The ${place.label} of ${node.name} cannot be read well${onPicture}${place.where}: ${number}`,
          cause: isMixed
            ? `Text needs ${TEXT_LEAST} : 1 against the lightest and the darkest of the picture. A layer of colour between the two brings them closer together.`
            : `Text needs ${TEXT_LEAST} : 1 against what is behind it. Make one of the two colours darker or lighter.`,
          fix:
            (isMixed ? maybeVeil(registry, project, node, place) : null) ??
            maybeColourMend(registry, project, node, place)
        }
      ];
    });
  }
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
          fix: maybeRingMend(registry, project, node, place)
        }
      ];
    })
});

export const faintChangeRule = (registry: Registry): FindingRule => ({
  id: 'faint-change',
  summary: 'A state can hardly be told from rest',
  kinds: null,
  check: (node, project) =>
    placesOf(registry, node, project, [
      'color',
      'background-color',
      'border-color',
      'opacity',
      'outline',
      'box-shadow',
      'translate',
      'scale'
    ])
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
            fix: maybeChangeMend(registry, project, node, place)
          }
        ];
      })
});
