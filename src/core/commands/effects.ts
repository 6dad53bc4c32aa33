import { mixed, object, string } from 'yup';
import type { DrivenBy, Effect, EffectPlace, Kind } from '../kinds/contract';
import { effectKey, isOfEffect, whyUnfit } from '../kinds/effects';
import type { Registry } from '../kinds/registry';
import { maybeNode, maybePlaceOf, nodeOf } from '../project/tree';
import type { Json, NodeId, Project } from '../project/types';
import { define, no, type NodeDraft, type Refusal } from './define';
import { gone, nameOf } from './words';

interface EffectArgs {
  id: NodeId;
  effect: string;
}

const args = object({
  id: mixed<NodeId>((value): value is NodeId => typeof value === 'string').required(),
  effect: string().strict(true).required()
});

/** What sets a piece of a kind going by each of its effects. */
function drivenOf(registry: Registry, kind: Kind, does: readonly string[]): EffectPlace['driven'] {
  const found = does.map((name) => [name, registry.maybeEffectOf(name)?.drivenBy?.(kind)] as const);
  return Object.fromEntries(found.filter((each): each is [string, DrivenBy] => each[1] !== undefined));
}

/** @returns where an effect of a piece would stand. Throws where the piece is not in the project. */
export function effectPlace(registry: Registry, project: Project, id: NodeId): EffectPlace {
  const { kind: name, effects: does = [] } = nodeOf(project, id);
  const kind = registry.kindOf(name);
  const driven = drivenOf(registry, kind, does);
  const at = maybePlaceOf(project, id);
  if (!at) return { kind, does, driven, around: null };
  const owner = registry.of(nodeOf(project, at.parent));
  return { kind, does, driven, around: { kind: owner, slot: owner.slots[at.slot]! } };
}

function maybeRefused(project: Project, { id, effect }: EffectArgs, registry: Registry): Refusal | null {
  if (!maybeNode(project, id)) return gone();
  if (registry.maybeEffectOf(effect)) return null;
  return no('no-such-effect', `This version of Kymation has no effect called “${effect}”.`);
}

const has = (project: Project, { id, effect }: EffectArgs): boolean =>
  nodeOf(project, id).effects?.includes(effect) ?? false;

const labelOf = (registry: Registry, effect: string): string =>
  registry.maybeEffectOf(effect)?.label.toLowerCase() ?? effect;

/** Settings it starts with where it stands, under the names they have among those of the piece. */
function startOf(effect: Effect, place: EffectPlace): readonly (readonly [string, Json])[] {
  const own = effect.starts?.(place) ?? {};
  return Object.entries(own).map(([key, value]) => [effectKey(effect.effect, key), value]);
}

/** Tells a piece to do something: stick, enter. */
export const addEffect = define<EffectArgs>()({
  type: 'add-effect',
  args,
  label: ({ id, effect }, project, registry) => `${nameOf(project, id)} ${labelOf(registry, effect)}`,
  refusal(project, of, registry) {
    const refused = maybeRefused(project, of, registry);
    if (refused) return refused;
    const { name } = nodeOf(project, of.id);
    if (has(project, of)) return no('has-effect', `${name} does that already.`);
    const why = whyUnfit(registry.maybeEffectOf(of.effect)!, effectPlace(registry, project, of.id));
    return why === null ? null : no('unfit', why);
  },
  run(draft, { id, effect }, registry, project) {
    const node = draft.nodes[id]!;
    node.effects = [...(node.effects ?? []), effect];
    const place = effectPlace(registry, project, id);
    for (const [key, value] of startOf(registry.maybeEffectOf(effect)!, place)) node.settings[key] = value;
  }
});

function forget(settings: Record<string, unknown>, effect: string): void {
  for (const key of Object.keys(settings)) if (isOfEffect(effect, key)) delete settings[key];
}

/** Looks of parts that only the effect draws go with it, and those in states that only it brings about. */
function forgetLooks({ styles }: NodeDraft, { states = {}, anatomy = {} }: Effect): void {
  for (const [name, part] of Object.entries(styles)) {
    for (const state of Object.keys(states)) delete part[state];
    if (Object.hasOwn(anatomy, name) || Object.keys(part).length === 0) delete styles[name];
  }
}

function maybeLacking(project: Project, of: EffectArgs): Refusal | null {
  return has(project, of) ? null : no('no-effect', `${nodeOf(project, of.id).name} does not do that.`);
}

/** Takes an effect off a piece with everything that was set for it. */
export const removeEffect = define<EffectArgs>()({
  type: 'remove-effect',
  args,
  label: ({ id, effect }, project, registry) =>
    `${nameOf(project, id)} no longer ${labelOf(registry, effect)}`,
  refusal: (project, of, registry) => maybeRefused(project, of, registry) ?? maybeLacking(project, of),
  run(draft, { id, effect }, registry) {
    const node = draft.nodes[id]!;
    const left = node.effects!.filter((each) => each !== effect);
    if (left.length > 0) node.effects = left;
    else delete node.effects;
    forget(node.settings, effect);
    for (const [condition, own] of Object.entries(node.adapt)) {
      forget(own, effect);
      if (Object.keys(own).length === 0) delete node.adapt[condition];
    }
    forgetLooks(node, registry.maybeEffectOf(effect)!);
  }
});
