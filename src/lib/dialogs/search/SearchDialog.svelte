<script lang="ts">
  import { Modal } from 'carbon-components-svelte';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import { everything, type Target } from './everything';

  const { wb }: { wb: Workbench } = $props();

  let words = $state('');
  let at = $state(0);
  let list: HTMLElement;

  const matches = $derived(everything(wb, words));
  const active = $derived(matches[at]);

  function run(target: Target): void {
    wb.open = null;
    if (target.refusal) wb.message = { kind: 'info', text: target.refusal };
    else target.run();
  }

  function onkeydown(event: KeyboardEvent): void {
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (by) {
      event.preventDefault();
      at = (at + by + matches.length) % Math.max(1, matches.length);
      queueMicrotask(() =>
        list.querySelector('[aria-selected="true"]')?.scrollIntoView({ block: 'nearest' })
      );
    }
    if (event.key === 'Enter' && active) {
      event.preventDefault();
      event.stopPropagation();
      run(active);
    }
  }

  function focusField(input: HTMLInputElement) {
    // Carbon's modal takes the focus once it is open.
    const timer = setTimeout(() => {
      input.focus();
      const typed = wb.typedAhead.take();
      words = typed.words + words;
      const [first] = everything(wb, words);
      if (typed.isEntered && first) run(first);
    }, 60);
    return {
      destroy() {
        clearTimeout(timer);
        wb.typedAhead.gone();
      }
    };
  }
</script>

<Modal
  open
  passiveModal
  size="sm"
  modalHeading="Find"
  on:close={() => (wb.open = null)}
  selectorPrimaryFocus="#command-words"
>
  <input
    id="command-words"
    class="words"
    placeholder="a command, a setting, a piece, a page, a token, a finding…"
    role="combobox"
    aria-expanded="true"
    aria-controls="command-list"
    aria-label="What to find"
    aria-activedescendant={active ? `found-${at}` : undefined}
    bind:value={words}
    oninput={() => (at = 0)}
    {onkeydown}
    use:focusField
    autocomplete="off"
  />
  <div class="list" id="command-list" role="listbox" aria-label="Found" bind:this={list}>
    {#each matches as target, index (target.id)}
      <!-- svelte-ignore a11y_click_events_have_key_events -->
      <div
        id="found-{index}"
        role="option"
        tabindex="-1"
        class="row"
        class:off={target.refusal}
        aria-selected={index === at}
        aria-disabled={target.refusal ? 'true' : undefined}
        title={target.refusal ?? ''}
        onclick={() => run(target)}
      >
        <span class="label">{target.label}</span>
        <span class="summary">{target.refusal ?? target.note}</span>
        {#if target.keys}<kbd>{target.keys}</kbd>{/if}
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
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .off .label {
    color: var(--ink-3);
  }
  .summary {
    flex: 1 0 35%;
    text-align: right;
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
