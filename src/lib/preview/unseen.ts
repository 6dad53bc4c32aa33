import { bandAt, conditionWords, SWITCHED, widthUnder } from '$core/kinds/conditions';
import type { Workbench } from '$lib/state/workbench.svelte';

/** From the widest on: what holds in one holds in those after it. */
const BANDS = ['always', 'medium', 'narrow'];

/** Why nothing is seen of what is set in the tuning sheet, and what shows it. */
interface Unseen {
  readonly words: string;
  readonly label: string;
  readonly show: () => void;
}

/** @returns null where the page is shown under the condition that the tuning sheet sets values for. */
export function maybeUnseen({ at, view, preview, project }: Workbench): Unseen | null {
  if (view !== 'States' && view !== 'Timing') return null;
  const switched = SWITCHED.find((name) => name === at);
  if (switched) {
    if (preview.switches.includes(switched)) return null;
    return {
      words: `The sheet is about ${conditionWords(switched)}, and the page is not shown so.`,
      label: `Switch ${conditionWords(switched)} on`,
      show: () => preview.toggleSwitch(switched)
    };
  }
  const { bands } = project.info;
  const isInBand = BANDS.indexOf(bandAt(bands, preview.width)) >= BANDS.indexOf(at);
  // Side by side all bands are seen, or those of the devices that were chosen.
  if (isInBand || preview.widths !== 'one') return null;
  const width = widthUnder(at, bands, preview.width);
  return {
    words: `The sheet is about ${conditionWords(at)}, and the page is shown at ${preview.width} px.`,
    label: `Show it at ${width} px`,
    show: () => (preview.width = width)
  };
}
