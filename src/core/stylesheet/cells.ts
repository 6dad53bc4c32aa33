import Specificity from '@bramus/specificity';
import type { Rule } from '../kinds/contract';
import { STEM, type Sheet } from '../compile/sheet';
import type { Sizes } from '../compile/rules';
import { atRulesOf } from './conditions';
import { remembered } from '../data/remembered';

/** One declaration of a page's style sheet with all that decides where it holds and what it wins over. */
export interface Cell {
  /** With its state; `STEM` stands for the class of the piece. */
  readonly selector: string;
  /** At-rules it stands in, outermost first. */
  readonly at: readonly string[];
  readonly property: string;
  readonly value: string;
  /** The part whose block it belongs to: the last one its selector names. */
  readonly part: string;
  /** Declarations of one subject and one family of properties can win over one another; others never meet. */
  readonly meets: string;
  /** Specificity as one number (Selectors 4, section 17). */
  readonly weight: number;
}

const PART = new RegExp(`\\.${STEM}(?:-([\\w-]+))?`, 'g');

/** @returns names of the parts that a selector names, in order; `root` for the piece's own class. */
export const partsIn = (selector: string): string[] =>
  [...selector.matchAll(PART)].map((match) => match[1] ?? 'root');

/**
 * @returns the selector with a class in the place of each part; `isLast` marks the part whose block it
 * belongs to.
 */
export function withClasses(selector: string, classOf: (part: string, isLast: boolean) => string): string {
  const count = partsIn(selector).length;
  let at = 0;
  return selector.replace(PART, (_whole, part: string | undefined) => {
    at += 1;
    return `.${classOf(part ?? 'root', at === count)}`;
  });
}

/** Identifies a cell among those of other pieces of its kind. */
export const keyOf = ({ selector, at, property }: Cell): string => `${selector}|${at.join('|')}|${property}`;

/** Shorthands, and what they set beside what starts with their own name (CSS Cascade 4, section 3.1). */
const SHORTHANDS: Readonly<Record<string, RegExp>> = {
  font: /^(?:font(?:-.*)?|line-height)$/,
  border: /^border(?!-radius|-collapse|-spacing)/,
  margin: /^margin/,
  padding: /^padding/,
  flex: /^flex(?:-(?:grow|shrink|basis))?$/,
  'flex-flow': /^flex-(?:flow|direction|wrap)$/,
  gap: /^(?:row-|column-)?gap$/,
  inset: /^(?:inset|top|right|bottom|left)/,
  outline: /^outline(?!-offset)/,
  overflow: /^overflow(?:-[xy])?$/,
  'grid-area': /^grid-(?:area|row|column)/,
  'grid-template': /^grid-template/,
  background: /^background/,
  'text-decoration': /^text-decoration/,
  animation: /^animation/,
  transition: /^transition/,
  'list-style': /^list-style/
};

const families = new Map<string, string>();

/** @returns what stands for all properties that a declaration of this one can win over. */
export function familyOf(property: string): string {
  return remembered(families, property, () => maybeShorthand(property) ?? property);
}

const maybeShorthand = (property: string): string | undefined =>
  Object.keys(SHORTHANDS).find((shorthand) => SHORTHANDS[shorthand]!.test(property));

const weights = new Map<string, number>();

function weightOf(selector: string): number {
  return remembered(weights, selector, () => freshWeight(withClasses(selector, () => 'x')));
}

function freshWeight(selector: string): number {
  const [ids, classes, types] = Specificity.calculate(selector)[0]!.toArray();
  return ids * 1e6 + classes * 1e3 + types;
}

/**
 * Two selectors of one part may match one element, unless only one of them goes on to what is inside it or to
 * a box it generates.
 */
function subjectOf(selector: string, part: string): string {
  const tail = selector.slice(selector.lastIndexOf(STEM) + STEM.length);
  const reachesInside = /[\s>+~]/.test(tail.replace(/\([^)]*\)/g, ''));
  const box = /::[\w-]+/.exec(tail)?.[0] ?? '';
  return `${part}${reachesInside ? ' >' : ''}${box}`;
}

/** A disabled part is neither hovered nor pressed; `:where` keeps the weight of all states equal. */
export function selectorOf({ selector, state }: Rule): string {
  if (!state) return selector;
  const own = selector + state.selector;
  const endsWhileDisabled = state.disabled && (state.isPointed || state.name === 'pressed');
  return endsWhileDisabled ? `${own}:where(:not(${state.disabled}))` : own;
}

const isWeightless = ({ selector }: Rule): boolean => /^:where\(\.[^()]*\)$/.test(selector);

/** What has no weight loses to all that follows, so it may as well be the first thing that is said of the part. */
function weightlessFirst(rules: readonly Rule[]): Rule[] {
  const weightless = new Map<string, Rule>();
  for (const rule of rules)
    if (isWeightless(rule)) weightless.set(rule.selector.slice(':where('.length, -1), rule);
  return rules.flatMap((rule) => {
    if (isWeightless(rule)) return [];
    const before = weightless.get(rule.selector);
    weightless.delete(rule.selector);
    return before ? [{ ...before, selector: rule.selector }, rule] : [rule];
  });
}

/**
 * @returns every declaration of a sheet, in the order of the cascade; those whose conditions never hold at
 * once are left out.
 */
export function cellsOf(sheet: Sheet, sizes: Sizes): Cell[] {
  const found: Cell[] = [];
  for (const rule of weightlessFirst([...sheet.build, ...sheet.look])) {
    const at = atRulesOf(rule, sizes);
    if (!at) continue;
    const selector = selectorOf(rule);
    const part = partsIn(selector).at(-1) ?? 'root';
    const subject = subjectOf(selector, part);
    const weight = weightOf(selector);
    for (const [property, value] of Object.entries(rule.declarations)) {
      found.push({ selector, at, property, value, part, meets: `${subject} ${familyOf(property)}`, weight });
    }
  }
  return found;
}
