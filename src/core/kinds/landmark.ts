import type { Json } from '../project/types';

/** What screen readers list of a page, and go to (ARIA 1.2, 5.3.4). */
export interface Landmark {
  readonly role: 'banner' | 'complementary' | 'contentinfo' | 'navigation';
  /** The setting that names it; null for what there is one of on a page. */
  readonly named: string | null;
  /** The setting that makes a piece a landmark, and its value for none. */
  readonly none: readonly [key: string, value: Json];
}
