<script lang="ts">
  import { conflictsIn } from '$core/scroll/conflicts';
  import { registry } from '$core/registry';
  import {
    conflictWords,
    inFigures,
    playFilm,
    positionOf,
    rangesIn,
    rangesOnShow,
    scrollTo,
    stepTo
  } from '$lib/state/scroll';
  import { SIGNS } from '$lib/sheet/scroll/signs';
  import { WINDOWS } from '$lib/state/windows';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import SidePanel from '../SidePanel.svelte';
  import PageMap from './PageMap.svelte';
  import { sectionsIn } from './sections';

  const { wb }: { wb: Workbench } = $props();

  const extent = $derived(wb.preview.extent);
  const ranges = $derived(rangesOnShow(wb));
  const conflicts = $derived(conflictsIn(ranges));
  const now = $derived(positionOf(wb));

  const sections = $derived(sectionsIn(registry, wb.project, wb.facts.boxes));
  const picked = $derived(wb.tuned.id);

  const signs = $derived([...new Set(ranges.map(({ sort }) => SIGNS[sort]))]);
  const others = $derived(
    WINDOWS.map((size) => {
      const found = wb.preview.windows.find(({ label }) => label === size.label);
      const own = found ? rangesIn(wb, found.boxes, found.width) : [];
      const drawn = found ? sectionsIn(registry, wb.rested, found.boxes) : [];
      return { ...size, found, sections: drawn, ranges: own, conflicts: conflictsIn(own) };
    })
  );

  let film = $state.raw<(() => void) | null>(null);
  function toggleFilm(): void {
    film?.();
    film = film ? null : playFilm(wb, () => (film = null));
  }
  $effect(() => () => film?.());

  const room = $state({ width: 280, height: 300 });
  const SMALL_HEIGHT = 150;
</script>

<SidePanel {wb} label="Scroll map">
  {#if !extent}
    <p role="status">The page is being measured.</p>
  {:else}
    <div class="row">
      <button type="button" onclick={() => stepTo(wb, -1)}>Back</button>
      <button type="button" onclick={toggleFilm}>{film ? 'Hold' : 'Film'}</button>
      <button type="button" onclick={() => stepTo(wb, 1)}>On</button>
      <span class="mono">{inFigures(now)} of {inFigures(extent.page - extent.window)} px</span>
    </div>
    <p class="where">In a window of {wb.preview.width} × {inFigures(extent.window)} px, as it is on show.</p>
    <div class="map" bind:clientWidth={room.width} bind:clientHeight={room.height}>
      <PageMap
        label="Scroll map of {wb.page.name}"
        {sections}
        {ranges}
        {conflicts}
        page={extent.page}
        window={extent.window}
        {now}
        width={room.width}
        height={room.height}
        {picked}
        onscrollto={(at) => scrollTo(wb, at)}
        onpick={(id) => wb.select([id])}
      />
    </div>
    {#if ranges.length === 0}
      <p>
        Nothing on this page moves with the scroll. Tell a piece to stick, drift or follow, under Behaviour.
      </p>
    {:else}
      <ul class="legend" aria-label="Signs">
        {#each signs as sign (sign.words)}
          <li><i class={sign.shape} style:--tone={sign.tone}></i>{sign.words}</li>
        {/each}
      </ul>
    {/if}
    {#each conflicts as conflict (JSON.stringify(conflict))}
      <p class="bad">
        ▲ {conflictWords(wb, conflict)}
        <button type="button" class="link" onclick={() => scrollTo(wb, conflict.at)}>Show it</button>
      </p>
    {/each}
    {#if ranges.length > 0 || wb.preview.windows.length > 0}
      <h3>In other windows</h3>
      <div class="others">
        {#each others as other (other.label)}
          <figure>
            {#if other.found}
              <PageMap
                label="Scroll map in a {other.label}, {other.width} by {other.height} px"
                sections={other.sections}
                ranges={other.ranges}
                conflicts={other.conflicts}
                page={other.found.page}
                window={other.height}
                now={null}
                width={Math.floor((room.width - 16) / 3)}
                height={SMALL_HEIGHT}
                {picked}
              />
            {:else}
              <div class="wait" style:height="{SMALL_HEIGHT}px">measuring…</div>
            {/if}
            <figcaption>
              {other.label}<br /><span class="mono">{other.width} × {other.height}</span>
              {#if other.found}<br /><span class="mono">{inFigures(other.found.page)} px</span>{/if}
              {#if other.conflicts.length > 0}<br /><b class="bad">▲ {other.conflicts.length}</b>{/if}
            </figcaption>
          </figure>
        {/each}
      </div>
    {/if}
  {/if}
</SidePanel>

<style>
  p {
    margin: 0;
    font-size: 13px;
    line-height: 1.4;
    color: var(--ink-2);
  }
  .where {
    margin-top: 8px;
  }
  h3 {
    margin: 12px 0 4px;
    font-size: 12px;
    font-weight: 600;
  }
  .row {
    display: flex;
    gap: 6px;
    align-items: center;
  }
  .row button {
    height: 26px;
    padding: 0 10px;
    font: 13px var(--sans);
    color: var(--ink);
    cursor: pointer;
    background: var(--panel);
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .row .mono {
    margin-left: auto;
    font-size: 12px;
    color: var(--ink-2);
  }
  .map {
    height: calc(100vh - 430px);
    min-height: 240px;
    margin: 6px 0;
    overflow: clip;
  }
  .legend {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 14px;
    padding: 0;
    margin: 0;
    font-size: 12px;
    color: var(--ink-2);
    list-style: none;
  }
  .legend i {
    display: inline-block;
    width: 9px;
    height: 12px;
    margin-right: 5px;
    vertical-align: -2px;
    background: var(--tone);
    border-radius: 2px;
  }
  .legend .dot {
    height: 8px;
    border-radius: 50%;
    vertical-align: 0;
  }
  .legend .outline {
    background: none;
    border: 2px solid var(--tone);
  }
  .legend .hatch {
    background: repeating-linear-gradient(135deg, var(--tone) 0 2px, transparent 2px 4px);
  }
  .legend .wave {
    clip-path: polygon(0 0, 60% 0, 100% 50%, 60% 100%, 0 100%, 40% 50%);
  }
  .bad {
    color: var(--red);
  }
  .others {
    display: flex;
    gap: 8px;
  }
  figure {
    flex: 1 1 0;
    min-width: 0;
    margin: 0;
  }
  figcaption {
    padding-top: 4px;
    font-size: 12px;
    line-height: 1.35;
    color: var(--ink-2);
  }
  .wait {
    display: grid;
    place-items: center;
    font-size: 12px;
    color: var(--ink-2);
    background: var(--plaster);
  }
</style>
