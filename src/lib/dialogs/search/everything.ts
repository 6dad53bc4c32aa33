import { soughtWords } from '$core/data/sought';
import { SHEET_PROPERTIES, STYLE_PROPERTIES } from '$core/css/properties';
import { maybePageOf, nodeOf } from '$core/project/tree';
import type { Node } from '$core/project/types';
import { entries, insertEntry, type Entry } from '$lib/insert/entries';
import { actions, runAction, shownKey } from '$lib/state/actions';
import { fieldsOf, VIEW_OF, type FieldSpec } from '$lib/state/fields';
import { goTo, shownFinding } from '$lib/state/going';
import type { Workbench } from '$lib/state/workbench.svelte';
import { defined } from '$core/data/compact';
import { sum } from '$core/data/sum';

/** One thing the search leads to. */
export interface Target {
  readonly id: string;
  readonly label: string;
  /** What sort of thing it is, or where it is. */
  readonly note: string;
  /** Further words it is found by. */
  readonly words: string;
  /** Keys that do the same, as people read them. */
  readonly keys?: string;
  /** Why it cannot be done now; null where it can. */
  readonly refusal: string | null;
  run(): void;
}

function commands(wb: Workbench): readonly Target[] {
  return actions
    .filter(({ id }) => id !== 'search')
    .map(({ id, label, group, keys, words, refusal }) =>
      defined({
        id: `command ${id}`,
        label,
        note: group,
        words: (words ?? []).join(' '),
        keys: keys[0] ? shownKey(keys[0]) : undefined,
        refusal: refusal(wb),
        run: () => runAction(wb, id)
      })
    );
}

/** Inserting goes by name too, without opening the drawer. */
function insertions(wb: Workbench): readonly Target[] {
  return entries.map((entry) => insertion(wb, entry));
}

const insertion = (wb: Workbench, entry: Entry): Target => ({
  id: `command insert-${entry.id}`,
  label: `Insert ${entry.label.toLowerCase()}`,
  note: 'Insert',
  words: entry.words.join(' '),
  refusal: null,
  run: () => insertEntry(wb, entry)
});

const setting = (wb: Workbench, node: Node, field: FieldSpec): Target => ({
  id: `setting ${node.id} ${field.key}`,
  label: field.label,
  note: `${VIEW_OF[field.view]} of ${node.name}`,
  words: `${field.group ?? ''} ${field.help ?? ''}`,
  refusal: null,
  run: () => goTo(wb, VIEW_OF[field.view], `[data-field="${field.key}"]`)
});

function settings(wb: Workbench, node: Node): readonly Target[] {
  return fieldsOf(wb.registry.of(node)).map((field) => setting(wb, node, field));
}

function properties(wb: Workbench): readonly Target[] {
  return Object.entries(wb.kind.anatomy).flatMap(([part, { label, properties: more = [] }]) =>
    [...new Set([...SHEET_PROPERTIES, ...more])].map((name) => ({
      id: `property ${part} ${name}`,
      label: STYLE_PROPERTIES.get(name)!.label,
      note: `States of ${wb.tuned.name}, ${label}`,
      words: `${name} ${label}`,
      refusal: null,
      run: () => {
        wb.part = part;
        goTo(wb, 'States', `[data-property="${name}"][data-state="rest"]`);
      }
    }))
  );
}

function pieces(wb: Workbench): readonly Target[] {
  return Object.values(wb.project.nodes)
    .filter(({ kind }) => kind !== 'page')
    .map((node) => ({
      id: `piece ${node.id}`,
      label: node.name,
      note: `${wb.registry.of(node).label} on ${maybePageOf(wb.project, node.id)?.name ?? 'no page'}`,
      words: '',
      refusal: null,
      run: () => wb.select([node.id])
    }));
}

function pages(wb: Workbench): readonly Target[] {
  return wb.project.info.pageOrder.map((id) => ({
    id: `page ${id}`,
    label: wb.project.pages[id]!.name,
    note: 'Page',
    words: wb.project.pages[id]!.title,
    refusal: null,
    run: () => {
      wb.select([]);
      wb.pageId = id;
    }
  }));
}

function tokens(wb: Workbench): readonly Target[] {
  return Object.values(wb.project.tokens).map((token) => ({
    id: `token ${token.id}`,
    label: token.name,
    note: `Token, ${token.value}`,
    words: token.type,
    refusal: null,
    run: () => {
      wb.open = 'tokens';
      goTo(wb, null, `[data-token="${token.id}"]`);
    }
  }));
}

function findings(wb: Workbench): readonly Target[] {
  return wb.findings.map((finding, i) => ({
    id: `finding ${i}`,
    label: finding.sentence,
    note: `Finding at ${nodeOf(wb.project, finding.node).name}`,
    words: finding.rule,
    refusal: null,
    run: () => {
      wb.open = 'findings';
      shownFinding(wb, finding);
    }
  }));
}

/** How well a target answers one word: by the start of its label, within it, by its other words, or not at all. */
function answer({ label, words, note }: Target, word: string): number {
  const name = label.toLowerCase();
  if (name.startsWith(word)) return 4;
  if (name.split(/[^\p{L}\p{N}]+/u).some((each) => each.startsWith(word))) return 3;
  if (name.includes(word)) return 2;
  return `${words} ${note}`.toLowerCase().includes(word) ? 1 : 0;
}

const SHOWN_MOST = 60;

/**
 * @returns what answers every word, best first: what is about the picked piece before the rest. Commands
 * alone where nothing is asked.
 */
export function everything(wb: Workbench, query: string): readonly Target[] {
  const words = soughtWords(query);
  if (words.length === 0) return [...commands(wb), ...insertions(wb)];
  const about = wb.current === wb.tuned ? [wb.tuned] : [wb.current, wb.tuned];
  const all = [
    ...about.flatMap((node) => settings(wb, node)),
    ...properties(wb),
    ...commands(wb),
    ...insertions(wb),
    ...pieces(wb),
    ...pages(wb),
    ...tokens(wb),
    ...findings(wb)
  ];
  return all
    .map((target) => ({ target, answers: words.map((word) => answer(target, word)) }))
    .filter(({ answers }) => answers.every((each) => each > 0))
    .map(({ target, answers }) => ({ target, score: sum(answers) }))
    .toSorted((a, b) => b.score - a.score)
    .slice(0, SHOWN_MOST)
    .map(({ target }) => target);
}
