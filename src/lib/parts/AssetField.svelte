<script lang="ts">
  import { FileUploaderButton } from 'carbon-components-svelte';
  import { pictureFrom } from '$lib/state/pictures';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb, label, value, onchange }: { wb: Workbench; label: string; value: string; onchange: (id: string) => void } = $props();

  let fault = $state('');
  const assets = $derived(Object.values(wb.project.assets));
  const addresses = $derived(new Map([...wb.blobs].map(([id, blob]) => [id, URL.createObjectURL(blob)])));
  $effect(() => {
    const made = addresses;
    return () => made.forEach((address) => URL.revokeObjectURL(address));
  });

  async function add(files: readonly File[]): Promise<void> {
    const file = files[0];
    if (!file) return;
    const read = await pictureFrom(wb.project, file);
    fault = read.ok ? '' : read.sentence;
    if (!read.ok) return;
    if (!wb.dispatch({ type: 'add-asset', asset: read.asset }, null, new Map([[read.asset.id, read.blob]]))) onchange(read.asset.id);
  }
</script>

<div class="asset" role="group" aria-label={label}>
  <span class="bx--label">{label}</span>
  <div class="choices">
    {#each assets as asset (asset.id)}
      <button type="button" aria-pressed={asset.id === value} title="{asset.file}, {asset.width ?? '?'} × {asset.height ?? '?'} px" onclick={() => onchange(asset.id)}>
        <img src={addresses.get(asset.id)} alt={asset.file} />
      </button>
    {/each}
    <FileUploaderButton size="small" kind="tertiary" labelText="Add a picture" disableLabelChanges accept={['image/*']} on:change={({ detail }) => add(detail)} />
  </div>
  {#if fault}<p role="alert">{fault}</p>{/if}
</div>

<style>
  .asset {
    grid-column: 1 / -1;
  }
  .choices {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    align-items: center;
  }
  .choices > button {
    width: 84px;
    height: 58px;
    padding: 2px;
    cursor: pointer;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .choices > button[aria-pressed='true'] {
    border: 2px solid var(--verdigris);
  }
  img {
    width: 100%;
    height: 100%;
    object-fit: cover;
  }
  p {
    margin: 6px 0 0;
    color: var(--red);
  }
</style>
