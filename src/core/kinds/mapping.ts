import type { AnySchema } from 'yup';
import { mapTokens } from '../css/tokens';
import type { Adaptations, AssetId, Fragment, Json, Node, NodeId, Settings } from '../project/types';
import type { FieldMeta, Kind } from './contract';
import { CONTROLS } from './controls';
import type { Registry } from './registry';

/** Changes one setting of a piece; what the field is decides what its value means. */
export type ChangeSetting = (value: Json, field: FieldMeta) => Json;

/**
 * @returns the piece with `change` done to each of its settings, under conditions too; the same object where
 * nothing came out differently. Settings the kind does not know stay as they are.
 */
export function withChangedSettings(kind: Kind, node: Node, change: ChangeSetting): Node {
  const settings = changed(kind, node.settings, change);
  const adapt = changedUnderConditions(kind, node.adapt, change);
  return settings === node.settings && adapt === node.adapt ? node : { ...node, settings, adapt };
}

function changed(kind: Kind, settings: Settings, change: ChangeSetting): Settings {
  const fields = kind.settings.fields as Record<string, AnySchema>;
  let next: Record<string, Json> | null = null;
  for (const [key, value] of Object.entries(settings)) {
    const field = Object.hasOwn(fields, key) ? fields[key]!.meta()?.field : undefined;
    const now = field ? change(value, field) : value;
    if (now === value) continue;
    next ??= { ...settings };
    next[key] = now;
  }
  return next ?? settings;
}

function changedUnderConditions(kind: Kind, adapt: Adaptations, change: ChangeSetting): Adaptations {
  const now = Object.entries(adapt).map(
    ([condition, own]) => [condition, own && changed(kind, own, change)] as const
  );
  const isSame = now.every(([condition, own]) => own === adapt[condition as 'print']);
  return isSame ? adapt : (Object.fromEntries(now) as Adaptations);
}

/** Settings that name another piece: they follow it when it gets a new id. */
const namesPiece = ({ control }: FieldMeta) => CONTROLS[control].refers === 'piece';

/** @returns the piece with settings that name other pieces naming them by their new ids. */
export function withRenewedReferences(kind: Kind, node: Node, renamed: ReadonlyMap<NodeId, NodeId>): Node {
  return withChangedSettings(kind, node, (value, field) =>
    namesPiece(field) ? (renamed.get(value as NodeId) ?? value) : value
  );
}

/**
 * Does `change` to every text of a piece that may name tokens: cells, values of CSS, movements. Prose is no
 * such text.
 */
export function withChangedTokenTexts(kind: Kind, node: Node, change: (text: string) => string): Node {
  const next = withChangedSettings(
    kind,
    node,
    (value, { control }) => CONTROLS[control].withTokens?.(value, change) ?? value
  );
  const styles = changedTexts(next.styles as Json, change) as unknown as Node['styles'];
  return styles === next.styles ? next : { ...next, styles };
}

/** All texts in a tree of objects; the same object where none of them changed. */
function changedTexts(value: Json, change: (text: string) => string): Json {
  if (typeof value === 'string') return change(value);
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return value;
  const entries = Object.entries(value).map(([key, each]) => [key, changedTexts(each, change)] as const);
  return entries.every(([key, each]) => each === (value as Record<string, Json>)[key])
    ? value
    : Object.fromEntries(entries);
}

/** @returns the pieces with every token they take under its new id. */
export function withRenamedTokens(
  registry: Registry,
  { root, nodes }: Fragment,
  ids: ReadonlyMap<string, string>
): Fragment {
  const rename = (text: string) => mapTokens(text, ids);
  const renamed = Object.values(nodes).map(
    (node) => [node.id, withChangedTokenTexts(registry.of(node), node, rename)] as const
  );
  return { root, nodes: Object.fromEntries(renamed) as Fragment['nodes'] };
}

/** @returns every text of the pieces that may name tokens. */
export function tokenTextsOf(registry: Registry, { nodes }: Fragment): readonly string[] {
  const found: string[] = [];
  const note = (text: string) => {
    found.push(text);
    return text;
  };
  for (const node of Object.values(nodes)) withChangedTokenTexts(registry.of(node), node, note);
  return found;
}

/** @returns ids of the pictures and films that pieces show, under conditions too. */
export function assetsIn(registry: Registry, { nodes }: Fragment): ReadonlySet<AssetId> {
  const found = new Set<AssetId>();
  for (const node of Object.values(nodes)) {
    withChangedSettings(registry.of(node), node, (value, { control }) => {
      if (CONTROLS[control].refers === 'asset' && value !== '') found.add(value as AssetId);
      return value;
    });
  }
  return found;
}
