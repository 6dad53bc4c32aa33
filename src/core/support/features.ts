import type { SupportTarget } from '../project/types';
import baseline from './baseline.json' with { type: 'json' };

/**
 * What of the platform a page may use, by its id in the web-features data, and what a person gets where it is
 * missing. `helps` marks what only makes a page better where it is there, so that it may be used whatever the
 * target is.
 */
export const PLATFORM_FEATURES = {
  'media-query-range-syntax': { what: 'widths in style rules', helps: false },
  scripting: { what: 'a page of its own for browsers without script', helps: true },
  'container-queries': { what: 'widths of the place a piece stands in', helps: false },
  'linear-easing': { what: 'springs', helps: false },
  'transition-behavior': { what: 'a panel that moves while it goes', helps: false },
  'hidden-until-found': { what: 'the browser’s search looks into closed panels', helps: true },
  details: { what: 'headers that open their panels', helps: false },
  'details-name': { what: 'one panel open at a time', helps: true },
  'details-content': { what: 'closed panels are printed', helps: true },
  'interpolate-size': { what: 'panels that open gradually', helps: true },
  'scroll-driven-animations': { what: 'what moves with the scroll', helps: true },
  popover: { what: 'side panels', helps: true },
  has: { what: 'a header at the side', helps: false },
  nesting: { what: 'states and conditions inside their rule', helps: false },
  grid: { what: 'equal heights and columns', helps: false }
} as const;

export type PlatformFeature = keyof typeof PLATFORM_FEATURES;

export interface Status {
  readonly name: string;
  /** `high`: widely available; `low`: newly available; false: not yet everywhere. */
  readonly baseline: 'high' | 'low' | false;
  /** The day it became so; null where it has not. */
  readonly since: string | null;
}

export const statusOf = (feature: PlatformFeature): Status =>
  (baseline as unknown as Record<PlatformFeature, Status>)[feature];

/** Whether every browser of a support target has the feature. */
export function isSafe(feature: PlatformFeature, target: SupportTarget): boolean {
  const { baseline } = statusOf(feature);
  if (target === 'current') return true;
  return baseline === 'high' || (target === 'newly' && baseline === 'low');
}
