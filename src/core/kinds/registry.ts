import type { Kind } from './contract';

/** All kinds by name. */
export interface Registry {
  readonly kinds: readonly Kind[];
  /** Throws where no such kind is registered: documents are checked before they come here. */
  kindOf(name: string): Kind;
  maybeKindOf(name: string): Kind | null;
}

const REQUIRED: readonly (keyof Kind)[] = [
  'kind',
  'label',
  'summary',
  'category',
  'icon',
  'insertable',
  'anatomy',
  'settings',
  'slots',
  'forms',
  'look',
  'create',
  'markup',
  'style',
  'behaviours',
  'fallbacks',
  'findings'
];

/** Throws, naming the kind, where one is incomplete, stands twice, or draws a part its anatomy does not have. */
export function createRegistry(kinds: readonly Kind[]): Registry {
  const byName = new Map<string, Kind>();
  for (const kind of kinds) {
    const missing = REQUIRED.filter((key) => kind[key] === undefined);
    if (missing.length > 0) throw new Error(`Kind ${JSON.stringify(kind.kind)} lacks ${missing.join(', ')}`);
    if (byName.has(kind.kind)) throw new Error(`Kind ${JSON.stringify(kind.kind)} is registered twice`);
    const strange = Object.keys(kind.look).filter((part) => !Object.hasOwn(kind.anatomy, part));
    if (strange.length > 0)
      throw new Error(
        `Kind ${JSON.stringify(kind.kind)} gives a look to unknown parts: ${strange.join(', ')}`
      );
    byName.set(kind.kind, kind);
  }
  return {
    kinds,
    maybeKindOf: (name) => byName.get(name) ?? null,
    kindOf(name) {
      const kind = byName.get(name);
      if (!kind) throw new Error(`kindOf: no kind ${JSON.stringify(name)} is registered`);
      return kind;
    }
  };
}
