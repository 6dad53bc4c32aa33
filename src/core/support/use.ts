import type { SupportTarget } from '../project/types';
import { isSafe, PLATFORM_FEATURES, statusOf, type PlatformFeature } from './features';

/** One thing of the platform that a printed page uses, or that a behaviour does in its stead. */
export interface PlatformUse {
  readonly feature: PlatformFeature;
  readonly name: string;
  /** What for, in a few words. */
  readonly what: string;
  /**
   * `native`: the browser does it; `scripted`: a behaviour does, since the target has browsers that cannot;
   * `extra`: better where it is there.
   */
  readonly form: 'native' | 'scripted' | 'extra';
  /** The behaviour that does it; null where the browser does. */
  readonly behaviour: string | null;
  readonly baseline: 'high' | 'low' | false;
  readonly since: string | null;
  /** Whether every browser of the target can show it as it is meant. */
  readonly isSafe: boolean;
}

interface Printed {
  readonly features: ReadonlySet<PlatformFeature>;
  readonly behaviours: readonly string[];
}

const STANDS_IN: Partial<Record<PlatformFeature, string>> = {
  'transition-behavior': 'leave',
  'scroll-driven-animations': 'scrolls'
};

function formOf(feature: PlatformFeature, target: SupportTarget, isScripted: boolean): PlatformUse['form'] {
  if (isScripted) return 'scripted';
  return PLATFORM_FEATURES[feature].helps && !isSafe(feature, target) ? 'extra' : 'native';
}

/** @returns what a printed page uses of the platform, in the order of the list of features. */
export function platformUse(page: Printed, target: SupportTarget): PlatformUse[] {
  return (Object.keys(PLATFORM_FEATURES) as PlatformFeature[])
    .filter((feature) => page.features.has(feature))
    .map((feature) => {
      const { what, helps } = PLATFORM_FEATURES[feature];
      const { name, baseline, since } = statusOf(feature);
      const stand = STANDS_IN[feature];
      const isScripted = stand !== undefined && page.behaviours.includes(stand);
      return {
        feature,
        name,
        what,
        form: formOf(feature, target, isScripted),
        behaviour: isScripted ? stand : null,
        baseline,
        since,
        isSafe: isScripted || helps || isSafe(feature, target)
      };
    });
}
