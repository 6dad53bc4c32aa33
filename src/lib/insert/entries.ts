import type { FoundPlace } from '$core/kinds/place';
import { makeWith } from '$core/kinds/make';
import { INSERT_GROUPS, type InsertGroup } from '$core/kinds/contract';
import { nodeOf } from '$core/project/tree';
import type { Fragment } from '$core/project/types';
import { registry } from '$core/registry';
import { templates } from '$core/templates';
import { insertNew } from '$lib/state/actions';
import type { Workbench } from '$lib/state/workbench.svelte';
import { soughtWords } from '$core/data/sought';
import { sum } from '$core/data/sum';

const make = makeWith();

/** What is found by its name, by what people call it, and by what it does. */
interface Findable {
  readonly id: string;
  readonly label: string;
  readonly summary: string;
  readonly words: readonly string[];
}

/** One thing that can be inserted: a kind, or ready-made pieces. */
export interface Entry extends Findable {
  readonly group: InsertGroup;
  /** Kind of its outermost piece, which decides where it may stand. */
  readonly kind: string;
  build(): Fragment;
}

/**
 * What a piece can do besides, by the id of the action that gives it to what is picked. It is looked for among the
 * pieces by those who do not know that it is none.
 */
export interface Ability extends Findable {
  readonly icon: string;
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

const abilities = registry.effects.map(({ effect, label, summary, words = [], icon }): Ability => ({
  id: `effect-${effect}`,
  label,
  summary,
  words,
  icon
}));

/** How well one answers a word: 3 by its name, 2 by what people call it, 1 by its summary, 0 not at all. */
function answer({ label, words, summary }: Findable, word: string): number {
  if (label.toLowerCase().includes(word)) return 3;
  if (words.some((each) => each.includes(word))) return 2;
  return summary.toLowerCase().includes(word) ? 1 : 0;
}

/** Those that answer every word, best first. */
function answering<One extends Findable>(all: readonly One[], words: readonly string[]): readonly One[] {
  const isWhole = ({ label }: One) => Number(label.toLowerCase() === words.join(' '));
  return all
    .map((one) => ({ one, answers: words.map((word) => answer(one, word)) }))
    .filter(({ answers }) => answers.every((each) => each > 0))
    .map(({ one, answers }) => ({ one, score: sum(answers) }))
    .toSorted((a, b) => isWhole(b.one) - isWhole(a.one) || b.score - a.score)
    .map(({ one }) => one);
}

/** @returns entries that answer every word, best first; all of them in their groups where nothing is asked. */
export function found(query: string): readonly Entry[] {
  const words = soughtWords(query);
  return words.length === 0 ? entries : answering(entries, words);
}

/** @returns what a piece can do besides that answers every word, best first; none where nothing is asked. */
export function foundAbilities(query: string): readonly Ability[] {
  const words = soughtWords(query);
  return words.length === 0 ? [] : answering(abilities, words);
}

/** Inserts it where there is a place for it. */
export function insertEntry(wb: Workbench, entry: Entry): void {
  const fragment = entry.build();
  insertNew(wb, fragment, wb.findPlaceOf(fragment));
}

/** Inserts it in a section of its own. */
export function insertApart(wb: Workbench, entry: Entry): void {
  const fragment = entry.build();
  insertNew(wb, fragment, wb.findPlaceApart(fragment));
}

/** @returns in words, where something goes. */
export function placeInWords(
  { project }: Workbench,
  { at, around, instead }: FoundPlace
): { readonly parent: string; readonly beside: string } {
  const parent = nodeOf(project, at.parent);
  const before = parent.slots[at.slot]?.[at.index - 1];
  const after = before ? `, after ${nodeOf(project, before).name}` : '';
  const beside = instead ? `, in place of ${nodeOf(project, instead).name}` : after;
  return { parent: around ? `a new ${around.label.toLowerCase()} of ${parent.name}` : parent.name, beside };
}
