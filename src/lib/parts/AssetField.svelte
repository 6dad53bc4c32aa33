<script lang="ts">
  import { FileUploaderButton } from 'carbon-components-svelte';
  import { picturesOf } from '$core/compile/renditions';
  import type { AssetId, Node } from '$core/project/types';
  import PictureFacts from './PictureFacts.svelte';
  import { pictureFrom } from '$lib/state/pictures';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb, node, key, label, value, onchange }: { wb: Workbench; node: Node | null; key: string; label: string; value: string; onchange: (id: string) => void } = $props();

  const use = $derived(node ? picturesOf(wb.registry, wb.project, node).find((each) => each.key === key) : undefined);

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

  /** It is taken out of this field first; what else shows it stands in the way, and says so. */
  function remove(): void {
    const id = value as AssetId;
    const { file } = wb.project.assets[id]!;
    const clear = node ? { type: 'set-setting', id: node.id, key, value: '' } : { type: 'set-page', id: wb.pageId, key, value: '' };
    const command = { type: 'batch', label: `Delete the picture ${file}`, commands: [clear, { type: 'remove-asset', id }] };
    const refusal = wb.refusal(command);
    fault = refusal?.sentence ?? '';
    if (!refusal) wb.dispatch(command);
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
  {#if value && wb.project.assets[value as AssetId]}
    <div class="more">
      <button type="button" class="link" onclick={() => onchange('')}>No picture</button>
      <button type="button" class="link" onclick={remove}>Delete {wb.project.assets[value as AssetId]!.file} from the project</button>
    </div>
  {/if}
  {#if fault}<p role="alert">{fault}</p>{/if}
  {#if use}<PictureFacts {use} bands={wb.project.info.bands} />{/if}
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
  .more {
    display: flex;
    gap: 14px;
    margin-top: 6px;
    font-size: 12px;
  }
  p {
    margin: 6px 0 0;
    color: var(--red);
  }
</style>
