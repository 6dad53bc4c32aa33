import { array, mixed, object, string } from 'yup';
import type { Registry } from '../kinds/registry';
import { maybeNode } from '../project/tree';
import { STATES, type NodeId, type Project, type StateName } from '../project/types';
import { define, no, type Refusal } from './define';

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

const place = object({ id: mixed<NodeId>((value): value is NodeId => typeof value === 'string').required(), part: string().required(), state: string().oneOf(STATES) }).noUnknown();

function refusedAt(project: Project, registry: Registry, { id, part, state }: LookAt): Refusal | null {
  const node = maybeNode(project, id);
  if (!node) return no('no-such-node', 'That piece is no longer on the page.');
  const anatomy = registry.kindOf(node.kind).anatomy[part];
  if (!anatomy) return no('no-such-part', `${node.name} has no part called “${part}”.`);
  return state && state !== 'rest' && !anatomy.states[state] ? no('no-such-state', `The ${anatomy.label} has no ${state} state.`) : null;
}

/**
 * Gives other parts, or other states, the whole look of one: what the kind starts with and what was set, under every condition.
 * What they had themselves goes. States the target does not have are left out.
 */
export const copyLook = define<CopyArgs>({
  type: 'copy-look',
  args: object({ from: place.required(), to: array().of(place.required()).min(1).required() }) as never,
  label: ({ to: [first, ...more] }, project) => `Copy the look to ${project.nodes[first!.id]?.name ?? 'piece'}, ${first!.part}${more.length ? ` and ${more.length} more` : ''}`,
  refusal(project, { from, to }, registry) {
    for (const each of [from, ...to]) {
      const wrong = refusedAt(project, registry, each);
      if (wrong) return wrong;
    }
    const mixedUp = to.find(({ state }) => (state === undefined) !== (from.state === undefined));
    return mixedUp ? no('state-or-part', 'A state is copied to a state, a whole part to a part.') : null;
  },
  run(draft, { from, to }, registry, project) {
    const source = project.nodes[from.id]!;
    const look = registry.kindOf(source.kind).look[from.part];
    const own = source.styles[from.part];
    for (const target of to) {
      const node = draft.nodes[target.id]!;
      const states = registry.kindOf(node.kind).anatomy[target.part]!.states;
      const pairs = from.state ? [[from.state, target.state!] as const] : STATES.filter((state) => state === 'rest' || states[state]).map((state) => [state, state] as const);
      for (const [there, here] of pairs) {
        const conditions = new Set([...Object.keys(look?.[there] ?? {}), ...Object.keys(own?.[there] ?? {})]);
        const merged: Record<string, Record<string, string>> = {};
        for (const condition of conditions) merged[condition] = { ...look?.[there]?.[condition as 'always'], ...own?.[there]?.[condition as 'always'] };
        const part = (node.styles[target.part] ??= {});
        if (JSON.stringify(part[here] ?? {}) === JSON.stringify(merged)) continue;
        if (Object.keys(merged).length > 0) part[here] = merged;
        else delete part[here];
      }
    }
  }
});
