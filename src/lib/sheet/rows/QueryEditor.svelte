<script lang="ts">
  import type { ColumnType, Comparison, Node, Query, SourceId, Where } from '$core/project/types';
  import { cellOf } from '$core/tables/cells';
  import { COMPARISONS_OF, emptyQuery, needsValue } from '$core/tables/query';
  import type { Command } from '$core/commands/commands';
  import RowsTable from '$lib/parts/RowsTable.svelte';
  import { leavableAround, sourceOf } from '$core/rows/around';
  import { isPrinted, repeatingSlot } from '$core/rows/rows';
  import { registry } from '$core/registry';
  import { extremesOf, inAll, outcomeOf } from '$lib/state/rows';
  import type { Workbench } from '$lib/state/workbench.svelte';

  import ListTabs from './ListTabs.svelte';

  const { wb, node }: { wb: Workbench; node: Node } = $props();

  const sources = $derived(Object.values(wb.project.sources));
  const source = $derived(sourceOf(wb.project, node.query));
  const query = $derived(node.query);
  const outcome = $derived(outcomeOf(wb.project, node));
  const around = $derived(leavableAround(registry, wb.project, node.id));
  const leftOut = $derived(around && !isPrinted(registry, wb.project, around) ? around : null);
  const extremes = $derived(extremesOf(wb.project, node));
  const SHOWN_ROWS = 20;
  let fault = $state('');

  const WORDS: Readonly<Record<Comparison, string>> = {
    is: 'is',
    'is-not': 'is not',
    contains: 'contains',
    more: 'is more than',
    less: 'is less than',
    'at-least': 'is at least',
    'at-most': 'is at most',
    filled: 'has a value',
    empty: 'has none'
  };

  const NOUNS: Readonly<Record<ColumnType, string>> = {
    text: 'text',
    number: 'number',
    'yes-no': 'yes or no',
    date: 'date as 2026-11-27'
  };

  function run(command: Command): void {
    const refusal = wb.refusal(command);
    fault = refusal?.sentence ?? '';
    if (!refusal) wb.dispatch(command);
  }
  const set = (next: Query | null) => run({ type: 'set-query', id: node.id, query: next });
  const change = (more: Partial<Query>) => query && set({ ...query, ...more });

  /** What does not tell lists beside one another apart is changed in all of them, where that is asked for. */
  function changeAll(more: Partial<Query>): void {
    run(inAll(wb, node, ({ id, query: own }) => ({ type: 'set-query', id, query: { ...own!, ...more } })));
  }

  function choose(id: string): void {
    if (id === '') set(null);
    else if (query) changeAll({ source: id as SourceId });
    else set(emptyQuery(id as SourceId));
  }

  const typeOf = (name: string) => source?.columns.find((column) => column.name === name)?.type ?? 'text';
  const changeWhere = (n: number, more: Partial<Where>) =>
    query && change({ where: query.where.map((each, at) => (at === n ? { ...each, ...more } : each)) });

  /** Another column may know other comparisons. */
  function changeColumn(n: number, column: string): void {
    const known = COMPARISONS_OF[typeOf(column)];
    const { is, value } = query!.where[n]!;
    const isTruth = typeOf(column) === 'yes-no';
    changeWhere(n, {
      column,
      is: known.includes(is) ? is : known[0]!,
      value: isTruth && value !== 'no' ? 'yes' : value
    });
  }

  function addWhere(): void {
    const [first] = source?.columns ?? [];
    if (!query || !first) return;
    const value = first.type === 'yes-no' ? 'yes' : '';
    const is = first.type === 'text' || first.type === 'yes-no' ? 'is' : 'at-least';
    change({ where: [...query.where, { column: first.name, is, value }] });
  }

  /** Only an address can be asked again; what was chosen before stays to be seen. */
  const canBeFresh = $derived(
    query?.fresh ||
      (source?.origin === 'address' && registry.of(node).slots[repeatingSlot(registry, node)!]!.refreshes)
  );

  const hostOf = (address: string): string => (URL.canParse(address) ? new URL(address).host : address);

  function setFresh(isFresh: boolean): void {
    const withFresh = ({ fresh: _fresh, ...rest }: Query): Query =>
      isFresh ? { ...rest, fresh: true } : rest;
    run(inAll(wb, node, ({ id, query: own }) => ({ type: 'set-query', id, query: withFresh(own!) })));
  }

  const written = (key: 'most' | 'skip'): string =>
    key === 'most' && query!.most === 0 ? '' : String(query![key]);

  function count(key: 'most' | 'skip', input: HTMLInputElement): void {
    const text = input.value.trim();
    if (/^\d*$/.test(text)) changeAll({ [key]: Number(text) });
    else
      fault = `“${text}” is no number of rows. Type a whole number${key === 'most' ? ', or nothing for all' : ''}.`;
    // What was refused is not what is shown.
    input.value = written(key);
  }

  /** Why a condition can hold for no row, whatever stands there; null where it can. */
  function faultOf({ column, is, value }: Where): string | null {
    const type = typeOf(column);
    const isFit = !needsValue(is) || cellOf(value.trim(), type) !== null;
    if (isFit) return null;
    return value.trim() === '' ? `Type what ${column} is compared with.` : `“${value}” is no ${NOUNS[type]}.`;
  }
  const faults = $derived(source ? query!.where.flatMap((each) => faultOf(each) ?? []) : []);

  const said = $derived.by(() => {
    if (!outcome) return '';
    const { rows, wanted, lines, empty, matching } = outcome;
    const of = wanted === null ? `${rows.length} of ${source!.rows.length}` : `${rows.length} of ${wanted}`;
    const places = empty > 0 ? `, ${empty} place${empty === 1 ? '' : 's'} empty` : '';
    const more = matching > rows.length ? ` · ${matching} match` : '';
    return `${of} · ${lines} line${lines === 1 ? '' : 's'}${places}${more}`;
  });
</script>

<section class="rows" aria-label="Rows of {node.name}">
  <div class="sentence">
    <label
      >Rows of
      <select value={query?.source ?? ''} onchange={(event) => choose(event.currentTarget.value)}>
        <option value="">no source</option>
        {#each sources as { id, name } (id)}<option value={id}>{name}</option>{/each}
        {#if query && !source}<option value={query.source}>a source that is gone</option>{/if}
      </select></label
    >
    {#if query && source}
      {#each query.where as where, n (n)}
        {@const type = typeOf(where.column)}
        <span class="where">
          {#if n === 0}where{:else}
            <select
              aria-label="All or one of the conditions"
              value={query.any ? 'or' : 'and'}
              onchange={(event) => change({ any: event.currentTarget.value === 'or' })}
              ><option>and</option><option>or</option></select
            >
          {/if}
          <select
            aria-label="Column of condition {n + 1}"
            value={where.column}
            onchange={(event) => changeColumn(n, event.currentTarget.value)}
          >
            {#each source.columns as { name } (name)}<option>{name}</option>{/each}
            {#if !source.columns.some(({ name }) => name === where.column)}<option>{where.column}</option
              >{/if}
          </select>
          <select
            aria-label="Comparison of condition {n + 1}"
            value={where.is}
            onchange={(event) => changeWhere(n, { is: event.currentTarget.value as Comparison })}
          >
            {#each COMPARISONS_OF[type] as is (is)}<option value={is}>{WORDS[is]}</option>{/each}
          </select>
          {#if needsValue(where.is) && type === 'yes-no'}
            <select
              aria-label="Value of condition {n + 1}"
              value={where.value || 'yes'}
              onchange={(event) => changeWhere(n, { value: event.currentTarget.value })}
              ><option>yes</option><option>no</option></select
            >
          {:else if needsValue(where.is)}
            <input
              aria-label="Value of condition {n + 1}"
              aria-invalid={faultOf(where) !== null}
              value={where.value}
              size={Math.max(6, where.value.length)}
              placeholder={type === 'date' ? '2026-11-27' : ''}
              onchange={(event) => changeWhere(n, { value: event.currentTarget.value })}
            />
          {/if}
          <button
            type="button"
            class="small"
            aria-label="Remove condition {n + 1}"
            onclick={() => change({ where: query.where.filter((_each, at) => at !== n) })}>×</button
          >
        </span>
      {/each}
      <button
        type="button"
        class="small"
        aria-label="Add a condition"
        title="Add a condition"
        onclick={addWhere}>+</button
      >
      <label
        >sorted by
        <select value={query.by} onchange={(event) => change({ by: event.currentTarget.value })}>
          <option value="">the order it has</option>
          {#each source.columns as { name } (name)}<option>{name}</option>{/each}
        </select></label
      >
      {#if query.by}
        <select
          aria-label="Direction"
          value={query.down ? 'down' : 'up'}
          onchange={(event) => change({ down: event.currentTarget.value === 'down' })}
          ><option value="up">upwards</option><option value="down">downwards</option></select
        >
      {/if}
      <label
        >at most <input
          class="number"
          inputmode="numeric"
          value={query.most === 0 ? '' : query.most}
          placeholder="all"
          onchange={(event) => count('most', event.currentTarget)}
        /></label
      >
      <label
        >after the first <input
          class="number"
          inputmode="numeric"
          value={query.skip}
          onchange={(event) => count('skip', event.currentTarget)}
        /></label
      >
      {#if canBeFresh}
        <label class="fresh">
          <input
            type="checkbox"
            checked={query.fresh === true}
            onchange={(event) => setFresh(event.currentTarget.checked)}
          />fetched anew when the page is opened
        </label>
      {/if}
      <b class="outcome" class:short={(outcome?.empty ?? 0) > 0} role="status">{said}</b>
    {:else if sources.length === 0}
      <button type="button" class="link" onclick={() => (wb.open = 'data')}>Add a source first</button>
    {/if}
  </div>
  {#if query && source}<ListTabs {wb} list={node} {source} />{/if}
  {#if query?.fresh && source?.origin === 'address'}
    <p class="note">
      Whoever opens the page asks {hostOf(source.place)} for the rows of today, by a script of 0.8 kB. It has to
      allow that to pages of other places (<code>Access-Control-Allow-Origin</code>); these rows stay where it
      does not answer.
    </p>
  {/if}
  {#if fault}<p class="fault" role="alert">{fault}</p>{/if}
  {#each faults as each, n (n)}<p class="fault">{each}</p>{/each}
  {#if source && outcome}
    {#if outcome.rows.length > 0}
      <div class="table">
        <RowsTable
          columns={source.columns}
          rows={outcome.rows.slice(0, SHOWN_ROWS)}
          label="Rows that {node.name} shows"
          by={query?.by}
          down={query?.down}
        />
      </div>
    {:else}
      <p class="note">
        No row comes through. Take off a condition, or change its value.
        {#if leftOut}{leftOut.name} is left out of the page as long as that is so.{/if}
      </p>
    {/if}
    {@const rest = source.rows.length - outcome.rows.length}
    {#if extremes}
      <p class="note">
        {#each extremes as extent, n (n)}
          {@const box = wb.facts.boxes.get(extent.node)}
          {n === 0 ? 'Shortest row' : ' · Longest row'}
          <button
            type="button"
            class="link"
            onclick={() => wb.preview.sendToPreview({ type: 'reveal', node: extent.node })}
            >{extent.name}</button
          >, {extent.length} characters{box ? `, ${Math.round(box.bottom - box.top)} px high` : ''}{/each}
      </p>
    {/if}
    {#if rest > 0}
      <p class="note">{rest.toLocaleString('en')} row{rest === 1 ? '' : 's'} of the source left out.</p>
    {/if}
  {/if}
</section>

<style>
  .rows {
    grid-column: 1 / -1;
    padding-bottom: 8px;
    margin-bottom: 4px;
    border-bottom: 1px solid var(--line);
  }
  .sentence {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 10px;
    align-items: center;
    font-size: 13px;
  }
  .where {
    display: inline-flex;
    gap: 4px;
    align-items: center;
    padding: 2px 4px 2px 6px;
    background: var(--wash);
    border-radius: 3px;
  }
  select,
  input {
    height: 26px;
    padding: 0 6px;
    font: inherit;
    color: var(--ink);
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  input[aria-invalid='true'] {
    border-color: var(--red);
  }
  .fresh {
    display: inline-flex;
    gap: 6px;
    align-items: center;
  }
  .fresh input {
    height: 16px;
    margin: 0;
    accent-color: var(--verdigris);
  }
  .number {
    width: 52px;
    font: 12px var(--mono);
  }
  .small {
    width: 24px;
    height: 24px;
    padding: 0;
    font: 14px var(--sans);
    color: var(--ink);
    cursor: pointer;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .outcome {
    font-weight: 600;
  }
  .short {
    color: var(--ochre);
  }
  .table :global(.scroller) {
    max-height: 168px;
    margin-top: 8px;
  }
  .note {
    margin: 4px 0 0;
    font-size: 12.5px;
    color: var(--ink-2);
  }
  .fault {
    margin: 4px 0 0;
    font-size: 12.5px;
    color: var(--red);
  }
</style>
