<script lang="ts">
  import type { Icon } from '$core/html/icon';
  import { maybePlaceOf } from '$core/project/tree';
  import type { Json, Node, StateName } from '$core/project/types';
  import { iconElement } from '$core/html/icon';
  import { printHtml } from '$core/html/print';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const {
    wb,
    state: own,
    keys
  }: { wb: Workbench; state: StateName; keys: Readonly<Partial<Record<StateName, string>>> } = $props();

  /** Icons are of items: the picked one, or the first. */
  const item = $derived.by((): Node | null => {
    if (wb.current !== wb.tuned && maybePlaceOf(wb.project, wb.current.id)) return wb.current;
    const first = Object.values(wb.tuned.slots).flat()[0];
    return first ? wb.project.nodes[first]! : null;
  });
  const key = $derived(keys[own]);
  const icon = $derived((key ? (item?.settings[key] ?? null) : null) as Icon | null);
  let isOpen = $state(false);
</script>

<div class="cell" role="gridcell">
  {#if key && item}
    <button
      type="button"
      class="plain"
      title="Icon of {item.name}, {own}"
      aria-label="Icon, {own}: {icon?.name ?? 'none'}"
      aria-expanded={isOpen}
      onclick={() => (isOpen = !isOpen)}
    >
      <!-- eslint-disable-next-line svelte/no-at-html-tags -->
      {#if icon}{@html printHtml(iconElement(icon))} {icon.name}{:else}<span class="as"
          >{own === 'rest' ? 'none' : 'as rest'}</span
        >{/if}
    </button>
    {#if isOpen}
      <div class="picker">
        {#await import('$lib/sheet/fields/IconField.svelte') then { default: IconField }}
          <IconField
            label="Icon of {item.name}, {own}"
            value={icon}
            startsOpen
            onchange={(next) => {
              isOpen = false;
              wb.dispatch({ type: 'set-setting', id: item.id, key, value: next as unknown as Json });
            }}
          />
        {/await}
      </div>
    {/if}
  {:else}
    <span class="as">as rest</span>
  {/if}
</div>

<style>
  .cell {
    position: relative;
  }
  button {
    display: flex;
    gap: 6px;
    align-items: center;
    width: 100%;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  button :global(svg) {
    width: 14px;
    height: 14px;
    flex: none;
  }
  .as {
    color: var(--ink-3);
  }
  .picker {
    position: absolute;
    top: 100%;
    left: -2px;
    z-index: 6;
    width: 300px;
    padding: 8px;
    background: var(--panel);
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
</style>
