<script lang="ts">
  import { onMount } from 'svelte';
  import KindSign from '$lib/parts/KindSign.svelte';
  import { refusalOf, runAction } from '$lib/state/actions';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import { DRAWN, drawingOf } from './drawings';
  import {
    found,
    foundAbilities,
    placeInWords,
    type Ability,
    type Entry,
    insertApart,
    insertEntry
  } from './entries';

  const { wb }: { wb: Workbench } = $props();
  const ongone = () => wb.typedAhead.gone();

  let words = $state('');
  let marked = $state<string | null>(null);
  let list: HTMLElement;
  let field: HTMLInputElement;
  let drawings = $state.raw<ReadonlyMap<string, string>>(new Map());

  type Match = Entry | Ability;
  interface Group {
    readonly name: string;
    readonly matches: readonly Match[];
  }
  const isAbility = (match: Match): match is Ability => 'icon' in match;

  const entries = $derived(found(words));
  const abilities = $derived(foundAbilities(words));
  const matches = $derived<readonly Match[]>([...entries, ...abilities]);
  const active = $derived(matches.find(({ id }) => id === marked) ?? matches[0]);
  const isAsked = $derived(words.trim() !== '');
  /** In their groups; what is asked for stands in one, best first, and what the picked piece can do in another. */
  const groups = $derived.by((): readonly Group[] => {
    const names = [...new Set(entries.map(({ group }) => group))];
    if (!isAsked)
      return names.map((name) => ({ name, matches: entries.filter(({ group }) => group === name) }));
    const both = [
      { name: `Found: ${entries.length}`, matches: entries },
      { name: `What a piece can do · ${wb.tuned.name} is picked`, matches: abilities }
    ];
    return both.filter((group) => group.matches.length > 0);
  });
  /** Why the picked piece cannot do what is marked; null where it can. */
  const why = $derived(active && isAbility(active) ? refusalOf(wb, active.id) : null);
  /** Where it goes, or what will do it. */
  const goes = $derived.by(() => {
    if (!active) return null;
    if (isAbility(active)) return { lead: 'done by', name: wb.tuned.name, rest: '' };
    const place = wb.findPlaceOf(active.build());
    if (!place) return null;
    const { parent, beside } = placeInWords(wb, place);
    return { lead: 'goes into', name: parent, rest: beside };
  });

  /** Where it would have a section to itself; null where it has one anyway. */
  const apart = $derived(active && !isAbility(active) ? wb.findPlaceApart(active.build()) : null);

  // One drawing after the other, so that the field has the keys at once.
  onMount(() => {
    const typed = wb.typedAhead.take();
    words = typed.words;
    field.focus();
    const first = found(words)[0];
    if (typed.isEntered && first) {
      take(first);
      return ongone;
    }
    let isOver = false;
    const open = [...found('')];
    const next = (): void => {
      const entry = open.shift();
      if (isOver || !entry) return;
      drawings = new Map([...drawings, [entry.id, drawingOf(entry)]]);
      setTimeout(next);
    };
    setTimeout(next);
    return () => {
      isOver = true;
      ongone();
    };
  });

  function leave(): void {
    wb.open = null;
  }

  /** What the picked piece cannot do stays marked, with the reason beside the field. */
  function take(match: Match): void {
    marked = match.id;
    if (isAbility(match) && refusalOf(wb, match.id)) return;
    wb.open = null;
    if (isAbility(match)) runAction(wb, match.id);
    else insertEntry(wb, match);
  }

  function takeApart(): void {
    if (!active || isAbility(active) || !apart) return;
    wb.open = null;
    insertApart(wb, active);
  }

  function mark(entry: HTMLElement | null): void {
    if (!entry) return;
    marked = entry.dataset.entry!;
    entry.scrollIntoView({ block: 'nearest' });
  }

  const options = () => [...list.querySelectorAll<HTMLElement>('[role="option"]')];
  const markedAt = () => options().findIndex((each) => each.dataset.entry === active?.id);

  /** The one under or over the marked one that is nearest to it. */
  function beyond(by: 1 | -1): HTMLElement | null {
    const all = options();
    const from = all[markedAt()]?.getBoundingClientRect();
    if (!from) return all[0] ?? null;
    const boxes = all
      .map((each) => ({ each, box: each.getBoundingClientRect() }))
      .filter(({ box }) => (box.top - from.top) * by > 1);
    const row = by * Math.min(...boxes.map(({ box }) => box.top * by));
    const inRow = boxes.filter(({ box }) => Math.abs(box.top - row) < 2);
    return (
      inRow.toSorted((a, b) => Math.abs(a.box.left - from.left) - Math.abs(b.box.left - from.left))[0]
        ?.each ?? null
    );
  }

  function onkeydown(event: KeyboardEvent): void {
    const isAtEnd = field.selectionStart === field.value.length && field.selectionEnd === field.value.length;
    if (event.key === 'ArrowDown') mark(beyond(1));
    else if (event.key === 'ArrowUp') mark(beyond(-1));
    else if (event.key === 'ArrowRight' && isAtEnd) mark(options()[markedAt() + 1] ?? null);
    else if (event.key === 'ArrowLeft' && field.value === '') mark(options()[markedAt() - 1] ?? null);
    else if (event.key === 'Enter' && event.shiftKey) takeApart();
    else if (event.key === 'Enter' && active) take(active);
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
</script>

<div
  class="drawer"
  role="dialog"
  aria-label="Insert"
  tabindex="-1"
  onkeydown={(event) => event.key === 'Escape' && (event.stopPropagation(), leave())}
>
  <div class="top">
    <input
      bind:this={field}
      placeholder="tabs, header, three cards, hero, sticky…"
      role="combobox"
      aria-expanded="true"
      aria-controls="insert-list"
      aria-label="What to insert"
      aria-activedescendant={active ? `insert-${active.id}` : undefined}
      bind:value={words}
      oninput={() => (marked = null)}
      {onkeydown}
      autocomplete="off"
    />
    <button type="button" class="link" onclick={leave}>Close</button>
    <div class="where">
      <p class="goes" class:why role="status">
        {#if why}{why}{:else if goes}{goes.lead} <b>{goes.name}</b>{goes.rest}{/if}
      </p>
      {#if apart}
        <button type="button" class="link apart" onclick={takeApart}
          ><span>In a section of its own instead</span> <kbd>Shift Enter</kbd></button
        >
      {/if}
    </div>
  </div>
  <div class="list" id="insert-list" role="listbox" aria-label="What can be inserted" bind:this={list}>
    {#each groups as group (group.name)}
      <div role="group" aria-label={group.name}>
        <h3 role="presentation">{group.name}</h3>
        <div class="cards" class:asked={isAsked} role="presentation">
          {#each group.matches as entry (entry.id)}
            <!-- svelte-ignore a11y_click_events_have_key_events -->
            <div
              id="insert-{entry.id}"
              data-entry={entry.id}
              class="card"
              role="option"
              tabindex="-1"
              aria-selected={entry === active}
              aria-disabled={isAbility(entry) && refusalOf(wb, entry.id) !== null}
              onclick={() => take(entry)}
            >
              <span class="drawing" aria-hidden="true">
                {#if isAbility(entry)}
                  <svg width="28" height="28" viewBox="0 0 16 16">
                    <path d={entry.icon} fill="none" stroke="currentColor" />
                  </svg>
                {:else if drawings.has(entry.id)}
                  <img src={drawings.get(entry.id)} alt="" width={DRAWN.width} height={DRAWN.height} />
                {:else}
                  <KindSign kind={entry.kind} />
                {/if}
              </span>
              <span class="label">{entry.label}</span>
              <span class="summary">{entry.summary}</span>
            </div>
          {/each}
        </div>
      </div>
    {:else}
      <p class="none">Nothing is called “{words}”. Try another word, or clear the field to see all.</p>
    {/each}
  </div>
</div>

<style>
  .drawer {
    position: absolute;
    top: 44px;
    bottom: 0;
    left: 232px;
    z-index: 12;
    display: grid;
    grid-template-rows: auto minmax(0, 1fr);
    width: min(720px, calc(100% - 232px));
    background: var(--panel);
    border-right: 1px solid var(--control-line);
    outline: none;
  }
  .top {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 6px 12px;
    align-items: center;
    padding: 14px 18px 8px;
  }
  .where {
    display: flex;
    grid-column: 1 / -1;
    gap: 12px;
    justify-content: space-between;
    align-items: baseline;
    min-height: 22px;
  }
  /* The line under a link is not for its keys. */
  .apart {
    flex: none;
    text-decoration: none;
  }
  .apart span {
    text-decoration: underline;
  }
  kbd {
    padding: 0 4px;
    margin-left: 4px;
    font-size: 11px;
    color: var(--ink-2);
    border: 1px solid var(--control-line);
    border-radius: 2px;
  }
  input {
    min-width: 0;
    height: 34px;
    padding: 0 10px;
    font: inherit;
    font-size: 14px;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .goes {
    min-width: 0;
    min-height: 1.4em;
    margin: 0;
    overflow: hidden;
    font-size: 12.5px;
    color: var(--ink-2);
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .goes b {
    font-weight: 600;
    color: var(--ink);
  }
  .why {
    color: var(--ochre);
    white-space: normal;
  }
  .list {
    padding: 0 18px 18px;
    overflow: auto;
  }
  h3 {
    margin: 10px 0 6px;
    font-size: 12.5px;
    font-weight: 600;
    color: var(--ink-2);
  }
  .cards {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(128px, 1fr));
    gap: 8px;
  }
  /* What was asked for is little: its summaries are read whole. */
  .asked {
    grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
  }
  .card {
    display: flex;
    flex-direction: column;
    overflow: hidden;
    cursor: pointer;
    background: #fff;
    border: 1px solid var(--line);
    border-radius: 3px;
  }
  .card:hover {
    border-color: var(--control-line);
  }
  .card[aria-selected='true'] {
    outline: 2px solid var(--verdigris);
    outline-offset: -1px;
  }
  .card[aria-disabled='true'] .label {
    color: var(--ink-2);
  }
  .drawing {
    position: relative;
    display: grid;
    place-items: center;
    height: 64px;
    overflow: hidden;
    color: var(--ink-2);
    background: var(--sunk);
    border-bottom: 1px solid var(--faint-line);
  }
  .drawing img {
    position: absolute;
    top: 0;
    left: 50%;
    transform: translateX(-50%) scale(0.18);
    transform-origin: 50% 0;
  }
  .label {
    padding: 5px 8px 0;
    font-weight: 600;
  }
  .summary {
    display: -webkit-box;
    max-height: 4.05em;
    margin: 0 8px 7px;
    overflow: hidden;
    font-size: 11.5px;
    line-height: 1.35;
    color: var(--ink-2);
    -webkit-box-orient: vertical;
    -webkit-line-clamp: 3;
    line-clamp: 3;
  }
  .asked .summary {
    display: block;
    max-height: none;
  }
  .none {
    padding: 10px 0;
    color: var(--ink-2);
  }
</style>
