import { STEM, type Sheet } from './sheet';
import { keyframesText } from '../kinds/entrance';
import type { Condition, Rule } from '../kinds/contract';
import type { Registry } from '../kinds/registry';
import { customProperties, printValue, tokensIn } from '../css/tokens';
import type { Bands, Project, Token } from '../project/types';
import { defined } from '../data/compact';
import { remembered } from '../data/remembered';
import { UNDER_MARK } from './under';

/** What widths are measured of, and the edges of the bands. */
export interface Sizes {
  readonly bands: Bands;
  readonly isContained: boolean;
}

/** Asked of a browser, not of a medium. */
export const TIMELINE_RULES = {
  timeline: '@supports (animation-timeline: view())',
  'no-timeline': '@supports not (animation-timeline: view())'
} as const;

/** How a printer writes conditions and states; everything else is the same for all printers. */
export interface Dialect {
  /** The element that has to match what a condition says of the root; left out: the page's own. */
  readonly rootElement?: string;
  /**
   * @returns an at-rule prelude that wraps the rule, or what the root element must match (`root`), as a
   * selector.
   */
  condition(condition: Condition, sizes: Sizes): { readonly atRule?: string; readonly root?: string };
  state(state: NonNullable<Rule['state']>): {
    readonly suffix: string;
    readonly atRule?: string;
    readonly root?: string;
  };
  /**
   * Writes the cells of a tuned piece as custom properties, whose values stand on its root element
   * (`cellValues`).
   */
  readonly namesCells?: boolean;
  /**
   * Writes the window's widths that a kind asks for as marks of the piece's root element (`windowWidths`), so
   * that turning one costs no new style sheet.
   */
  readonly namesWidths?: boolean;
}

const widthRule = (condition: Condition, { bands, isContained }: Sizes): string | null => {
  const of = isContained ? '@container' : '@media';
  if (isBand(condition)) return `${of} (width <= ${bands[condition]}px)`;
  if (typeof condition !== 'object') return null;
  if ('under' in condition) return `${of} (width < ${condition.under}px)`;
  if ('from' in condition) return `${of} (width >= ${condition.from}px)`;
  return isBand(condition.not) ? `${of} (width > ${bands[condition.not]}px)` : null;
};

const isBand = (condition: Condition): condition is 'medium' | 'narrow' =>
  condition === 'medium' || condition === 'narrow';

/** A part cannot be hovered or pressed while it is disabled; `:where` keeps the weight of all states equal. */
const enabledOnly = ({ name, disabled, isPointed }: NonNullable<Rule['state']>) =>
  disabled && (isPointed || name === 'pressed') ? `:where(:not(${disabled}))` : '';

/**
 * The preview: widths are real there, so they stay media queries, of the style sheet or of the frame; every other
 * condition is a switch on the root element, which can be thrown by hand. A state can be forced by attribute, to be
 * looked at without touching.
 */
export const previewDialect: Dialect = {
  namesCells: true,
  namesWidths: true,
  condition(condition, sizes) {
    const width = widthRule(condition, sizes);
    if (width) return { atRule: width };
    if (condition === 'script') return { root: ':not([data-k-no-script], [data-k-print])' };
    if (condition === 'used') return { root: ':not([data-k-tuned])' };
    if (condition === 'timeline' || condition === 'no-timeline') return { atRule: TIMELINE_RULES[condition] };
    if (typeof condition === 'object' && 'not' in condition)
      return { root: `:not([data-k-${condition.not}])` };
    return { root: `[data-k-${condition as string}]` };
  },
  state: (state) =>
    defined({
      suffix: `:is(${state.selector}, [data-k-force~="${state.name}"])${enabledOnly(state)}`,
      root: state.isPointed ? ':not([data-k-touch])' : undefined
    })
};

/**
 * A drawing of a piece, which is a picture and no page: wide, on a screen, as its script would have it. Other
 * conditions never hold.
 */
export const drawingDialect: Dialect = {
  condition(condition, sizes) {
    const width = widthRule(condition, sizes);
    if (width) return { atRule: width };
    return condition === 'script' || typeof condition === 'object' ? {} : { atRule: '@media not all' };
  },
  state: (state) => ({ suffix: state.selector })
};

type OwnWidth = Extract<Condition, { under: number } | { from: number }>;

const isOwnWidth = (condition: Condition): condition is OwnWidth =>
  typeof condition === 'object' && !('not' in condition);

const pxOf = (width: OwnWidth): number => ('under' in width ? width.under : width.from);

/** Widths in px that rules ask for, each once, in the order in which their marks are numbered. */
export const widthsIn = (rules: readonly Rule[]): readonly number[] => [
  ...new Set(rules.flatMap(({ when }) => when.filter(isOwnWidth).map(pxOf)))
];

/**
 * @returns widths in px under which a piece has the marks that its rules name; none where its widths are of
 * its place.
 */
export const windowWidths = ({ build, isContained }: Sheet): readonly number[] =>
  isContained ? [] : widthsIn(build);

/** What an element matches that is, or stands in, a piece whose window is under a width, or is not. */
function markedUnder(width: OwnWidth, index: number): string {
  const mark = `[${UNDER_MARK}~="${STEM}-${index}"]`;
  return 'under' in width ? `:where(${mark}, ${mark} *)` : `:where(:not(${mark}, ${mark} *))`;
}

const OWN_CLASS = new RegExp(`\\.${STEM}(?:-[\\w-]+)?`);

/** Whether something more can be asked of the piece at one place of a selector. */
const takesMark = (selector: string): boolean => OWN_CLASS.test(selector) && !selector.includes(',');

/** Conditions of a rule as a printer writes them. */
interface Written {
  readonly atRules: string[];
  /** What the page's root element has to match. */
  root: string;
  selector: string;
  suffix: string;
}

/** @param widths those that are written as marks. */
function written(rule: Rule, dialect: Dialect, sizes: Sizes, widths: readonly number[]): Written {
  const found: Written = { atRules: [], root: '', selector: rule.selector, suffix: '' };
  const add = ({ atRule, root }: { atRule?: string; root?: string }): void => {
    if (atRule) found.atRules.push(atRule);
    found.root += root ?? '';
  };
  for (const condition of rule.when) {
    const index = isOwnWidth(condition) && takesMark(rule.selector) ? widths.indexOf(pxOf(condition)) : -1;
    if (index < 0) add(dialect.condition(condition, sizes));
    else mark(found, markedUnder(condition as OwnWidth, index));
  }
  if (!rule.state) return found;
  const state = dialect.state(rule.state);
  add(state);
  found.suffix = state.suffix;
  return found;
}

function mark(found: Written, condition: string): void {
  found.selector = found.selector.replace(OWN_CLASS, (own) => own + condition);
}

/**
 * @param cells the stem of the custom properties that stand for the cells' values; left out, the values
 * themselves are written.
 * @returns the rules as CSS text, in order; neighbours under the same at-rule share one block.
 */
export function printRules(rules: readonly Rule[], dialect: Dialect, sizes: Sizes, cells?: string): string {
  let css = '';
  let open = '';
  let count = 0;
  const { rootElement = 'html' } = dialect;
  const widths = dialect.namesWidths && !sizes.isContained ? widthsIn(rules) : [];
  for (const rule of rules) {
    const { atRules, root, selector, suffix } = written(rule, dialect, sizes, widths);
    const block = atRules.join(' { ');
    if (block !== open) {
      if (open) css += `${'}'.repeat(open.split('{').length)}\n`;
      if (block) css += `${block} {\n`;
      open = block;
    }
    let text = '';
    for (const property in rule.declarations) {
      const value = rule.declarations[property]!;
      const isCell = cells !== undefined && rule.isLook && !isLiteral(property, value);
      text += ` ${property}: ${isCell ? `var(--k-${cells}-${count})` : printValue(value)};`;
      if (isCell) count += 1;
    }
    css += `${root ? `:where(${rootElement}${root}) ` : ''}${selector}${suffix} {${text} }\n`;
  }
  return open ? `${css}${'}'.repeat(open.split('{').length)}\n` : css;
}

/** Whether a value has to stand where it is: none may be named in the place of a custom property's own value. */
const isLiteral = (property: string, value: string) => property.startsWith('--') || isKeyword(value);

/** CSS-wide keywords mean something else as the value of a custom property (CSS Variables 1, section 2). */
const isKeyword = (value: string) => /^(?:inherit|initial|unset|revert|revert-layer)$/i.test(value);

/**
 * A sheet's rules apart: those of the kind's build, which settings change, and those of its look, which the
 * state sheet does.
 */
export type SheetHalf = 'build' | 'look';

interface PrintedRules {
  readonly bands: Bands;
  readonly css: string;
}

const printedRules = new WeakMap<readonly Rule[], Map<Dialect, Map<string, PrintedRules>>>();

/** Rules as CSS, kept as long as the list and the bands are what they were. */
function printedOnce(rules: readonly Rule[], dialect: Dialect, sizes: Sizes, cells?: string): string {
  const byDialect = remembered(printedRules, rules, () => new Map());
  const byKey = remembered(byDialect, dialect, () => new Map<string, PrintedRules>());
  const key = `${sizes.isContained} ${cells ?? ''}`;
  const known = byKey.get(key);
  if (known?.bands === sizes.bands) return known.css;
  const css = printRules(rules, dialect, sizes, cells);
  byKey.set(key, { bands: sizes.bands, css });
  return css;
}

/**
 * A sheet without the rules of parts that no node with its class draws: tabs without icons need no rule for one.
 * @param undrawn names of those parts.
 */
export function withoutParts(sheet: Sheet, undrawn: readonly string[]): Sheet {
  if (undrawn.length === 0) return sheet;
  const byKey = remembered(trimmed, sheet, () => new Map<string, Sheet>());
  return remembered(byKey, undrawn.join(' '), () => sheetWithout(sheet, undrawn));
}

function sheetWithout(sheet: Sheet, undrawn: readonly string[]): Sheet {
  const names = new RegExp(`\\.${STEM}-(?:${undrawn.join('|')})(?![\\w-])`);
  const drawn = (rules: readonly Rule[]) => rules.filter(({ selector }) => !names.test(selector));
  return { ...sheet, build: drawn(sheet.build), look: drawn(sheet.look) };
}

const trimmed = new WeakMap<Sheet, Map<string, Sheet>>();

/** @returns a node's sheet, or half of it, as CSS under its own class name. */
export function printSheet(
  { build, look, isDefault, isContained }: Sheet,
  id: string,
  dialect: Dialect,
  bands: Bands,
  half?: SheetHalf
): string {
  const sizes = { bands, isContained };
  const own = half === 'look' ? '' : printedOnce(build, dialect, sizes);
  const turned =
    half === 'build'
      ? ''
      : printedOnce(look, dialect, sizes, dialect.namesCells && !isDefault ? STEM : undefined);
  return (own + turned).replaceAll(STEM, id);
}

/**
 * Values of the custom properties that `printSheet` names: `--k-ID-0`, `--k-ID-1` and so on. None for a piece
 * nobody has tuned.
 */
export function cellValues(sheet: Sheet): readonly string[] {
  return sheet.isDefault ? [] : sheet.look.filter(({ isLook }) => isLook).flatMap(valuesIn);
}

const valuesIn = ({ declarations }: Rule): readonly string[] =>
  Object.entries(declarations).flatMap(([property, value]) =>
    isLiteral(property, value) ? [] : [printValue(value)]
  );

/** What every page stands on. */
export const BASE_CSS = `*, ::before, ::after { box-sizing: border-box; }
html { -webkit-text-size-adjust: 100%; text-size-adjust: 100%; }
`;

/**
 * @returns the tokens that the rules of some sheets name, and those they name in turn, in the order of the
 * project.
 */
export function usedTokens(sheets: readonly Sheet[], tokens: Project['tokens']): readonly Token[] {
  const used = new Set<string>();
  const add = (id: string): void => {
    const token = Object.hasOwn(tokens, id) ? tokens[id as keyof typeof tokens] : null;
    if (!token || used.has(id)) return;
    used.add(id);
    tokensIn(token.value).forEach(add);
  };
  for (const { build, look } of sheets) {
    for (const { declarations } of [...build, ...look]) {
      for (const value of Object.values(declarations)) {
        tokensIn(value).forEach(add);
        // A value that a kind has printed already names a token as CSS does.
        for (const match of value.matchAll(/var\(--([a-z][a-z0-9-]*)(?:_[a-z-]+)?\)/g)) add(match[1]!);
      }
    }
  }
  return Object.values(tokens).filter(({ id }) => used.has(id));
}

/** @returns tokens as custom properties of what `selector` matches; empty for none. */
export function tokenRule(selector: string, tokens: readonly Token[]): string {
  const lines = tokens.flatMap(customProperties).map(({ id, value }) => ` --${id}: ${value};`);
  return lines.length > 0 ? `${selector} {${lines.join('')} }\n` : '';
}

/** All of them: for the preview, whose rules come and go. */
export const allKeyframes = ({ keyframes }: Registry): string =>
  Object.entries(keyframes)
    .map(([name, each]) => `${keyframesText(each, name)}\n`)
    .join('');
