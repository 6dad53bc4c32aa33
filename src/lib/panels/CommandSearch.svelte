<script lang="ts">
  import { Modal } from 'carbon-components-svelte';
  import KindSign from '$lib/parts/KindSign.svelte';
  import { nodeOf } from '$core/project/tree';
  import { actions, runAction, shownKey } from '$lib/state/actions';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb }: { wb: Workbench } = $props();

  const isInsert = $derived(wb.open === 'insert');
  let words = $state('');
  let at = $state(0);
  let list: HTMLElement;

  const matches = $derived.by(() => {
    const parts = words.toLowerCase().split(/\s+/).filter(Boolean);
    return actions
      .filter((action) => (isInsert ? action.kind !== undefined : action.id !== 'search'))
      .filter((action) => parts.every((part) => action.label.toLowerCase().includes(part)))
      .map((action) => ({ action, refusal: action.refusal(wb) }))
      // What cannot stand here comes last.
      .toSorted((one, other) => (isInsert ? Number(one.refusal !== null) - Number(other.refusal !== null) : 0));
  });
  const active = $derived(matches[at]);
  /** In words, where the marked kind would stand. */
  const goesTo = $derived.by(() => {
    const at = active ? wb.placeFor(active.action.kind ?? '') : null;
    if (!at) return '';
    const parent = nodeOf(wb.project, at.parent);
    const before = parent.slots[at.slot]?.[at.index - 1];
    return before ? `after ${nodeOf(wb.project, before).name}, in ${parent.name}` : `into ${parent.name}`;
  });

  function run(id: string): void {
    wb.open = null;
    runAction(wb, id);
  }

  function onkeydown(event: KeyboardEvent): void {
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (by) {
      event.preventDefault();
      at = (at + by + matches.length) % Math.max(1, matches.length);
      queueMicrotask(() => list.querySelector('[aria-selected="true"]')?.scrollIntoView({ block: 'nearest' }));
    }
    const match = matches[at];
    if (event.key === 'Enter' && match) {
      event.preventDefault();
      event.stopPropagation();
      run(match.action.id);
    }
  }

  function focusField(input: HTMLInputElement) {
    // Carbon's modal takes the focus once it is open.
    setTimeout(() => input.focus(), 60);
  }
</script>

<Modal open passiveModal size="sm" modalHeading={isInsert ? 'Insert' : 'Find a command'} on:close={() => (wb.open = null)} selectorPrimaryFocus="#command-words">
  <input
    id="command-words"
    class="words"
    placeholder={isInsert ? 'tabs, heading, image…' : 'what do you want to do?'}
    role="combobox"
    aria-expanded="true"
    aria-controls="command-list"
    aria-label={isInsert ? 'What to insert' : 'Command'}
    aria-activedescendant={active ? `command-${active.action.id}` : undefined}
    bind:value={words}
    oninput={() => (at = 0)}
    {onkeydown}
    use:focusField
    autocomplete="off"
  />
  {#if isInsert && goesTo}<p class="goes">Goes {goesTo}</p>{/if}
  <div class="list" id="command-list" role="listbox" aria-label="Commands" bind:this={list}>
    {#each matches as { action, refusal }, index (action.id)}
      <!-- svelte-ignore a11y_click_events_have_key_events -->
      <div id="command-{action.id}" role="option" tabindex="-1" class="row" class:off={refusal} aria-selected={index === at} aria-disabled={refusal ? 'true' : undefined} title={refusal ?? ''} onclick={() => run(action.id)}>
        {#if isInsert}
          <span class="sign"><KindSign kind={action.kind!} /></span>
          <span class="label">{action.label.replace(/^Insert /, '').replace(/^./, (first) => first.toUpperCase())}</span>
          <span class="summary">{refusal ?? action.summary}</span>
        {:else}
          <span class="label">{action.label}</span>
          <span class="summary">{refusal ?? ''}</span>
          {#if action.keys[0]}<kbd>{shownKey(action.keys[0])}</kbd>{/if}
        {/if}
      </div>
    {:else}
      <p class="none">Nothing is called “{words}”. Try another word.</p>
    {/each}
  </div>
</Modal>

<style>
  .words {
    width: 100%;
    height: 36px;
    padding: 0 10px;
    font: inherit;
    font-size: 15px;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .goes {
    margin: 6px 0 0;
    font-size: 12px;
    color: var(--ink-2);
  }
  .list {
    height: 300px;
    margin-top: 6px;
    overflow: auto;
  }
  .row {
    display: flex;
    gap: 10px;
    align-items: center;
    height: 32px;
    padding: 0 10px;
    cursor: pointer;
    border-radius: 2px;
  }
  .row:hover {
    background: var(--sunk);
  }
  .row[aria-selected='true'] {
    background: var(--wash);
  }
  .label {
    white-space: nowrap;
  }
  .off .label {
    color: var(--ink-3);
  }
  .sign {
    display: grid;
    color: var(--ink-2);
  }
  .summary {
    flex: 1;
    overflow: hidden;
    font-size: 12px;
    color: var(--ink-2);
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  kbd {
    padding: 0 5px;
    font: 11px/18px var(--mono);
    color: var(--ink-2);
    border: 1px solid var(--line);
    border-radius: 2px;
  }
  .none {
    padding: 10px;
    color: var(--ink-2);
  }
</style>
