import type { Conflict } from '$core/scroll/conflicts';
import { rangesOf, reachedOf, settingsForEnd, type Range } from '$core/scroll/ranges';
import { bandAt } from '$core/kinds/conditions';
import { settingsAt } from '$core/compile/context';
import type { Command } from '$core/commands/commands';
import type { Box } from '$core/facts/box';
import type { ConditionName, Node, NodeId } from '$core/project/types';
import { registry } from '$core/registry';
import { widthsOf } from './survey.svelte';
import type { Workbench } from './workbench.svelte';
import { clamp } from '$core/data/clamp';
import { remembered } from '$core/data/remembered';

/** The width band of the page on show. */
const bandOnShow = (wb: Workbench) => bandAt(wb.project.info.bands, wb.preview.width);

/** Everything that moves with the scroll of the page on show, at the width on show. */
export const rangesOnShow = (wb: Workbench): readonly Range[] =>
  rangesOf(registry, wb.project, wb.facts.boxes, bandOnShow(wb));

/** The same where pieces stand as they were measured in another window; a moment after the hand rests. */
export const rangesIn = (wb: Workbench, boxes: ReadonlyMap<NodeId, Box>, width: number): readonly Range[] =>
  rangesOf(registry, wb.rested, boxes, bandAt(wb.rested.info.bands, width));

/** What a piece does with the scroll at one width of each band. */
export interface AtWidth {
  readonly label: string;
  readonly width: number;
  /** null where it was not measured there yet. */
  readonly ranges: readonly Range[] | null;
}

export function atWidths(wb: Workbench, node: NodeId): readonly AtWidth[] {
  return Object.entries(widthsOf(wb.project)).map(([label, width]) => {
    const box = wb.facts.elsewhere.get(width)?.get(node);
    const boxes = new Map(box ? [[node, box] as const] : []);
    return { label, width, ranges: box ? rangesIn(wb, boxes, width) : null };
  });
}

/** How far the page on show can be scrolled, px. */
export function wayOf({ preview }: Workbench): number {
  return preview.extent ? Math.max(0, preview.extent.page - preview.extent.window) : 0;
}

/** Where the page on show stands, px from its top. */
export const positionOf = (wb: Workbench): number => wb.preview.share * wayOf(wb);

/** Scrolls the page on show to so many px from its top. */
export function scrollTo(wb: Workbench, px: number): void {
  const way = wayOf(wb);
  if (way <= 0) return;
  const share = clamp(px / way, 0, 1);
  wb.preview.share = share;
  wb.preview.sendToPreview({ type: 'scroll', share, at: null });
}

/** Starts and ends of everything that moves, within the page, in order. */
export function stopsOf(wb: Workbench): readonly number[] {
  const way = wayOf(wb);
  const all = rangesOnShow(wb).flatMap(({ start, end }) => [start, end]);
  return [...new Set([0, ...all, way].map((px) => Math.round(clamp(px, 0, way))))].sort((a, b) => a - b);
}

/** Scrolls to where the next thing starts or ends, or back to where the last one did. */
export function stepTo(wb: Workbench, by: 1 | -1): void {
  const now = positionOf(wb);
  const stops = stopsOf(wb);
  const next = by > 0 ? stops.find((px) => px > now + 1) : stops.findLast((px) => px < now - 1);
  if (next !== undefined) scrollTo(wb, next);
}

/** How fast a film of the scroll goes, px a second: a page of text read with the eye, not flown over. */
export const FILM_PACE = 500;

/** Scrolls at a constant pace to the end, or from the start where it is there already. @returns what stops it. */
export function playFilm(wb: Workbench, onend: () => void): () => void {
  const way = wayOf(wb);
  const from = positionOf(wb) >= way - 1 ? 0 : positionOf(wb);
  let began: number | null = null;
  let frame = 0;
  const step = (time: number): void => {
    began ??= time;
    const at = from + ((time - began) / 1000) * FILM_PACE * wb.preview.rate;
    scrollTo(wb, at);
    if (at >= way) return onend();
    frame = requestAnimationFrame(step);
  };
  frame = requestAnimationFrame(step);
  return () => cancelAnimationFrame(frame);
}

/** What sticks over a whole page is never carried to its end, and nobody misses that. */
const MOSTLY = 0.75;

/** What sticks and would be carried further than the page lets one scroll, in words. */
export function cutShort(wb: Workbench, ranges: readonly Range[]): readonly string[] {
  return ranges.flatMap((range) => {
    const box = wb.facts.boxes.get(range.node);
    if (!box || range.sort !== 'sticks' || range.travel === null) return [];
    const reached = reachedOf(range, box);
    if (reached >= range.travel * MOSTLY) return [];
    return `${range.words} for ${inFigures(reached)} of its ${inFigures(range.travel)} px: the page ends before.`;
  });
}

/** A value of the band's own is what counts there, so it is the one that is turned. */
const setUnder = ({ adapt }: Node, band: ConditionName, key: string): ConditionName =>
  band !== 'always' && Object.hasOwn(adapt[band] ?? {}, key) ? band : 'always';

const labelOf = ({ words }: Range, end: 'start' | 'end'): string =>
  `${end === 'start' ? 'Start' : 'End'} of: ${words}`;

interface Setting {
  readonly command: Command;
  /** Whether it sets anything to another value than it has. */
  readonly isChange: boolean;
}

/** How one end of a range is brought to a place; null where it follows from something else. */
function settingOf(wb: Workbench, range: Range, end: 'start' | 'end', px: number): Setting | null {
  const node = wb.project.nodes[range.node];
  const box = wb.facts.boxes.get(range.node);
  const kind = node && registry.of(node);
  if (!node || !box || !kind) return null;
  const band = bandOnShow(wb);
  const now = settingsAt(kind, node, band);
  const set = settingsForEnd(kind, range, now, box, { end, px });
  if (!set) return null;
  const commands = Object.entries(set).map(
    ([key, value]) =>
      ({ type: 'set-setting', id: node.id, key, value, condition: setUnder(node, band, key) }) as const
  );
  return {
    command: { type: 'batch', label: labelOf(range, end), commands },
    isChange: commands.some(({ key, value }) => now[key] !== value)
  };
}

/** By ranges, which are others as soon as their piece, its box or the band is another. */
const movable = new WeakMap<Range, { readonly start: boolean; readonly end: boolean }>();

/** Which ends of a range can be set by themselves. */
export const movableEnds = (
  wb: Workbench,
  range: Range
): { readonly start: boolean; readonly end: boolean } =>
  remembered(movable, range, () => ({
    start: settingOf(wb, range, 'start', range.start) !== null,
    end: settingOf(wb, range, 'end', range.end) !== null
  }));

const NUMBERS = new Intl.NumberFormat('en');

/** Whole px in figures; four of them read better with a gap: 3 204. */
export const inFigures = (px: number): string => NUMBERS.format(Math.round(px)).replaceAll(',', '\u2009');

/** Brings one end of a range to a place. @param hand moves of one hand are one step of the history. */
export function moveEnd(
  wb: Workbench,
  range: Range,
  end: 'start' | 'end',
  px: number,
  hand: string | null
): void {
  const setting = settingOf(wb, range, end, px);
  if (setting) wb.dispatch(setting.command, hand);
}

/** What a key moves an end by at most, as many times as was asked for: a percent of the longest page. */
const NUDGED_MOST = 64;

/** Moves one end of a range by so many px, or by the least that its settings can tell from where it is. */
export function nudgeEnd(wb: Workbench, range: Range, end: 'start' | 'end', by: number): void {
  for (let times = 1; times <= NUDGED_MOST; times *= 2) {
    const setting = settingOf(wb, range, end, range[end] + by * times);
    if (setting?.isChange) return void wb.dispatch(setting.command, null);
  }
}

/** What gets in the way of one another, in words. */
export function conflictWords(wb: Workbench, conflict: Conflict): string {
  const nameOf = (id: NodeId) => wb.project.nodes[id]?.name ?? 'A piece';
  const at = `${Math.round(conflict.at).toLocaleString('en')} px`;
  if (conflict.what === 'same')
    return `${nameOf(conflict.node)}: two movements set its ${conflict.property} at ${at}`;
  return `${conflict.nodes.length} things move at once at ${at}: ${conflict.nodes.map(nameOf).join(', ')}`;
}
