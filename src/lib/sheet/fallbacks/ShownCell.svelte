<script lang="ts">
  import { resolve } from '$core/cascade/resolve';
  import { heapOf } from '$core/kinds/circumstances';
  import type { ConditionName } from '$core/project/types';
  import { registry } from '$core/registry';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const {
    wb,
    condition,
    property
  }: { wb: Workbench; condition: ConditionName; property: '--k-hide' | 'order' } = $props();

  const resolved = $derived(
    resolve(registry, wb.project, { node: wb.tuned.id, part: 'root', conditions: heapOf(condition) }).get(
      property
    )!
  );
  const isOwn = $derived(resolved.origin.from === 'own' && resolved.origin.condition === condition);
  const label = $derived(
    `${property === 'order' ? 'Order' : 'Shown'}, ${condition === 'always' ? 'wide' : condition}`
  );

  function set(value: string | null): void {
    wb.dispatch({
      type: 'set-style',
      id: wb.tuned.id,
      part: 'root',
      state: 'rest',
      condition,
      property,
      value
    });
  }
  const usual = $derived(condition === 'always' ? 'initial' : '');
</script>

<td class:own={isOwn} class:faint={!isOwn && condition !== 'always'}>
  {#if property === 'order'}
    <input
      class="mono"
      aria-label={label}
      placeholder={condition === 'always' ? '0' : 'as wide'}
      value={isOwn ? resolved.value : ''}
      onchange={(event) =>
        set(event.currentTarget.value.trim() === '' ? null : event.currentTarget.value.trim())}
    />
  {:else}
    <select
      aria-label={label}
      value={isOwn ? resolved.value : usual}
      onchange={(event) =>
        set(
          event.currentTarget.value === '' ||
            (condition === 'always' && event.currentTarget.value === 'initial')
            ? null
            : event.currentTarget.value
        )}
    >
      {#if condition !== 'always'}<option value="">as wide</option>{/if}
      <option value="initial">shown</option>
      <option value="none">hidden</option>
    </select>
  {/if}
</td>

<style>
  td {
    padding: 0;
    border-bottom: 1px solid var(--faint-line);
    border-left: 1px solid var(--faint-line);
  }
  select,
  input {
    width: 100%;
    height: 26px;
    padding: 0 4px 0 8px;
    font: inherit;
    color: var(--ink);
    background: none;
    border: 0;
    appearance: none;
  }
  input {
    padding: 0 8px;
  }
  input::placeholder {
    font-family: var(--sans);
    font-size: 13px;
    color: var(--ink-3);
    opacity: 1;
  }
  select:hover,
  select:focus-visible {
    background: #fff;
    appearance: auto;
  }
  .own :is(select, input) {
    font-weight: 600;
  }
  .faint select {
    color: var(--ink-3);
  }
</style>
