<script lang="ts">
  import { Checkbox } from 'carbon-components-svelte';
  import type { NodeId, ShelfId, ShelfPiece } from '$core/project/types';
  import type { Workbench } from '$lib/state/workbench.svelte';

  interface Props {
    wb: Workbench;
    pieces: readonly ShelfPiece[];
    owner: NodeId;
    slot: string;
    ondone: () => void;
  }

  /** Pieces of the shelf, of which any number goes into a list at once. */
  const { wb, pieces, owner, slot, ondone }: Props = $props();

  let taken = $state<ShelfId[]>([]);
  const chosen = $derived(pieces.filter(({ id }) => taken.includes(id)));

  const take = (id: ShelfId, isTaken: boolean) =>
    void (taken = isTaken ? [...taken, id] : taken.filter((each) => each !== id));

  async function add(): Promise<void> {
    const { addShelved } = await import('$lib/state/adding');
    addShelved(wb, { owner, slot }, chosen);
    ondone();
  }
</script>

<div class="shelf" role="group" aria-label="Pieces of the shelf">
  {#each pieces as { id, name } (id)}
    <Checkbox labelText={name} checked={taken.includes(id)} on:check={({ detail }) => take(id, detail)} />
  {/each}
  <div class="row">
    <button type="button" class="main" disabled={chosen.length === 0} onclick={() => void add()}
      >{chosen.length === 0 ? 'Choose what to add' : `Add ${chosen.length} linked`}</button
    >
    <button type="button" class="link" onclick={ondone}>Cancel</button>
  </div>
</div>

<style>
  .shelf {
    padding: 4px 10px 8px;
    margin: 2px 0 6px;
    background: var(--wash);
    border-radius: 3px;
  }
  .row {
    display: flex;
    gap: 12px;
    align-items: center;
    padding-top: 4px;
  }
  .main:disabled {
    cursor: default;
    opacity: 0.5;
  }
</style>
