import type { FoundPlace } from '$core/kinds/place';
import { makeWith } from '$core/kinds/make';
import { INSERT_GROUPS, type InsertGroup } from '$core/kinds/contract';
import { nodeOf } from '$core/project/tree';
import type { Fragment } from '$core/project/types';
import { registry } from '$core/registry';
import { templates } from '$core/templates';
import { insertFragment } from '$lib/state/actions';
import type { Workbench } from '$lib/state/workbench.svelte';
import { sum } from '$core/data/sum';

const make = makeWith();

/** One thing that can be inserted: a kind, or ready-made pieces. */
export interface Entry {
  readonly id: string;
  readonly label: string;
  readonly summary: string;
  readonly group: InsertGroup;
  /** Kind of its outermost piece, which decides where it may stand. */
  readonly kind: string;
  readonly words: readonly string[];
  build(): Fragment;
}

const kinds = registry.kinds
  .filter(({ insertable }) => insertable)
  .map((kind): Entry => ({
    id: kind.kind,
    label: kind.label,
    summary: kind.summary,
    group: kind.group ?? 'Page',
    kind: kind.kind,
    words: kind.words ?? [],
    build: () => registry.kindOf(kind.kind).create(make)
  }));

const readyMade = templates.map((each): Entry => ({
  id: `template-${each.template}`,
  label: each.label,
  summary: each.summary,
  group: 'Ready-made',
  kind: each.root,
  words: each.words,
  build: () => each.build(make)
}));

/** All that can be inserted, group by group. */
export const entries: readonly Entry[] = INSERT_GROUPS.flatMap((group) =>
  [...kinds, ...readyMade].filter((each) => each.group === group)
);

/** How well an entry answers one word: 3 by its name, 2 by what people call it, 1 by its summary, 0 not at all. */
function answer({ label, words, summary }: Entry, word: string): number {
  if (label.toLowerCase().includes(word)) return 3;
  if (words.some((each) => each.includes(word))) return 2;
  return summary.toLowerCase().includes(word) ? 1 : 0;
}

/** @returns entries that answer every word, best first; all of them in their groups where nothing is asked. */
export function found(query: string): readonly Entry[] {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return entries;
  const isWhole = ({ label }: Entry) => Number(label.toLowerCase() === words.join(' '));
  return entries
    .map((entry) => ({ entry, answers: words.map((word) => answer(entry, word)) }))
    .filter(({ answers }) => answers.every((each) => each > 0))
    .map(({ entry, answers }) => ({ entry, score: sum(answers) }))
    .toSorted((a, b) => isWhole(b.entry) - isWhole(a.entry) || b.score - a.score)
    .map(({ entry }) => entry);
}

/** Inserts it where there is a place for it. */
export function insertEntry(wb: Workbench, entry: Entry): void {
  const place = wb.findPlace(entry.kind);
  if (place) insertFragment(wb, entry.build(), place);
}

/** @returns in words, where something goes. */
export function placeInWords(
  { project }: Workbench,
  { at, around }: FoundPlace
): { readonly parent: string; readonly after: string } {
  const parent = nodeOf(project, at.parent);
  const before = parent.slots[at.slot]?.[at.index - 1];
  const after = before ? nodeOf(project, before).name : '';
  return { parent: around ? `a new ${around.label.toLowerCase()} of ${parent.name}` : parent.name, after };
}
