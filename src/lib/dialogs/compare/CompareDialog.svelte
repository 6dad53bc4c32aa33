<script lang="ts">
  import { liveQuery } from 'dexie';
  import { ContentSwitcher, Modal, Switch } from 'carbon-components-svelte';
  import { onMount } from 'svelte';
  import { differencesBetween, type Difference } from '$core/comparison/comparison';
  import type { NodeId, PageId, Project } from '$core/project/types';
  import { registry } from '$core/registry';
  import { changesAgo, projectFromFile, projectOfVersion, stepsBack } from '$lib/state/comparing';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import { listVersions, type VersionRow } from '$lib/store/versions';
  import TwoPages from './TwoPages.svelte';

  const { wb }: { wb: Workbench } = $props();

  const LOOKS = ['beside', 'over', 'differs'] as const;
  const SHOWN = 300;

  let versions = $state.raw<readonly VersionRow[]>([]);
  let chosen = $state('');
  let fromFile = $state.raw<{ readonly name: string; readonly project: Project } | null>(null);
  let fault = $state('');
  let look = $state<(typeof LOOKS)[number]>('beside');

  onMount(() => {
    const watch = liveQuery(() => listVersions(wb.project.id)).subscribe({
      next: (rows) => (versions = rows),
      error: () => (fault = 'Versions cannot be read: this browser lets no site store data here.')
    });
    return () => watch.unsubscribe();
  });

  const steps = $derived(stepsBack(wb));
  /** The newest kept version where there is one, else everything that was done. */
  const choice = $derived(
    chosen || (versions[0] ? `version ${versions[0].key}` : `step ${steps.at(-1)?.count ?? 0}`)
  );
  const before = $derived.by((): Project | null => {
    if (choice === 'file') return fromFile?.project ?? null;
    const [sort, key] = choice.split(' ');
    if (sort === 'step') return changesAgo(wb, Number(key));
    const version = versions.find((each) => String(each.key) === key);
    return version ? projectOfVersion(wb, version) : null;
  });
  const differences = $derived(before ? differencesBetween(registry, before, wb.project) : []);
  const onPage = $derived(differences.filter(({ page }) => page === null || page === wb.pageId));
  const elsewhere = $derived(differences.length - onPage.length);
  let isAll = $state(false);
  const shown = $derived(isAll ? differences : onPage);

  async function readFile(files: FileList | null): Promise<void> {
    const file = files?.[0];
    if (!file) return;
    const read = await projectFromFile(file);
    fault = read.ok ? '' : read.sentence;
    if (!read.ok) return;
    fromFile = { name: file.name, project: read.project };
    chosen = 'file';
  }

  let looked = $state<NodeId | null>(null);

  function pick({ node, page }: Difference): void {
    looked = node;
    if (!node || !wb.project.nodes[node]) return;
    if (page && page !== wb.pageId && wb.project.pages[page]) wb.pageId = page;
    wb.select([node]);
  }

  const pageName = (id: PageId | null) =>
    id === null ? 'Project' : ((wb.project.pages[id] ?? before?.pages[id])?.name ?? '—');
  const when = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
</script>

<Modal open passiveModal size="lg" modalHeading="Compare two versions" on:close={() => (wb.open = null)}>
  <div class="choices">
    <label
      >Now against
      <select value={choice} onchange={(event) => (chosen = event.currentTarget.value)}>
        {#if versions.length > 0}
          <optgroup label="Versions you kept">
            {#each versions as { key, name, at } (key)}<option value="version {key}"
                >{name}, {when.format(at)}</option
              >{/each}
          </optgroup>
        {/if}
        <optgroup label="History">
          {#each steps as { count, label } (count)}<option value="step {count}">{label}</option>{/each}
        </optgroup>
        {#if fromFile}<option value="file">{fromFile.name}</option>{/if}
      </select>
    </label>
    <label class="file"
      >A project file…<input
        type="file"
        class="visually-hidden"
        accept=".kymation,.zip"
        onchange={(event) => readFile(event.currentTarget.files)}
      /></label
    >
    <span class="push"></span>
    <ContentSwitcher
      size="sm"
      selectedIndex={LOOKS.indexOf(look)}
      on:change={({ detail }) => (look = LOOKS[detail]!)}
    >
      <Switch text="Side by side" />
      <Switch text="One over the other" />
      <Switch text="What differs" />
    </ContentSwitcher>
  </div>
  {#if fault}<p class="fault" role="alert">{fault}</p>{/if}
  {#if before}
    <TwoPages {wb} {before} {look} node={looked} />
    <div class="words">
      <h3>
        {differences.length === 0
          ? 'No differences.'
          : `${shown.length} ${shown.length === 1 ? 'difference' : 'differences'}${isAll ? '' : ' here'}`}
        {#if elsewhere > 0}<button type="button" class="link" onclick={() => (isAll = !isAll)}
            >{isAll ? 'Only this page' : `and ${elsewhere} on other pages`}</button
          >{/if}
      </h3>
      <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
      <ul tabindex="0" aria-label="Differences">
        {#each shown.slice(0, SHOWN) as each, i (i)}
          <li>
            {#if isAll}<span class="page">{pageName(each.page)}</span>{/if}
            <button type="button" class="plain" disabled={!each.node} onclick={() => pick(each)}
              >{each.where}</button
            >
            <span>{each.what}</span>
            <span class="values"
              >{#if each.before !== null}<del>{each.before}</del>{/if}
              {#if each.before !== null && each.after !== null}→{/if}
              {#if each.after !== null}<ins>{each.after}</ins>{/if}</span
            >
          </li>
        {/each}
      </ul>
      {#if shown.length > SHOWN}<p>{shown.length - SHOWN} more are not listed.</p>{/if}
    </div>
  {:else}
    <p class="none">That version cannot be read any more. Choose another one.</p>
  {/if}
</Modal>

<style>
  .choices {
    display: flex;
    gap: 14px;
    align-items: center;
    margin-bottom: 10px;
  }
  .choices label {
    display: flex;
    gap: 8px;
    align-items: center;
  }
  .choices :global(.bx--content-switcher) {
    width: 380px;
    height: 30px;
  }
  .push {
    flex: 1;
  }
  select {
    max-width: 300px;
    height: 28px;
    padding: 0 7px;
    font: inherit;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .file {
    color: var(--verdigris);
    text-decoration: underline;
    cursor: pointer;
  }
  .file:focus-within {
    outline: 2px solid var(--blue);
  }
  h3 {
    margin: 10px 0 4px;
    font-size: 13px;
    font-weight: 600;
  }
  h3 .link {
    margin-left: 6px;
    font-weight: 400;
  }
  ul {
    height: 150px;
    padding: 0;
    margin: 0;
    overflow: auto;
    list-style: none;
    border: 1px solid var(--faint-line);
  }
  li {
    display: flex;
    gap: 12px;
    padding: 4px 8px;
    border-bottom: 1px solid var(--faint-line);
  }
  li .plain {
    width: 260px;
    overflow: hidden;
    text-align: left;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  li .plain:hover:enabled {
    text-decoration: underline;
  }
  li > span {
    width: 150px;
    color: var(--ink-2);
  }
  li > .page {
    width: 110px;
  }
  li > .values {
    flex: 1;
    color: var(--ink);
  }
  del {
    color: var(--ink-2);
  }
  ins {
    font-weight: 600;
    text-decoration: none;
  }
  .fault {
    color: var(--red);
  }
  .none {
    padding: 60px 0;
    color: var(--ink-2);
    text-align: center;
  }
</style>
