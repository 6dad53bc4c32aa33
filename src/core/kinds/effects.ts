import { object, type AnyObject, type AnySchema, type ObjectSchema } from 'yup';
import { defined } from '../data/compact';
import { isEmpty } from '../data/record';
import type { Element } from 'hast';
import type { Adaptations, Node, Settings } from '../project/types';
import type {
  Anatomy,
  Context,
  DrivenBy,
  Effect,
  EffectPlace,
  EffectValues,
  FieldMeta,
  Kind,
  OwnState
} from './contract';
import { fieldsOf, schemaDefaults } from './settings';

/** @returns the key under which a setting of an effect stands among those of a piece. */
export const effectKey = (effect: string, key: string): string => `${effect}-${key}`;

/** Whether a setting of a piece is one of an effect. */
export const isOfEffect = (effect: string, key: string): boolean => key.startsWith(`${effect}-`);

const prefixed = (effect: string, settings: Settings): Settings =>
  Object.fromEntries(Object.entries(settings).map(([key, value]) => [effectKey(effect, key), value]));

/** @returns the settings of an effect among those of a piece, under their own names. */
export function effectValues({ effect, settings }: Effect, all: EffectValues): EffectValues {
  const keys = Object.keys(settings.fields);
  return Object.fromEntries(keys.map((key) => [key, all[effectKey(effect, key)]]));
}

/**
 * What is set of an effect on a piece, under no condition, with its defaults filled in: for rules, which look at pieces
 * without the registry.
 */
export function ownValues<Own extends object>(
  effect: string,
  settings: { getDefault(): Own },
  node: Pick<Node, 'settings'>
): Own {
  const all = Object.entries(schemaDefaults(settings));
  return Object.fromEntries(
    all.map(([key, value]) => [key, node.settings[effectKey(effect, key)] ?? value])
  ) as Own;
}

/** A condition such as `indent=own` names a setting of the same effect. */
const needsOf = (effect: string, { needs }: FieldMeta): FieldMeta['needs'] =>
  needs?.map((need) => effectKey(effect, need));

function fieldOf(effect: Effect, field: AnySchema): AnySchema {
  const meta = field.meta()?.field;
  if (!meta) return field;
  const needs = needsOf(effect.effect, meta);
  const follows = meta.follows && effectKey(effect.effect, meta.follows);
  return field.meta({
    field: defined({ ...meta, needs, follows, effect: effect.effect, group: effect.label })
  });
}

const fieldsOfEffect = (effect: Effect) =>
  Object.fromEntries(
    fieldsOf(effect).map(([key, field]) => [effectKey(effect.effect, key), fieldOf(effect, field)])
  );

function settingsWith(kind: Kind, effects: readonly Effect[]): ObjectSchema<AnyObject> {
  const fields = effects.map(fieldsOfEffect);
  return object(Object.assign({ ...kind.settings.fields }, ...fields) as Record<string, AnySchema>);
}

/** What the kind and its effects do differently under each condition before anyone tunes them. */
function adaptWith({ adapt }: Kind, effects: readonly Effect[]): Adaptations {
  const merged: Record<string, Settings> = { ...adapt };
  for (const { effect, adapt: own = {} } of effects)
    for (const [condition, settings] of Object.entries(own))
      merged[condition] = { ...merged[condition], ...prefixed(effect, settings) };
  return merged;
}

const statesWith = ({ states }: Kind, effects: readonly Effect[]): Kind['states'] => {
  const all: Record<string, OwnState> = Object.assign({ ...states }, ...effects.map((each) => each.states));
  return isEmpty(all) ? undefined : all;
};

/** The root can be in the states of its effects, and with it all its parts. */
function anatomyWith({ anatomy }: Kind, effects: readonly Effect[]): Anatomy {
  const drawn = Object.fromEntries(effects.flatMap((each) => Object.entries(each.anatomy ?? {})));
  const own = effects
    .flatMap(({ states = {} }) => Object.entries(states))
    .filter(([, { selector }]) => selector !== undefined);
  if (own.length === 0) return { ...anatomy, ...drawn };
  const parts = Object.entries(anatomy).map(([name, part]) => {
    const states = own.map(([state, { selector }]) => [
      state,
      name === 'root' ? selector : `:is(&${selector} *)`
    ]);
    return [name, { ...part, states: { ...part.states, ...Object.fromEntries(states) } }] as const;
  });
  return { ...Object.fromEntries(parts), ...drawn };
}

/** Values of an effect as they are and under each condition where they differ. */
const variantsOf = (effect: Effect, node: Node, ctx: Context): readonly EffectValues[] =>
  ctx.variants<EffectValues>(node).map((settings) => effectValues(effect, settings));

const isEverOn = (variants: readonly EffectValues[]): boolean => variants.some(({ on }) => on === true);

function attributesOf(effects: readonly Effect[], node: Node, ctx: Context) {
  const found = effects.map((effect) => {
    const variants = variantsOf(effect, node, ctx);
    return isEverOn(variants) ? effect.attributes?.(variants, node) : {};
  });
  return Object.fromEntries(found.flatMap((each) => Object.entries(each ?? {})));
}

/** The part whose element holds the pieces in a piece of the kind. */
function holderOf({ slots }: Kind): string {
  const [slot] = Object.values(slots);
  // What stands around a list stands around all that belongs to it.
  return slot?.list ? 'root' : (slot?.part ?? 'root');
}

/** The element with what effects draw around the one that holds its pieces. */
function surrounded(
  element: Element,
  kind: Kind,
  effects: readonly Effect[],
  node: Node,
  ctx: Context
): Element {
  const drawing = effects.filter(({ around }) => around);
  return drawing.reduce((now, effect) => {
    const variants = variantsOf(effect, node, ctx);
    if (!isEverOn(variants)) return now;
    const around = (holder: Element) => effect.around!(holder, variants[0]!, node, ctx);
    return withPart(withIdInside(now, holderOf(kind)), holderOf(kind), around);
  }, element);
}

/** A browser opens what a link leads into, not what it leads to: the anchor of a piece goes to what it holds. */
function withIdInside(element: Element, holder: string): Element {
  const { id, ...rest } = element.properties;
  if (id === undefined || element.data?.mark?.part === holder) return element;
  const named = (found: Element) => ({ ...found, properties: { id, ...found.properties } });
  return withPart({ ...element, properties: rest }, holder, named);
}

/** The element with that of one of its parts put into another; of a part that is not there it stays as it is. */
function withPart(element: Element, part: string, around: (found: Element) => Element): Element {
  if (element.data?.mark?.part === part) return around(element);
  const children = element.children.map((child) =>
    child.type === 'element' ? withPart(child, part, around) : child
  );
  return children.every((child, n) => child === element.children[n]) ? element : { ...element, children };
}

function fromEffects<T>(
  effects: readonly Effect[],
  node: Node,
  ctx: Context,
  ask: (effect: Effect, variants: readonly EffectValues[]) => readonly T[] | undefined
): readonly T[] {
  return effects.flatMap((effect) => {
    const variants = variantsOf(effect, node, ctx);
    return isEverOn(variants) ? (ask(effect, variants) ?? []) : [];
  });
}

/** The heading an effect draws stands before what the piece holds, and so before a heading of the kind's own. */
function headingWith({ headingLevel }: Kind, effects: readonly Effect[]): Pick<Kind, 'headingLevel'> {
  const drawing = effects.find((each) => each.headingLevel);
  return defined({
    headingLevel: drawing ? effectKey(drawing.effect, drawing.headingLevel!) : headingLevel
  });
}

/**
 * @returns the kind as it is of a piece that does something besides: with the settings and states of its
 * effects. Everything that asks the kind of a piece asks this one, so nothing else has to know of effects.
 */
export function withEffects(kind: Kind, effects: readonly Effect[]): Kind {
  const { markup } = kind;
  return {
    ...kind,
    effects,
    settings: settingsWith(kind, effects),
    adapt: adaptWith(kind, effects),
    states: statesWith(kind, effects),
    anatomy: anatomyWith(kind, effects),
    look: Object.assign({ ...kind.look }, ...effects.map((each) => each.look)) as Kind['look'],
    ...headingWith(kind, effects),
    markup:
      markup &&
      ((node, ctx) => {
        const element = markup(node, ctx);
        const properties = { ...element.properties, ...attributesOf(effects, node, ctx) };
        return surrounded({ ...element, properties }, kind, effects, node, ctx);
      }),
    behaviours: (node, ctx) => [
      ...kind.behaviours(node, ctx),
      ...fromEffects(effects, node, ctx, (effect, variants) => effect.behaviours?.(variants, node, ctx))
    ]
  };
}

const ELSE = 'Take that off, or let something in it or around it do so.';

/** What sets a piece going twice, and why it cannot. */
const AT_ODDS: Readonly<Record<DrivenBy, Readonly<Partial<Record<DrivenBy, string>>>>> = {
  scroll: {
    scroll: `It follows the scroll already. ${ELSE}`,
    behind: `It follows the scroll already. ${ELSE}`,
    time: `It has a movement by time. ${ELSE}`
  },
  behind: {
    scroll: `It follows the scroll already. ${ELSE}`,
    behind: `It follows the scroll already. ${ELSE}`
  },
  time: { scroll: `It follows the scroll. ${ELSE}` }
};

/** @returns why what sets a piece going by an effect is at odds with what does already; null where it is not. */
function whyAtOdds({ effect, drivenBy }: Effect, { kind, driven }: EffectPlace): string | null {
  const own = drivenBy?.(kind);
  if (!own) return null;
  const others = Object.entries(driven).filter(([name]) => name !== effect);
  return others.map(([, other]) => AT_ODDS[own][other]).find((why) => why !== undefined) ?? null;
}

/** @returns why an effect can do nothing where a piece stands, and what to do instead; null where it can. */
export function whyUnfit(effect: Effect, place: EffectPlace): string | null {
  const { label, markup } = place.kind;
  if (markup) return effect.maybeUnfit(place) ?? whyAtOdds(effect, place);
  return `A ${label.toLowerCase()} is drawn by what it belongs to. Choose that, or something in it.`;
}
