<script lang="ts">
  import { maybeTrouble, readWords, type Read } from '$core/heard/order';
  import type { NodeId } from '$core/project/types';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import SidePanel from './SidePanel.svelte';

  const { wb }: { wb: Workbench } = $props();

  let showsStopsOnly = $state(false);
  const all = $derived(wb.preview.read);
  const stops = $derived(all.filter(({ stop }) => stop !== null));
  const troubles = $derived(stops.filter((read) => maybeTrouble(read) !== null));
  const shown = $derived(showsStopsOnly ? stops : all);

  const isPicked = ({ node, item }: Read) => wb.selected.includes((item ?? node) as NodeId);

  function pick({ node, part, item }: Read): void {
    const id = (item ?? node) as NodeId;
    if (wb.project.nodes[id]) wb.select([id], part);
  }

  const counted = (count: number, one: string, many: string) => `${count} ${count === 1 ? one : many}`;
</script>

<SidePanel {wb} label="Reading and focus order">
  <p>
    What is read of the page from its beginning, at the width and under the conditions on show. Numbers, here
    and on the page, are where the Tab key stops.
  </p>
  <div class="row">
    <div class="which" role="group" aria-label="What is listed">
      <button type="button" aria-pressed={!showsStopsOnly} onclick={() => (showsStopsOnly = false)}
        >All that is read</button
      >
      <button type="button" aria-pressed={showsStopsOnly} onclick={() => (showsStopsOnly = true)}
        >Stops only</button
      >
    </div>
  </div>
  {#if all.length === 0}
    <p role="status">Being read…</p>
  {:else}
    <p role="status" class:bad={troubles.length > 0}>
      {counted(stops.length, 'stop', 'stops')},
      {troubles.length === 0 ? 'each with a name and in sight' : `${troubles.length} with something wrong`}
    </p>
    <ol>
      {#each shown as read, i (i)}
        {@const trouble = maybeTrouble(read)}
        <li class:now={isPicked(read)}>
          <span class="stop" class:wrong={trouble !== null}>{read.stop ?? ''}</span>
          <button type="button" class="plain" onclick={() => pick(read)} title="Pick it">
            <span class:words={read.stop === null}>{readWords(read)}</span>
            {#if trouble}<strong class="bad">{trouble}</strong>{/if}
          </button>
        </li>
      {/each}
    </ol>
  {/if}
</SidePanel>

<style>
  p {
    margin: 0;
    font-size: 13px;
    line-height: 1.4;
    color: var(--ink-2);
  }
  .which {
    display: flex;
    margin: 8px 0 6px;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .which button {
    height: 26px;
    padding: 0 10px;
    font: 13px/1 var(--sans);
    background: none;
    border: 0;
    cursor: pointer;
  }
  .which button[aria-pressed='true'] {
    font-weight: 600;
    color: #fff;
    background: var(--ink);
  }
  ol {
    padding: 0;
    margin: 6px 0 0;
    list-style: none;
  }
  li {
    display: grid;
    grid-template-columns: 30px minmax(0, 1fr);
    align-items: center;
    border-top: 1px solid var(--faint-line);
  }
  li .plain {
    min-width: 0;
    padding: 5px 6px;
    line-height: 1.35;
    text-align: left;
    overflow-wrap: anywhere;
  }
  li .plain:hover {
    background: var(--sunk);
  }
  .now {
    background: var(--wash);
  }
  .stop:not(:empty) {
    justify-self: start;
    min-width: 22px;
    height: 20px;
    padding: 0 5px;
    font: 700 12px/20px var(--mono);
    color: #fff;
    text-align: center;
    background: var(--ink);
    border-radius: 10px;
  }
  .stop.wrong {
    background: var(--red);
    border-radius: 3px;
  }
  .words {
    color: var(--ink-2);
  }
  .bad {
    font-weight: 700;
    color: var(--red);
  }
</style>
