import type { Token } from '../project/types';
import { emptyRecord } from '../data/record';
import { maybeUnclosed } from './closed';
import { grammar } from './grammar';
import { spelt, TOKEN_PROPERTY, withoutSprings } from './tokens';
import { printTypeStyle, readTypeStyle, TYPE_MEMBERS, type TypeStyle } from './type-style';

export type Checked =
  { readonly ok: true; readonly value: string } | { readonly ok: false; readonly sentence: string };

const remembered = new Map<string, Checked>();
const REMEMBERED_MOST = 5000;

/**
 * Whether `value` is a value of `property` by the property's published grammar (css-tree's lexer, built from
 * the CSS specifications and MDN data). Addresses (`url()`) are refused: pictures come from assets, and
 * nothing else may be fetched. A token stands as `{id}` and is checked as what it stands for; a `spring()` as
 * the `linear()` it comes to.
 * @returns the value with white space made even, or a sentence that says what is wrong.
 */
export function checkValue(
  property: string,
  value: string,
  tokens: Readonly<Record<string, Token>> = {}
): Checked {
  const spelled = spelt(value, tokens);
  if (!spelled.ok) return spelled;
  if (spelled.value === value) return checkSpelt(property, value);
  const checked = checkSpelt(property, spelled.value);
  return checked.ok ? { ok: true, value: value.trim().replace(/\s+/g, ' ') } : checked;
}

/**
 * Whether a token's value is one of its type. @returns it with white space made even, or a sentence that says
 * what is wrong.
 */
export function checkToken(
  { type, value }: Pick<Token, 'type' | 'value'>,
  tokens: Readonly<Record<string, Token>>
): Checked {
  if (type !== 'type-style') return checkValue(TOKEN_PROPERTY[type], value, tokens);
  const read = readTypeStyle(value);
  if (!read.ok) return read;
  const style = emptyRecord<string>();
  for (const member of TYPE_MEMBERS) {
    const checked = checkValue(member, read.style[member], tokens);
    if (!checked.ok) return checked;
    style[member] = checked.value;
  }
  return { ok: true, value: printTypeStyle(style as TypeStyle) };
}

/** Whether a piece is on the page at all is Kymation's own property; `none` takes it off. */
export const HIDE = '--k-hide';

function checkSpelt(property: string, value: string): Checked {
  if (property === HIDE)
    return value === 'none' || value === 'initial'
      ? { ok: true, value }
      : { ok: false, sentence: 'A piece is shown (initial) or hidden (none).' };
  const key = `${property}:${value}`;
  const known = remembered.get(key);
  if (known) return known;
  if (remembered.size >= REMEMBERED_MOST) remembered.clear();
  const checked = parseValue(property, value.trim());
  remembered.set(key, checked);
  return checked;
}

function parseValue(property: string, value: string): Checked {
  const no = (why: string): Checked => ({
    ok: false,
    sentence: `“${value.slice(0, 60)}” is not a value of ${property}: ${why}.`
  });
  if (value === '') return no('it is empty');
  if (value.length > 500) return no('it is longer than 500 characters');
  // Nothing that could end the declaration early may reach a style sheet, whatever a parser makes of it.
  if (/[;{}<>\\]|\/\*|\*\//.test(value)) return no('it holds a character that cannot stand in a value');
  const unclosed = maybeUnclosed(value);
  if (unclosed) return no(unclosed);
  const { lexer, parse, walk } = grammar();
  try {
    const ast = parse(withoutSprings(value), {
      context: 'value',
      onParseError: (error) => {
        throw error;
      }
    });
    let fetches = false;
    walk(ast, (item) => {
      const name = item.type === 'Function' ? item.name.toLowerCase() : '';
      if (item.type === 'Url' || name === 'url' || name === 'image-set' || name === 'src') fetches = true;
    });
    if (fetches) return no('it fetches something by address; use a picture from the project instead');
    const { error } = lexer.matchProperty(property, ast);
    if (error) return no(hintFor(property));
    return { ok: true, value: value.replace(/\s+/g, ' ') };
  } catch {
    return no('it cannot be read as CSS');
  }
}

function hintFor(property: string): string {
  if (/color/.test(property)) return 'write a colour such as #21362b, rgb(33 54 43) or transparent';
  if (property === 'font-family') return 'write names between commas such as Archivo, sans-serif';
  if (/width|radius|padding|offset|size|gap|translate/.test(property))
    return 'write a length such as 12px or 0.5rem';
  if (property === 'transition') return 'write property, time and easing such as color 150ms ease-out';
  if (property === 'box-shadow') return 'write offsets, blur and colour such as 0 2px 6px #1f262a40';
  if (property === 'outline') return 'write width, line and colour such as 2px solid #2b55a0';
  return 'its form does not fit the property';
}
