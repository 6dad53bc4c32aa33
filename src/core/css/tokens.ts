import { easingOf, readEasing } from '../motion/easing';
import type { Token, TokenId, TokenType } from '../project/types';
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
export const tokensIn = (value: string): TokenId[] => [...value.matchAll(USE)].map((match) => match[1] as TokenId);

/** @returns the token's id where the value is one token, or one value of a type style, and nothing else; else null. */
export const maybeSoleToken = (value: string): TokenId | null => (/^\{([a-z][a-z0-9-]*)(?:\.[a-z-]+)?\}$/.exec(value.trim())?.[1] as TokenId | undefined) ?? null;

/** @returns the value with every token in it as the interface names it. */
export const withNames = (value: string, tokens: Tokens): string => value.replace(USE, (_use, id: string) => tokens[id]?.name ?? id);

/** @returns the text with tokens under other ids; those the map does not name stay. */
export const mapTokens = (text: string, ids: ReadonlyMap<string, string>): string => text.replace(USE, (use, id: string, member?: string) => (ids.has(id) ? `{${ids.get(id)!}${member ? `.${member}` : ''}}` : use));

export type Spelt = { readonly ok: true; readonly value: string } | { readonly ok: false; readonly sentence: string };

/** A value with every token in it replaced by what it stands for, through as many steps as it takes. */
export function spelt(value: string, tokens: Tokens, above: readonly string[] = []): Spelt {
  if (!value.includes('{')) return { ok: true, value };
  let sentence = '';
  const spelled = value.replace(USE, (use, id: string, member: string | undefined) => {
    const token = Object.hasOwn(tokens, id) ? tokens[id]! : null;
    if (!token) sentence ||= `There is no token called “${id}”.`;
    const own = token && valueOf(token, member);
    if (token && own === null) sentence ||= token.type === 'type-style' ? `${token.name} is a type style; one of its values is taken as {${id}.font-size}, not as ${use}.` : `${token.name} is no type style, so ${use} is nothing.`;
    if (above.includes(id)) sentence ||= `The tokens ${[...above, id].join(' → ')} name each other in a ring.`;
    if (!token || own === null || sentence) return '';
    const inner = spelt(own, tokens, [...above, id]);
    if (inner.ok) return inner.value;
    sentence ||= inner.sentence;
    return '';
  });
  return sentence ? { ok: false, sentence } : { ok: true, value: spelled };
}

/** A token's value; of a type style the one that is asked for. Null where it has none such. */
function valueOf({ type, value }: Token, member: string | undefined): string | null {
  if (type !== 'type-style') return member === undefined ? value : null;
  const read = readTypeStyle(value);
  return read.ok && member !== undefined && isTypeMember(member) ? read.style[member] : null;
}

const SPRING = /spring\([^)]*\)/gi;

/** `spring()` is Kymation's own; CSS gets the `linear()` it comes to. One that cannot be read stays as it is. */
export const withoutSprings = (value: string): string => (/spring\(/i.test(value) ? value.replace(SPRING, (text) => (readEasing(text).ok ? easingOf(text).css : text)) : value);

/** A stored value as CSS: tokens as custom properties, springs as `linear()`. */
export const printValue = (value: string): string => withoutSprings(value.includes('{') ? value.replace(USE, (_use, id: string, member?: string) => `var(--${propertyName(id, member)})`) : value);

/** No id has an underscore in it, so a type style's values meet no other token's name. */
const propertyName = (id: string, member?: string) => (member ? `${id}_${member}` : id);

/** @returns a token as custom properties, without the two hyphens: one, or the five of a type style. */
export function customProperties({ id, type, value }: Token): { readonly id: string; readonly value: string }[] {
  if (type !== 'type-style') return [{ id, value: printValue(value) }];
  const read = readTypeStyle(value);
  return read.ok ? Object.entries(read.style).map(([member, each]) => ({ id: propertyName(id, member), value: printValue(each) })) : [];
}
