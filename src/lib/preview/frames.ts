import { clamp } from '$core/data/clamp';
import type { Device } from '$lib/state/devices.svelte';
import { WIDTH_LEAST, WIDTH_MOST } from '$lib/state/preview.svelte';
import type { Workbench } from '$lib/state/workbench.svelte';

/** A page as it stands in the pane. The one of the key `one` is measured, and told first where it stands. */
export interface ShownFrame {
  readonly key: string;
  readonly title: string;
  readonly label: string;
  readonly width: number;
  readonly isKept?: boolean;
  /** The device that it stands for. */
  readonly device?: Device;
  /** Its place among the three whose width can be typed. */
  readonly typed?: number;
}

type Three = readonly [wide: number, medium: number, narrow: number];

/** A phone's width for the narrow one (common practice, no source), where the band reaches so far. */
const PHONE = 390;

/** Widths that are shown side by side, px. */
export function threeWidths({ preview, project }: Workbench): Three {
  const { medium, narrow } = project.info.bands;
  return preview.three ?? [Math.max(1120, medium + 1), medium, Math.min(PHONE, narrow)];
}

/** Takes a typed width for one of the three; what is no number changes nothing. */
export function setThree(wb: Workbench, at: number, text: string): void {
  const px = Math.round(Number.parseFloat(text));
  if (!Number.isFinite(px)) return;
  const next = threeWidths(wb).map((width, i) => (i === at ? clamp(px, WIDTH_LEAST, WIDTH_MOST) : width));
  wb.preview.three = next as unknown as Three;
}

const titleOf = ({ page }: Workbench): string => `Preview of ${page.name}`;

function deviceFrame(wb: Workbench, device: Device, n: number): ShownFrame {
  const { id, name: label, width } = device;
  if (n === 0) return { key: 'one', title: titleOf(wb), label, width, device };
  return { key: id, title: `${titleOf(wb)}, ${label}`, label, width, device };
}

function keptBeside(wb: Workbench, label: string): readonly ShownFrame[] {
  const { width } = wb.preview;
  return [
    { key: 'held', title: `Kept setting of ${wb.page.name}`, label: `A · ${label}`, width, isKept: true },
    { key: 'one', title: titleOf(wb), label: 'B · now', width }
  ];
}

function threeFrames(wb: Workbench): readonly ShownFrame[] {
  const title = titleOf(wb);
  const [wide, medium, narrow] = threeWidths(wb);
  return [
    { key: 'one', title, label: 'wide', width: wide, typed: 0 },
    { key: 'medium', title: `${title}, medium`, label: 'medium', width: medium, typed: 1 },
    { key: 'narrow', title: `${title}, narrow`, label: 'narrow', width: narrow, typed: 2 }
  ];
}

/** One page, the three bands, stand-in devices, or the setting that was kept beside the present one. */
export function framesShown(wb: Workbench): readonly ShownFrame[] {
  const { widths, width } = wb.preview;
  if (wb.kept) return keptBeside(wb, wb.kept.label);
  if (widths === 'devices') return wb.devices.shown.map((device, n) => deviceFrame(wb, device, n));
  if (widths === 'three') return threeFrames(wb);
  return [{ key: 'one', title: titleOf(wb), label: '', width }];
}
