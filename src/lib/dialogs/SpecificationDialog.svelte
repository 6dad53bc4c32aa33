<script lang="ts">
  import { Button, ContentSwitcher, InlineLoading, Modal, Switch } from 'carbon-components-svelte';
  import { resolve } from '$app/paths';
  import { slug } from '$core/project/ids';
  import type { FileSpec } from '$core/specification/types';
  import { registry } from '$core/registry';
  import { exportPages, saveFile } from '$lib/state/exporting';
  import { keepSheet, makeSheet, type Sheet } from '$lib/state/specifying';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb }: { wb: Workbench } = $props();

  /** A page or nothing picked gives no piece. */
  const piece = $derived(
    wb.selected.length > 0 && registry.of(wb.tuned).category !== 'page' ? wb.tuned : null
  );
  let isOfPiece = $state(false);
  const asked = $derived(isOfPiece && piece ? piece.id : null);
  let sheet = $state.raw<Sheet | null>(null);
  /** Under which it is shown; empty until it is. */
  let shown = $state('');
  let files = $state.raw<readonly FileSpec[]>([]);
  let isUnseen = $state(false);

  const stem = $derived(slug(`${wb.page.name} ${asked ? piece!.name : ''}`) || 'page');

  // How much the page weighs is known a moment later; the rest does not wait for it.
  $effect(() => {
    const control = new AbortController();
    exportPages({
      project: wb.project,
      blobs: wb.blobs,
      pages: [wb.pageId],
      single: false,
      snippet: null,
      minified: false,
      signal: control.signal
    }).then(
      (done) => (files = done.ok ? done.files.map(({ path, raw, gzip }) => ({ path, raw, gzip })) : []),
      (error: unknown) => {
        if (!control.signal.aborted) throw error;
      }
    );
    return () => control.abort();
  });

  $effect(() => {
    const control = new AbortController();
    const make = async () => {
      const made = await makeSheet(wb, asked, files);
      control.signal.throwIfAborted();
      sheet = made;
      const found = await keepSheet(made.html, control.signal);
      isUnseen = found === null;
      shown = found ?? '';
    };
    make().catch((error: unknown) => {
      if (!control.signal.aborted) throw error;
    });
    return () => control.abort();
  });

  function save(type: 'html' | 'csv'): void {
    if (!sheet) return;
    const mime = type === 'html' ? 'text/html' : 'text/csv';
    saveFile(`${stem}-specification.${type}`, new Blob([sheet[type]], { type: mime }));
  }
</script>

<Modal open passiveModal size="lg" modalHeading="Specification sheet" on:close={() => (wb.open = null)}>
  <div class="choices">
    <ContentSwitcher
      size="sm"
      selectedIndex={asked ? 1 : 0}
      on:change={({ detail }) => (isOfPiece = detail === 1)}
    >
      <Switch text="This page" />
      <Switch text={piece ? piece.name : 'The picked piece'} disabled={!piece} />
    </ContentSwitcher>
    <p>
      Every part in each of its states, drawn and with its values and tokens; timings, fallbacks, ranges,
      findings and bytes. A4, numbered.
    </p>
  </div>
  {#if isUnseen}
    <p class="unseen" role="alert">
      Kymation’s server does not answer, so it cannot be shown here. It can be saved all the same.
    </p>
  {:else if shown}
    <iframe src={resolve('/sheet/[id]', { id: shown })} title="The sheet" sandbox=""></iframe>
  {:else}
    <div class="waiting"><InlineLoading description="Drawing every state…" /></div>
  {/if}
  <div class="buttons">
    {#if shown}<a href={resolve('/sheet/[id]', { id: shown })} target="_blank" rel="noopener noreferrer"
        >Open it in a tab, to print</a
      >{/if}
    <Button size="small" kind="tertiary" disabled={!sheet} on:click={() => save('csv')}>Save as CSV</Button>
    <Button size="small" disabled={!sheet} on:click={() => save('html')}>Save as HTML</Button>
  </div>
</Modal>

<style>
  .choices {
    display: flex;
    gap: 20px;
    align-items: center;
    margin-bottom: 12px;
  }
  .choices :global(.bx--content-switcher) {
    width: 320px;
    height: 30px;
  }
  .choices p {
    flex: 1;
    margin: 0;
    font-size: 12px;
    line-height: 1.4;
    color: var(--ink-2);
  }
  iframe,
  .waiting,
  .unseen {
    display: block;
    width: 100%;
    height: 440px;
    background: #fff;
    border: 1px solid var(--line);
  }
  .waiting,
  .unseen {
    padding: 20px;
    font-size: 13px;
  }
  .unseen {
    color: var(--red);
  }
  .buttons {
    display: flex;
    gap: 10px;
    align-items: center;
    margin-top: 14px;
  }
  .buttons a {
    margin-right: auto;
    color: var(--verdigris);
  }
</style>
