<script lang="ts">
  import type { Node, Source } from '$core/project/types';
  import { leavableAround } from '$core/rows/around';
  import { repeatingSlot } from '$core/rows/rows';
  import { runAround } from '$core/rows/runs';
  import { suggestedFor } from '$core/tables/suggested';
  import { registry } from '$core/registry';
  import { tabFor } from '$lib/state/rows';
  import type { Workbench } from '$lib/state/workbench.svelte';

  /** A list among others: what is changed in all of them, and how there come to be more. */
  const { wb, list, source }: { wb: Workbench; list: Node; source: Source } = $props();

  const run = $derived(runAround(wb.project, list.id));
  const isInPanel = $derived(leavableAround(registry, wb.project, list.id) !== null);
  const suggestions = $derived(suggestedFor(source));
  const asks = $derived(isInPanel ? 'One more tab for…' : 'A tab for each…');
  const template = $derived(list.slots[repeatingSlot(registry, list)!]?.[0]);
  const refusal = $derived.by(() => {
    if (!template) return 'The list has nothing to repeat yet. Put a piece into it first.';
    return suggestions.length === 0 ? `Nothing in ${source.name} tells its rows apart.` : undefined;
  });
  let isOpen = $state(false);
  let picked = $state.raw<ReadonlySet<number>>(new Set());

  function pick(at: number, isPicked: boolean): void {
    picked = new Set([...picked].filter((each) => each !== at).concat(isPicked ? [at] : []));
  }

  function make(): void {
    tabFor(
      wb,
      list,
      // In the order they were picked in.
      [...picked].map((at) => suggestions[at]!)
    );
    picked = new Set();
    isOpen = false;
  }
</script>

<div class="line">
  {#if run}
    <label>
      <input
        type="checkbox"
        checked={wb.together === run.owner.id}
        onchange={(event) => (wb.together = event.currentTarget.checked ? run.owner.id : null)}
      />
      Source, number and settings in all {run.lists.length} lists of {run.owner.name}
    </label>
  {/if}
  <button
    type="button"
    class="link"
    aria-expanded={isOpen}
    disabled={refusal !== undefined}
    title={refusal}
    onclick={() => (isOpen = !isOpen)}>{asks}</button
  >
</div>
{#if isOpen}
  <fieldset>
    <legend>What tabs over {source.name} show</legend>
    <div class="choices">
      {#each suggestions as { label, says }, at (says)}
        <label>
          <input
            type="checkbox"
            checked={picked.has(at)}
            onchange={(event) => pick(at, event.currentTarget.checked)}
          />
          {label} <small>{says}</small>
        </label>
      {/each}
    </div>
    <p class="do">
      <button type="button" class="main" disabled={picked.size === 0} onclick={make}>
        {#if picked.size === 0}Pick what they show{:else}Make {picked.size} tab{picked.size === 1
            ? ''
            : 's'}{/if}
      </button>
      <span
        >Each has a list of its own; their rows follow one another on the shelf. Names and conditions can be
        changed after.</span
      >
    </p>
  </fieldset>
{/if}

<style>
  .line {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 16px;
    align-items: center;
    margin-top: 6px;
    font-size: 12.5px;
  }
  label {
    display: inline-flex;
    gap: 6px;
    align-items: center;
    min-height: 24px;
  }
  input {
    width: 16px;
    height: 16px;
    margin: 0;
    accent-color: var(--verdigris);
  }
  fieldset {
    padding: 6px 10px 8px;
    margin: 6px 0 0;
    font-size: 12.5px;
    border: 1px solid var(--line);
    border-radius: 3px;
  }
  legend {
    padding: 0 4px;
    font-weight: 600;
  }
  .choices {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
    gap: 2px 14px;
  }
  small {
    font-size: 12px;
    color: var(--ink-2);
  }
  .do {
    display: flex;
    gap: 12px;
    align-items: center;
    margin: 8px 0 0;
    color: var(--ink-2);
  }
  .main {
    flex: none;
    height: 26px;
    padding: 0 12px;
    font: inherit;
    font-weight: 600;
    color: #fff;
    cursor: pointer;
    background: var(--verdigris);
    border: 0;
    border-radius: 3px;
  }
  .main:disabled {
    color: var(--ink-2);
    cursor: default;
    background: var(--wash);
  }
</style>
