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
    const meta = schema.meta()?.field;
    return meta ? [{ ...meta, key, label: schema.spec.label ?? key, schema }] : [];
  });
}

/** @param view left out: all of them. */
export function fieldsOf(kind: Kind, view?: FieldMeta['view']): readonly FieldSpec[] {
  let fields = known.get(kind);
  if (!fields) known.set(kind, (fields = allFields(kind)));
  return view ? fields.filter((field) => field.view === view) : fields;
}
