import { easingOf, readEasing } from '../motion/easing';
import type { Token, TokenId, TokenType } from '../project/types';
import { ownOf } from '../data/record';
import { isTypeMember, readTypeStyle } from './type-style';

type Tokens = Readonly<Record<string, Token>>;

const USE = /\{([a-z][a-z0-9-]*)(?:\.([a-z-]+))?\}/g;

/** The property whose grammar a token's value must fit; a type style is not one value. */
export const TOKEN_PROPERTY: Readonly<Record<Exclude<TokenType, 'type-style'>, string>> = {
  colour: 'color',
  length: 'width',
  duration: 'transition-duration',
  easing: 'transition-timing-function',
  shadow: 'box-shadow',
  typeface: 'font-family',
  weight: 'font-weight',
  number: 'line-height'
};

/** @returns ids of the tokens a value names, in order. */
export const tokensIn = (value: string): TokenId[] =>
  [...value.matchAll(USE)].map((match) => match[1] as TokenId);

/**
 * @returns the token's id where the value is one token, or one value of a type style, and nothing else; else
 * null.
 */
export const maybeSoleToken = (value: string): TokenId | null =>
  (/^\{([a-z][a-z0-9-]*)(?:\.[a-z-]+)?\}$/.exec(value.trim())?.[1] as TokenId | undefined) ?? null;

/** @returns the value with every token in it as the interface names it. */
export const withNames = (value: string, tokens: Tokens): string =>
  value.replace(USE, (_use, id: string) => ownOf(tokens, id)?.name ?? id);

/** @returns the text with tokens under other ids; those the map does not name stay. */
export const mapTokens = (text: string, ids: ReadonlyMap<string, string>): string =>
  text.replace(USE, (use, id: string, member?: string) =>
    ids.has(id) ? useText(ids.get(id)!, member) : use
  );

const useText = (id: string, member?: string) => (member ? `{${id}.${member}}` : `{${id}}`);

export type Spelt =
  { readonly ok: true; readonly value: string } | { readonly ok: false; readonly sentence: string };

/**
 * Tokens that one value may come to name, through all steps; counted before they are written out, since each
 * may name two.
 */
const USES_MOST = 200;
/** Steps from a token to a plain value. */
const STEPS_MOST = 32;

/** A value with every token in it replaced by what it stands for, through as many steps as it takes. */
export function spelt(value: string, tokens: Tokens): Spelt {
  return value.includes('{') ? new Spelling(tokens).spell(value, []) : { ok: true, value };
}

/** One value being written out; counts what it comes to. */
class Spelling {
  private uses = 0;

  constructor(private readonly tokens: Tokens) {}

  spell(value: string, above: readonly string[]): Spelt {
    let sentence: string | null = null;
    const spelled = value.replace(USE, (use, id: string, member: string | undefined) => {
      if (sentence !== null) return '';
      const inner = this.use(use, id, member, above);
      if (inner.ok) return inner.value;
      sentence = inner.sentence;
      return '';
    });
    return sentence === null ? { ok: true, value: spelled } : { ok: false, sentence };
  }

  private use(use: string, id: string, member: string | undefined, above: readonly string[]): Spelt {
    const no = (sentence: string): Spelt => ({ ok: false, sentence });
    const token = ownOf(this.tokens, id);
    if (!token) return no(`There is no token called “${id}”.`);
    const own = valueOf(token, member);
    if (own === null) return no(notTakenAs(token, use));
    if (above.includes(id)) return no(`The tokens ${[...above, id].join(' → ')} name each other in a ring.`);
    if (above.length >= STEPS_MOST)
      return no(
        `${above[0]} goes through more than ${STEPS_MOST} tokens before it comes to a value. Let it name a later one.`
      );
    this.uses += 1;
    if (this.uses > USES_MOST)
      return no(
        `This comes to more than ${USES_MOST} tokens once they are written out. Let them name fewer others.`
      );
    return own.includes('{') ? this.spell(own, [...above, id]) : { ok: true, value: own };
  }
}

const notTakenAs = ({ id, name, type }: Token, use: string): string =>
  type === 'type-style'
    ? `${name} is a type style; one of its values is taken as {${id}.font-size}, not as ${use}.`
    : `${name} is no type style, so ${use} is nothing.`;

/** A token's value; of a type style the one that is asked for. Null where it has none such. */
function valueOf({ type, value }: Token, member: string | undefined): string | null {
  if (type !== 'type-style') return member === undefined ? value : null;
  return member === undefined ? null : maybeMember(value, member);
}

/** A value of a type style; null where it has none of that name, or cannot be read. */
function maybeMember(value: string, member: string): string | null {
  const read = readTypeStyle(value);
  return read.ok && isTypeMember(member) ? read.style[member] : null;
}

const SPRING = /spring\([^)]*\)/gi;

/** `spring()` is Kymation's own; CSS gets the `linear()` it comes to. One that cannot be read stays as it is. */
export const withoutSprings = (value: string): string =>
  /spring\(/i.test(value)
    ? value.replace(SPRING, (text) => (readEasing(text).ok ? easingOf(text).css : text))
    : value;

/** A stored value as CSS: tokens as custom properties, springs as `linear()`. */
export const printValue = (value: string): string =>
  withoutSprings(
    value.includes('{')
      ? value.replace(USE, (_use, id: string, member?: string) => `var(--${propertyName(id, member)})`)
      : value
  );

/** No id has an underscore in it, so a type style's values meet no other token's name. */
const propertyName = (id: string, member?: string) => (member ? `${id}_${member}` : id);

/** @returns a token as custom properties, without the two hyphens: one, or the five of a type style. */
export function customProperties({
  id,
  type,
  value
}: Token): { readonly id: string; readonly value: string }[] {
  if (type !== 'type-style') return [{ id, value: printValue(value) }];
  const read = readTypeStyle(value);
  return read.ok
    ? Object.entries(read.style).map(([member, each]) => ({
        id: propertyName(id, member),
        value: printValue(each)
      }))
    : [];
}
