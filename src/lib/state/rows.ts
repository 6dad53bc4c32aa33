import type { AnySchema } from 'yup';
import { CONTROLS } from '$core/kinds/controls';
import { settingsWithDefaults } from '$core/kinds/settings';
import { subtreeIds } from '$core/project/tree';
import type { Binding, Column, Node, NodeId, Project, Source } from '$core/project/types';
import { registry } from '$core/registry';
import { leavableAround, listAround, sourceOf } from '$core/rows/around';
import { expanded, languageAt, repeatingSlot } from '$core/rows/rows';
import { matching, rowsOf } from '$core/tables/query';
import { moreTabsFor, tabsFor } from '$core/templates/queried';
import type { Suggestion } from '$core/tables/suggested';
import { runAround, type ListRun } from '$core/rows/runs';
import { makeWith } from '$core/kinds/make';
import type { Command } from '$core/commands/commands';
import type { Workbench } from './workbench.svelte';

const make = makeWith();

/** Whether a piece is offered to repeat its first child: where there are rows, or where it is for nothing else. */
export function canRepeat(project: Project, node: Node): boolean {
  const slot = repeatingSlot(registry, node);
  if (slot === null) return false;
  const isMainly = registry.of(node).slots[slot]!.repeats === 'mainly';
  return isMainly || node.query !== undefined || Object.keys(project.sources).length > 0;
}

/** What a query comes to. */
export interface Outcome {
  readonly rows: readonly Source['rows'][number][];
  /** How many rows match in all, whatever is shown of them. */
  readonly matching: number;
  /** Rows of the page that they fill, and places in the last one that stay empty. */
  readonly lines: number;
  readonly empty: number;
  /** Places wanted; null where all are shown. */
  readonly wanted: number | null;
}

/** How many stand side by side, where the kind says so; 1 else. */
function columnsOf(node: Node): number {
  const kind = registry.of(node);
  const share =
    kind.share?.(settingsWithDefaults(kind, node), { index: 0, count: 1, band: 'always' } as never) ?? 1;
  return Math.max(1, Math.round(1 / share));
}

/** D2: rows = ⌈shown / columns⌉ (common practice, no source). */
export function outcomeOf(project: Project, node: Node): Outcome | null {
  const source = sourceOf(project, node.query);
  if (!node.query || !source) return null;
  const language = languageAt(project, node.id);
  const rows = rowsOf(project, node.query, language);
  const columns = columnsOf(node);
  const wanted = node.query.most === 0 ? null : node.query.most;
  const lines = Math.ceil((wanted ?? rows.length) / columns);
  return {
    rows,
    matching: matching(source, node.query, language).length,
    lines,
    empty: Math.max(0, lines * columns - rows.length),
    wanted
  };
}

/** @returns the source of the list around a piece, whose columns its settings may come from; null for none. */
export const sourceAround = (project: Project, id: NodeId): Source | null =>
  sourceOf(project, listAround(registry, project, id)?.query);

/** A row by what its template takes of it. */
export interface Extent {
  /** What stands in the first column that is taken. */
  readonly name: string;
  /** Characters of all that is taken. */
  readonly length: number;
  /** The piece that is drawn for it. */
  readonly node: NodeId;
}

/** Columns that words of a piece come from: not pictures, nor whether it is drawn. */
function wordsOf(node: Node): readonly string[] {
  const { fields } = registry.of(node).settings;
  return Object.entries(node.binds ?? {}).flatMap(([key, { column }]) => {
    const control = (fields[key] as AnySchema | undefined)?.meta()?.field?.control;
    return control && CONTROLS[control].says === 'words' ? [column] : [];
  });
}

/** D4: the rows with the fewest and with the most words in the template; null where fewer than two are shown. */
export function extremesOf(
  project: Project,
  node: Node
): readonly [shortest: Extent, longest: Extent] | null {
  const slot = repeatingSlot(registry, node);
  const first = slot === null ? undefined : node.slots[slot]?.[0];
  const outcome = outcomeOf(project, node);
  if (!first || !outcome || outcome.rows.length < 2) return null;
  const columns = [...new Set(subtreeIds(project, first).flatMap((id) => wordsOf(project.nodes[id]!)))];
  if (columns.length === 0) return null;
  const drawn = expanded(registry, project).project.nodes[node.id]!.slots[slot!]!;
  const all = outcome.rows.map((row, n): Extent => {
    const texts = columns.map((column) => String(row[column] ?? ''));
    return { name: texts.find(Boolean) ?? '', length: texts.join('').length, node: drawn[n]! };
  });
  const sorted = all.toSorted((a, b) => a.length - b.length);
  return [sorted[0]!, sorted.at(-1)!];
}

/** @returns the lists that are changed together with one, itself among them; null where it is changed alone. */
function togetherWith(wb: Workbench, list: Node): ListRun | null {
  if (wb.together === null || !list.query) return null;
  const run = runAround(wb.project, list.id);
  return run?.owner.id === wb.together ? run : null;
}

/** What does something to a list, and to those of its kind that are changed with it, in a step. */
export function inAll(wb: Workbench, list: Node, commandFor: (list: Node) => Command): Command {
  const run = togetherWith(wb, list);
  if (!run) return commandFor(list);
  const lists = run.lists.filter(({ kind }) => kind === list.kind);
  return {
    type: 'batch',
    label: `Change ${lists.length} lists of ${run.owner.name}`,
    commands: lists.map(commandFor)
  };
}

/** Puts a list into tabs, one for each query; in tabs already, adds one for each. */
export function tabFor(wb: Workbench, list: Node, asked: readonly Suggestion[]): void {
  const panel = leavableAround(registry, wb.project, list.id);
  const command = panel
    ? moreTabsFor(make, registry, wb.project, list, panel.id, asked)
    : tabsFor(make, registry, wb.project, list, asked);
  if (wb.dispatch(command)) return;
  const run = runAround(wb.project, list.id);
  if (run) wb.together = run.owner.id;
}

export const bindingOf = (node: Node, key: string): Binding | null => node.binds?.[key] ?? null;

/** Takes a setting from a column; from none where that is null. */
export function bind(wb: Workbench, node: Node, key: string, binding: Binding | null): void {
  wb.dispatch({ type: 'set-binding', id: node.id, key, binding });
}

/** What a column's values can be written as. */
export const FORMATS_OF: Readonly<
  Record<Column['type'], readonly { readonly label: string; readonly format: Binding['format'] }[]>
> = {
  text: [],
  'yes-no': [],
  number: [
    { label: 'as it is', format: undefined },
    { label: '1,234', format: { as: 'number', decimals: 0 } },
    { label: '1,234.50', format: { as: 'number', decimals: 2 } },
    { label: 'EUR', format: { as: 'money', currency: 'EUR' } },
    { label: 'GBP', format: { as: 'money', currency: 'GBP' } },
    { label: 'USD', format: { as: 'money', currency: 'USD' } }
  ],
  date: [
    { label: 'as it is', format: undefined },
    { label: 'short', format: { as: 'date', style: 'short' } },
    { label: 'with the month', format: { as: 'date', style: 'medium' } },
    { label: 'in words', format: { as: 'date', style: 'long' } }
  ]
};
