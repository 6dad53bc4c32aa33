import { array, mixed, object, string } from 'yup';
import type { Registry } from '../kinds/registry';
import { pairsOf } from '../project/alike';
import { maybeNode, nodeOf } from '../project/tree';
import { statesOf } from '../cascade/states';
import { ownOf } from '../data/record';
import type { Node, NodeId, Project, StateName, Styles } from '../project/types';
import { define, no, type Refusal } from './define';
import { andMore, gone, nameOf } from './words';
import { firstGiven } from '../data/first-given';

/** A part of a piece; with a state, just that state of it. */
export interface LookAt {
  readonly id: NodeId;
  readonly part: string;
  readonly state?: StateName;
}

interface CopyArgs {
  from: LookAt;
  to: readonly LookAt[];
}

const place = object({
  id: mixed<NodeId>((value): value is NodeId => typeof value === 'string').required(),
  part: string().required(),
  state: string()
}).noUnknown();

function refusedAt(project: Project, registry: Registry, { id, part, state }: LookAt): Refusal | null {
  const node = maybeNode(project, id);
  if (!node) return gone();
  const anatomy = registry.of(node).anatomy[part];
  if (!anatomy) return no('no-such-part', `${node.name} has no part called “${part}”.`);
  return state && state !== 'rest' && ownOf(anatomy.states, state) === undefined
    ? no('no-such-state', `The ${anatomy.label} has no ${state} state.`)
    : null;
}

/**
 * Gives other parts, or other states, the whole look of one: what the kind starts with and what was set,
 * under every condition. What they had themselves goes. States the target does not have are left out.
 */
export const copyLook = define<CopyArgs>()({
  type: 'copy-look',
  args: object({ from: place.required(), to: array().of(place.required()).min(1).required() }),
  label: ({ to: [first, ...more] }, project) =>
    `Copy the look to ${nameOf(project, first!.id)}, ${first!.part}${andMore(more)}`,
  refusal(project, { from, to }, registry) {
    const wrong = firstGiven([from, ...to], (each) => refusedAt(project, registry, each));
    if (wrong) return wrong;
    const mixedUp = to.find(({ state }) => (state === undefined) !== (from.state === undefined));
    return mixedUp ? no('state-or-part', 'A state is copied to a state, a whole part to a part.') : null;
  },
  run(draft, { from, to }, registry, project) {
    const source = project.nodes[from.id]!;
    const look = registry.of(source).look[from.part];
    const own = source.styles[from.part];
    const allStates = statesOf(registry.of(source));
    for (const target of to) {
      const node = draft.nodes[target.id]!;
      const states = registry.of(node).anatomy[target.part]!.states;
      const pairs = from.state
        ? [[from.state, target.state!] as const]
        : allStates
            .filter((state) => state === 'rest' || states[state])
            .map((state) => [state, state] as const);
      for (const [there, here] of pairs) {
        const conditions = new Set([...Object.keys(look?.[there] ?? {}), ...Object.keys(own?.[there] ?? {})]);
        const cellsOf = (condition: string) => ({
          ...look?.[there]?.[condition as 'always'],
          ...own?.[there]?.[condition as 'always']
        });
        const merged = Object.fromEntries(
          [...conditions].map((condition) => [condition, cellsOf(condition)])
        );
        const part = (node.styles[target.part] ??= {});
        if (JSON.stringify(part[here] ?? {}) === JSON.stringify(merged)) continue;
        if (Object.keys(merged).length > 0) part[here] = merged;
        else delete part[here];
      }
    }
  }
});

/**
 * Gives pieces like one the look of it and of all that is in it, part by part, where the same kinds stand in
 * the same places.
 */
export const giveLook = define<{ id: NodeId; to: readonly NodeId[] }>()({
  type: 'give-look',
  args: object({
    id: string().strict(true).required(),
    to: array().of(string().strict(true).required()).min(1).required()
  }),
  label: ({ id, to }, project) =>
    `Give the look of ${nameOf(project, id)} to ${to.length} other${to.length === 1 ? '' : 's'}`,
  refusal(project, { id, to }) {
    if ([id, ...to].some((each) => !maybeNode(project, each))) return gone();
    const strange = to.find((each) => project.nodes[each]!.kind !== project.nodes[id]!.kind);
    return strange
      ? no(
          'other-kind',
          `${project.nodes[strange]!.name} is of another kind than ${project.nodes[id]!.name}.`
        )
      : null;
  },
  run(draft, { id, to }, _registry, project) {
    for (const target of to) {
      for (const [from, here] of pairsOf(project, id, target)) {
        const styles = project.nodes[from]!.styles;
        if (JSON.stringify(styles) !== JSON.stringify(project.nodes[here]!.styles))
          draft.nodes[here]!.styles = JSON.parse(JSON.stringify(styles)) as never;
      }
    }
  }
});

const FILL = 'background-color';

function fillAtRest(registry: Registry, node: Node): string {
  const fillIn = ({ root }: Styles) => root?.rest?.always?.[FILL];
  return fillIn(node.styles) ?? fillIn(registry.of(node).look) ?? 'transparent';
}

/**
 * Gives a run of pieces two fills in turn: those of its first two, or none and the first's where they are the
 * same.
 */
export const alternateFills = define<{ ids: readonly NodeId[] }>()({
  type: 'alternate-fills',
  args: object({ ids: array().of(string().strict(true).required()).required() }),
  label: ({ ids }) => `Alternate the fills of ${ids.length} sections`,
  refusal(project, { ids }) {
    if (ids.some((each) => !maybeNode(project, each))) return gone();
    return ids.length < 3
      ? no(
          'too-few',
          'Two fills alternate over three sections or more. Pick them in the outline with Ctrl or Shift.'
        )
      : null;
  },
  run(draft, { ids }, registry, project) {
    const fillOf = (id: NodeId) => fillAtRest(registry, nodeOf(project, id));
    const [first, second] = [fillOf(ids[0]!), fillOf(ids[1]!)];
    const other = first === 'transparent' ? '#f2efe7' : 'transparent';
    const fills = [first, first === second ? other : second];
    ids.forEach((id, i) => {
      const value = fills[i % 2]!;
      if (fillOf(id) === value) return;
      const root = (draft.nodes[id]!.styles.root ??= {});
      ((root.rest ??= {}).always ??= {})[FILL] = value;
    });
  }
});
