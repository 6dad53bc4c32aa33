<script lang="ts">
  import { isTypeface, isSerif, type FaceAsset } from '$core/faces/faces';
  import { typefaceFrom } from '$lib/state/typefaces';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb }: { wb: Workbench } = $props();

  const faces = $derived(Object.values(wb.project.assets).filter(isTypeface));
  let faults = $state.raw<readonly string[]>([]);
  let isBusy = $state(false);

  async function take(files: FileList | null): Promise<void> {
    faults = [];
    isBusy = true;
    for (const file of files ?? []) {
      const fault = await takeOne(file);
      if (fault) faults = [...faults, fault];
    }
    isBusy = false;
  }

  /** @returns what is wrong with the file, as a sentence; null where it is one of the project now. */
  async function takeOne(file: File): Promise<string | null> {
    const read = await typefaceFrom(wb.project, file);
    if (!read.ok) return read.sentence;
    const { asset, blob } = read;
    return wb.dispatch({ type: 'add-asset', asset }, null, new Map([[asset.id, blob]]))?.sentence ?? null;
  }

  const kB = (bytes: number) => `${Math.round(bytes / 1000)} kB`;
  const weights = ({ face }: FaceAsset) => [...new Set(face.weight)].join(' to ');
  const LICENCE = { all: '', whole: 'goes along whole', none: 'its licence forbids it in pages' } as const;

  function setLate({ id }: FaceAsset, value: string): void {
    wb.dispatch({ type: 'set-face-late', id, late: value === 'changes' ? value : null });
  }

  /** The page takes the family, before the letters it had. */
  function useOnPage({ face }: FaceAsset): void {
    const root = wb.project.nodes[wb.page.root]!;
    const now =
      root.styles.root?.rest?.always?.['font-family'] ??
      wb.registry.of(root).look.root!.rest!.always!['font-family']!;
    const value = `"${face.family}", ${isSerif(now) ? 'serif' : 'sans-serif'}`;
    wb.dispatch({
      type: 'set-style',
      id: root.id,
      part: 'root',
      state: 'rest',
      condition: 'always',
      property: 'font-family',
      value
    });
  }
</script>

<h3>typeface files</h3>
{#each faces as asset (asset.id)}
  <div class="face" data-face={asset.face.family}>
    <span class="name"
      ><b>{asset.face.family}</b>
      {asset.face.style === 'italic' ? 'italic' : ''}
      {weights(asset)} · {kB(asset.bytes)}</span
    >
    <button type="button" class="link" onclick={() => useOnPage(asset)}>Use on this page</button>
    <button
      type="button"
      class="link"
      aria-label="Take {asset.face.family} out"
      onclick={() => {
        const refusal = wb.dispatch({ type: 'remove-asset', id: asset.id });
        if (refusal) faults = [refusal.sentence];
      }}>Take out</button
    >
    <label class="late"
      >If it comes late
      <select value={asset.face.late ?? ''} onchange={(event) => setLate(asset, event.currentTarget.value)}>
        <option value="">nothing moves: drawn from the next page on</option>
        <option value="changes">the page changes over to it</option>
      </select></label
    >
    {#if LICENCE[asset.face.allows]}<p class="fault">
        {asset.face.family}: {LICENCE[asset.face.allows]}.
      </p>{/if}
  </div>
{/each}
<label class="add">
  <input
    type="file"
    accept=".woff2,.ttf,.otf,font/woff2,font/ttf,font/otf"
    multiple
    disabled={isBusy}
    onchange={async (event) => {
      const input = event.currentTarget;
      await take(input.files);
      input.value = '';
    }}
  />
  <span>{isBusy ? 'Reading…' : 'Add a typeface file…'}</span>
</label>
{#each faults as fault (fault)}<p class="fault" role="alert">{fault}</p>{/each}

<style>
  h3 {
    margin: 12px 0 4px;
    font-size: 12px;
    font-weight: 600;
    color: var(--ink-2);
  }
  .face {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 10px;
    align-items: baseline;
    padding: 3px 0;
  }
  .name {
    flex: 1;
    min-width: 100%;
  }
  .late {
    display: flex;
    flex: 1;
    gap: 8px;
    align-items: center;
    min-width: 100%;
    font-size: 12px;
    color: var(--ink-2);
  }
  .late select {
    flex: 1;
    min-width: 0;
    padding: 3px 4px;
  }
  .add {
    display: inline-flex;
    position: relative;
    margin: 4px 0 8px;
    cursor: pointer;
  }
  .add input {
    position: absolute;
    inset: 0;
    width: 100%;
    cursor: pointer;
    opacity: 0;
  }
  .add span {
    padding: 4px 10px;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .add input:focus-visible + span {
    outline: 2px solid var(--blue);
    outline-offset: 1px;
  }
  .fault {
    margin: 2px 0;
    font-size: 12px;
    color: var(--red);
  }
</style>
