import { analyse } from '../../compile/analyse';
import { drawnParts } from '../../compile/parts';
import { maybeGroundOwner } from '../../cascade/contrast';
import { cells, type Cell } from '../../cascade/look';
import { maybeParentPart, type At, type PartInState } from '../../cascade/resolve';
import { impliedStates, isPointed, statesOf } from '../../cascade/states';
import { defined } from '../../data/compact';
import { CIRCUMSTANCES, heapOf } from '../../kinds/circumstances';
import { conditionWords } from '../../kinds/conditions';
import type { Kind, Part } from '../../kinds/contract';
import type { Registry } from '../../kinds/registry';
import { nodeOf } from '../../project/tree';
import type { ConditionName, Node, Project, StateName } from '../../project/types';

/** A part of a piece in one state under one condition. */
export interface Place {
  readonly node: Node;
  readonly part: string;
  readonly label: string;
  readonly hasText: boolean;
  readonly state: StateName;
  readonly condition: ConditionName;
  /** A part around it that is in a state; what is told is then about the two together. */
  readonly around?: PartInState;
  /** States and condition in words, as they follow in a sentence; empty at rest under none. */
  readonly where: string;
}

/** @returns the place as `resolve` and what stands on it take it. */
export const at = ({ node, part, state, condition, around }: Place): At =>
  defined({ node: node.id, part, state, conditions: heapOf(condition), around });

/** Names of states that hold together, and the condition, as they end a sentence. */
function wordsFor({ states }: Kind, together: readonly StateName[], condition: ConditionName): string {
  const names = together
    .filter((state) => state !== 'rest')
    .map((state) => (states?.[state]?.label ?? state).replace(', ', ' and '));
  const on = names.length === 0 ? '' : ` on ${names.join(' and ')}`;
  return condition === 'always' ? on : `${on}, ${conditionWords(condition)}`;
}

/** `where` of a place in which another state holds as well. */
export const whereBesides = (kind: Kind, { state, condition }: Place, other: StateName): string =>
  wordsFor(kind, [state, other], condition);

type Drawn = readonly [part: string, anatomy: Part];

function placeOf(
  kind: Kind,
  node: Node,
  [part, { label, hasText = false }]: Drawn,
  state: StateName,
  condition: ConditionName
): Place {
  return { node, part, label, hasText, state, condition, where: wordsFor(kind, [state], condition) };
}

/** States of a part that can be seen: a disabled control need not be (WCAG 2.2, 1.4.3). */
const visibleStates = (kind: Kind, { states }: Part): readonly StateName[] =>
  statesOf(kind).filter((state) => state !== 'disabled' && (state === 'rest' || states[state]));

/** Parts of a piece that really stand in its markup. */
export function drawnAnatomy(registry: Registry, project: Project, node: Node): readonly Drawn[] {
  const drawn = drawnParts(analyse(registry, project, node));
  return Object.entries(registry.of(node).anatomy).filter(([part]) => drawn.has(part));
}

const ALL_CONDITIONS: readonly ConditionName[] = ['always', ...CIRCUMSTANCES];

/** Conditions under which a part can be in any of its states. On paper nothing is pointed at. */
const IN_USE: readonly ConditionName[] = ['always', 'medium', 'narrow', 'touch', 'less-motion'];

/** Which cells win in a state under some conditions, by their numbers: what is alike looks alike. Empty for none. */
function winners(
  kind: Kind,
  declared: readonly Cell[],
  state: StateName,
  conditions: readonly ConditionName[]
): string {
  const states = impliedStates(kind, state, conditions);
  const won = new Map<string, number>();
  declared.forEach((cell, i) => {
    const holds = cell.condition === 'always' || conditions.includes(cell.condition);
    if (holds && states.includes(cell.state)) won.set(cell.property, i);
  });
  return [...won.values()].toSorted((one, other) => one - other).join();
}

/** Conditions that can change anything: those that are declared, and touch, under which nothing is pointed at. */
function conditionsOf(kind: Kind, declared: readonly Cell[]): readonly ConditionName[] {
  const said = new Set(declared.map(({ condition }) => condition)).add('always');
  if (declared.some(({ state }) => isPointed(kind, state))) said.add('touch');
  return ALL_CONDITIONS.filter((condition) => said.has(condition));
}

/**
 * Whether a state under a condition looks otherwise than each lesser place does: the states that hold along with it,
 * and the same state without the condition.
 */
function isNew(kind: Kind, declared: readonly Cell[], state: StateName, condition: ConditionName): boolean {
  const isSaid = declared.some((cell) => cell.state === state && cell.condition === condition);
  if (!isSaid && !IN_USE.includes(condition)) return false;
  const heap = heapOf(condition);
  const own = winners(kind, declared, state, heap);
  const along = impliedStates(kind, state, heap).filter((each) => each !== state);
  const isAsAlong = along.some((each) => winners(kind, declared, each, heap) === own);
  const isAsWithout = condition !== 'always' && winners(kind, declared, state, heap.slice(0, -1)) === own;
  return own !== '' && !isAsAlong && !isAsWithout;
}

/**
 * Every part, state and condition in which some properties are otherwise than in any lesser place.
 * @param isAsked which parts and states are looked at. Default: all.
 */
export function placesOf(
  registry: Registry,
  project: Project,
  node: Node,
  properties: readonly string[],
  isAsked: (part: Part, state: StateName) => boolean = () => true
): readonly Place[] {
  const kind = registry.of(node);
  return drawnAnatomy(registry, project, node).flatMap((drawn) => {
    const [part, anatomy] = drawn;
    const declared = cells(kind, node, part).filter(({ property }) => properties.includes(property));
    if (declared.length === 0) return [];
    const states = visibleStates(kind, anatomy).filter((state) => isAsked(anatomy, state));
    const conditions = conditionsOf(kind, declared);
    return states.flatMap((state) =>
      conditions
        .filter((condition) => isNew(kind, declared, state, condition))
        .map((condition) => placeOf(kind, node, drawn, state, condition))
    );
  });
}

/** Whether a part has words of its own: the root of a container has text only in what it holds. */
export const writesOwnText = (registry: Registry, { node, part }: Pick<Place, 'node' | 'part'>): boolean =>
  part !== 'root' || Object.keys(registry.of(node).slots).length === 0;

/** Every part of a piece that has words of its own, at rest. */
export const wordsOf = (registry: Registry, project: Project, node: Node): readonly Place[] =>
  drawnAnatomy(registry, project, node)
    .filter(([part, { hasText }]) => hasText && writesOwnText(registry, { node, part }))
    .map((drawn) => placeOf(registry.of(node), node, drawn, 'rest', 'always'));

const isAtRest = ({ state, condition }: Place): boolean => state === 'rest' && condition === 'always';

/**
 * A part that stands on a picture is looked at even where nothing is declared on it: the picture is what
 * matters.
 * @param seen places that are looked at already.
 */
export function restOverPicture(
  registry: Registry,
  project: Project,
  node: Node,
  seen: readonly Place[]
): readonly Place[] {
  const known = new Set(seen.filter(isAtRest).map(({ part }) => part));
  return wordsOf(registry, project, node)
    .filter(({ part }) => !known.has(part))
    .filter(({ part }) => maybeGroundOwner(registry, project, { node: node.id, part }));
}

const OF_GROUND = ['color', 'background-color'];

/**
 * States of the parts around one, up to the page, that show another ground there or give it other words; without those
 * that a part is in together with one that it stands in, such as a header of an open item.
 */
function statesAround(registry: Registry, project: Project, node: Node, part: string): readonly Place[] {
  const own = registry.of(node).anatomy[part]!.states;
  const found: Place[] = [];
  for (let now = maybeParentPart(registry, project, node, part); now;) {
    const owner = nodeOf(project, now.node);
    const kind = registry.of(owner);
    const drawn: Drawn = [now.part, kind.anatomy[now.part]!];
    const declared = cells(kind, owner, now.part).filter(({ property }) => OF_GROUND.includes(property));
    const isOther = (state: StateName) =>
      state !== 'rest' && state !== 'disabled' && !(owner === node && own[state] !== undefined);
    for (const state of new Set(declared.map((cell) => cell.state)))
      if (isOther(state)) found.push(placeOf(kind, owner, drawn, state, 'always'));
    now = maybeParentPart(registry, project, owner, now.part);
  }
  return found;
}

/** ` on hover of Press card`, ` on open of the item of Questions`. */
const wordsForAround = ({ node, part, label, where }: Place): string =>
  part === 'root' ? `${where} of ${node.name}` : `${where} of the ${label} of ${node.name}`;

/** A part with words, and a part around it whose ground it stands on. */
export interface Within {
  readonly atRest: Place;
  /** The part around it, in a state. */
  readonly around: Place;
  /** The part at rest while the one around it is in that state. */
  readonly place: Place;
}

/** Every part with words, at rest, while a part around it is in a state that shows another ground there. */
export function placesWithin(registry: Registry, project: Project, node: Node): readonly Within[] {
  return wordsOf(registry, project, node).flatMap((atRest) =>
    statesAround(registry, project, node, atRest.part).map((around) => {
      const { part, state } = around;
      const where = wordsForAround(around);
      return { atRest, around, place: { ...atRest, around: { node: around.node.id, part, state }, where } };
    })
  );
}
