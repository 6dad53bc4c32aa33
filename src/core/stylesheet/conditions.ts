import { CONDITION_TABLE } from '../kinds/conditions';
import type { Condition, Rule } from '../kinds/contract';
import type { Circumstance } from '../project/types';
import { TIMELINE_RULES, type Sizes } from '../compile/rules';

/** What must hold for a rule of a page: what is asked of the medium, and of the place the piece stands in. */
interface Wanted {
  screen: boolean;
  print: boolean;
  /** Feature → what it must be: `scripting` → `enabled`. */
  readonly features: Map<string, string>;
  readonly widths: string[];
  /** What is asked of the browser. */
  readonly supports: Set<string>;
}

/**
 * @returns the at-rules a rule stands in, outermost first, empty for none; null where they can never hold at once.
 */
export function atRulesOf(
  { when, state }: Pick<Rule, 'when' | 'state'>,
  { bands, isContained }: Sizes
): readonly string[] | null {
  const wanted: Wanted = {
    screen: false,
    print: false,
    features: new Map(),
    widths: [],
    supports: new Set()
  };
  for (const condition of when) if (!want(wanted, condition, bands)) return null;
  // A look that only a pointer can bring out stays away from screens that cannot hover.
  if (state?.isPointed && !wantFeature(wanted, 'hover', 'hover')) return null;
  if (wanted.screen && wanted.print) return null;
  if (wanted.supports.size > 1) return null;
  return [...written(wanted, isContained), ...wanted.supports];
}

/** @returns whether the condition can hold together with the others. */
function want(wanted: Wanted, condition: Condition, bands: Sizes['bands']): boolean {
  if (typeof condition === 'object') return wantOther(wanted, condition, bands);
  if (condition === 'medium' || condition === 'narrow') {
    wanted.widths.push(`(width <= ${bands[condition]}px)`);
    return true;
  }
  if (condition === 'print') {
    wanted.print = true;
    return true;
  }
  if (condition === 'used') return true;
  if (condition === 'timeline' || condition === 'no-timeline') {
    wanted.supports.add(TIMELINE_RULES[condition]);
    return true;
  }
  if (condition === 'script') {
    wanted.screen = true;
    return wantFeature(wanted, 'scripting', 'enabled');
  }
  const [feature, value] = CONDITION_TABLE[condition].feature!;
  return wantFeature(wanted, feature, value);
}

/** A width in px, or that a condition does not hold. */
function wantOther(wanted: Wanted, condition: Extract<Condition, object>, bands: Sizes['bands']): boolean {
  if ('not' in condition) return wantNot(wanted, condition.not, bands);
  wanted.widths.push(
    'under' in condition ? `(width < ${condition.under}px)` : `(width >= ${condition.from}px)`
  );
  return true;
}

function wantNot(wanted: Wanted, condition: Circumstance, bands: Sizes['bands']): boolean {
  if (condition === 'medium' || condition === 'narrow') {
    wanted.widths.push(`(width > ${bands[condition]}px)`);
    return true;
  }
  if (condition === 'print') {
    wanted.screen = true;
    return true;
  }
  const [feature, , otherwise] = CONDITION_TABLE[condition].feature!;
  return wantFeature(wanted, feature, otherwise);
}

function wantFeature({ features }: Wanted, feature: string, value: string): boolean {
  const known = features.get(feature);
  features.set(feature, value);
  return known === undefined || known === value;
}

/** One `@media` for all that is asked of the medium, in an order that does not depend on who asked first. */
function written({ screen, print, features, widths }: Wanted, isContained: boolean): string[] {
  const media: string[] = [];
  if (screen) media.push('screen');
  if (print) media.push('print');
  media.push(...[...features].sort().map(([feature, value]) => `(${feature}: ${value})`));
  const edges = [...new Set(widths)].sort();
  if (!isContained) media.push(...edges);
  const atRules: string[] = [];
  if (media.length > 0) atRules.push(`@media ${media.join(' and ')}`);
  if (isContained && edges.length > 0) atRules.push(`@container ${edges.join(' and ')}`);
  return atRules;
}
