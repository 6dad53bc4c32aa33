/** What every page stands on, whatever is in it. */
const RESET = `*,
::before,
::after {
  box-sizing: border-box;
}

html {
  /* stylelint-disable-next-line property-no-vendor-prefix -- for Safari */
  -webkit-text-size-adjust: 100%;
  text-size-adjust: 100%;
}`;

/** What attributes size, draw or hide (browsers hide what is `until-found` by a hint, too). */
const BY_ATTRIBUTES = 'img, video, iframe, svg, svg *, [hidden]';

/**
 * For a piece among others that are not ours: what a site says of elements in general ends here, and every element
 * starts from the browser's own style sheet. What attributes say counts as a site's rule does, but for
 * `revert-layer` (CSS Cascade 5, 6.1).
 */
const resetUnder = (prefix: string): string => `.${prefix} :where(:not(${BY_ATTRIBUTES})),
.${prefix} ::before,
.${prefix} ::after {
  all: revert;
}

.${prefix} :where(${BY_ATTRIBUTES}) {
  all: revert-layer;
}

.${prefix},
.${prefix} *,
.${prefix} ::before,
.${prefix} ::after {
  box-sizing: border-box;
}`;

/** The element around a picture lays nothing out, so the page is the same with it and without. */
const PICTURES = `picture {
  display: contents;
}`;

/** @returns the class of a drawing that is used from the sheet of symbols. */
export const symbolClass = (prefix = ''): string => (prefix ? `${prefix}-symbol` : 'symbol');

/** What no piece may be called in a style sheet. */
export const SYMBOL_CLASSES = ['symbol', 'symbol-filled', 'symbol-sheet'];

/** A line drawing, as large as the text it stands in and in its colour. */
const symbols = (name: string, areFilled: boolean): string[] => {
  const line = `.${name} {
  width: 1em;
  height: 1em;
  fill: none;
  stroke: currentcolor;
  stroke-width: 2;
  stroke-linecap: round;
  stroke-linejoin: round;
}`;
  const sheet = `.${name}-sheet {\n  display: none;\n}`;
  return areFilled ? [line, `.${name}-filled {\n  fill: currentcolor;\n}`, sheet] : [line, sheet];
};

export interface Needs {
  readonly prefix: string;
  readonly hasPictures: boolean;
  readonly hasSymbols: boolean;
  readonly hasFilledSymbols: boolean;
}

/** @returns the rules that belong to no kind, as far as the page needs them. */
export function baseRules({ prefix, hasPictures, hasSymbols, hasFilledSymbols }: Needs): string[] {
  const rules = [prefix ? resetUnder(prefix) : RESET];
  if (hasPictures) rules.push(PICTURES);
  if (hasSymbols) rules.push(...symbols(symbolClass(prefix), hasFilledSymbols));
  return rules;
}
