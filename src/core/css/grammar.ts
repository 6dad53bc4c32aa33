export type Grammar = typeof import('./grammar-parts');

let loaded: Grammar | null = null;

/**
 * Brings the grammar of CSS (css-tree). It is a seventh of all the script, and nothing of it is needed to show a
 * page, only to change one.
 */
export async function loadGrammar(): Promise<void> {
  loaded = await import('./grammar-parts');
}

/** Throws before `loadGrammar` has come to its end. */
export function grammar(): Grammar {
  if (!loaded) throw new Error('grammar: loadGrammar has not come to its end');
  return loaded;
}
