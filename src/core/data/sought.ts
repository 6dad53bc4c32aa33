/** @returns the words that are sought, in small letters; none where nothing is asked. */
export const soughtWords = (query: string): readonly string[] =>
  query.toLowerCase().split(/\s+/).filter(Boolean);

/** Whether a text has every word that is sought, in any order. */
export function hasWords(text: string, words: readonly string[]): boolean {
  const small = text.toLowerCase();
  return words.every((word) => small.includes(word));
}
