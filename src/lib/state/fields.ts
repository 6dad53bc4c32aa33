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
  return Object.entries(kind.settings.fields).flatMap(([key, each]) => {
    const schema = each as AnySchema;
    const { label, meta } = schema.describe();
    return meta?.field ? [{ ...meta.field, key, label: label ?? key, schema }] : [];
  });
}

export function fieldsOf(kind: Kind, view: FieldMeta['view']): readonly FieldSpec[] {
  let fields = known.get(kind);
  if (!fields) known.set(kind, (fields = allFields(kind)));
  return fields.filter((field) => field.view === view);
}
