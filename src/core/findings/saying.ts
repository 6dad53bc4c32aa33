import type { AnySchema } from 'yup';
import { compact } from '../data/compact';
import { remembered } from '../data/remembered';
import type { Kind } from '../kinds/contract';
import { CONTROLS } from '../kinds/controls';
import { fieldsOf } from '../kinds/settings';
import type { Registry } from '../kinds/registry';

/** The key of a setting, and what it is to a reader. */
export type SayingField = readonly [key: string, what: string];

function maybeSaying(key: string, field: AnySchema): SayingField | null {
  const meta = field.meta()?.field;
  const what = meta && CONTROLS[meta.control].says;
  return what && !meta?.names ? [key, what] : null;
}

const known = new WeakMap<Kind, readonly SayingField[]>();

/**
 * @returns the settings of a kind that a reader of the page gets to see or hear, each with what it is: words,
 * link or picture.
 */
export function sayingFields(registry: Registry, name: string): readonly SayingField[] {
  const kind = registry.kindOf(name);
  return remembered(known, kind, () =>
    compact(fieldsOf(kind).map(([key, field]) => maybeSaying(key, field)))
  );
}
