<script lang="ts">
  import type { Command } from '$core/commands/commands';
  import { FileUploaderButton } from 'carbon-components-svelte';
  import { picturesOf } from '$core/compile/renditions';
  import { isFilm, isPicture, type Asset, type AssetId, type Node } from '$core/project/types';
  import Foldout from './Foldout.svelte';
  import PictureFacts from './PictureFacts.svelte';
  import { assetFrom, fileFromWeb } from '$lib/state/pictures';
  import type { Workbench } from '$lib/state/workbench.svelte';

  interface Props {
    wb: Workbench;
    node: Node | null;
    key: string;
    /** Of the button that opens it. */
    id: string;
    label: string;
    describedBy?: string;
    /** What may be chosen. */
    media?: 'picture' | 'film';
    value: string;
    onchange: (id: string) => void;
  }

  const { wb, node, key, id, label, describedBy, media = 'picture', value, onchange }: Props = $props();

  const use = $derived(
    node ? picturesOf(wb.registry, wb.project, node).find((each) => each.key === key) : undefined
  );

  const chosen = $derived(wb.project.assets[value as AssetId]);
  let fault = $state('');
  const assets = $derived(
    Object.values(wb.project.assets).filter((asset) => (media === 'film' ? isFilm(asset) : isPicture(asset)))
  );
  const addresses = $derived(new Map([...wb.blobs].map(([id, blob]) => [id, URL.createObjectURL(blob)])));
  $effect(() => {
    const made = addresses;
    return () => made.forEach((address) => URL.revokeObjectURL(address));
  });

  async function add(files: readonly File[]): Promise<void> {
    const file = files[0];
    if (!file) return;
    const read = await assetFrom(wb.project, file);
    fault = read.ok ? '' : read.sentence;
    if (!read.ok) return;
    if (!(media === 'film' ? isFilm : isPicture)(read.asset))
      return void (fault = `${file.name} is a ${isFilm(read.asset) ? 'film' : 'picture'}; this takes a ${media}.`);
    asking = false;
    address = '';
    if (!wb.dispatch({ type: 'add-asset', asset: read.asset }, null, new Map([[read.asset.id, read.blob]])))
      onchange(read.asset.id);
  }

  let asking = $state(false);
  let address = $state('');
  let fetching = $state.raw<AbortController | null>(null);

  async function fetchIt(): Promise<void> {
    if (!address.trim() || fetching) return;
    const stop = (fetching = new AbortController());
    fault = '';
    try {
      const file = await fileFromWeb(address.trim(), stop.signal);
      if (typeof file === 'string') fault = file;
      else await add([file]);
    } catch (error) {
      if (!stop.signal.aborted) throw error;
    } finally {
      fetching = null;
    }
  }

  $effect(() => () => fetching?.abort());

  const sizeOf = (asset: Asset): string =>
    isFilm(asset) ? asset.file : `${asset.file}, ${asset.width ?? '?'} × ${asset.height ?? '?'} px`;

  /** Escape gives up fetching, then the address; only then does it close what is around. */
  function addressKeys(event: KeyboardEvent): void {
    if (event.key !== 'Escape') return;
    event.stopPropagation();
    event.preventDefault();
    if (fetching) fetching.abort();
    else asking = false;
  }

  /** It is taken out of this field first; what else shows it stands in the way, and says so. */
  function remove(): void {
    const id = value as AssetId;
    const { file } = wb.project.assets[id]!;
    const clear: Command = node
      ? { type: 'set-setting', id: node.id, key, value: '' }
      : { type: 'set-page', id: wb.pageId, key: 'picture', value: '' };
    const command: Command = {
      type: 'batch',
      label: `Delete the ${media} ${file}`,
      commands: [clear, { type: 'remove-asset', id }]
    };
    const refusal = wb.refusal(command);
    fault = refusal?.sentence ?? '';
    if (!refusal) wb.dispatch(command);
  }
</script>

{#snippet thumbnail(asset: Asset)}
  {#if isFilm(asset)}
    <video src={addresses.get(asset.id)} aria-label={asset.file} muted preload="metadata"></video>
  {:else}
    <img src={addresses.get(asset.id)} alt={asset.file} />
  {/if}
{/snippet}

{#snippet shown()}
  {#if chosen}
    <span class="small" aria-hidden="true">{@render thumbnail(chosen)}</span>
    <span class="file" id="{id}-value">{chosen.file}</span>
  {:else}
    <span class="file none" id="{id}-value">none</span>
  {/if}
{/snippet}

<div class="asset" role="group" aria-label={label}>
  <Foldout {id} describedBy={[`${id}-value`, describedBy].filter(Boolean).join(' ')} value={shown}>
    <div class="choices">
      <button type="button" class="no" aria-pressed={value === ''} onclick={() => onchange('')}
        >No {media}</button
      >
      {#each assets as asset (asset.id)}
        <button
          type="button"
          aria-pressed={asset.id === value}
          title={sizeOf(asset)}
          onclick={() => onchange(asset.id)}>{@render thumbnail(asset)}</button
        >
      {/each}
    </div>
    <div class="tools">
      <FileUploaderButton
        size="small"
        kind="tertiary"
        labelText="Add a {media}"
        disableLabelChanges
        accept={[media === 'film' ? 'video/*' : 'image/*']}
        on:change={({ detail }) => add(detail)}
      />
      <button type="button" class="link" aria-expanded={asking} onclick={() => (asking = !asking)}
        >From an address…</button
      >
      {#if chosen}<button type="button" class="link" onclick={remove}
          >Delete {chosen.file} from the project</button
        >{/if}
    </div>
    {#if asking}
      <form
        onsubmit={(event) => {
          event.preventDefault();
          void fetchIt();
        }}
      >
        <!-- svelte-ignore a11y_autofocus -->
        <input
          type="text"
          inputmode="url"
          aria-label="Address of the {media}"
          placeholder="https://…"
          maxlength="2000"
          bind:value={address}
          autofocus
          onkeydown={addressKeys}
        />
        {#if fetching}
          <button type="button" onclick={() => fetching?.abort()}>Stop</button>
        {:else}
          <button type="submit" disabled={!address.trim()}>Fetch it</button>
        {/if}
      </form>
      <p class="help">
        {fetching
          ? 'Fetching…'
          : `Fetched once and kept in the project; the page never asks for it elsewhere.`}
      </p>
    {/if}
    {#if fault}<p role="alert">{fault}</p>{/if}
    {#if use}<PictureFacts {use} bands={wb.project.info.bands} />{/if}
  </Foldout>
</div>

<style>
  .small {
    flex: none;
    width: 30px;
    height: 20px;
  }
  .file {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .none {
    padding-left: 5px;
    color: var(--ink-2);
  }
  .tools :global(.bx--btn) {
    min-height: 28px;
    padding: 2px 12px;
  }
  .choices {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
    align-items: center;
  }
  .choices > button[aria-pressed] {
    width: 52px;
    height: 36px;
    padding: 2px;
    cursor: pointer;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .choices > .no {
    width: auto;
    padding: 2px 8px;
    font: inherit;
    font-size: 12px;
  }
  .choices > button[aria-pressed='true'] {
    border: 2px solid var(--verdigris);
  }
  img,
  video {
    width: 100%;
    height: 100%;
    object-fit: cover;
  }
  .tools {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 14px;
    align-items: center;
    margin-top: 8px;
    font-size: 12px;
  }
  form {
    display: flex;
    gap: 6px;
    margin-top: 6px;
  }
  input {
    flex: 1;
    min-width: 0;
    height: 28px;
    padding: 0 8px;
    font: inherit;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  form button {
    height: 28px;
    padding: 0 10px;
    font: inherit;
    cursor: pointer;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  p {
    margin: 6px 0 0;
    font-size: 12.5px;
    color: var(--red);
  }
  .help {
    font-size: 12px;
    color: var(--ink-2);
  }
</style>
