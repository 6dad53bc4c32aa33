import { changeAgainstRest } from '../../cascade/change';
import { groundOf, maybeGroundOwner, ringContrast, textContrast } from '../../cascade/contrast';
import { resolve } from '../../cascade/resolve';
import { maybeColourIn } from '../../colour/contrast';
import { FAINT } from '../../colour/difference';
import { apply } from '../../commands/apply';
import type { Command } from '../../commands/commands';
import { STYLE_PROPERTIES } from '../../css/properties';
import { heapOf } from '../../kinds/circumstances';
import type { Fix } from '../../kinds/finding';
import type { Registry } from '../../kinds/registry';
import { carryPlaces, nodeOf, subtreeIds } from '../../project/tree';
import type { NodeId, Project, StateName } from '../../project/types';
import { nearestColour } from './nearest-colour';
import { at, wordsOf, type Place } from './places';
import { compact } from '../../data/compact';
import { firstGiven } from '../../data/first-given';

/** WCAG 2.2, success criterion 1.4.3: text has a contrast of at least 4.5 : 1. Disabled controls are exempt. */
export const TEXT_LEAST = 4.5;
/** WCAG 2.2, success criterion 1.4.11: what shows the focus has a contrast of at least 3 : 1. */
export const RING_LEAST = 3;
/** A heavier layer would leave nothing of the picture. */
const VEIL_MOST = 95;

const canBeRead = (registry: Registry, project: Project, place: Place): boolean =>
  (textContrast(registry, project, at(place))?.least ?? 0) >= TEXT_LEAST;

/** The project as it would be after some commands; null where they are refused. */
function maybeAfter(registry: Registry, project: Project, commands: readonly Command[]): Project | null {
  const outcome = apply(registry, project, { type: 'batch', label: '', commands });
  return outcome.ok ? outcome.project : null;
}

/** A layer of colour that a picture's owner lays over it. */
interface Veil {
  readonly colour: '#000000' | '#ffffff';
  readonly percent: number;
}

type LayVeil = (veil: Veil) => readonly Command[];

/** The least number from 1 to `most` that holds, where all above it hold too; null where not even `most` does. */
function maybeLeast(most: number, holds: (value: number) => boolean): number | null {
  if (!holds(most)) return null;
  let [low, high] = [0, most];
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (holds(middle)) high = middle;
    else low = middle;
  }
  return high;
}

function maybeThinnest(colour: Veil['colour'], isEnough: (veil: Veil) => boolean): Veil | null {
  const percent = maybeLeast(VEIL_MOST, (each) => isEnough({ colour, percent: each }));
  return percent === null ? null : { colour, percent };
}

/** How the owner of the picture behind a place lays a veil over it; null where none can be laid. */
function maybeVeiler(registry: Registry, project: Project, place: Place): [NodeId, LayVeil] | null {
  const owner = maybeGroundOwner(registry, project, at(place));
  const veil = owner && groundOf(registry, project, owner, heapOf(place.condition))?.veil;
  if (!owner || !veil) return null;
  return [owner, ({ colour, percent }) => veil(owner, colour, percent / 100) as Command[]];
}

/** Words on a piece and on all that it holds which can be read now. */
const readableOn = (registry: Registry, project: Project, owner: NodeId): readonly Place[] =>
  subtreeIds(project, owner)
    .flatMap((id) => wordsOf(registry, project, nodeOf(project, id)))
    .filter((place) => canBeRead(registry, project, place));

/** What a veil does for words that cannot be read over a picture. */
export interface Veiled {
  /** Lays the thinnest that does; null where none does, or each would spoil other words on the picture. */
  readonly mend: Fix | null;
  /** Why the thinnest is not offered, as a sentence; null where it is, or none would do. */
  readonly whyNot: string | null;
}

const nameOf = ({ colour, percent }: Veil): string =>
  `${percent} % ${colour === '#000000' ? 'black' : 'white'}`;

/**
 * The least opacity, in whole percent, of a black or white layer over the picture at which the text can be read, and
 * all other words on the picture still can.
 */
export function veiled(registry: Registry, project: Project, place: Place): Veiled {
  const [owner, lay] = maybeVeiler(registry, project, place) ?? [];
  if (!owner || !lay) return { mend: null, whyNot: null };
  const unread = (veil: Veil, places: readonly Place[]) => {
    const after = maybeAfter(registry, project, lay(veil));
    return after ? places.filter((each) => !canBeRead(registry, after, each)) : places;
  };
  const others = readableOn(registry, project, owner);
  const found = (['#000000', '#ffffff'] as const)
    .map((colour) => maybeThinnest(colour, (veil) => unread(veil, [place]).length === 0))
    .map((veil) => veil && { veil, spoilt: unread(veil, others) });
  const thinnest = compact(found).toSorted((one, other) => one.veil.percent - other.veil.percent);
  const best = thinnest.find(({ spoilt }) => spoilt.length === 0);
  if (!best) return { mend: null, whyNot: maybeWhyNot(thinnest) };
  const label = `Lay ${nameOf(best.veil)} behind the words, in ${nodeOf(project, owner).name}`;
  return { mend: { label, commands: lay(best.veil) }, whyNot: null };
}

/** Which words the thinnest of some veils would spoil; null where there is no veil. */
function maybeWhyNot([thinnest]: readonly { veil: Veil; spoilt: readonly Place[] }[]): string | null {
  if (!thinnest) return null;
  const { veil, spoilt } = thinnest;
  const [{ node, where }] = spoilt as [Place];
  const one = `${node.name}${where}`;
  const count = new Set(spoilt.map((each) => each.node)).size;
  const what = count > 1 ? `${count} others hard to read, among them ${one}` : `${one} hard to read`;
  return `${nameOf(veil)} behind it would do, but would make ${what}.`;
}

type CellOf = { readonly id: NodeId } & Pick<Place, 'part' | 'state' | 'condition'>;

const cellOf = ({ node, ...place }: Place): CellOf => ({ ...place, id: node.id });

const cellCommand = ({ id, part, state, condition }: CellOf, property: string, value: string): Command => ({
  type: 'set-style',
  id,
  part,
  state,
  condition,
  property,
  value
});

/** Whether something holds of the project once a cell of the state sheet has another value. */
function holdsWith(
  registry: Registry,
  project: Project,
  command: Command,
  holds: (after: Project) => boolean
): boolean {
  const after = maybeAfter(registry, project, [command]);
  return after !== null && holds(after);
}

/** The project with another value in a cell, as a try: without the checks and the steps of a command. */
function withCell(project: Project, { id, part, state, condition }: CellOf, property: string, value: string) {
  const node = nodeOf(project, id);
  const ofPart = node.styles[part] ?? {};
  const ofState = ofPart[state] ?? {};
  const declarations = { ...ofState[condition], [property]: value };
  const styles = {
    ...node.styles,
    [part]: { ...ofPart, [state]: { ...ofState, [condition]: declarations } }
  };
  const nodes = { ...project.nodes, [id]: { ...node, styles } };
  carryPlaces(project.nodes, nodes);
  return { ...project, nodes };
}

/** A colour that is looked for: in which cell, near which one, and how the cell's value is written with it. */
interface Sought {
  readonly cell: CellOf;
  readonly property: string;
  readonly near: string;
  readonly written?: (colour: string) => string;
}

/** The nearest colour with which something holds of the project; null where none is, or where it is refused. */
function maybeColourWith(
  registry: Registry,
  project: Project,
  { cell, property, near, written = (colour) => colour }: Sought,
  holds: (after: Project) => boolean
): string | null {
  const found = nearestColour(near, (each) => holds(withCell(project, cell, property, written(each))));
  if (found === null) return null;
  const command = cellCommand(cell, property, written(found));
  return holdsWith(registry, project, command, holds) ? found : null;
}

/**
 * The colour nearest to the text's own, on the way to black or white, that can be read; where none can, as over a
 * picture of many tones, a ground under it. Where the ground is that of a
 * state of something around it: the colour of words there, which the text may have to take from there, else the text's
 * own, which has to be read at rest as well, else the ground.
 */
export function maybeColourMend(registry: Registry, project: Project, place: Place): Fix | null {
  const { around, ...atRest } = place;
  const own = cellOf(place);
  if (!around)
    return (
      maybeNearest(registry, project, [place], own, 'color') ??
      maybeNearest(registry, project, [place], own, 'background-color')
    );
  const there: CellOf = { ...around, id: around.node, condition: 'always' };
  const both = [place, atRest];
  return (
    maybeNearest(registry, project, both, there, 'color') ??
    maybeTaken(registry, project, both, own) ??
    maybeNearest(registry, project, both, own, 'color') ??
    maybeNearest(registry, project, both, there, 'background-color')
  );
}

/** The colour of what the text stands on, where it can be read in some places. */
function maybeTaken(
  registry: Registry,
  project: Project,
  places: readonly Place[],
  cell: CellOf
): Fix | null {
  const command = cellCommand(cell, 'color', 'inherit');
  const isRead = (after: Project) => places.every((place) => canBeRead(registry, after, place));
  if (!holdsWith(registry, project, command, isRead)) return null;
  return { label: 'Give the text the colour of what it stands on', commands: [command] };
}

/** The nearest colour to what a cell has by which the text can be read in some places. */
function maybeNearest(
  registry: Registry,
  project: Project,
  places: readonly Place[],
  cell: CellOf,
  property: 'color' | 'background-color'
): Fix | null {
  const { id: node, part, state, condition } = cell;
  const now = resolve(registry, project, { node, part, state, conditions: heapOf(condition) }).get(
    property
  )!.value;
  const isRead = (after: Project) => places.every((place) => canBeRead(registry, after, place));
  const value = maybeColourWith(registry, project, { cell, property, near: now }, isRead);
  if (value === null) return null;
  const what = property === 'color' ? 'text' : 'ground';
  return { label: `Make the ${what} ${value}`, commands: [cellCommand(cell, property, value)] };
}

/** The ring's contrast in the worst of some states that the part may be in when it gets the focus. */
export const ringContrastIn = (
  registry: Registry,
  project: Project,
  place: Place,
  states: readonly StateName[]
): number =>
  Math.min(
    ...states.map((state) => ringContrast(registry, project, { ...at(place), besides: [state] }) ?? Infinity)
  );

const WORDS_COLOUR = 'currentcolor';

/** A ring with another colour in place of the written one, or with one where none is written. */
function inColour(ring: string, value: string): string {
  const written = maybeColourIn(ring) ?? ring.match(/currentcolor/i)?.[0];
  return written ? ring.replace(written, value) : `${ring} ${value}`;
}

/** The ring in the nearest colour that can be seen in each of some states, or else in that of the words. */
export function maybeRingMend(
  registry: Registry,
  project: Project,
  place: Place,
  states: readonly StateName[]
): Fix | null {
  const resolution = resolve(registry, project, at(place));
  const ring = resolution.get('outline')!.value;
  const written = (value: string) => inColour(ring, value);
  const mended = (value: string) => cellCommand(cellOf(place), 'outline', written(value));
  const isSeen = (after: Project) => ringContrastIn(registry, after, place, states) >= RING_LEAST;
  const near = maybeColourIn(ring) ?? resolution.get('color')!.value;
  const sought = { cell: cellOf(place), property: 'outline', near, written };
  const inWords = () => (holdsWith(registry, project, mended(WORDS_COLOUR), isSeen) ? WORDS_COLOUR : null);
  const value = maybeColourWith(registry, project, sought, isSeen) ?? inWords();
  if (value === null) return null;
  const name = value === WORDS_COLOUR ? 'the colour of its words' : value;
  return { label: `Make the ring ${name}`, commands: [mended(value)] };
}

/** Whether a state is seen to differ from rest, and its words can still be read. */
function isSeenChange(registry: Registry, project: Project, place: Place): boolean {
  const isSeen = (changeAgainstRest(registry, project, at(place))?.colour ?? 0) >= FAINT;
  return isSeen && (!place.hasText || staysReadable(registry, project, place));
}

/** As `canBeRead`; text whose colour cannot be worked out is let be. */
const staysReadable = (registry: Registry, project: Project, place: Place): boolean =>
  (textContrast(registry, project, at(place))?.least ?? TEXT_LEAST) >= TEXT_LEAST;

/** The state's own colour moved on until the change can be seen and its words can still be read. */
export function maybeChangeMend(registry: Registry, project: Project, place: Place): Fix | null {
  return firstGiven(['background-color', 'color', 'border-color'], (property) =>
    maybeChangeOf(registry, project, place, property)
  );
}

function maybeChangeOf(registry: Registry, project: Project, place: Place, property: string): Fix | null {
  const near = resolve(registry, project, at(place)).get(property)!.value;
  const cell = cellOf(place);
  const isSeen = (after: Project) => isSeenChange(registry, after, place);
  const value = maybeColourWith(registry, project, { cell, property, near }, isSeen);
  if (value === null) return null;
  const label = STYLE_PROPERTIES.get(property)!.label.toLowerCase();
  return { label: `Make its ${label} ${value}`, commands: [cellCommand(cell, property, value)] };
}
