/** What is used of css-tree, so that no more of it is brought. */
export { generate, lexer, parse, tokenize, tokenTypes, walk } from 'css-tree';
