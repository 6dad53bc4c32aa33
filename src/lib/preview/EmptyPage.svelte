<script lang="ts">
  import { childIds } from '$core/project/tree';
  import type { NodeId } from '$core/project/types';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb }: { wb: Workbench } = $props();

  const childrenOf = (id: NodeId) => childIds(wb.project.nodes[id]!);
  /** Sections with nothing in them are not much to see either. */
  const isEmpty = $derived(childrenOf(wb.page.root).every((section) => childrenOf(section).length === 0));
</script>

<!-- Over the page and none of it: what is exported stays empty. -->
{#if isEmpty}
  <aside aria-label="Empty page">
    <p>Nothing on this page yet.</p>
    <button type="button" onclick={() => (wb.open = 'insert')}>Insert the first piece <kbd>A</kbd></button>
  </aside>
{/if}

<style>
  aside {
    position: absolute;
    inset: 0;
    z-index: 1;
    display: grid;
    gap: 10px;
    place-content: center;
    justify-items: center;
    /* The page around it is still there to be picked. */
    pointer-events: none;
  }
  p {
    margin: 0;
    padding: 2px 8px;
    font-size: 14px;
    color: var(--ink-2);
    /* A page may be as dark as its words. */
    background: var(--panel);
    border-radius: 3px;
  }
  button {
    padding: 7px 14px;
    font: inherit;
    font-size: 14px;
    font-weight: 600;
    color: #fff;
    pointer-events: auto;
    cursor: pointer;
    background: var(--verdigris);
    border: 0;
    border-radius: 3px;
  }
  kbd {
    padding: 0 4px;
    margin-left: 4px;
    font-size: 12px;
    border: 1px solid currentcolor;
    border-radius: 2px;
  }
</style>
