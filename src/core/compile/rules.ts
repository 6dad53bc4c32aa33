import { STEM, type Sheet } from './analyse';
import type { Condition, Rule } from '../kinds/contract';
import type { Bands, Declarations } from '../project/types';

/** How a printer writes conditions and states; everything else is the same for all printers. */
export interface Dialect {
  /** @returns at-rule preludes that wrap the rule, outermost first, and a prefix for its selector. */
  condition(condition: Condition, bands: Bands): { readonly atRule?: string; readonly prefix?: string };
  state(state: NonNullable<Rule['state']>): { readonly suffix: string; readonly atRule?: string; readonly prefix?: string };
}

const widthRule = (condition: Condition, bands: Bands): string | null => {
  if (condition === 'medium' || condition === 'narrow') return `@media (width <= ${bands[condition]}px)`;
  return typeof condition === 'object' ? `@media (width < ${condition.under}px)` : null;
};

/** A part cannot be hovered or pressed while it is disabled; `:where` keeps the weight of all states equal. */
const enabledOnly = ({ name, disabled }: NonNullable<Rule['state']>) =>
  disabled && (name === 'hover' || name === 'pressed') ? `:where(:not(${disabled}))` : '';

const MEDIA: Readonly<Partial<Record<string, string>>> = {
  touch: '@media (hover: none)',
  'less-motion': '@media (prefers-reduced-motion: reduce)',
  'no-script': '@media (scripting: none)',
  script: '@media (scripting: enabled)',
  print: '@media print'
};

/** The exported page: conditions are media queries. Hover looks stay away from screens that cannot hover. */
export const pageDialect: Dialect = {
  condition(condition, bands) {
    return { atRule: widthRule(condition, bands) ?? MEDIA[condition as string]! };
  },
  state: (state) => ({
    suffix: `${state.selector}${enabledOnly(state)}`,
    ...(state.name === 'hover' ? { atRule: '@media (hover: hover)' } : {})
  })
};

/**
 * The preview: widths are real there, so they stay media queries; every other condition is a switch on the root element, which
 * can be thrown by hand. A state can be forced by attribute, to be looked at without touching.
 */
export const previewDialect: Dialect = {
  condition(condition, bands) {
    const width = widthRule(condition, bands);
    if (width) return { atRule: width };
    if (condition === 'script') return { prefix: ':where(html:not([data-k-no-script])) ' };
    return { prefix: `:where(html[data-k-${condition as string}]) ` };
  },
  state: (state) => ({
    suffix: `:is(${state.selector}, [data-k-force~="${state.name}"])${enabledOnly(state)}`,
    ...(state.name === 'hover' ? { prefix: ':where(html:not([data-k-touch])) ' } : {})
  })
};

/** @returns the rules as CSS text, in order; neighbours under the same at-rule share one block. */
export function printRules(rules: readonly Rule[], dialect: Dialect, bands: Bands): string {
  let css = '';
  let open = '';
  for (const rule of rules) {
    const atRules: string[] = [];
    let prefix = '';
    for (const condition of rule.when) {
      const written = dialect.condition(condition, bands);
      if (written.atRule) atRules.push(written.atRule);
      prefix = (written.prefix ?? '') + prefix;
    }
    let suffix = '';
    if (rule.state) {
      const written = dialect.state(rule.state);
      suffix = written.suffix;
      prefix = (written.prefix ?? '') + prefix;
      if (written.atRule) atRules.push(written.atRule);
    }
    const block = atRules.join(' { ');
    if (block !== open) {
      if (open) css += `${'}'.repeat(open.split('{').length)}\n`;
      if (block) css += `${block} {\n`;
      open = block;
    }
    css += `${prefix}${rule.selector}${suffix} {${printDeclarations(rule.declarations)}}\n`;
  }
  return open ? `${css}${'}'.repeat(open.split('{').length)}\n` : css;
}

function printDeclarations(declarations: Declarations): string {
  let text = '';
  for (const property in declarations) text += ` ${property}: ${declarations[property]};`;
  return `${text} `;
}

const printedSheets = new WeakMap<Sheet, Map<Dialect, { bands: Bands; css: string }>>();

/** @returns a node's sheet as CSS under its own class name. */
export function printSheet(sheet: Sheet, id: string, dialect: Dialect, bands: Bands): string {
  let byDialect = printedSheets.get(sheet);
  if (!byDialect) printedSheets.set(sheet, (byDialect = new Map()));
  let known = byDialect.get(dialect);
  if (known?.bands !== bands) byDialect.set(dialect, (known = { bands, css: printRules(sheet.rules, dialect, bands) }));
  return known!.css.replaceAll(STEM, id);
}

/** What every page stands on. */
export const BASE_CSS = `*, ::before, ::after { box-sizing: border-box; }
html { -webkit-text-size-adjust: 100%; text-size-adjust: 100%; }
`;

/** Keyframes the kinds' rules may name. A panel waits this way for the script, without a trace once it has started. */
export const KEYFRAMES: Readonly<Record<string, string>> = {
  'k-wait': '@keyframes k-wait { from, to { visibility: hidden; position: absolute; } }\n'
};

/** @returns the keyframes that the CSS names. */
export function keyframesFor(css: string): string {
  return Object.entries(KEYFRAMES)
    .filter(([name]) => css.includes(name))
    .map(([, text]) => text)
    .join('');
}
