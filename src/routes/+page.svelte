<script lang="ts">
  import {
    Button,
    FileUploaderButton,
    InlineNotification,
    Modal,
    OverflowMenu,
    OverflowMenuItem,
    Search,
    TextInput,
    ToastNotification
  } from 'carbon-components-svelte';
  import { liveQuery } from 'dexie';
  import { onMount, tick } from 'svelte';
  import { goto } from '$app/navigation';
  import { resolve } from '$app/paths';
  import { hasWords, soughtWords } from '$core/data/sought';
  import { slug } from '$core/project/ids';
  import type { ProjectId } from '$core/project/types';
  import { registry } from '$core/registry';
  import Deleted from '$lib/home/Deleted.svelte';
  import Mark from '$lib/parts/Mark.svelte';
  import Waiting from '$lib/parts/Waiting.svelte';
  import Thumbnail from '$lib/home/Thumbnail.svelte';
  import { saveFile } from '$lib/state/exporting';
  import { bringTools } from '$lib/state/tools';
  import { NOT_LASTING, storageSentence, type ProjectRow } from '$lib/store/db';
  import {
    deleteProject,
    duplicateProject,
    listDeleted,
    listProjects,
    openProject,
    renameProject,
    restoreProject
  } from '$lib/store/projects';
  import { startProject, type Start } from '$lib/store/starting';
  import type { PageProps } from './$types';
  import {
    addDemo,
    addDemoOnFirstStart,
    importFile,
    storedProjectFile,
    type Imported
  } from '$lib/store/transfer';

  const { data }: PageProps = $props();

  let rows = $state.raw<readonly ProjectRow[] | null>(null);
  /** As many projects are seen at once; more are worth a search. */
  const MANY = 9;
  let sought = $state('');
  const words = $derived(soughtWords(sought));
  const found = $derived(rows?.filter(({ name }) => hasWords(name, words)) ?? []);
  let fault = $state('');
  let notes = $state.raw<readonly string[]>([]);
  /** What was deleted last, while it is told. */
  let deleted = $state.raw<ProjectRow | null>(null);
  /** What was deleted and can be brought back. */
  let kept = $state.raw<readonly ProjectRow[]>([]);
  let renaming = $state.raw<{ row: ProjectRow; name: string } | null>(null);
  let isOver = $state(false);

  const when = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
  const open = (id: ProjectId) => goto(resolve('/project/[id]', { id }));

  onMount(() => {
    let stop = () => {};
    addDemoOnFirstStart()
      .then(() => {
        const lists = async () => [await listProjects(), await listDeleted()] as const;
        const watch = liveQuery(lists).subscribe({
          next: (found) => ([rows, kept] = found),
          error: unread
        });
        stop = () => watch.unsubscribe();
      })
      .catch(unread);
    return () => stop();
  });

  /** Whether the list could not be read: it may not look empty then. */
  let isUnread = $state(false);

  function unread(error: unknown): void {
    isUnread = rows === null;
    if (!isUnread) fail(error);
  }

  function fail(error: unknown): void {
    fault = storageSentence(error).replace('Not saved: t', 'T');
  }

  async function attempt(work: () => Promise<void>): Promise<void> {
    fault = '';
    notes = [];
    await work().catch(fail);
  }

  let isStarting = $state(false);

  const create = (name: string, start: Start) =>
    attempt(async () => {
      const id = await startProject(name, start);
      isStarting = false;
      if (id) await open(id);
      else fault = 'That page is no longer there. Choose another one to start from.';
    });

  const take = (imported: Imported) => {
    if (imported.ok) {
      notes = [...notes, ...imported.notes];
      sought = '';
    } else fault = `${fault} ${imported.sentence}`.trim();
  };
  const importFiles = (files: readonly File[]) =>
    attempt(async () => {
      for (const file of files) take(await importFile(file));
    });

  const exportProject = (id: ProjectId) =>
    attempt(async () => {
      const file = await storedProjectFile(id);
      if (file) saveFile(`${slug(file.name) || 'project'}.kymation`, file.blob);
    });

  const remove = (row: ProjectRow) =>
    attempt(async () => {
      await deleteProject(row.id);
      deleted = row;
    });

  /** What was brought back and is not in the list yet; it gets the focus, since the button for it is gone. */
  let awaited = $state.raw<ProjectId | null>(null);

  async function restore({ id }: ProjectRow): Promise<void> {
    awaited = id;
    await attempt(() => restoreProject(id));
    if (deleted?.id === id) deleted = null;
  }

  $effect(() => {
    const id = awaited;
    if (!id || !rows?.some((row) => row.id === id)) return;
    awaited = null;
    void tick().then(() => document.querySelector<HTMLElement>(`[data-project="${id}"]`)?.focus());
  });

  /** The card that had the focus is gone; what brings it back is at hand. */
  const takeFocus = (button: HTMLElement) => button.focus({ preventScroll: true });

  async function rename(): Promise<void> {
    if (!renaming) return;
    const { row, name } = renaming;
    await attempt(async () => {
      const stored = await openProject(row.id);
      if (!stored) return;
      const { apply } = await bringTools();
      const outcome = apply(registry, stored.project, { type: 'rename-project', name });
      if (!outcome.ok) fault = outcome.refusal.sentence;
      else if (outcome.diff) await renameProject(stored, name, outcome.diff);
    });
    renaming = null;
  }
</script>

<svelte:head><title>Projects · Kymation</title></svelte:head>

<div
  class="home"
  class:over={isOver}
  role="presentation"
  ondragover={(event) => {
    event.preventDefault();
    isOver = true;
  }}
  ondragleave={() => (isOver = false)}
  ondrop={(event) => {
    event.preventDefault();
    isOver = false;
    importFiles([...(event.dataTransfer?.files ?? [])]);
  }}
>
  <header><Mark /><span>Kymation</span></header>
  <main>
    <div class="head">
      <h1>Projects</h1>
      {#if rows && (rows.length > MANY || sought)}
        <div class="search">
          <Search size="sm" labelText="Find a project" placeholder="Find a project" bind:value={sought} />
        </div>
      {/if}
      <Button size="small" kind="ghost" on:click={() => attempt(async () => take(await addDemo()))}
        >Add the demo</Button
      >
      <FileUploaderButton
        size="small"
        kind="tertiary"
        labelText="Import a project file"
        disableLabelChanges
        multiple
        accept={['.kymation']}
        on:change={({ detail }) => importFiles(detail)}
      />
      <Button size="small" on:click={() => (isStarting = true)}>New project</Button>
    </div>
    {#if !data.lasts}<InlineNotification
        kind="warning"
        lowContrast
        hideCloseButton
        title=""
        subtitle={NOT_LASTING}
      />{/if}
    {#if fault}<InlineNotification
        kind="error"
        lowContrast
        title=""
        subtitle={fault}
        on:close={() => (fault = '')}
      />{/if}
    {#if notes.length > 0}
      <InlineNotification
        kind="warning"
        lowContrast
        title="Imported, with {notes.length} {notes.length === 1 ? 'thing' : 'things'} left out."
        subtitle={notes.slice(0, 3).join(' ')}
        on:close={() => (notes = [])}
      />
    {/if}
    {#if isUnread}
      <div class="empty" role="alert">
        <p>This browser’s storage did not answer, so your projects could not be read.</p>
        <p>Nothing of them is changed. Reload the page to try again.</p>
      </div>
    {:else if rows === null}
      <Waiting description="Looking for your projects…" />
    {:else if rows.length === 0}
      <div class="empty">
        <p>There are no projects in this browser yet.</p>
        <p>Start a new one, drop a project file (.kymation) here, or add the demo to look around.</p>
      </div>
    {:else if found.length === 0}
      <div class="empty" role="status">
        <p>None of the {rows.length} projects has “{sought.trim()}” in its name.</p>
        <button type="button" class="link" onclick={() => (sought = '')}>Show all</button>
      </div>
    {:else}
      <ul>
        {#each found as row (row.id)}
          <li>
            <a
              href={resolve('/project/[id]', { id: row.id })}
              data-project={row.id}
              aria-label="Open {row.name}"><Thumbnail id={row.id} changed={row.changed} /></a
            >
            <div class="about">
              <a class="name" href={resolve('/project/[id]', { id: row.id })} title={row.name} tabindex="-1"
                >{row.name}</a
              >
              <span
                >{row.pages} {row.pages === 1 ? 'page' : 'pages'} · changed {when.format(row.changed)}</span
              >
            </div>
            <OverflowMenu flipped size="sm" aria-label="More for {row.name}" iconDescription="More">
              <OverflowMenuItem text="Open" on:click={() => open(row.id)} />
              <OverflowMenuItem text="Rename" on:click={() => (renaming = { row, name: row.name })} />
              <OverflowMenuItem
                text="Duplicate"
                on:click={() => attempt(async () => void (await duplicateProject(row.id)))}
              />
              <OverflowMenuItem text="Export project file" on:click={() => exportProject(row.id)} />
              <OverflowMenuItem text="Delete" danger hasDivider on:click={() => remove(row)} />
            </OverflowMenu>
          </li>
        {/each}
      </ul>
    {/if}
    {#if kept.length > 0}<Deleted rows={kept} onrestore={restore} />{/if}
  </main>
</div>

{#if isStarting}
  {#await import('$lib/home/NewProject.svelte') then { default: NewProject }}<NewProject
      rows={rows ?? []}
      onstart={create}
      onclose={() => (isStarting = false)}
    />{/await}
{/if}
{#if renaming}
  <Modal
    open
    size="xs"
    modalHeading="Rename the project"
    primaryButtonText="Rename"
    secondaryButtonText="Cancel"
    selectorPrimaryFocus="#project-name"
    shouldSubmitOnEnter
    primaryButtonDisabled={renaming.name.trim() === ''}
    on:click:button--secondary={() => (renaming = null)}
    on:close={() => (renaming = null)}
    on:submit={rename}
  >
    <TextInput id="project-name" labelText="Name" maxlength={120} bind:value={renaming.name} />
  </Modal>
{/if}

{#if deleted}
  {@const row = deleted}
  {#key row}<div class="toast">
      <ToastNotification
        lowContrast
        kind="info"
        title="Deleted {row.name}"
        timeout={15000}
        on:close={() => (deleted = null)}
      >
        {#snippet subtitleChildren()}
          <button type="button" class="link" use:takeFocus onclick={() => restore(row)}>Bring it back</button>
        {/snippet}
      </ToastNotification>
    </div>{/key}
{/if}

<style>
  .home {
    min-height: 100%;
  }
  .over {
    outline: 3px dashed var(--verdigris);
    outline-offset: -10px;
  }
  header {
    display: flex;
    align-items: center;
    gap: 10px;
    height: 44px;
    padding: 0 14px;
    font: 600 17px var(--mark);
    background: var(--panel);
    border-bottom: 1px solid var(--line);
  }
  main {
    max-width: 1120px;
    margin: 0 auto;
    padding: 28px 24px;
  }
  .head {
    display: flex;
    align-items: center;
    gap: 10px;
    margin-bottom: 18px;
  }
  .search {
    width: 220px;
  }
  h1 {
    flex: 1;
    margin: 0;
    font-size: 22px;
    font-weight: 600;
  }
  ul {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
    gap: 20px;
    padding: 0;
    margin: 0;
    list-style: none;
  }
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    background: var(--panel);
    border: 1px solid var(--line);
    border-radius: 4px;
  }
  li > a {
    grid-column: 1 / -1;
  }
  .about {
    min-width: 0;
    padding: 9px 12px 10px;
  }
  .about > * {
    display: block;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .name {
    font-size: 14px;
    font-weight: 600;
    color: var(--ink);
    text-decoration: none;
  }
  .about span {
    font-size: 12px;
    color: var(--ink-2);
  }
  .empty {
    padding: 48px;
    color: var(--ink-2);
    text-align: center;
    border: 1px dashed var(--control-line);
    border-radius: 4px;
  }
  .toast {
    position: fixed;
    bottom: 12px;
    left: 12px;
  }
</style>
