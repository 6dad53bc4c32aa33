<script lang="ts">
  import { untrack } from 'svelte';
  import type { Command } from '$core/commands/commands';
  import { hasWords, soughtWords } from '$core/data/sought';
  import { pageStem } from '$core/project/files';
  import { isPicture, type Page, type PageId } from '$core/project/types';
  import type { Workbench } from '$lib/state/workbench.svelte';

  interface Props {
    wb: Workbench;
    /** Words that the name, the address or the title of a page has to have; all pages where there are none. */
    sought: string;
    /** Shows all of them again. */
    onall: () => void;
  }

  const { wb, sought, onall }: Props = $props();

  type Key = 'name' | 'address' | 'title' | 'description' | 'language' | 'picture';
  const FIELDS = [
    { key: 'name', label: 'Page', help: 'What it is called here' },
    { key: 'address', label: 'Address', help: 'Links to the page follow it to another address' },
    { key: 'title', label: 'Title', help: 'In the browser’s tab and in search results' },
    { key: 'description', label: 'Description', help: 'Two sentences for search results' },
    { key: 'language', label: 'Language', help: 'A tag such as en-GB, de or ar' }
  ] as const;
  /** How many letters of them search results show (common practice, no source). */
  const SHOWN: Readonly<Partial<Record<Key, number>>> = { title: 60, description: 160 };

  let fault = $state.raw<{ readonly page: PageId; readonly key: Key; readonly sentence: string } | null>(
    null
  );

  const order = $derived(wb.project.info.pageOrder);
  const pages = $derived(order.map((id) => wb.project.pages[id]!));
  /** A page that is renamed while it is listed stays, whatever it is called now: one goes on in its row. */
  const listed = $derived.by(() => {
    const [words, ids] = [soughtWords(sought), order];
    return new Set(untrack(() => ids.filter((id) => hasWords(wordsOf(wb.project.pages[id]!), words))));
  });
  const found = $derived(pages.filter(({ id }) => listed.has(id)));
  const pictures = $derived(Object.values(wb.project.assets).filter(isPicture));

  const wordsOf = (page: Page): string => [page.name, pageStem(wb.project, page.id), page.title].join(' ');

  const valueOf = (page: Page, key: Key): string =>
    key === 'address' ? pageStem(wb.project, page.id) : (page[key] ?? '');

  function set(page: Page, key: Key, typed: string): void {
    const line = typed.replaceAll(/\s*\n\s*/g, ' ');
    const value = key === 'address' ? line.trim().replace(/\.html$/, '') : line;
    if (value === valueOf(page, key)) return void (fault = null);
    run(page.id, key, { type: 'set-page', id: page.id, key, value });
  }

  function run(page: PageId, key: Key, command: Command): void {
    const sentence = wb.refusal(command)?.sentence;
    fault = sentence ? { page, key, sentence } : null;
    if (!sentence) wb.dispatch(command);
  }

  function remove(page: Page): void {
    run(page.id, 'name', { type: 'remove-page', id: page.id });
    if (fault) return;
    wb.message = {
      kind: 'info',
      text: `${page.name} is gone.`,
      act: { label: 'Undo', run: () => wb.undo() }
    };
  }

  function show(page: Page): void {
    wb.select([]);
    wb.pageId = page.id;
    wb.open = null;
  }

  /** They are single lines, however long: Enter takes what is typed. */
  function finish(event: KeyboardEvent): void {
    if (event.key !== 'Enter') return;
    event.preventDefault();
    (event.currentTarget as HTMLElement).blur();
  }

  /** What is to be known of a value; null for nothing. */
  function noteOf(page: Page, key: Key): string | null {
    const value = valueOf(page, key).trim();
    const most = SHOWN[key];
    if (most === undefined) return null;
    if (value === '') return 'none yet';
    const other = pages.find((each) => each !== page && valueOf(each, key).trim() === value);
    if (other) return `the same as ${other.name}`;
    return value.length > most ? `${value.length} letters, about ${most} are shown` : null;
  }
</script>

<div class="scroll">
  <table>
    <thead>
      <tr>
        <th scope="col"><span class="visually-hidden">Order</span></th>
        {#each FIELDS as { key, label, help } (key)}<th scope="col" class={key} title={help}>{label}</th
          >{/each}
        <th scope="col" title="Shown where a link to the page is shared">Picture</th>
        <th scope="col"><span class="visually-hidden">What can be done</span></th>
      </tr>
    </thead>
    <tbody>
      {#each found as page (page.id)}
        {@const i = pages.indexOf(page)}
        <tr class:current={page.id === wb.pageId}>
          <td class="order">
            <button
              type="button"
              class="plain"
              disabled={i === 0}
              aria-label="{page.name} earlier"
              onclick={() => run(page.id, 'name', { type: 'move-page', id: page.id, index: i - 1 })}>↑</button
            >
            <button
              type="button"
              class="plain"
              disabled={i === pages.length - 1}
              aria-label="{page.name} later"
              onclick={() => run(page.id, 'name', { type: 'move-page', id: page.id, index: i + 1 })}>↓</button
            >
          </td>
          {#each FIELDS as { key, label } (key)}
            {@const note = noteOf(page, key)}
            {@const isFirst = key === 'address' && i === 0}
            {@const wrong = fault?.page === page.id && fault.key === key ? fault.sentence : ''}
            <td class={key}>
              {#if isFirst}
                <span class="mono fixed" title="The first page is the one a site opens on">index.html</span>
              {:else if key === 'description' || key === 'title'}
                <textarea
                  rows="2"
                  aria-label="{label} of {page.name}"
                  aria-invalid={wrong !== ''}
                  value={valueOf(page, key)}
                  onkeydown={finish}
                  onchange={(event) => set(page, key, event.currentTarget.value)}></textarea>
              {:else}
                <input
                  class:mono={key === 'address' || key === 'language'}
                  aria-label="{label} of {page.name}"
                  aria-invalid={wrong !== ''}
                  value={valueOf(page, key)}
                  onchange={(event) => set(page, key, event.currentTarget.value)}
                />{#if key === 'address'}<span class="mono">.html</span>{/if}
              {/if}
              {#if wrong}<p class="fault" role="alert">{wrong}</p>{/if}
              {#if note}<p class="note">{note}</p>{/if}
            </td>
          {/each}
          <td>
            <select
              aria-label="Picture of {page.name}"
              value={page.picture ?? ''}
              onchange={(event) => set(page, 'picture', event.currentTarget.value)}
            >
              <option value="">none</option>
              {#each pictures as { id, file } (id)}<option value={id}>{file}</option>{/each}
            </select>
          </td>
          <td class="acts">
            <button type="button" class="link" aria-label="Show {page.name}" onclick={() => show(page)}
              >Show</button
            >
            <button type="button" class="link" aria-label="Delete {page.name}" onclick={() => remove(page)}
              >Delete</button
            >
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
</div>
{#if found.length === 0}
  <p role="status">
    None of the {pages.length} pages has “{sought.trim()}” in its name, its address or its title.
    <button type="button" class="link" onclick={onall}>Show all</button>
  </p>
{/if}

<style>
  .scroll {
    overflow-x: auto;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th {
    padding: 2px 6px;
    font-size: 12px;
    font-weight: 500;
    color: var(--ink-2);
    text-align: left;
    border-bottom: 1px solid var(--line);
  }
  td {
    padding: 5px 6px;
    vertical-align: top;
    white-space: nowrap;
    border-bottom: 1px solid var(--faint-line);
  }
  .current td:first-child {
    box-shadow: inset 3px 0 var(--verdigris);
  }
  input,
  textarea,
  select {
    width: 100%;
    min-width: 90px;
    height: 28px;
    padding: 4px 7px;
    font: inherit;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  input.mono {
    font: 11.5px var(--mono);
  }
  /* As high as what is written in it, so that a long description is read without scrolling. */
  textarea {
    display: block;
    height: auto;
    min-width: 130px;
    max-height: 7lh;
    resize: vertical;
    field-sizing: content;
  }
  [aria-invalid='true'] {
    border-color: var(--red);
  }
  td.name {
    width: 15%;
  }
  td.address {
    width: 17%;
  }
  td.address input {
    width: calc(100% - 42px);
  }
  td.title {
    width: 22%;
  }
  td.description {
    width: 28%;
  }
  td.language input {
    min-width: 62px;
  }
  select {
    max-width: 130px;
  }
  .fixed {
    line-height: 28px;
    color: var(--ink-2);
  }
  .order button,
  .acts button {
    line-height: 28px;
  }
  .order button {
    padding: 0 4px;
  }
  .order button:disabled {
    color: var(--line);
    cursor: default;
  }
  .acts button + button {
    margin-left: 8px;
  }
  .note,
  .fault {
    margin: 2px 0 0;
    font-size: 12px;
    line-height: 1.35;
    white-space: normal;
  }
  .note {
    color: var(--ochre);
  }
  .fault {
    color: var(--red);
  }
</style>
