import { mixed, object, string, type AnySchema } from 'yup';
import { ownOf } from '../data/record';
import { STYLE_PROPERTIES } from '../css/properties';
import { checkValue } from '../css/values';
import {
  CONDITIONS,
  type ConditionName,
  type Json,
  type NodeId,
  type Project,
  type StateName
} from '../project/types';
import { hasWords } from '../project/ids';
import { maybeNode } from '../project/tree';
import { tokenFault } from '../kinds/fields';
import type { Registry } from '../kinds/registry';
import { conditionWords } from '../kinds/conditions';
import { define, no, schemaFault, type NodeDraft, type Refusal } from './define';
import { gone, maybeGone, nameOf } from './words';

const id = mixed<NodeId>((value): value is NodeId => typeof value === 'string').required();
export const NAME_MOST = 120;

function maybeNoName(name: string): Refusal | null {
  if (!hasWords(name))
    return no('no-name', 'A name cannot be empty. Type one, or press Esc to keep the old one.');
  if (name.length <= NAME_MOST) return null;
  return no('long-name', `A name can have ${NAME_MOST} characters at most.`);
}

export const rename = define<{ id: NodeId; name: string }>()({
  type: 'rename',
  args: object({ id, name: string().strict(true).defined() }),
  label: ({ name }) => `Rename to ${name.trim()}`,
  refusal(project, { id: node, name }) {
    return maybeGone(project, node) ?? maybeNoName(name.trim());
  },
  run(draft, { id: node, name }) {
    draft.nodes[node]!.name = name.trim();
  }
});

/** A setting as its field is labelled, in the middle of a sentence. */
function inWords(registry: Registry, project: Project, id: NodeId, key: string): string {
  const node = project.nodes[id];
  const fields = node ? (registry.of(node).settings.fields as Record<string, AnySchema>) : {};
  const label = ownOf(fields, key)?.spec.label;
  return label ? label.charAt(0).toLowerCase() + label.slice(1) : key;
}

/** ` of Name, on narrow`: the piece a setting is of, and the condition it is for. */
function ofPiece(project: Project, id: NodeId, condition: ConditionName): string {
  const where = condition === 'always' ? '' : `, ${conditionWords(condition)}`;
  return ` of ${nameOf(project, id)}${where}`;
}

interface SettingArgs {
  id: NodeId;
  key: string;
  /** What the field of the kind takes; looked at by its schema. */
  value: unknown;
  condition?: ConditionName;
}

const settingArgs = { id, key: string().required(), condition: string().oneOf(CONDITIONS) };

function settingRefusal(
  project: Project,
  registry: Registry,
  { id: nodeId, key, condition = 'always' }: Omit<SettingArgs, 'value'>
): Refusal | AnySchema {
  const node = maybeNode(project, nodeId);
  if (!node) return gone();
  const kind = registry.of(node);
  const field = ownOf(kind.settings.fields as Record<string, AnySchema>, key);
  if (!field) return no('no-such-setting', `${kind.label} has no setting called “${key}”.`);
  if (condition === 'always') return field;
  const meta = field.meta()?.field;
  const label = field.spec.label ?? key;
  if (!meta?.responsive) return no('not-responsive', `“${label}” is the same under every condition.`);
  const why = meta.fixed?.[condition];
  return why
    ? no('fixed-there', `“${label}” cannot be set for ${conditionWords(condition)}: ${why}.`)
    : field;
}

const isRefusal = (value: Refusal | AnySchema): value is Refusal => 'sentence' in value;

export const setSetting = define<SettingArgs>()({
  type: 'set-setting',
  args: object({ ...settingArgs, value: mixed().nullable().defined() }),
  label: ({ id: node, key, condition = 'always' }, project, registry) =>
    `Change ${inWords(registry, project, node, key)}${ofPiece(project, node, condition)}`,
  refusal(project, args, registry) {
    const field = settingRefusal(project, registry, args);
    if (isRefusal(field)) return field;
    const fault = schemaFault(field, args.value) ?? tokenFault(field, args.value, project.tokens);
    if (fault) return no('bad-setting', fault);
    const isMissing =
      field.meta()?.field?.control === 'asset' &&
      args.value &&
      !Object.hasOwn(project.assets, String(args.value));
    return isMissing ? no('no-such-asset', 'That picture is not in the project. Add it first.') : null;
  },
  run(draft, { id: nodeId, key, value, condition = 'always' }, registry, project) {
    const node = draft.nodes[nodeId]!;
    if (condition !== 'always') {
      if (isEqual(project.nodes[nodeId]!.adapt[condition]?.[key], value)) return;
      (node.adapt[condition] ??= {})[key] = value as Json;
      return;
    }
    const field = registry.of(node).settings.fields[key] as AnySchema;
    if (isEqual(field.getDefault(), value)) delete node.settings[key];
    else if (!isEqual(project.nodes[nodeId]!.settings[key], value)) node.settings[key] = value as Json;
  }
});

/**
 * Takes an own setting away, so that it is as it was before: as the kind has it, or as it is without the
 * condition.
 */
export const clearSetting = define<Omit<SettingArgs, 'value'>>()({
  type: 'clear-setting',
  args: object(settingArgs),
  label: ({ id: node, key, condition = 'always' }, project, registry) =>
    `Take back ${inWords(registry, project, node, key)}${ofPiece(project, node, condition)}`,
  refusal(project, args, registry) {
    const field = settingRefusal(project, registry, args);
    return isRefusal(field) ? field : null;
  },
  run(draft, { id: nodeId, key, condition = 'always' }) {
    const node = draft.nodes[nodeId]!;
    if (condition === 'always') {
      if (Object.hasOwn(node.settings, key)) delete node.settings[key];
      return;
    }
    const own = node.adapt[condition];
    if (!own || !Object.hasOwn(own, key)) return;
    delete own[key];
    if (Object.keys(own).length === 0) delete node.adapt[condition];
  }
});

/** Settings are small JSON values, tracks and icons among them. */
const isEqual = (a: unknown, b: unknown): boolean =>
  a === b || (typeof a === 'object' && typeof b === 'object' && JSON.stringify(a) === JSON.stringify(b));

interface StyleArgs {
  id: NodeId;
  part: string;
  state: StateName;
  condition: ConditionName;
  property: string;
  value: string | null;
}

const inPart = (part: string): string => (part === 'root' ? '' : `, ${part}`);
const onState = (state: StateName): string => (state === 'rest' ? '' : ` on ${state}`);

export const setStyle = define<StyleArgs>()({
  type: 'set-style',
  args: object({
    id,
    part: string().required(),
    state: string().required(),
    condition: string().oneOf(CONDITIONS).required(),
    property: string().required(),
    value: string().strict(true).nullable().defined()
  }),
  label: ({ id: node, part, state, property }, project) =>
    `${STYLE_PROPERTIES.get(property)?.label ?? property} of ${nameOf(project, node)}${inPart(part)}${onState(state)}`,
  refusal(project, { id: nodeId, part, state, property, value }, registry) {
    const node = maybeNode(project, nodeId);
    if (!node) return gone();
    const anatomy = ownOf(registry.of(node).anatomy, part);
    if (!anatomy) return no('no-such-part', `${node.name} has no part called “${part}”.`);
    if (state !== 'rest' && ownOf(anatomy.states, state) === undefined)
      return no('no-such-state', `The ${anatomy.label} has no ${state} state.`);
    if (!STYLE_PROPERTIES.has(property))
      return no('no-such-property', `“${property}” is not a property that can be set here.`);
    if (value === null) return null;
    const checked = checkValue(property, value, project.tokens);
    return checked.ok ? null : no('bad-value', checked.sentence);
  },
  run(draft, { id: nodeId, part, state, condition, property, value }, _registry, project) {
    const node = draft.nodes[nodeId]!;
    const known = node.styles[part]?.[state]?.[condition];
    if (value === null) {
      if (!known || !Object.hasOwn(known, property)) return;
      delete known[property];
      prune(node.styles, part, state, condition);
      return;
    }
    const checked = checkValue(property, value, project.tokens);
    if (!checked.ok || known?.[property] === checked.value) return;
    (((node.styles[part] ??= {})[state] ??= {})[condition] ??= {})[property] = checked.value;
  }
});

/** Empty branches go, so that "only what differs is stored" stays true and equal looks are equal objects. */
function prune(tree: NodeDraft['styles'], part: string, state: string, condition: string): void {
  if (Object.keys(tree[part]![state]![condition]!).length > 0) return;
  delete tree[part]![state]![condition];
  if (Object.keys(tree[part]![state]!).length > 0) return;
  delete tree[part]![state];
  if (Object.keys(tree[part]!).length === 0) delete tree[part];
}
