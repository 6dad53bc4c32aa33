import type { Root, RootContent } from 'hast';
import { object, string, type AnySchema, type mixed } from 'yup';
import { checkValue } from '../css/values';
import { defined } from '../data/compact';
import { emptyRecord, isEmpty, ownOf } from '../data/record';
import { cleanHtml, escapeHtml } from '../html/clean';
import type { Kind, Slot } from '../kinds/contract';
import { CONTROLS } from '../kinds/controls';
import { effectKey } from '../kinds/effects';
import { tokenFault } from '../kinds/fields';
import { maybeItemKind } from '../kinds/items';
import type { Registry } from '../kinds/registry';
import { childIds, maybeNode, maybePlaceOf, nodeOf } from '../project/tree';
import type { Former, Json, Node, NodeId, Project, Settings, StateName, Styles } from '../project/types';
import { asDraft, define, no, schemaFault, type Refusal } from './define';
import { refusedAt } from './structure';
import { nameOf } from './words';

const isOfWords = (field: AnySchema): boolean => {
  const control = field.meta()?.field?.control;
  return control !== undefined && CONTROLS[control].says === 'words';
};

const BLOCKS: ReadonlySet<string> = new Set(['blockquote', 'br', 'h2', 'h3', 'h4', 'li', 'p']);

/** What is read of an element; what stands in lines of its own is apart from the next. */
function textIn(node: Root | RootContent): string {
  if (node.type === 'text') return node.value;
  if (!('children' in node)) return '';
  const text = node.children.map(textIn).join('');
  return node.type === 'element' && BLOCKS.has(node.tagName) ? `${text} ` : text;
}

const plain = (html: string): string => textIn(cleanHtml(html)).replace(/\s+/g, ' ').trim();

type Field = readonly [key: string, schema: AnySchema];

/** The setting of a kind that holds its words; null where it has none. */
const wordsOf = (kind: Kind): Field | null =>
  Object.entries(kind.settings.fields as Record<string, AnySchema>).find(([, field]) => isOfWords(field)) ??
  null;

const isRich = (field: AnySchema): boolean => field.meta()?.field?.control === 'rich';

const isTaken = (field: AnySchema | undefined, value: Json): boolean =>
  field?.isValidSync(value, { strict: true }) ?? false;

/** Words as another kind has them; null where nobody has written any, or it cannot take them. */
function maybeWordsAs(settings: Settings, [key, source]: Field, [, target]: Field): string | null {
  const words = settings[key];
  if (typeof words !== 'string' || words === '' || words === source.getDefault()) return null;
  const converted = isRich(target) ? `<p>${escapeHtml(words)}</p>` : plain(words);
  const value = isRich(source) === isRich(target) ? words : converted;
  return value !== target.getDefault() && isTaken(target, value) ? value : null;
}

/** Whether words are marked up in both, or in neither: marked-up ones are no plain ones, though called the same. */
const areAlike = ([, one]: Field, other: Field | null): boolean =>
  other === null || isRich(one) === isRich(other[1]);

/** Settings of the same name that the other kind takes, and its words, whatever each calls them. */
function keptSettings({ settings, was }: Node, from: Kind, to: Kind): Settings {
  const fields = to.settings.fields as Record<string, AnySchema>;
  const [source, target] = [wordsOf(from), wordsOf(to)];
  const isConverted = (key: string) => key === source?.[0] && !areAlike(source, target);
  const kept = filtered(settings, (key, value) => !isConverted(key) && isTaken(ownOf(fields, key), value));
  if (!source || !target || Object.hasOwn(kept, target[0])) return kept;
  const words = maybeWordsAs(settings, source, target);
  const former = was?.[to.kind];
  const given = former && maybeWordsAs(former.settings, target, source);
  // Words that are as they came when it was swapped come back as they were, with what is bold or a link in them.
  const isAsGiven = given === settings[source[0]];
  return words === null || isAsGiven ? kept : { ...kept, [target[0]]: words };
}

/** Where a child goes in another kind, and as what: what lists items of its own makes them what it lists. */
interface Placed {
  readonly slot: string;
  /** The kind it becomes; its own where it stays what it is. */
  readonly kind: string;
  /** What it does then. */
  readonly effects: readonly string[];
}

/** Whether a piece as another kind has a place for all that is in it. */
const holdsAll = ({ slots }: Node, kind: Kind, was: Kind): boolean =>
  Object.entries(slots).every(
    ([slot, ids]) => ids.length === 0 || isAlike(kind.slots[slot], was.slots[slot])
  );

const isAlike = (a: Slot | undefined, b: Slot | undefined): boolean =>
  a !== undefined && b !== undefined && b.accepts.every((category) => a.accepts.includes(category));

/** What an item becomes in another list: a column a panel; null where it cannot. */
function maybeBecomes(registry: Registry, item: Node, slot: Slot): string | null {
  const kind = maybeItemKind(registry, slot);
  return kind && holdsAll(item, kind, registry.of(item)) ? kind.kind : null;
}

const doesOf = ({ effects = [] }: Node): readonly string[] => effects;

/** An item of a list as a piece by itself, with a header of its own in place of its label. */
function maybeUnlisted(item: Node, was: Kind, to: Kind): Placed | null {
  const slot = Object.keys(to.slots)[0]!;
  if (!to.unlists || !holdsAll(item, to, was)) return null;
  return { slot, kind: to.kind, effects: [...doesOf(item), to.unlists] };
}

/** A piece that has a header of its own as an item of a list. */
function maybeListed(registry: Registry, piece: Node, from: Kind, to: Kind): Placed | null {
  if (!from.unlists || !doesOf(piece).includes(from.unlists)) return null;
  const effects = doesOf(piece).filter((effect) => effect !== from.unlists);
  return maybeItem(registry, piece, to, effects);
}

const listsOf = (kind: Kind, areItems: boolean): readonly (readonly [string, Slot])[] =>
  Object.entries(kind.slots).filter(([, { items = false }]) => items === areItems);

function maybeItem(registry: Registry, piece: Node, to: Kind, effects: readonly string[]): Placed | null {
  const found = listsOf(to, true).map(([slot, each]) => [slot, maybeBecomes(registry, piece, each)] as const);
  const [slot, kind] = found.find(([, name]) => name !== null) ?? [];
  return slot === undefined ? null : { slot, kind: kind!, effects };
}

/**
 * The slot that a child stood in when its owner was of that kind; one that has come since goes with the child before
 * it. Null where none stood in any.
 */
function maybeFormerSlot(owner: Node, child: NodeId, to: Kind): string | null {
  const slots = Object.entries(owner.was?.[to.kind]?.slots ?? {});
  const slotOf = (each: NodeId) => slots.find(([, ids]) => ids.includes(each))?.[0];
  const upToIt = childIds(owner).slice(0, childIds(owner).indexOf(child) + 1);
  const known = upToIt.findLast((each) => slotOf(each) !== undefined);
  return known ? slotOf(known)! : null;
}

/**
 * The slot of another kind that a child can stand in: the one it stood in before, or else the first; null where there
 * is none. What one owner lists, another that lists things can take; what stands by itself goes into no list, unless
 * it has a header of its own.
 */
function placedIn(project: Project, registry: Registry, child: NodeId, to: Kind): Placed | null {
  const node = nodeOf(project, child);
  const at = maybePlaceOf(project, child)!;
  const owner = nodeOf(project, at.parent);
  const from = registry.of(owner);
  const isItem = from.slots[at.slot]!.items ?? false;
  const { category } = registry.of(node);
  const fitting = listsOf(to, isItem).filter(([, { accepts }]) => accepts.includes(category));
  const stood = maybeFormerSlot(owner, child, to);
  const [same] = fitting.find(([slot]) => slot === stood) ?? fitting[0] ?? [];
  if (same) return { slot: same, kind: node.kind, effects: doesOf(node) };
  if (!isItem) return maybeListed(registry, node, from, to);
  return maybeItem(registry, node, to, doesOf(node)) ?? maybeUnlisted(node, registry.of(node), to);
}

/** What a state of one kind is called in another: one of its own stands for a common one, and back. */
function stateThere(from: Kind, to: Kind, state: StateName): StateName {
  if (to.states && Object.hasOwn(to.states, state)) return state;
  const common = from.states?.[state]?.like ?? state;
  const own = Object.entries(to.states ?? {}).find(([, { like }]) => like === common);
  return own?.[0] ?? common;
}

type Adaptations = Node['adapt'];

/** What differs under conditions, as far as the other kind has a setting for it that may. */
function keptAdaptations({ adapt }: Node, to: Kind): Adaptations {
  const fields = to.settings.fields as Record<string, AnySchema>;
  const mayDiffer = (condition: string, key: string, value: Json): boolean => {
    const field = ownOf(fields, key);
    const meta = field?.meta()?.field;
    const isResponsive = meta?.responsive === true && meta.fixed?.[condition as 'print'] === undefined;
    return isResponsive && isTaken(field, value);
  };
  return eachCondition(adapt, (own, condition) =>
    filtered(own, (key, value) => mayDiffer(condition, key, value))
  );
}

const filtered = <T>(record: Readonly<Record<string, T>>, isWanted: (key: string, value: T) => boolean) =>
  Object.fromEntries(Object.entries(record).filter(([key, value]) => isWanted(key, value)));

/** Settings under each condition, changed; conditions that have none left go. */
function eachCondition(
  adapt: Adaptations,
  change: (own: Settings, condition: string) => Settings
): Adaptations {
  const changed = Object.entries(adapt).map(
    ([condition, own]) => [condition, change(own!, condition)] as const
  );
  return Object.fromEntries(changed.filter(([, own]) => !isEmpty(own)));
}

type PartStyles = Styles[string];

/** Looks of the parts and states that the other kind has too. */
function keptStyles({ styles }: Node, from: Kind, to: Kind): Styles {
  const kept = Object.entries(styles).flatMap(([part, own]) => {
    const states = ownOf(to.anatomy, part)?.states;
    const there = states ? keptStates(own, from, to, states) : {};
    return isEmpty(there) ? [] : [[part, there] as const];
  });
  return Object.fromEntries(kept);
}

function keptStates(own: PartStyles, from: Kind, to: Kind, states: object): PartStyles {
  const kept = Object.entries(own).flatMap(([state, conditions]) => {
    const there = stateThere(from, to, state);
    return there === 'rest' || Object.hasOwn(states, there) ? [[there, conditions] as const] : [];
  });
  return Object.fromEntries(kept);
}

/** Looks that the other kind has no part or no state for. */
function lostStyles({ styles }: Node, from: Kind, to: Kind): Styles {
  const lost = Object.entries(styles).map(([part, own]) => {
    const states: object = ownOf(to.anatomy, part)?.states ?? {};
    const hasPart = Object.hasOwn(to.anatomy, part);
    const isKept = (state: string) => {
      const there = stateThere(from, to, state);
      return hasPart && (there === 'rest' || Object.hasOwn(states, there));
    };
    return [part, filtered(own as Record<string, object>, (state) => !isKept(state))] as const;
  });
  return Object.fromEntries(lost.filter(([, own]) => !isEmpty(own))) as Styles;
}

/** Where children stand, in a kind that has several places for them; undefined in one that has not. */
const placesIn = (node: Node): Former['slots'] =>
  Object.keys(node.slots).length > 1 && childIds(node).length > 0 ? node.slots : undefined;

/** What another kind has no place for, or has otherwise. */
function lostTo(node: Node, from: Kind, to: Kind, kept: Former): Former {
  const isLost = (own: Settings | undefined) => (key: string, value: Json) =>
    !own || !Object.hasOwn(own, key) || own[key] !== value;
  return defined({
    settings: filtered(node.settings, isLost(kept.settings)),
    adapt: eachCondition(node.adapt, (own, condition) =>
      filtered(own, isLost(kept.adapt[condition as 'print']))
    ),
    styles: lostStyles(node, from, to),
    slots: placesIn(node)
  });
}

const isNothing = ({ settings, adapt, styles, slots }: Former): boolean =>
  isEmpty(settings) && isEmpty(adapt) && isEmpty(styles) && slots === undefined;

/** Settings that may still stand: tokens they name may have gone meanwhile. */
function valid(settings: Settings, kind: Kind, tokens: Project['tokens']): Settings {
  const fields = kind.settings.fields as Record<string, AnySchema>;
  return filtered(settings, (key, value) => {
    const field = ownOf(fields, key);
    return field !== undefined && !schemaFault(field, value) && !tokenFault(field, value, tokens);
  });
}

/** Looks of one kind with those of another laid over them, cell by cell. */
function overlaid(below: Styles, above: Styles, tokens: Project['tokens']): Styles {
  const made = emptyRecord<Record<string, Record<string, Record<string, string>>>>();
  for (const styles of [below, above])
    for (const [part, states] of Object.entries(styles))
      for (const [state, conditions] of Object.entries(states))
        for (const [condition, declarations] of Object.entries(conditions!))
          for (const [property, value] of Object.entries(declarations!))
            if (checkValue(property, value, tokens).ok)
              (((made[part] ??= {})[state] ??= {})[condition] ??= {})[property] = value;
  return { ...made };
}

/** What the piece keeps, with what it had before as that kind behind it. */
function withFormer(kept: Former, former: Former | undefined, to: Kind, tokens: Project['tokens']): Former {
  if (!former) return kept;
  const conditions = new Set([...Object.keys(former.adapt), ...Object.keys(kept.adapt)]);
  const adapt = [...conditions].map((name) => {
    const before = valid(former.adapt[name as 'print'] ?? {}, to, tokens);
    return [name, { ...before, ...kept.adapt[name as 'print'] }] as const;
  });
  return {
    settings: { ...valid(former.settings, to, tokens), ...kept.settings },
    adapt: Object.fromEntries(adapt),
    styles: overlaid(former.styles, kept.styles, tokens)
  };
}

/** What the piece had as other kinds, for when it is swapped back; undefined for nothing. */
function wasAfter({ kind, was }: Node, to: string, lost: Former): Node['was'] {
  const { [to]: _back, ...others } = was ?? {};
  const all = isNothing(lost) ? others : { ...others, [kind]: lost };
  return isEmpty(all) ? undefined : all;
}

interface Becoming {
  readonly kind: string;
  readonly effects: readonly string[];
  readonly slots: Readonly<Record<string, readonly NodeId[]>>;
}

/** Settings that effects start with which the piece has not had so far. */
function startsOf(registry: Registry, node: Node, effects: readonly string[], kind: Kind): Settings {
  const added = effects.filter((effect) => !doesOf(node).includes(effect));
  const all = added.flatMap((name) => {
    const starts = registry.maybeEffectOf(name)?.starts?.({ kind, does: [], driven: {}, around: null }) ?? {};
    return Object.entries(starts).map(([key, value]) => [effectKey(name, key), value] as const);
  });
  return Object.fromEntries(all);
}

/** A piece as another kind, with what it keeps; the rest waits for when it is swapped back. */
function become(project: Project, registry: Registry, node: Node, { kind, effects, slots }: Becoming): Node {
  const [from, to] = [registry.of(node), registry.of({ ...node, kind, effects })];
  const kept: Former = {
    settings: { ...startsOf(registry, node, effects, to), ...keptSettings(node, from, to) },
    adapt: keptAdaptations(node, to),
    styles: keptStyles(node, from, to)
  };
  const { was: _was, effects: _effects, ...rest } = node;
  const was = wasAfter(node, kind, lostTo(node, from, to, kept));
  const now = withFormer(kept, node.was?.[kind], to, project.tokens);
  const does = effects.length > 0 ? effects : undefined;
  return defined({ ...rest, kind, ...now, slots, was, effects: does }) as Node;
}

interface SwapArgs {
  id: NodeId;
  kind: string;
}

export const swap = define<SwapArgs>()({
  type: 'swap',
  args: object({
    id: string().strict(true).required() as unknown as ReturnType<typeof mixed<NodeId>>,
    kind: string().strict(true).required()
  }),
  label: ({ id, kind }, project) => `Swap ${nameOf(project, id)} for ${kind}`,
  refusal(project, { id, kind: name }, registry): Refusal | null {
    const at = maybeNode(project, id) && maybePlaceOf(project, id);
    if (!at) return no('root', 'The page itself cannot be swapped.');
    const node = nodeOf(project, id);
    const kind = registry.maybeKindOf(name);
    if (!kind) return no('unknown-kind', `This version of Kymation has no kind called “${name}”.`);
    if (kind.kind === node.kind)
      return no('same-kind', `${node.name} is a ${kind.label.toLowerCase()} already.`);
    const wrong = refusedAt(project, registry, name, at);
    if (wrong) return wrong;
    const places = childIds(node).map((child) => placedIn(project, registry, child, kind));
    const lost = childIds(node)[places.indexOf(null)];
    if (lost)
      return no(
        'would-lose',
        `${kind.label} has no place for ${nodeOf(project, lost).name}. Take it out first, or unwrap ${node.name}.`
      );
    const isShort = Object.entries(kind.slots).some(
      ([slot, { least = 0 }]) => places.filter((place) => place?.slot === slot).length < least
    );
    if (isShort)
      return no(
        'needs-items',
        `${kind.label} starts with pieces of its own. Insert it, and move things into it.`
      );
    return null;
  },
  run(draft, { id, kind: name }, registry, project) {
    const node = nodeOf(project, id);
    const to = registry.of({ ...node, kind: name });
    const slots: Record<string, NodeId[]> = Object.fromEntries(
      Object.keys(to.slots).map((slot) => [slot, []])
    );
    for (const child of childIds(node)) {
      const { slot, kind, effects } = placedIn(project, registry, child, to)!;
      slots[slot]!.push(child);
      const item = nodeOf(project, child);
      const becoming = { kind, effects, slots: item.slots };
      if (kind !== item.kind) draft.nodes[child] = asDraft(become(project, registry, item, becoming));
    }
    draft.nodes[id] = asDraft(become(project, registry, node, { kind: name, effects: doesOf(node), slots }));
  }
});
