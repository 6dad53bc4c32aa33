<script lang="ts">
  import { Button, ContentSwitcher, InlineLoading, InlineNotification, Modal, Switch } from 'carbon-components-svelte';
  import { slug } from '$core/project/ids';
  import { exportPages, saveFile, zipOf, type Exported } from '$lib/state/exporting';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import { projectFileOf } from '$lib/store/transfer';

  const { wb }: { wb: Workbench } = $props();

  let single = $state(false);
  let whole = $state(false);
  let result = $state.raw<Exported | null>(null);
  let shown = $state(0);

  const stem = $derived(slug(wb.project.info.name) || 'page');
  const pages = $derived(whole ? wb.project.info.pageOrder : [wb.pageId]);
  const files = $derived(result?.ok ? result.files : []);
  const file = $derived(files[Math.min(shown, files.length - 1)]);
  const total = $derived(files.reduce((sum, each) => ({ raw: sum.raw + each.raw, gzip: sum.gzip + each.gzip }), { raw: 0, gzip: 0 }));

  $effect(() => {
    const controller = new AbortController();
    result = null;
    exportPages({ project: wb.project, blobs: wb.blobs, pages, single, signal: controller.signal }).then(
      (done) => (result = done),
      (error: unknown) => {
        if (!controller.signal.aborted) throw error;
      }
    );
    return () => controller.abort();
  });

  const size = (bytes: number) => (bytes < 1000 ? `${bytes} B` : `${(bytes / 1000).toFixed(1)} kB`);

  function save(): void {
    if (files.length === 0) return;
    const html = files.filter((each) => each.path.endsWith('.html'));
    if (single && html.length === 1) saveFile(`${stem}-${html[0]!.path}`, new Blob([html[0]!.text!], { type: 'text/html' }));
    else saveFile(`${stem}.zip`, zipOf(files));
  }

  async function saveProject(): Promise<void> {
    saveFile(`${stem}.kymation`, await projectFileOf(wb.project, wb.blobs));
  }
</script>

<Modal open passiveModal size="lg" modalHeading="Export" on:close={() => (wb.open = null)}>
  <div class="choices">
    <ContentSwitcher size="sm" selectedIndex={single ? 1 : 0} on:change={({ detail }) => (single = detail === 1)}>
      <Switch text="Folder" />
      <Switch text="One HTML file" />
    </ContentSwitcher>
    {#if wb.project.info.pageOrder.length > 1}
      <ContentSwitcher size="sm" selectedIndex={whole ? 1 : 0} on:change={({ detail }) => (whole = detail === 1)}>
        <Switch text="This page" />
        <Switch text="All {wb.project.info.pageOrder.length} pages" />
      </ContentSwitcher>
    {/if}
  </div>
  {#if result && !result.ok}
    <InlineNotification kind="error" hideCloseButton title="Not exported." subtitle={result.sentence} />
  {:else if !result}
    <InlineLoading description="Printing, checking and measuring the page…" />
  {:else}
    {#if result.problems.length > 0}
      <InlineNotification lowContrast kind="warning" hideCloseButton title="{result.problems.length} {result.problems.length === 1 ? 'thing' : 'things'} to know." subtitle={result.problems.slice(0, 3).join(' · ')} />
    {/if}
    <div class="files">
      <div class="list">
      <table>
        <thead><tr><th scope="col">File</th><th scope="col">raw</th><th scope="col">gzip</th></tr></thead>
        <tbody>
          {#each files as each, i (each.path)}
            <tr class:shown={each === file}>
              <td><button type="button" class="plain" aria-pressed={each === file} onclick={() => (shown = i)}>{each.path}</button></td>
              <td class="mono">{size(each.raw)}</td>
              <td class="mono">{size(each.gzip)}</td>
            </tr>
          {/each}
        </tbody>
        <tfoot><tr><th scope="row">Together</th><td class="mono">{size(total.raw)}</td><td class="mono">{size(total.gzip)}</td></tr></tfoot>
      </table>
      </div>
      <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
      <pre tabindex="0" aria-label="Text of {file?.path}">{file?.text === null ? 'A picture; it goes along as it is.' : file?.text.slice(0, 60_000)}</pre>
    </div>
  {/if}
  <div class="buttons">
    <button type="button" class="link" onclick={saveProject}>Save the project file (.kymation)</button>
    <Button size="small" disabled={files.length === 0} on:click={save}>{single && pages.length === 1 ? 'Save HTML file' : 'Save zip'}</Button>
  </div>
</Modal>

<style>
  .choices {
    display: flex;
    gap: 16px;
    margin-bottom: 14px;
  }
  .choices :global(.bx--content-switcher) {
    width: 260px;
    height: 30px;
  }
  .files {
    display: grid;
    grid-template-columns: 330px minmax(0, 1fr);
    gap: 14px;
    height: 300px;
  }
  .list {
    overflow: auto;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th,
  td {
    padding: 4px 8px;
    font-weight: 400;
    text-align: right;
    white-space: nowrap;
    border-bottom: 1px solid var(--faint-line);
  }
  th:first-child,
  td:first-child {
    width: 100%;
    text-align: left;
  }
  thead th {
    font-size: 12px;
    color: var(--ink-2);
  }
  tfoot > tr > * {
    font-weight: 600;
  }
  .shown td {
    background: var(--wash);
  }
  td button {
    overflow-wrap: anywhere;
    text-align: left;
  }
  pre {
    margin: 0;
    padding: 10px;
    overflow: auto;
    font: 11px/1.5 var(--mono);
    background: #fff;
    border: 1px solid var(--line);
  }
  .buttons {
    display: flex;
    align-items: center;
    justify-content: space-between;
    margin-top: 16px;
  }
</style>
