<script lang="ts">
  import { FileUploaderButton } from 'carbon-components-svelte';
  import { readPicture } from '$core/formats/picture';
  import { newId } from '$core/project/ids';
  import type { Asset, AssetId } from '$core/project/types';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb, label, value, onchange }: { wb: Workbench; label: string; value: string; onchange: (id: string) => void } = $props();

  let fault = $state('');
  const assets = $derived(Object.values(wb.project.assets));
  const addresses = $derived(new Map([...wb.blobs].map(([id, blob]) => [id, URL.createObjectURL(blob)])));
  $effect(() => {
    const made = addresses;
    return () => made.forEach((address) => URL.revokeObjectURL(address));
  });

  function freeName(file: string): string {
    const taken = new Set(assets.map((asset) => asset.file));
    if (!taken.has(file)) return file;
    const dot = file.lastIndexOf('.');
    for (let count = 2; ; count += 1) {
      const name = `${file.slice(0, dot)}-${count}${file.slice(dot)}`;
      if (!taken.has(name)) return name;
    }
  }

  async function add(files: readonly File[]): Promise<void> {
    const file = files[0];
    if (!file) return;
    fault = '';
    const picture = readPicture(new Uint8Array(await file.arrayBuffer()), file.name);
    if (!picture.ok) {
      fault = picture.sentence;
      return;
    }
    const { type, width, height, bytes } = picture;
    const asset: Asset = { id: newId<AssetId>('picture'), file: freeName(picture.file), type, width, height, bytes: bytes.length };
    const blob = new Blob([bytes as Uint8Array<ArrayBuffer>], { type });
    if (!wb.dispatch({ type: 'add-asset', asset }, null, new Map([[asset.id, blob]]))) onchange(asset.id);
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
