import type { AnySchema } from 'yup';
import { subtreeIds } from '../project/tree';
import type { ConditionName, Json, Node, NodeId, Project, Settings } from '../project/types';
import type { FieldMeta } from './contract';
import { CONTROLS } from './controls';
import type { Described } from './finding';

/** A setting of one piece that names another, by its id or by the anchor that links reach it at. */
export interface Reference {
  readonly from: Node;
  readonly key: string;
  readonly condition: ConditionName;
  /** What the field is called. */
  readonly label: string;
  /** As it stands in the setting: an id, or `#anchor`. */
  readonly to: string;
}

/** What tells the settings of any piece. */
interface Kinds {
  of(piece: Node): Pick<Described, 'settings'>;
}

type Field = Pick<FieldMeta, 'control'>;

const isByAnchor = ({ control }: Field, value: Json): value is string =>
  CONTROLS[control].says === 'link' && typeof value === 'string' && value.startsWith('#');

const isById = ({ control }: Field, value: Json): value is string =>
  CONTROLS[control].refers === 'piece' && typeof value === 'string' && value !== '';

/** @returns what the settings of a piece name, as they are and under every condition. */
export function referencesOf(kinds: Kinds, node: Node): readonly Reference[] {
  const fields = kinds.of(node).settings.fields as Record<string, AnySchema>;
  const all = [['always', node.settings], ...Object.entries(node.adapt)] as [ConditionName, Settings][];
  return all.flatMap(([condition, own]) =>
    Object.entries(own).flatMap(([key, value]): Reference[] => {
      const schema = Object.hasOwn(fields, key) ? fields[key]! : null;
      const field = schema?.meta()?.field;
      if (!field || !(isById(field, value) || isByAnchor(field, value))) return [];
      return [{ from: node, key, condition, label: schema?.spec.label ?? key, to: value }];
    })
  );
}

/** Everything that a reference to a piece may say. */
const namesOf = ({ id, settings: { anchor } }: Node): readonly string[] => {
  const named = [id, `#${id}`];
  return anchor ? [...named, `#${String(anchor)}`] : named;
};

/** @returns what names any of these pieces or what is in them, from outside of them. */
export function referencesInto(kinds: Kinds, project: Project, ids: readonly NodeId[]): readonly Reference[] {
  const within = new Set(ids.flatMap((id) => subtreeIds(project, id)));
  const names = new Set([...within].flatMap((id) => namesOf(project.nodes[id]!)));
  return Object.values(project.nodes)
    .filter(({ id }) => !within.has(id))
    .flatMap((node) => referencesOf(kinds, node))
    .filter(({ to }) => names.has(to));
}
