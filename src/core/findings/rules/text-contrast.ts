import { changeAgainstRest } from '../../cascade/change';
import { textContrast } from '../../cascade/contrast';
import { resolve, type At } from '../../cascade/resolve';
import { contrastOverItems, type ItemContrast } from '../../cascade/slides';
import { statesUnderFocus } from '../../cascade/states';
import { maybeColourIn } from '../../colour/contrast';
import { FAINT } from '../../colour/difference';
import { compact } from '../../data/compact';
import { type FindingRule, type Remark, error, warning } from '../../kinds/finding';
import type { Registry } from '../../kinds/registry';
import type { Node, Project, StateName } from '../../project/types';
import {
  maybeChangeMend,
  maybeColourMend,
  maybeRingMend,
  ringContrastIn,
  RING_LEAST,
  TEXT_LEAST,
  veiled
} from './mends';
import {
  at,
  placesOf,
  placesWithin,
  restOverPicture,
  whereBesides,
  writesOwnText,
  type Place
} from './places';

type Ratio = NonNullable<ReturnType<typeof textContrast>>;

/** Behind the words is a picture or a gradient: they have another contrast in each place. */
const isMixed = ({ least, most }: Ratio): boolean => most > least + 0.05;

const ratioText = (ratio: Ratio): string =>
  isMixed(ratio)
    ? `${ratio.least.toFixed(1)} to ${ratio.most.toFixed(1)} : 1`
    : `${ratio.least.toFixed(1)} : 1`;

const ON_COLOUR = `Text needs ${TEXT_LEAST} : 1 against what is behind it. Make one of the two colours darker or lighter.`;
const ON_PICTURE = `Text needs ${TEXT_LEAST} : 1 against the lightest and the darkest of the picture. A layer of colour between the two brings them closer together.`;

/** What cannot be read well, without its mend, which is looked for where it really is wrong. */
function hardToRead({ node, part, label, where }: Place, ratio: Ratio): Remark {
  const number = ratioText(ratio);
  const onPicture = isMixed(ratio) ? ' over what it stands on' : '';
  return error({
    part,
    view: 'States',
    number,
    sentence: `The ${label} of ${node.name} cannot be read well${onPicture}${where}: ${number}`,
    cause: isMixed(ratio) ? ON_PICTURE : ON_COLOUR
  });
}

/** With the way to mend it, and why another that one may think of is not offered. */
function withMend(registry: Registry, project: Project, place: Place, ratio: Ratio): Remark {
  const said = hardToRead(place, ratio);
  const none = { mend: null, whyNot: null };
  const { mend, whyNot } = isMixed(ratio) ? veiled(registry, project, place) : none;
  const fix = mend ?? maybeColourMend(registry, project, place);
  return { ...said, cause: compact([said.cause, whyNot]).join(' '), fix };
}

/** Over pictures that change, which of them is the worst, and over how many it is too little. */
function withWorst(said: Remark, items: readonly ItemContrast[]): Remark {
  const [worst] = items;
  if (!worst) return said;
  const faint = items.filter(({ least }) => least < TEXT_LEAST).length;
  const where = `Worst over ${worst.name}, ${worst.least.toFixed(1)} : 1; too little over ${faint} of ${items.length}.`;
  return { ...said, cause: `${where} ${said.cause}` };
}

/** The contrast of a place's words where it is too little. */
function maybeTooLittle(registry: Registry, project: Project, place: Place): Ratio | null {
  const ratio = place.hasText ? textContrast(registry, project, at(place)) : null;
  if (ratio === null || ratio.least >= TEXT_LEAST) return null;
  // What it holds is looked at on its own, with the very same picture behind it.
  return isMixed(ratio) && !writesOwnText(registry, place) ? null : ratio;
}

const colourAt = (registry: Registry, project: Project, place: Place): string =>
  resolve(registry, project, at(place)).get('color')!.value;

/**
 * Places whose words can be read but for the state of what is around them: the others are told of already, as are those
 * whose words have no other colour than what they stand on.
 */
const onlyThere = (registry: Registry, project: Project, node: Node): readonly Place[] =>
  placesWithin(registry, project, node)
    .filter(({ atRest, around, place }) => {
      if (maybeTooLittle(registry, project, atRest) !== null) return false;
      const isOfSameColour = colourAt(registry, project, place) === colourAt(registry, project, around);
      return !isOfSameColour || maybeTooLittle(registry, project, around) === null;
    })
    .map(({ place }) => place);

export const textContrastRule = (registry: Registry): FindingRule => ({
  id: 'text-contrast',
  summary:
    'Text has too little contrast in one of its states, under a condition or over a picture (WCAG 2.2, 1.4.3)',
  kinds: null,
  check(node, project) {
    const declared = placesOf(registry, project, node, ['color', 'background-color', 'opacity']);
    const places = [...declared, ...restOverPicture(registry, project, node, declared)];
    return [...places, ...onlyThere(registry, project, node)].flatMap((place) => {
      const ratio = maybeTooLittle(registry, project, place);
      if (!ratio) return [];
      const said = withMend(registry, project, place, ratio);
      return [withWorst(said, contrastOverItems(registry, project, at(place)))];
    });
  }
});

/** A ring that can hardly be seen. @param where in which states and under which condition, as it ends a sentence. */
const faintRing = ({ node, part, label }: Place, where: string, ratio: string, fix: Remark['fix']) =>
  error({
    part,
    view: 'States',
    number: ratio,
    sentence: `The ring of the ${label} of ${node.name} can hardly be seen${where}: ${ratio}`,
    cause: `People who use the keyboard find their place by it. It needs ${RING_LEAST} : 1 against what is under it.`,
    fix
  });

/** Whether a ring has no colour of its own, and so changes with the words (CSS Basic User Interface 4, 3.4). */
const isOfWords = (registry: Registry, project: Project, where: At): boolean =>
  maybeColourIn(resolve(registry, project, where).get('outline')!.value) === null;

/**
 * The first of the states a part may be in when it gets the focus in which its ring is too faint, at rest first. Where
 * the words are as faint, since it has their colour and stands on their ground, that is told of them.
 */
function maybeRing(registry: Registry, project: Project, place: Place): Remark | null {
  const kind = registry.of(place.node);
  const states = ['rest', ...statesUnderFocus(kind, kind.anatomy[place.part]!)];
  const ratioIn = (state: StateName) => ringContrastIn(registry, project, place, [state]);
  const state = states.find((each) => ratioIn(each) < RING_LEAST);
  if (state === undefined) return null;
  const there = { ...at(place), besides: [state] };
  const words =
    place.hasText && isOfWords(registry, project, there) ? textContrast(registry, project, there) : null;
  if (words?.least === ratioIn(state)) return null;
  const mend = maybeRingMend(registry, project, place, states);
  return faintRing(place, whereBesides(kind, place, state), `${ratioIn(state).toFixed(1)} : 1`, mend);
}

/** What a ring is seen by. */
const OF_RING = ['outline', 'outline-offset', 'background-color', 'color'];

export const ringContrastRule = (registry: Registry): FindingRule => ({
  id: 'ring-contrast',
  summary: 'The ring that shows the focus can hardly be seen (WCAG 2.2, 1.4.11)',
  kinds: null,
  check: (node, project) =>
    placesOf(registry, project, node, OF_RING, (_part, state) => state === 'focus').flatMap(
      (place) => maybeRing(registry, project, place) ?? []
    )
});

/** What a state may change to be seen. */
const SEEN = [
  'color',
  'background-color',
  'border-color',
  'opacity',
  'outline',
  'box-shadow',
  'translate',
  'scale'
];

const faintChange = ({ node, part, label, where }: Place, change: string, fix: Remark['fix']) =>
  warning({
    part,
    view: 'States',
    number: change,
    sentence: `The ${label} of ${node.name} hardly changes${where}: ${change}`,
    cause: `Under ΔE ${FAINT} a change is easily missed. Change the colour further, or something else with it.`,
    fix
  });

function maybeFaint(registry: Registry, project: Project, place: Place): Remark | null {
  const change = changeAgainstRest(registry, project, at(place));
  if (!change || change.colour >= FAINT || change.others.length > 0) return null;
  return faintChange(place, `ΔE ${change.colour.toFixed(1)}`, maybeChangeMend(registry, project, place));
}

const isStateAlone = ({ condition, state }: Place): boolean => condition === 'always' && state !== 'rest';

export const faintChangeRule = (registry: Registry): FindingRule => ({
  id: 'faint-change',
  summary: 'A state can hardly be told from rest',
  kinds: null,
  check: (node, project) =>
    placesOf(registry, project, node, SEEN)
      .filter(isStateAlone)
      .flatMap((place) => maybeFaint(registry, project, place) ?? [])
});
