import type { AnySchema } from 'yup';
import { fieldsOf as schemasOf } from '$core/kinds/settings';
import type { FieldMeta, Kind } from '$core/kinds/contract';
import { remembered } from '$core/data/remembered';
import type { View } from './workbench.svelte';

/** A setting as the interface edits it; read off the kind's schema. */
export interface FieldSpec extends FieldMeta {
  readonly key: string;
  readonly label: string;
  readonly schema: AnySchema;
}

/** The view of the tuning sheet that a setting stands in. */
export const VIEW_OF: Readonly<Record<FieldSpec['view'], View>> = {
  fill: 'Fill',
  behaviour: 'Behaviour',
  timing: 'Timing',
  fallbacks: 'Fallbacks'
};

const known = new WeakMap<Kind, readonly FieldSpec[]>();

function allFields(kind: Kind): readonly FieldSpec[] {
  return schemasOf(kind).flatMap(([key, schema]) => maybeField(key, schema) ?? []);
}

function maybeField(key: string, schema: AnySchema): FieldSpec | undefined {
  const meta = schema.meta()?.field;
  return meta && { ...meta, key, label: schema.spec.label ?? key, schema };
}

/** @param view left out: all of them. */
export function fieldsOf(kind: Kind, view?: FieldMeta['view']): readonly FieldSpec[] {
  const fields = remembered(known, kind, () => allFields(kind));
  return view ? fields.filter((field) => field.view === view) : fields;
}
