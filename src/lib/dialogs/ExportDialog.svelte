<script module lang="ts">
  /** The site that snippets go into, as it was told last in this window: mostly the next one goes there too. */
  let lastSite = { look: 'page' as SnippetLook, rootSize: 16 };
</script>

<script lang="ts">
  import {
    Button,
    ContentSwitcher,
    InlineLoading,
    InlineNotification,
    Modal,
    Switch
  } from 'carbon-components-svelte';
  import type { SnippetLook } from '$core/compile/snippet';
  import { placeholdersOf } from '$core/findings/placeholders';
  import { slug } from '$core/project/ids';
  import type { SupportTarget } from '$core/project/types';
  import { registry } from '$core/registry';
  import { exportPages, saveFile, zipOf, type Exported } from '$lib/state/exporting';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import { projectFileOf } from '$lib/store/transfer';
  import SnippetSite from './SnippetSite.svelte';

  const { wb }: { wb: Workbench } = $props();

  const FORMS = ['folder', 'single', 'snippet'] as const;
  const TARGETS: Readonly<Record<SupportTarget, string>> = {
    widely: 'widely available',
    newly: 'newly available',
    current: 'this browser and its like'
  };
  let form = $state<(typeof FORMS)[number]>('folder');
  let whole = $state(false);
  let minified = $state(false);
  let site = $state.raw(lastSite);
  $effect(() => {
    lastSite = site;
  });
  let result = $state.raw<Exported | null>(null);
  let shown = $state(0);
  let copied = $state(false);

  const stem = $derived(slug(wb.project.info.name) || 'page');
  const pages = $derived(whole ? wb.project.info.pageOrder : [wb.pageId]);
  /** A snippet is of the picked piece; a page or nothing picked gives none. */
  const piece = $derived(
    wb.selected.length > 0 && registry.of(wb.tuned).category !== 'page' ? wb.tuned : null
  );
  const files = $derived(result?.ok ? result.files : []);
  const file = $derived(files[Math.min(shown, files.length - 1)]);
  const canSave = $derived(files.length > 0 && result?.ok === true && result.broken.length === 0);
  const total = $derived(
    files.reduce((sum, each) => ({ raw: sum.raw + each.raw, gzip: sum.gzip + each.gzip }), {
      raw: 0,
      gzip: 0
    })
  );
  const uses = $derived(result?.ok ? result.uses : []);
  const costs = $derived(result?.ok ? Object.entries(result.costs) : []);

  let pictures = $state('');
  const placeholders = $derived(form === 'snippet' ? 0 : placeholdersOf(registry, wb.project, pages).length);

  $effect(() => {
    const controller = new AbortController();
    result = null;
    pictures = '';
    copied = false;
    if (form === 'snippet' && !piece) return;
    exportPages({
      project: wb.project,
      blobs: wb.blobs,
      pages,
      single: form === 'single',
      snippet: form === 'snippet' ? { id: piece!.id, ...site } : null,
      minified,
      signal: controller.signal,
      onprogress: (done, of) =>
        (pictures = of > 0 && done < of ? `Making smaller pictures, ${done + 1} of ${of}…` : '')
    }).then(
      (done) => (result = done),
      (error: unknown) => {
        if (!controller.signal.aborted) throw error;
      }
    );
    return () => controller.abort();
  });

  const size = (bytes: number) => (bytes < 1000 ? `${bytes} B` : `${(bytes / 1000).toFixed(1)} kB`);
  function since({ baseline, since }: (typeof uses)[number]): string {
    const month = since?.slice(0, 7);
    if (baseline === 'high') return `everywhere since ${month}`;
    return baseline === 'low' ? `newly, since ${month}` : 'not yet everywhere';
  }

  /** How the page does something in the browsers it is for. */
  function how({ form, behaviour, isSafe }: (typeof uses)[number]): string {
    const costs = result?.ok ? result.costs : {};
    if (form === 'scripted') return `by script, ${costs[behaviour ?? ''] ?? 0} B`;
    if (form === 'extra') return 'where it can';
    return isSafe ? 'itself' : 'not in all of them';
  }

  const saveWords = $derived.by(() => {
    if (form === 'folder' || (form === 'single' && pages.length > 1)) return 'Save zip';
    return form === 'snippet' ? 'Save snippet' : 'Save HTML file';
  });

  function save(): void {
    if (!canSave) return;
    const html = files.filter((each) => each.path.endsWith('.html'));
    if (form === 'snippet')
      saveFile(`${stem}-${piece!.id}-snippet.html`, new Blob([html[0]!.text!], { type: 'text/html' }));
    else if (form === 'single' && html.length === 1)
      saveFile(`${stem}-${html[0]!.path}`, new Blob([html[0]!.text!], { type: 'text/html' }));
    else saveFile(`${stem}.zip`, zipOf(files));
  }

  async function copy(): Promise<void> {
    try {
      await navigator.clipboard.writeText(files[0]!.text!);
      copied = true;
    } catch {
      wb.message = {
        kind: 'error',
        text: 'The browser did not let the text onto the clipboard. Save the file instead.'
      };
    }
  }

  async function saveProject(): Promise<void> {
    saveFile(`${stem}.kymation`, await projectFileOf(wb.project, wb.blobs));
  }
</script>

<Modal open passiveModal size="lg" modalHeading="Export" on:close={() => (wb.open = null)}>
  <div class="choices">
    <ContentSwitcher
      size="sm"
      selectedIndex={FORMS.indexOf(form)}
      on:change={({ detail }) => (form = FORMS[detail]!)}
    >
      <Switch text="Folder" />
      <Switch text="One HTML file" />
      <Switch text="Snippet" />
    </ContentSwitcher>
    {#if form !== 'snippet' && wb.project.info.pageOrder.length > 1}
      <ContentSwitcher
        size="sm"
        selectedIndex={whole ? 1 : 0}
        on:change={({ detail }) => (whole = detail === 1)}
      >
        <Switch text="This page" />
        <Switch text="All {wb.project.info.pageOrder.length} pages" />
      </ContentSwitcher>
    {/if}
    <label
      >Browsers
      <select
        class="boxed"
        value={wb.project.info.support}
        onchange={(event) =>
          wb.dispatch({ type: 'set-support', support: event.currentTarget.value as SupportTarget })}
      >
        {#each Object.entries(TARGETS) as [target, words] (target)}<option value={target}>{words}</option
          >{/each}
      </select>
    </label>
    <label
      >Script
      <select
        class="boxed"
        value={minified ? 'minified' : 'readable'}
        onchange={(event) => (minified = event.currentTarget.value === 'minified')}
      >
        <option value="readable">readable</option>
        <option value="minified">minified</option>
      </select>
    </label>
  </div>
  {#if form === 'snippet' && piece}
    <SnippetSite bind:site />
  {/if}
  {#if form === 'snippet' && !piece}
    <p class="none">
      A snippet is one piece to paste into any site. Pick one in the outline first, such as a widget or a
      section.
    </p>
  {:else if result && !result.ok}
    <InlineNotification kind="error" hideCloseButton title="Not exported." subtitle={result.sentence} />
  {:else if !result}
    <InlineLoading description={pictures || 'Printing, checking and measuring…'} />
  {:else}
    {#if result.broken.length > 0}
      <InlineNotification
        kind="error"
        hideCloseButton
        title="This export is broken and cannot be saved."
        subtitle="{result.broken[0]} Look for the value that was set last, and take it back with Ctrl Z."
      />
    {/if}
    {#if result.problems.length > 0}
      <InlineNotification
        lowContrast
        kind="warning"
        hideCloseButton
        title="{result.problems.length} {result.problems.length === 1 ? 'thing' : 'things'} to know."
        subtitle={result.problems.slice(0, 3).join(' · ')}
      />
    {/if}
    {#if placeholders > 0}
      <p class="left">
        Still as it came: {placeholders}
        {placeholders === 1 ? 'word, label or picture' : 'words, labels and pictures'}.
        <button type="button" class="link" onclick={() => (wb.open = 'findings')}
          >Show {placeholders === 1 ? 'it' : 'them'}</button
        >
      </p>
    {/if}
    <div class="files">
      <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
      <div class="list" tabindex="0" role="region" aria-label="Files and what they use">
        <table>
          <thead
            ><tr
              ><th scope="col">{form === 'snippet' ? piece!.name : 'File'}</th><th scope="col">raw</th><th
                scope="col">gzip</th
              ></tr
            ></thead
          >
          <tbody>
            {#each files as each, i (each.path)}
              <tr class:shown={each === file}>
                <td
                  ><button
                    type="button"
                    class="plain"
                    aria-pressed={each === file}
                    onclick={() => (shown = i)}>{each.path}</button
                  ></td
                >
                <td class="mono">{size(each.raw)}</td>
                <td class="mono">{size(each.gzip)}</td>
              </tr>
            {/each}
          </tbody>
          {#if files.length > 1}<tfoot
              ><tr
                ><th scope="row">Together</th><td class="mono">{size(total.raw)}</td><td class="mono"
                  >{size(total.gzip)}</td
                ></tr
              ></tfoot
            >{/if}
        </table>
        {#if costs.length > 0}
          <h3>What the script does</h3>
          <ul>
            {#each costs as [name, bytes] (name)}<li>
                <span>{name}</span> <span class="mono">{bytes} B</span>
              </li>{/each}
          </ul>
        {/if}
        <h3>What the browser does</h3>
        <ul>
          {#each uses as use (use.feature)}
            <li class:unsafe={!use.isSafe} title="{use.name}: {since(use)}">
              <span>{use.what}</span>
              <span class="how">{how(use)}</span>
            </li>
          {/each}
        </ul>
      </div>
      <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
      <pre tabindex="0" aria-label="Text of {file?.path}">{file?.text === null
          ? 'A picture; it goes along as it is.'
          : file?.text.slice(0, 60_000)}</pre>
    </div>
  {/if}
  <div class="buttons">
    <button type="button" class="link" onclick={() => (wb.open = 'publish')}>Publish on this machine…</button>
    <button type="button" class="link" onclick={() => (wb.open = 'specification')}
      >Specification sheet…</button
    >
    <button type="button" class="link push" onclick={saveProject}>Save the project file (.kymation)</button>
    {#if form === 'snippet'}<Button size="small" kind="tertiary" disabled={!canSave} on:click={copy}
        >{copied ? 'Copied' : 'Copy to the clipboard'}</Button
      >{/if}
    <Button size="small" disabled={!canSave} on:click={save}>{saveWords}</Button>
  </div>
</Modal>

<style>
  .choices {
    display: flex;
    gap: 16px;
    margin-bottom: 14px;
  }
  .choices :global(.bx--content-switcher) {
    width: 280px;
    height: 30px;
  }
  label {
    display: flex;
    gap: 6px;
    align-items: center;
    margin-left: auto;
    color: var(--ink-2);
  }
  .left {
    margin: 12px 0 0;
    font-size: 13px;
    color: var(--ink-2);
  }
  .none {
    padding: 60px 0;
    color: var(--ink-2);
    text-align: center;
  }
  h3 {
    margin: 12px 8px 2px;
    font-size: 12px;
    font-weight: 500;
    color: var(--ink-2);
  }
  ul {
    padding: 0;
    margin: 0;
    list-style: none;
  }
  li {
    display: flex;
    gap: 8px;
    justify-content: space-between;
    padding: 3px 8px;
    font-size: 12px;
    border-bottom: 1px solid var(--faint-line);
  }
  .how {
    color: var(--ink-2);
    white-space: nowrap;
  }
  .unsafe .how {
    font-weight: 600;
    color: var(--ochre);
  }
  .files {
    display: grid;
    grid-template-columns: 330px minmax(0, 1fr);
    gap: 14px;
    height: 340px;
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
  .buttons > .push {
    margin-right: auto;
  }
  .buttons {
    display: flex;
    align-items: center;
    gap: 10px;
    margin-top: 16px;
  }
</style>
