import { parseQuantity, printQuantity } from '../css/quantity';
import { STYLE_PROPERTIES } from '../css/properties';
import { maybeSoleToken, spelt } from '../css/tokens';
import type { Kind } from '../kinds/contract';
import type { Registry } from '../kinds/registry';
import { maybePlaceOf, nodeOf } from '../project/tree';
import type { ConditionName, Node, NodeId, Project, StateName, TokenId } from '../project/types';
import { cells } from './look';
import { impliedStates } from './states';
import { defined } from '../data/compact';
import { remembered } from '../data/remembered';

export interface At {
  readonly node: NodeId;
  readonly part: string;
  /** The state looked at; states it brings along (see `impliedStates`) count too. Default: rest. */
  readonly state?: StateName;
  /** States that hold as well, though it does not bring them along: the focus of what is chosen. Default: none. */
  readonly besides?: readonly StateName[];
  /** Conditions that hold. `always` need not be named. */
  readonly conditions?: readonly ConditionName[];
  /** A part around it that is in a state: a card under the pointer. Default: all around it is at rest. */
  readonly around?: PartInState;
}

export interface PartInState {
  readonly node: NodeId;
  readonly part: string;
  readonly state: StateName;
}

export interface Resolved {
  /** With what its tokens stand for. */
  readonly value: string;
  /** As it was written; a token stands as `{id}`. */
  readonly written: string;
  /** Set where the value is one token and nothing else. */
  readonly token?: TokenId;
  readonly origin:
    | { readonly from: 'own' | 'look'; readonly state: StateName; readonly condition: ConditionName }
    /** `node` and `part` say whose value it is. */
    | { readonly from: 'inherited'; readonly node: NodeId; readonly part: string }
    | { readonly from: 'initial' };
}

export type Resolution = ReadonlyMap<string, Resolved>;

/** What a property is where nothing is said of it, one object for the thousands of parts that have it. */
const INITIALS: ReadonlyMap<string, Resolved> = new Map(
  [...STYLE_PROPERTIES.values()].map(({ property, initial }) => [
    property,
    { value: initial, written: initial, origin: { from: 'initial' } }
  ])
);

const resolved = new WeakMap<Project, Map<string, Resolution>>();

/**
 * The value of every style property of a part in one state under some conditions, and where it came from.
 * What it says is what the browser computes for the exported page; a browser test holds it to that.
 * Remembered as long as the project is.
 */
export function resolve(registry: Registry, project: Project, at: At): Resolution {
  const known = remembered(resolved, project, () => new Map());
  return remembered(known, keyOf(at), () => freshResolution(registry, project, at));
}

/** A text that is the same for the same part in the same states under the same conditions. */
export function keyOf({ node, part, state = 'rest', besides, conditions, around }: At): string {
  const states = besides ? [state, ...besides].join('+') : state;
  const outer = around ? `${around.node} ${around.part} ${around.state}` : '';
  return `${node} ${part} ${states} ${conditions?.join(' ') ?? ''} ${outer}`;
}

function freshResolution(registry: Registry, project: Project, at: At): Resolution {
  const node = nodeOf(project, at.node);
  const conditions = new Set<ConditionName>(at.conditions ?? []).add('always');
  const kind = registry.of(node);
  const states = [...impliedStates(kind, at.state ?? 'rest', at.conditions ?? []), ...(at.besides ?? [])];
  const resolution = new Map<string, Resolved>();
  for (const cell of cells(kind, node, at.part)) {
    if (!states.includes(cell.state) || !conditions.has(cell.condition)) continue;
    const { from, state, condition } = cell;
    resolution.set(cell.property, { ...spelledOut(cell.value, project), origin: { from, state, condition } });
  }
  addInherited(registry, project, at, resolution);
  return resolution;
}

function spelledOut(written: string, project: Project): Pick<Resolved, 'value' | 'written' | 'token'> {
  if (!written.includes('{')) return { value: written, written };
  const spelled = spelt(written, project.tokens);
  const token = maybeSoleToken(written);
  return defined({ value: spelled.ok ? spelled.value : written, written, token: token ? token : undefined });
}

function addInherited(registry: Registry, project: Project, at: At, resolution: Map<string, Resolved>): void {
  const parent = maybeAbove(registry, project, at);
  const above = parent ? resolve(registry, project, parent) : null;
  const size = resolution.get('font-size');
  if (size)
    resolution.set('font-size', { ...size, value: absoluteSize(size.value, above?.get('font-size')?.value) });
  for (const { property, inherited } of STYLE_PROPERTIES.values()) {
    const declared = resolution.get(property);
    if (declared && declared.value !== 'inherit') continue;
    const from = inherited || declared ? above?.get(property) : undefined;
    resolution.set(property, from && parent ? handedDown(from, parent) : INITIALS.get(property)!);
  }
}

/** A value of what is around, as a part takes it from there. */
function handedDown(from: Resolved, { node, part }: At): Resolved {
  const { value, written, origin } = from;
  if (origin.from === 'initial' || origin.from === 'inherited') return from;
  return { value, written, origin: { from: 'inherited', node, part } };
}

/**
 * An `em` or `%` type size refers to the parent's (CSS Fonts 4, section 2.5), so it becomes px before
 * anything inherits it.
 */
function absoluteSize(value: string, parentSize: string | undefined): string {
  const size = parseQuantity(value);
  const parent = parseQuantity(parentSize ?? '16px');
  if (!size || !parent || parent.unit !== 'px') return value;
  if (size.unit === 'em') return printQuantity({ value: size.value * parent.value, unit: 'px' });
  if (size.unit === '%') return printQuantity({ value: (size.value / 100) * parent.value, unit: 'px' });
  return value;
}

/**
 * @returns the part that this one is drawn in, within the node or in the node around it; null at the page's
 * root.
 */
export function maybeParentPart(
  registry: Registry,
  project: Project,
  node: Node,
  part: string
): { readonly node: NodeId; readonly part: string } | null {
  const anatomy = registry.of(node).anatomy;
  const usual = part === 'root' ? null : 'root';
  const stands = anatomy[part]?.on;
  const on = stands === undefined ? usual : stands;
  if (on) return { node: node.id, part: on };
  const place = maybePlaceOf(project, node.id);
  if (!place) return null;
  const parent = nodeOf(project, place.parent);
  const outer = maybePlaceOf(project, parent.id);
  const owner = outer ? nodeOf(project, outer.parent) : null;
  const ownerSlot = owner && outer ? registry.of(owner).slots[outer.slot] : null;
  // Only an item that its owner draws stands in the owner's part; a column or a layer has an element of its own.
  if (owner && ownerSlot?.items && ownerSlot.part && !registry.of(parent).markup)
    return { node: owner.id, part: ownerSlot.part };
  return { node: parent.id, part: registry.of(parent).slots[place.slot]?.part ?? 'root' };
}

/** The part that a part is drawn on, as it is while that part is looked at; null at the page. */
export function maybeAbove(registry: Registry, project: Project, at: At): At | null {
  const node = nodeOf(project, at.node);
  const parent = maybeParentPart(registry, project, node, at.part);
  if (!parent) return null;
  const { around, conditions } = at;
  const isAround = around?.node === parent.node && around.part === parent.part;
  const shared = parent.node === at.node ? maybeSharedState(registry.of(node), at, parent.part) : undefined;
  if (!isAround) return defined({ ...parent, state: shared, conditions, around });
  // From here on up all is as it is without a part that is looked at in it.
  return defined({ ...parent, state: around.state, besides: shared ? [shared] : undefined, conditions });
}

/** What a part's state says of the part it is drawn on: both are under the pointer, both are of one open item. */
function maybeSharedState(kind: Kind, at: At, parent: string): StateName | undefined {
  const { seenIn } = kind.anatomy[at.part]!;
  if (seenIn) return seenIn;
  const { states } = kind.anatomy[parent]!;
  const held = impliedStates(kind, at.state ?? 'rest', at.conditions ?? []);
  return held.findLast((state) => states[state] !== undefined && reachesUp(kind, state));
}

/** The focus, and being selected or out of use, is of one part alone. */
const reachesUp = ({ states }: Kind, state: StateName): boolean =>
  state === 'hover' || state === 'pressed' || Object.hasOwn(states ?? {}, state);
