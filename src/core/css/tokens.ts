import { easingOf, readEasing } from '../motion/easing';
import type { Token, TokenId, TokenType } from '../project/types';

type Tokens = Readonly<Record<string, Token>>;

const USE = /\{([a-z][a-z0-9-]*)\}/g;

/** The property whose grammar a token's value must fit. */
export const TOKEN_PROPERTY: Readonly<Record<TokenType, string>> = {
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

/** @returns the token's id where the value is one token and nothing else, or null. */
export const maybeSoleToken = (value: string): TokenId | null => (/^\{([a-z][a-z0-9-]*)\}$/.exec(value.trim())?.[1] as TokenId | undefined) ?? null;

export type Spelt = { readonly ok: true; readonly value: string } | { readonly ok: false; readonly sentence: string };

/** A value with every token in it replaced by what it stands for, through as many steps as it takes. */
export function spelt(value: string, tokens: Tokens, above: readonly string[] = []): Spelt {
  if (!value.includes('{')) return { ok: true, value };
  let sentence = '';
  const spelled = value.replace(USE, (_use, id: string) => {
    const token = Object.hasOwn(tokens, id) ? tokens[id]! : null;
    if (!token) sentence ||= `There is no token called “${id}”.`;
    if (above.includes(id)) sentence ||= `The tokens ${[...above, id].join(' → ')} name each other in a ring.`;
    if (!token || sentence) return '';
    const inner = spelt(token.value, tokens, [...above, id]);
    if (inner.ok) return inner.value;
    sentence ||= inner.sentence;
    return '';
  });
  return sentence ? { ok: false, sentence } : { ok: true, value: spelled };
}

const SPRING = /spring\([^)]*\)/gi;

/** `spring()` is Kymation's own; CSS gets the `linear()` it comes to. One that cannot be read stays as it is. */
export const withoutSprings = (value: string): string => (/spring\(/i.test(value) ? value.replace(SPRING, (text) => (readEasing(text).ok ? easingOf(text).css : text)) : value);

/** A stored value as CSS: tokens as custom properties, springs as `linear()`. */
export const printValue = (value: string): string => withoutSprings(value.includes('{') ? value.replace(USE, 'var(--$1)') : value);
