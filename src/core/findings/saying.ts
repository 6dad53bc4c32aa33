import type { AnySchema } from 'yup';
import type { Registry } from '../kinds/registry';

/** Settings that say something to a reader, by the editor they have. */
const SAYS: Readonly<Record<string, string>> = {
  text: 'words',
  rich: 'words',
  link: 'link',
  asset: 'picture'
};

const saying = new WeakMap<Registry, Map<string, readonly (readonly [key: string, what: string])[]>>();

/**
 * @returns the settings of a kind that a reader of the page gets to see or hear, each with what it is: words,
 * link or picture.
 */
export function sayingFields(registry: Registry, kind: string): readonly (readonly [string, string])[] {
  let byKind = saying.get(registry);
  if (!byKind) saying.set(registry, (byKind = new Map()));
  let fields = byKind.get(kind);
  if (!fields) {
    fields = Object.entries(registry.kindOf(kind).settings.fields as Record<string, AnySchema>).flatMap(
      ([key, field]) => {
        const meta = field.meta()?.field;
        const what = SAYS[meta?.control ?? ''];
        return what && !meta?.names ? [[key, what] as const] : [];
      }
    );
    byKind.set(kind, fields);
  }
  return fields;
}
