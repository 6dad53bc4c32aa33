import type { AnySchema } from 'yup';
import type { FieldMeta, Kind } from '$core/kinds/contract';

/** A setting as the interface edits it; read off the kind's schema. */
export interface FieldSpec extends FieldMeta {
  readonly key: string;
  readonly label: string;
  readonly schema: AnySchema;
}

const known = new WeakMap<Kind, readonly FieldSpec[]>();

function allFields(kind: Kind): readonly FieldSpec[] {
  const fields = kind.settings.fields as Record<string, AnySchema>;
  return Object.entries(fields).flatMap(([key, schema]) => maybeField(key, schema) ?? []);
}

function maybeField(key: string, schema: AnySchema): FieldSpec | null {
  const meta = schema.meta()?.field;
  return meta ? { ...meta, key, label: schema.spec.label ?? key, schema } : null;
}

/** @returns whether a field is offered: one of what it needs is set, or is what it has to be (`fit=tile`). */
export function isOffered(
  { needs }: Pick<FieldMeta, 'needs'>,
  settings: Readonly<Record<string, unknown>>
): boolean {
  return !needs || needs.some((need) => isMet(need, settings));
}

function isMet(need: string, settings: Readonly<Record<string, unknown>>): boolean {
  const [key, value] = need.split('=') as [string, string?];
  return value === undefined ? Boolean(settings[key]) : settings[key] === value;
}

/** @param view left out: all of them. */
export function fieldsOf(kind: Kind, view?: FieldMeta['view']): readonly FieldSpec[] {
  let fields = known.get(kind);
  if (!fields) known.set(kind, (fields = allFields(kind)));
  return view ? fields.filter((field) => field.view === view) : fields;
}
