/** Tokens in the W3C community's Design Tokens Format (module 2025.10; section names in docs/sources.md). */
export { readDesignTokens, type ReadTokens } from './read';
export { writeDesignTokens } from './write';
