/** Texts that a page may have to hold besides its own, one line each; the frame makes them (src/preview/sights). */
export const TRIALS = [
  { trial: 'own', label: 'as they are' },
  { trial: 'longer', label: '30 % longer' },
  { trial: 'spaced', label: 'spaced out' },
  { trial: 'large', label: 'twice as large' }
] as const;

export type Trial = (typeof TRIALS)[number]['trial'];

/** How much longer the same words are in other languages (common practice, no source). */
export const LONGER = 0.3;

/** WCAG 2.2, 1.4.12 (text spacing), its four numbers, in em; below a paragraph, its own gap is left as it is. */
export const SPACED = { 'line-height': '1.5', 'letter-spacing': '0.12em', 'word-spacing': '0.16em' } as const;

/** WCAG 2.2, 1.4.4 (resize text): up to 200 percent. */
export const LARGE = 2;
