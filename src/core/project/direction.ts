/** Scripts that are written from right to left (Unicode CLDR, metadata of scripts; from memory). */
const FROM_RIGHT = new Set(['Adlm', 'Arab', 'Hebr', 'Mand', 'Nkoo', 'Rohg', 'Samr', 'Syrc', 'Thaa', 'Yezi']);

/**
 * @param language BCP 47 tag; where it names no script, the one it is mostly written in counts (Unicode CLDR, likely
 * subtags).
 * @returns whether a page in it is read from right to left. False for what is no tag.
 */
export function isFromRight(language: string): boolean {
  try {
    return FROM_RIGHT.has(new Intl.Locale(language).maximize().script ?? '');
  } catch {
    return false;
  }
}
