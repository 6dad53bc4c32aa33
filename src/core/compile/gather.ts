import { printValue } from '../css/tokens';
import type { Condition, Rule } from '../kinds/contract';
import type { PlatformFeature } from '../support/features';
import type { Analysis } from './analyse';
import type { Sheet } from './sheet';

/** What a printed page uses, as its pieces and their rules say; nothing is searched for in printed text. */
export interface Gathered {
  readonly features: ReadonlySet<PlatformFeature>;
}

/**
 * @param found the pieces that are printed.
 * @param sheets the rules that are printed for them.
 * @param tokenValues values of the tokens that are printed along.
 */
export function gather(
  found: readonly Analysis[],
  sheets: readonly Sheet[],
  tokenValues: readonly string[]
): Gathered {
  const features = new Set<PlatformFeature>();
  for (const { build, look, isContained } of sheets) {
    for (const rule of [...build, ...look])
      for (const feature of featuresOfRule(rule, isContained)) features.add(feature);
  }
  for (const { uses } of found) for (const feature of uses) features.add(feature);
  if (tokenValues.some((value) => isLinear(printValue(value)))) features.add('linear-easing');
  return { features };
}

const withoutStrings = (value: string) => value.replace(/"[^"]*"|'[^']*'/g, '');
const isLinear = (value: string) => withoutStrings(value).includes('linear(');
const isGrid = (value: string) => /^(?:var\(--[\w-]+, )?grid\)?$/.test(value);

const isBand = (condition: Condition): boolean => condition === 'medium' || condition === 'narrow';

const asksWidth = (condition: Condition): boolean =>
  typeof condition === 'object' && 'not' in condition ? isBand(condition.not) : isWidth(condition);

const isWidth = (condition: Condition): boolean => isBand(condition) || typeof condition === 'object';

function featuresOfRule(
  { when, selector, declarations, state }: Rule,
  isContained: boolean
): PlatformFeature[] {
  const found: PlatformFeature[] = [];
  const isOfWidth = when.some(asksWidth);
  if (isOfWidth) found.push(isContained ? 'container-queries' : 'media-query-range-syntax');
  if (when.includes('script') || when.includes('no-script')) found.push('scripting');
  if (when.includes('timeline')) found.push('scroll-driven-animations');
  if (`${selector}${state?.selector ?? ''}`.includes(':has(')) found.push('has');
  const { display, transition } = declarations;
  if (display !== undefined && isGrid(display)) found.push('grid');
  if (transition?.includes('allow-discrete')) found.push('transition-behavior');
  if (Object.values(declarations).some((value) => isLinear(printValue(value)))) found.push('linear-easing');
  return found;
}
