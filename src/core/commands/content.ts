import { mixed, object, string, type AnySchema } from 'yup';
import { STYLE_PROPERTIES } from '../css/properties';
import { checkValue } from '../css/values';
import { CONDITIONS, STATES, type AssetId, type ConditionName, type Json, type NodeId, type StateName } from '../project/types';
import { maybeNode } from '../project/tree';
import { define, no, schemaFault, type NodeDraft } from './define';

const id = mixed<NodeId>((value): value is NodeId => typeof value === 'string').required();
export const NAME_MOST = 120;

export const rename = define({
  type: 'rename',
  args: object({ id, name: string().strict(true).defined() }),
  label: ({ name }) => `Rename to ${name.trim()}`,
  refusal(project, { id: node, name }) {
    if (!maybeNode(project, node)) return no('no-such-node', 'That piece is no longer on the page.');
    if (name.trim() === '') return no('no-name', 'A name cannot be empty. Type one, or press Esc to keep the old one.');
    if (name.trim().length > NAME_MOST) return no('long-name', `A name can have ${NAME_MOST} characters at most.`);
    return null;
  },
  run(draft, { id: node, name }) {
    draft.nodes[node]!.name = name.trim();
  }
});

interface SettingArgs {
  id: NodeId;
  key: string;
  value: Json;
}

export const setSetting = define<SettingArgs>({
  type: 'set-setting',
  args: object({ id, key: string().required(), value: mixed().nullable().defined() }) as never,
  label: ({ id: node, key }, project) => `Change ${key} of ${project.nodes[node]?.name ?? 'piece'}`,
  refusal(project, { id: nodeId, key, value }, registry) {
    const node = maybeNode(project, nodeId);
    if (!node) return no('no-such-node', 'That piece is no longer on the page.');
    const kind = registry.kindOf(node.kind);
    const field = kind.settings.fields[key] as AnySchema | undefined;
    if (!field) return no('no-such-setting', `${kind.label} has no setting called “${key}”.`);
    const fault = schemaFault(field, value);
    if (fault) return no('bad-setting', fault);
    const meta = field.meta()?.field;
    const isMissing = meta?.control === 'asset' && value && !project.assets[value as AssetId];
    return isMissing ? no('no-such-asset', 'That picture is not in the project. Add it first.') : null;
  },
  run(draft, { id: nodeId, key, value }, registry) {
    const node = draft.nodes[nodeId]!;
    const field = registry.kindOf(node.kind).settings.fields[key] as AnySchema;
    if (field.getDefault() === value) delete node.settings[key];
    else if (node.settings[key] !== value) node.settings[key] = value;
  }
});

interface StyleArgs {
  id: NodeId;
  part: string;
  state: StateName;
  condition: ConditionName;
  property: string;
  value: string | null;
}

export const setStyle = define<StyleArgs>({
  type: 'set-style',
  args: object({
    id,
    part: string().required(),
    state: string().oneOf(STATES).required(),
    condition: string().oneOf(CONDITIONS).required(),
    property: string().required(),
    value: string().strict(true).nullable().defined()
  }) as never,
  label: ({ id: node, part, state, property }, project) =>
    `${STYLE_PROPERTIES.get(property)?.label ?? property} of ${project.nodes[node]?.name ?? 'piece'}${part === 'root' ? '' : `, ${part}`}${state === 'rest' ? '' : ` on ${state}`}`,
  refusal(project, { id: nodeId, part, state, property, value }, registry) {
    const node = maybeNode(project, nodeId);
    if (!node) return no('no-such-node', 'That piece is no longer on the page.');
    const anatomy = registry.kindOf(node.kind).anatomy[part];
    if (!anatomy) return no('no-such-part', `${node.name} has no part called “${part}”.`);
    if (state !== 'rest' && !anatomy.states[state]) return no('no-such-state', `The ${anatomy.label} has no ${state} state.`);
    if (!STYLE_PROPERTIES.has(property)) return no('no-such-property', `“${property}” is not a property that can be set here.`);
    if (value === null) return null;
    const checked = checkValue(property, value);
    return checked.ok ? null : no('bad-value', checked.sentence);
  },
  run(draft, { id: nodeId, part, state, condition, property, value }) {
    const node = draft.nodes[nodeId]!;
    const known = node.styles[part]?.[state]?.[condition];
    if (value === null) {
      if (!known || !(property in known)) return;
      delete known[property];
      prune(node.styles, part, state, condition);
      return;
    }
    const checked = checkValue(property, value);
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
