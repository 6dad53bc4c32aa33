import { remembered } from '../data/remembered';
import { BASE_KEYFRAMES } from './entrance';
import type { Effect, Keyframes, Kind } from './contract';
import { withEffects } from './effects';

/** What of a piece says what it is and does. */
interface Named {
  readonly kind: string;
  readonly effects?: readonly string[];
}

/** All kinds and all effects by name. */
export interface Registry {
  readonly kinds: readonly Kind[];
  readonly effects: readonly Effect[];
  /** Keyframes that rules may name: those every kind may, and those of effects. */
  readonly keyframes: Readonly<Record<string, Keyframes>>;
  /** Throws where no such kind is registered: documents are checked before they come here. */
  kindOf(name: string): Kind;
  maybeKindOf(name: string): Kind | null;
  maybeEffectOf(name: string): Effect | null;
  /** @returns the kind of a piece with what its effects bring; the same object for the same effects. */
  of(piece: Named): Kind;
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

const REQUIRED_OF_EFFECT: readonly (keyof Effect)[] = [
  'effect',
  'label',
  'sign',
  'summary',
  'icon',
  'settings',
  'maybeUnfit',
  'style',
  'findings'
];

/** Entries by their names. Throws, naming the entry, where one lacks something or stands twice. */
function byName<T extends object>(
  all: readonly T[],
  name: keyof T,
  what: string,
  required: readonly (keyof T)[]
) {
  const found = new Map<string, T>();
  for (const each of all) {
    const own = `${what} ${JSON.stringify(each[name])}`;
    const missing = required.filter((key) => each[key] === undefined);
    if (missing.length > 0) throw new Error(`${own} lacks ${missing.join(', ')}`);
    if (found.has(String(each[name]))) throw new Error(`${own} is registered twice`);
    found.set(String(each[name]), each);
  }
  return found;
}

function checkParts({ kind, look, anatomy }: Kind): void {
  const strange = Object.keys(look).filter((part) => !Object.hasOwn(anatomy, part));
  if (strange.length > 0)
    throw new Error(`Kind ${JSON.stringify(kind)} gives a look to unknown parts: ${strange.join(', ')}`);
}

/** An effect is switched under conditions by this setting, so every effect has it. */
function checkSwitch({ effect, settings }: Effect): void {
  if (!Object.hasOwn(settings.fields, 'on'))
    throw new Error(`Effect ${JSON.stringify(effect)} cannot be switched: it lacks “on”`);
}

/** Throws, naming the kind, where one is incomplete, stands twice, or draws a part its anatomy does not have. */
export function createRegistry(kinds: readonly Kind[], effects: readonly Effect[] = []): Registry {
  const kindByName = byName(kinds, 'kind', 'Kind', REQUIRED);
  const effectByName = byName(effects, 'effect', 'Effect', REQUIRED_OF_EFFECT);
  kinds.forEach(checkParts);
  effects.forEach(checkSwitch);
  const composed = new Map<string, Kind>();
  const kindOf = (name: string): Kind => {
    const kind = kindByName.get(name);
    if (!kind) throw new Error(`kindOf: no kind ${JSON.stringify(name)} is registered`);
    return kind;
  };
  const known = (names: readonly string[]): readonly Effect[] =>
    effects.filter(({ effect }) => names.includes(effect));
  return {
    kinds,
    effects,
    keyframes: Object.assign({ ...BASE_KEYFRAMES }, ...effects.map((each) => each.keyframes)),
    kindOf,
    maybeKindOf: (name) => kindByName.get(name) ?? null,
    maybeEffectOf: (name) => effectByName.get(name) ?? null,
    of({ kind, effects: names }) {
      if (!names || names.length === 0) return kindOf(kind);
      const own = known(names);
      const key = [kind, ...own.map(({ effect }) => effect)].join(' ');
      return remembered(composed, key, () => withEffects(kindOf(kind), own));
    }
  };
}
