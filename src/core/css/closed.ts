import { remembered } from '../data/remembered';
import { grammar, type Grammar } from './grammar';

/** Which bracket closes what a token opens, and which tokens close. */
function bracketsOf({ tokenTypes }: Grammar) {
  return {
    closing: new Map<number, string>([
      [tokenTypes.Function, ')'],
      [tokenTypes.LeftParenthesis, ')'],
      [tokenTypes.LeftSquareBracket, ']'],
      [tokenTypes.LeftCurlyBracket, '}']
    ]),
    closers: new Set<number>([
      tokenTypes.RightParenthesis,
      tokenTypes.RightSquareBracket,
      tokenTypes.RightCurlyBracket
    ])
  };
}

const brackets = new WeakMap<Grammar, ReturnType<typeof bracketsOf>>();

/** Brackets that stand in one another; no value of a style sheet that people write needs more. */
const NESTED_MOST = 16;

/**
 * A parser closes at the end of the text what was left open (CSS Syntax 3, section 5.4), so such a value
 * reads well by itself and swallows everything that stands after it in a style sheet.
 * @returns what is open, closed too often or nested too deep, in a few words; null where all brackets and
 * quotes are closed.
 */
export function maybeUnclosed(value: string): string | null {
  const css = grammar();
  const { tokenize, tokenTypes } = css;
  const { closing: closingOf, closers } = remembered(brackets, css, () => bracketsOf(css));
  const open: string[] = [];
  let fault: string | null = null;
  tokenize(value, (type, start, end) => {
    if (fault) return;
    const text = value.slice(start, end);
    const closing = closingOf.get(type);
    if (closing) open.push(closing);
    if (open.length > NESTED_MOST) fault = `its brackets stand in one another more than ${NESTED_MOST} deep`;
    if (closers.has(type) && open.pop() !== text) fault = `there is a “${text}” that closes nothing`;
    if (type === tokenTypes.BadString || type === tokenTypes.BadUrl) fault = 'a quote is not closed';
    if (type === tokenTypes.String && !isClosedString(text))
      fault = `a quote is not closed; it wants a ${text[0]} at its end`;
    if (type === tokenTypes.Url && !text.endsWith(')')) fault = 'a bracket is not closed; it wants a “)”';
  });
  if (fault) return fault;
  return open.length === 0 ? null : `a bracket is not closed; it wants a “${open.at(-1)}”`;
}

const isClosedString = (text: string) => text.length > 1 && text.endsWith(text[0]!);
