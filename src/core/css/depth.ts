import { tokenize, tokenTypes } from 'css-tree';

const OPENING: ReadonlySet<number> = new Set([
  tokenTypes.Function,
  tokenTypes.LeftParenthesis,
  tokenTypes.LeftSquareBracket,
  tokenTypes.LeftCurlyBracket
]);

const CLOSING: ReadonlySet<number> = new Set([
  tokenTypes.RightParenthesis,
  tokenTypes.RightSquareBracket,
  tokenTypes.RightCurlyBracket
]);

/** @returns how deep brackets of any sort stand in one another in a style sheet. Looks once, without recursion. */
export function bracketDepth(css: string): number {
  let now = 0;
  let most = 0;
  tokenize(css, (type) => {
    if (OPENING.has(type)) most = Math.max(most, (now += 1));
    if (CLOSING.has(type)) now = Math.max(0, now - 1);
  });
  return most;
}
