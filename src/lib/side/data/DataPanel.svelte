<script lang="ts">
  import { resolve } from '$app/paths';
  import { changesBetween, changesInWords } from '$core/tables/changes';
  import type { Table } from '$core/tables/table';
  import type { Source } from '$core/project/types';
  import { placeAgain, placeList, readTableFrom, sourceFrom, type TablePlace } from '$lib/state/data';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import SidePanel from '../SidePanel.svelte';
  import RowsTable from '$lib/parts/RowsTable.svelte';

  const { wb }: { wb: Workbench } = $props();

  const sources = $derived(Object.values(wb.project.sources));
  const SHOWN_ROWS = 8;

  type Way = 'pasted' | 'address';
  let way = $state<Way | null>(null);
  let typed = $state('');
  let fault = $state('');
  /** What is read now: what it is called, and how far it has come. */
  let reading = $state.raw<{ readonly name: string; readonly share: number; stop: () => void } | null>(null);
  let shown = $state<string | null>(null);
  let faults = $state.raw<ReadonlyMap<string, Table>>(new Map());
  /** New rows of a source, told before they are taken. */
  let due = $state.raw<{ readonly source: Source; readonly place: TablePlace; readonly table: Table } | null>(
    null
  );

  async function read(place: TablePlace, name: string): Promise<Table | null> {
    const control = new AbortController();
    fault = '';
    reading = { name, share: 0, stop: () => control.abort() };
    const onprogress = (share: number) => {
      if (reading) reading = { ...reading, share };
    };
    try {
      const found = await readTableFrom(place, onprogress, control.signal);
      if (found.ok) return found.table;
      fault = `${name}: ${found.sentence}`;
    } catch (error) {
      if (!control.signal.aborted) throw error;
    } finally {
      reading = null;
    }
    return null;
  }

  async function add(place: TablePlace, name: string): Promise<void> {
    const table = await read(place, name);
    if (!table) return;
    const source = sourceFrom(wb.project, place, table, null);
    if (wb.dispatch({ type: 'set-source', source })) return;
    faults = new Map([...faults, [source.id, table]]);
    shown = source.id;
    way = null;
    typed = '';
  }

  function addTyped(): void {
    const value = typed.trim();
    if (value === '')
      return void (fault = way === 'address' ? 'Type an address first.' : 'Paste a table first.');
    if (way === 'address') void add({ origin: 'address', address: value }, value);
    else void add({ origin: 'pasted', text: typed }, 'Pasted table');
  }

  /** One after the other, so that each says what is wrong with it. */
  async function addFiles(files: Iterable<File>): Promise<void> {
    const faulty: string[] = [];
    for (const file of files) {
      await add({ origin: 'file', file }, file.name);
      if (fault) faulty.push(fault);
    }
    fault = faulty.join(' ');
  }

  async function refresh(source: Source, place: TablePlace): Promise<void> {
    const table = await read(place, source.name);
    if (table) due = { source, place, table };
  }

  function take(): void {
    if (!due) return;
    const { place, table } = due;
    // It may have been given another name since.
    const source = wb.project.sources[due.source.id]!;
    wb.dispatch({ type: 'set-source', source: sourceFrom(wb.project, place, table, source) });
    faults = new Map([...faults, [source.id, table]]);
    due = null;
  }

  const usedBy = (source: Source) =>
    Object.values(wb.project.nodes).filter(({ query }) => query?.source === source.id);
  const taken = (source: Source) =>
    new Date(source.taken).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
  const counted = (count: number, word: string) =>
    `${count.toLocaleString('en')} ${word}${count === 1 ? '' : 's'}`;
</script>

{#snippet picker(label: string, multiple: boolean, onpick: (files: Iterable<File>) => unknown)}
  <label class="pick"
    >{label}<input
      type="file"
      {multiple}
      class="visually-hidden"
      accept=".csv,.tsv,.txt,.json"
      onchange={(event) => {
        onpick([...(event.currentTarget.files ?? [])]);
        event.currentTarget.value = '';
      }}
    /></label
  >
{/snippet}

<SidePanel {wb} label="Data">
  <div
    class="ways"
    role="group"
    aria-label="Add a source"
    ondragover={(event) => event.preventDefault()}
    ondrop={(event) => {
      event.preventDefault();
      event.stopPropagation();
      void addFiles(event.dataTransfer?.files ?? []);
    }}
  >
    {@render picker('CSV or JSON file…', true, addFiles)}
    <button
      type="button"
      aria-pressed={way === 'pasted'}
      onclick={() => (way = way === 'pasted' ? null : 'pasted')}>Paste a table</button
    >
    <button
      type="button"
      aria-pressed={way === 'address'}
      onclick={() => (way = way === 'address' ? null : 'address')}>From an address</button
    >
    <button type="button" onclick={() => void add({ origin: 'catalogue' }, 'Catalogue')}
      >Orchard catalogue</button
    >
  </div>
  {#if way}
    <form
      onsubmit={(event) => {
        event.preventDefault();
        addTyped();
      }}
    >
      {#if way === 'pasted'}
        <label>
          Rows, their names first, as a spreadsheet copies them
          <textarea rows="6" bind:value={typed} onkeydown={(event) => event.stopPropagation()}></textarea>
        </label>
      {:else}
        <label>
          Address of a CSV or JSON file
          <input
            type="url"
            bind:value={typed}
            placeholder="https://…"
            onkeydown={(event) => event.stopPropagation()}
          />
        </label>
      {/if}
      <button type="submit" class="main">Read it</button>
    </form>
  {/if}
  {#if reading}
    <p class="reading" role="status">
      Reading {reading.name} <progress value={reading.share} max="1"></progress>
      <button type="button" class="link" onclick={reading.stop}>Stop</button>
    </p>
  {/if}
  {#if fault}<p class="fault" role="alert">{fault}</p>{/if}
  {#each sources as source (source.id)}
    {@const again = placeAgain(source)}
    {@const uses = usedBy(source)}
    {@const table = faults.get(source.id)}
    <section class="source" aria-label={source.name}>
      <div class="row">
        <input
          aria-label="Name of {source.name}"
          value={source.name}
          maxlength="120"
          onchange={(event) => {
            const name = event.currentTarget.value.trim();
            if (name) wb.dispatch({ type: 'set-source', source: { ...source, name } });
            else event.currentTarget.value = source.name;
          }}
        />
        <button
          type="button"
          class="link"
          aria-expanded={shown === source.id}
          onclick={() => (shown = shown === source.id ? null : source.id)}
          >{shown === source.id ? 'Hide rows' : 'Rows'}</button
        >
      </div>
      <p class="about">
        {counted(source.rows.length, 'row')}, {counted(source.columns.length, 'column')} · {source.place ||
          'pasted'} · {taken(source)}
      </p>
      {#if due?.source.id === source.id}
        <p class="due" role="status">
          New rows are there: <b>{changesInWords(changesBetween(source, due.table))}</b>.
          <button type="button" class="main" onclick={take}>Take them</button>
          <button type="button" class="link" onclick={() => (due = null)}>Keep the old ones</button>
        </p>
      {/if}
      {#if table && table.faultCount > 0}
        <details class="faults">
          <summary>{counted(table.faultCount, 'fault')} in it</summary>
          <ul>
            {#each table.faults as each, n (n)}<li>{each}</li>{/each}
          </ul>
        </details>
      {/if}
      {#if shown === source.id}
        <RowsTable
          columns={source.columns}
          rows={source.rows.slice(0, SHOWN_ROWS)}
          label="First rows of {source.name}"
        />
        {#if source.rows.length > SHOWN_ROWS}
          <p class="about">and {counted(source.rows.length - SHOWN_ROWS, 'more row')}</p>
        {/if}
      {/if}
      <div class="row">
        <button type="button" class="link" onclick={() => placeList(wb, source)}>Place as a list</button>
        {#if again}
          <button type="button" class="link" onclick={() => void refresh(source, again)}>Refresh</button>
        {:else}
          {@render picker(
            'New file…',
            false,
            ([file]) => file && void refresh(source, { origin: 'file', file })
          )}
        {/if}
        {#if source.origin === 'catalogue'}
          <a href={resolve('/catalogue')} target="_blank">Flag its records</a>
        {/if}
        <span class="push"></span>
        <button
          type="button"
          class="link"
          aria-label="Delete {source.name}"
          onclick={() => wb.dispatch({ type: 'remove-source', id: source.id })}>Delete</button
        >
      </div>
      {#if uses.length > 0}
        <p class="about">
          Shown by
          {#each uses as use, n (use.id)}{n > 0 ? ', ' : ' '}<button
              type="button"
              class="link"
              onclick={() => wb.select([use.id])}>{use.name}</button
            >{/each}
        </p>
      {/if}
    </section>
  {:else}
    <p class="note">
      No source yet. Add a file or paste a table, and place it as a list: one piece is drawn for each row.
      Every slider, gallery, stack or set of tabs can take rows too, under Fill.
    </p>
  {/each}
</SidePanel>

<style>
  .ways {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
    padding-bottom: 8px;
  }
  .ways button,
  .pick {
    height: 26px;
    padding: 0 9px;
    font: 12.5px/24px var(--sans);
    color: var(--ink);
    cursor: pointer;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .ways button[aria-pressed='true'] {
    color: #fff;
    background: var(--ink);
  }
  .row .pick {
    height: auto;
    padding: 0;
    line-height: inherit;
    color: var(--verdigris);
    text-decoration: underline;
    background: none;
    border: 0;
  }
  .pick:focus-within {
    outline: 2px solid var(--verdigris);
    outline-offset: 1px;
  }
  form {
    display: grid;
    gap: 6px;
    justify-items: start;
    padding-bottom: 8px;
  }
  form label {
    display: grid;
    gap: 3px;
    width: 100%;
    font-size: 12.5px;
  }
  textarea,
  form input {
    width: 100%;
    padding: 4px 7px;
    font: 12px var(--mono);
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .source {
    padding: 8px 0;
    border-top: 1px solid var(--faint-line);
  }
  .row {
    display: flex;
    gap: 12px;
    align-items: center;
    padding: 2px 0;
    font-size: 13px;
  }
  .row input:not([type='file']) {
    flex: 1;
    min-width: 0;
    height: 26px;
    padding: 0 7px;
    font: 600 13px var(--sans);
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .push {
    flex: 1;
  }
  .about,
  .reading {
    margin: 2px 0 6px;
    font-size: 12.5px;
    color: var(--ink-2);
  }
  .due {
    padding: 6px 8px;
    margin: 4px 0;
    font-size: 13px;
    background: var(--wash);
    border-radius: 3px;
  }
  .faults {
    margin-bottom: 6px;
    font-size: 12.5px;
    color: var(--red);
  }
  .faults ul {
    padding-left: 16px;
    margin: 4px 0;
  }
</style>
