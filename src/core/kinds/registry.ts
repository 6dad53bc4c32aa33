import { remembered } from '../data/remembered';
import { BASE_KEYFRAMES } from './entrance';
import type { Effect, EffectAbout, Keyframes, Kind, KindAbout } from './contract';
import { withEffects } from './effects';

/** What of a piece says what it is and does. */
export interface Named {
  readonly kind: string;
  readonly effects?: readonly string[];
}

/** A kind in the list of all: what is known of it at once, and how its code comes. */
export interface KindEntry {
  readonly about: KindAbout;
  load(): Promise<Kind>;
}

export interface EffectEntry {
  readonly about: EffectAbout;
  load(): Promise<Effect>;
}

/** All kinds and all effects by name. The code of each comes when it is asked for. */
export interface Registry {
  readonly kinds: readonly KindAbout[];
  readonly effects: readonly EffectAbout[];
  /** Keyframes that rules may name: those every kind may, and those of effects. */
  readonly keyframes: Readonly<Record<string, Keyframes>>;
  /** Brings the code of what these pieces are and do; a name nobody knows brings nothing. */
  load(pieces: Iterable<Named>): Promise<void>;
  /** Brings the code of everything: for whoever reads foreign pieces, inserts, or has no first screen to wait for. */
  loadAll(): Promise<void>;
  /** @returns all kinds. Throws where the code of one has not been brought. */
  everyKind(): readonly Kind[];
  everyEffect(): readonly Effect[];
  /** Throws where no such kind is registered: documents are checked before they come here. */
  kindOf(name: string): Kind;
  /** @returns null for a name nobody knows. Throws for a kind whose code has not been brought. */
  maybeKindOf(name: string): Kind | null;
  /** @returns null for a name nobody knows. Throws for an effect whose code has not been brought. */
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

function checkWhole<T extends object>(each: T, what: string, required: readonly (keyof T)[]): void {
  const missing = required.filter((key) => each[key] === undefined);
  if (missing.length > 0) throw new Error(`${what} lacks ${missing.join(', ')}`);
}

function checkKind(kind: Kind): void {
  const what = `Kind ${JSON.stringify(kind.kind)}`;
  checkWhole(kind, what, REQUIRED);
  const strange = Object.keys(kind.look).filter((part) => !Object.hasOwn(kind.anatomy, part));
  if (strange.length > 0) throw new Error(`${what} gives a look to unknown parts: ${strange.join(', ')}`);
}

function checkEffect(effect: Effect): void {
  const what = `Effect ${JSON.stringify(effect.effect)}`;
  checkWhole(effect, what, REQUIRED_OF_EFFECT);
  // An effect is switched under conditions by this setting, so every effect has it.
  if (!Object.hasOwn(effect.settings.fields, 'on'))
    throw new Error(`${what} cannot be switched: it lacks “on”`);
}

/** The code of some entries by their names: what has come so far. */
class Loaded<T> {
  private readonly byName = new Map<string, T>();
  private readonly loaders = new Map<string, () => Promise<T>>();

  constructor(
    private readonly what: string,
    private readonly check: (entry: T) => void
  ) {}

  /** Throws, naming the entry, where one stands twice. */
  add(name: string, load: () => Promise<T>): void {
    if (this.loaders.has(name)) throw new Error(`${this.what} ${JSON.stringify(name)} is registered twice`);
    this.loaders.set(name, load);
  }

  async bring(name: string): Promise<void> {
    const load = this.loaders.get(name);
    if (!load || this.byName.has(name)) return;
    const entry = await load();
    this.check(entry);
    // Two that asked at once get the same object: what is remembered by it is found again.
    if (!this.byName.has(name)) this.byName.set(name, entry);
  }

  bringAll(): Promise<unknown> {
    return Promise.all([...this.loaders.keys()].map((name) => this.bring(name)));
  }

  maybe(name: string): T | null {
    const entry = this.byName.get(name);
    if (!entry && this.loaders.has(name))
      throw new Error(`The code of ${this.what.toLowerCase()} ${JSON.stringify(name)} has not been brought`);
    return entry ?? null;
  }
}

/** Throws, naming the entry, where one stands twice, and when it is brought, where it is incomplete. */
export function createRegistry(
  kindEntries: readonly KindEntry[],
  effectEntries: readonly EffectEntry[] = []
): Registry {
  const kinds = new Loaded<Kind>('Kind', checkKind);
  const effects = new Loaded<Effect>('Effect', checkEffect);
  for (const { about, load } of kindEntries) kinds.add(about.kind, load);
  for (const { about, load } of effectEntries) effects.add(about.effect, load);
  const effectNames = effectEntries.map(({ about }) => about.effect);
  const composed = new Map<string, Kind>();
  /** By the names as they are stored, which an edit of something else leaves the same list. */
  const composedLast = new WeakMap<readonly string[], { readonly kind: string; readonly made: Kind }>();
  const kindOf = (name: string): Kind => {
    const kind = kinds.maybe(name);
    if (!kind) throw new Error(`kindOf: no kind ${JSON.stringify(name)} is registered`);
    return kind;
  };
  return {
    kinds: kindEntries.map(({ about }) => about),
    effects: effectEntries.map(({ about }) => about),
    keyframes: Object.assign(
      { ...BASE_KEYFRAMES },
      ...[...kindEntries, ...effectEntries].map(({ about }) => about.keyframes)
    ),
    async load(pieces) {
      const all = [...pieces];
      const names = new Set(all.map(({ kind }) => kind));
      const effectsOf = new Set(all.flatMap((piece) => piece.effects ?? []));
      await Promise.all([
        ...[...names].map((name) => kinds.bring(name)),
        ...[...effectsOf].map((name) => effects.bring(name))
      ]);
    },
    async loadAll() {
      await Promise.all([kinds.bringAll(), effects.bringAll()]);
    },
    everyKind: () => kindEntries.map(({ about }) => kindOf(about.kind)),
    everyEffect: () => effectNames.map((name) => effects.maybe(name)!),
    kindOf,
    maybeKindOf: (name) => kinds.maybe(name),
    maybeEffectOf: (name) => effects.maybe(name),
    of({ kind, effects: named }) {
      if (!named || named.length === 0) return kindOf(kind);
      const last = composedLast.get(named);
      if (last?.kind === kind) return last.made;
      const own = effectNames.filter((name) => named.includes(name));
      const key = [kind, ...own].join(' ');
      const made = remembered(composed, key, () =>
        withEffects(
          kindOf(kind),
          own.map((name) => effects.maybe(name)!)
        )
      );
      composedLast.set(named, { kind, made });
      return made;
    }
  };
}
