import type { AnyObject, AnySchema, ObjectSchema } from 'yup';
import { remembered } from '../data/remembered';
import type { Node } from '../project/types';
import type { Kind } from './contract';

const defaultsOf = new WeakMap<object, object>();
/** By the settings as they are stored: copies of a piece share them. */
const settingsOf = new WeakMap<
  Node['settings'],
  { readonly kind: Kind; readonly filled: Record<string, unknown> }
>();

/** @returns what a schema has where nothing is set; the same object for the same schema. */
export const schemaDefaults = <T extends object>(schema: { getDefault(): T }): Readonly<T> =>
  remembered(defaultsOf, schema, () => schema.getDefault() ?? {}) as T;

/** @returns the settings a new piece of the kind has; the same object for the same kind. */
export const defaultSettings = ({ settings }: Kind): Record<string, unknown> =>
  schemaDefaults<object>(settings) as Record<string, unknown>;

/** @returns the settings with the kind's defaults filled in; the same object for the same settings. */
export function settingsWithDefaults(kind: Kind, node: Node): Record<string, unknown> {
  const known = settingsOf.get(node.settings);
  if (known?.kind === kind) return known.filled;
  const defaults = defaultSettings(kind);
  const filled =
    Object.keys(node.settings).length === 0 ? defaults : Object.freeze({ ...defaults, ...node.settings });
  settingsOf.set(node.settings, { kind, filled });
  return filled;
}

/** @returns the settings of a piece with the defaults of their schema filled in, for rules that carry no kind. */
export const ownSettings = <T extends AnyObject>(schema: ObjectSchema<T>, { settings }: Node): T =>
  ({ ...schemaDefaults<object>(schema), ...settings }) as T;

/** @returns the schema of every setting of a kind, by its key. */
export const fieldsOf = ({
  settings
}: Pick<Kind, 'settings'>): readonly (readonly [key: string, field: AnySchema])[] =>
  Object.entries(settings.fields as Record<string, AnySchema>);
