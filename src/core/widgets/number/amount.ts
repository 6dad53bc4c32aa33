/** What is exact as a number of JavaScript (ECMAScript, Number.MAX_SAFE_INTEGER has 16 digits). */
const DIGITS_MOST = 15;

const AMOUNT = /^[-−]?\d+(?:\.\d+)?$/;

/** Languages whose way of writing numbers stands for each choice (`Intl.NumberFormat`). */
export const LOCALES: Readonly<Record<string, string>> = { en: 'en', de: 'de', fr: 'fr', none: 'en' };

/** @returns the number a text says, with a point for its fraction; null where it says none, or one too long. */
export function maybeAmount(text: string): number | null {
  return AMOUNT.test(text) && isExact(text) ? Number(text.replace('−', '-')) : null;
}

const isExact = (text: string): boolean => text.replace(/\D/g, '').length <= DIGITS_MOST;

/** @returns how many digits of its fraction a text says. */
const decimalsOf = (text: string): number => text.split('.')[1]?.length ?? 0;

/** @param locale one of `LOCALES`. @returns the number of a text as it is written there. */
export function writtenAmount(text: string, locale: string): string {
  const decimals = decimalsOf(text);
  return new Intl.NumberFormat(LOCALES[locale] ?? 'en', {
    minimumFractionDigits: decimals,
    maximumFractionDigits: decimals,
    useGrouping: locale !== 'none'
  }).format(maybeAmount(text) ?? 0);
}
