import type { Box } from '$core/facts/box';
import type { NodeId } from '$core/project/types';

/** A window of the page, px. */
export interface Size {
  readonly label: string;
  readonly width: number;
  readonly height: number;
}

/** Windows whose scroll is looked at side by side, since ranges change with them (common practice, no source). */
export const WINDOWS: readonly Size[] = [
  { label: 'short laptop', width: 1366, height: 620 },
  { label: 'tall screen', width: 1600, height: 1200 },
  { label: 'phone', width: 390, height: 760 }
];

/** Where pieces stand in one window. */
export interface InWindow extends Size {
  /** Height of the whole page, px. */
  readonly page: number;
  readonly boxes: ReadonlyMap<NodeId, Box>;
}
