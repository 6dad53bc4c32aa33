<script lang="ts">
  import PauseFilled from 'carbon-icons-svelte/lib/PauseFilled.svelte';
  import PlayFilledAlt from 'carbon-icons-svelte/lib/PlayFilledAlt.svelte';
  import SkipBackFilled from 'carbon-icons-svelte/lib/SkipBackFilled.svelte';
  import SkipForwardFilled from 'carbon-icons-svelte/lib/SkipForwardFilled.svelte';
  import { conflictsIn } from '$core/scroll/conflicts';
  import type { Range } from '$core/scroll/ranges';
  import { mend } from '$lib/state/mending';
  import {
    atWidths,
    conflictWords,
    cutShort,
    inFigures,
    movableEnds,
    moveEnd,
    playFilm,
    positionOf,
    rangesOnShow,
    scrollTo,
    stepTo,
    wayOf
  } from '$lib/state/scroll';
  import { showing } from '$lib/parts/showing.svelte';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import RangeLane from './RangeLane.svelte';

  const { wb }: { wb: Workbench } = $props();

  const extent = $derived(wb.preview.extent);
  const way = $derived(wayOf(wb));
  const ranges = $derived(rangesOnShow(wb));
  const conflicts = $derived(conflictsIn(ranges));
  /** Where the page stands, px. */
  const now = $derived(Math.round(positionOf(wb)));
  const widths = $derived(wb.tuned.effects ? atWidths(wb, wb.tuned.id) : []);
  const picked = $derived(wb.tuned.id);
  const findings = $derived(
    wb.findings.filter(({ node, view }) => node === wb.tuned.id && view === 'Scroll')
  );
  let laneWidth = $state(400);

  const x = (px: number) => (extent ? (Math.max(0, Math.min(px, extent.page)) / extent.page) * laneWidth : 0);

  function travelOf({ travel }: Range): string {
    return travel === null ? '—' : inFigures(travel);
  }

  const wordsOf = (at: ReturnType<typeof atWidths>[number]): string => {
    if (!at.ranges) return '…';
    const stuck = at.ranges.find(({ travel }) => travel !== null);
    if (stuck) return `${inFigures(stuck.travel!)} px`;
    return at.ranges.length > 0 ? `at ${inFigures(at.ranges[0]!.start)} px` : 'off';
  };

  /** The page follows the hand: a drag along the lanes scrolls it. */
  function scrub(event: PointerEvent): void {
    const lane = event.currentTarget as HTMLElement;
    lane.setPointerCapture(event.pointerId);
    const { left } = lane.getBoundingClientRect();
    const go = ({ clientX }: PointerEvent) =>
      scrollTo(wb, ((clientX - left) / laneWidth) * (extent?.page ?? 0));
    go(event);
    lane.addEventListener('pointermove', go);
    lane.addEventListener('lostpointercapture', () => lane.removeEventListener('pointermove', go), {
      once: true
    });
  }

  function scrubKeys(event: KeyboardEvent): void {
    const by = { ArrowRight: 10, ArrowLeft: -10, PageDown: 200, PageUp: -200 }[event.key];
    if (!by) return;
    event.preventDefault();
    event.stopPropagation();
    scrollTo(wb, now + by * (event.shiftKey ? 10 : 1));
  }

  /** What stops the film; null while none runs. */
  let film = $state.raw<(() => void) | null>(null);
  function toggleFilm(): void {
    if (film) stopFilm();
    else film = playFilm(wb, () => (film = null));
  }
  function stopFilm(): void {
    film?.();
    film = null;
  }
  $effect(() => stopFilm);

  const keyOf = ({ node, effect, words }: Range): string => `${node} ${effect} ${words}`;
  /** The range whose ends are shown over the page; null for none. */
  let ghostKey = $state<string | null>(null);
  const ghost = $derived(ranges.find((range) => keyOf(range) === ghostKey) ?? null);
  $effect(() => {
    if (!ghost) return;
    // After an edit, or in another window, it stands elsewhere. It is moved there: taken away first, it would blink.
    void [wb.project, wb.facts.boxes, wb.preview.width];
    wb.preview.sendToPreview({ type: 'ghosts', node: ghost.node, travel: ghost.travel ?? 0 });
  });
  const isGhostShown = $derived(ghost !== null);
  $effect(() => {
    if (!isGhostShown) return;
    return () => wb.preview.sendToPreview({ type: 'ghosts', node: null, travel: 0 });
  });
  const toggleGhost = (range: Range): void => {
    ghostKey = ghostKey === keyOf(range) ? null : keyOf(range);
    if (ghostKey) scrollTo(wb, Math.max(0, range.start));
  };

  /** The same range as it is after an edit. */
  const rangeNow = (range: Range): Range =>
    ranges.find(({ node, effect }) => node === range.node && effect === range.effect) ?? range;

  /** Further off than this it is said: ends are set in whole percents of their way. */
  const FAR_OFF = 50;

  function moveTo(range: Range, end: 'start' | 'end', value: number): void {
    moveEnd(wb, range, end, value, null);
    const found = rangeNow(range)[end];
    if (Math.abs(found - value) > FAR_OFF)
      wb.message = {
        kind: 'info',
        text: `${inFigures(found)} px is as near to ${inFigures(value)} px as it goes.`
      };
  }

  function typed(range: Range, end: 'start' | 'end', input: HTMLInputElement): void {
    const value = Number.parseFloat(input.value.replace(/[\s\u2009,]/g, ''));
    if (Number.isFinite(value)) moveTo(range, end, value);
    input.value = inFigures(rangeNow(range)[end]);
  }
</script>

{#snippet place(range: Range, end: 'start' | 'end')}
  {#if range.travel === null && end === 'end' && range.end === range.start}
    <span class="mono">—</span>
  {:else if movableEnds(wb, range)[end]}
    <input
      class="mono"
      aria-label="{range.words}: {end === 'start' ? 'starts' : 'ends'} at, px"
      inputmode="numeric"
      {@attach showing(() => inFigures(range[end]))}
      onchange={(event) => typed(range, end, event.currentTarget)}
    />
  {:else}
    <span class="mono">{inFigures(range[end])}</span>
  {/if}
{/snippet}

{#if !extent}
  <p class="nothing">The page is being measured.</p>
{:else if ranges.length === 0}
  <p class="nothing">
    Nothing on this page moves with the scroll. Pick a piece and tell it to stick, to drift or to follow the
    scroll, under
    <button type="button" class="link" onclick={() => (wb.view = 'Behaviour')}>Behaviour</button>.
  </p>
{:else}
  <div class="scroll">
    <div class="line head">
      <span class="film">
        <button
          type="button"
          aria-label="To the last start or end"
          title="To the last start or end"
          onclick={() => stepTo(wb, -1)}><SkipBackFilled size={16} /></button
        >
        <button
          type="button"
          aria-label={film ? 'Hold the film' : 'Scroll as a film'}
          title={film ? 'Hold the film' : 'Scroll as a film'}
          onclick={toggleFilm}
          >{#if film}<PauseFilled size={16} />{:else}<PlayFilledAlt size={16} />{/if}</button
        >
        <button
          type="button"
          aria-label="To the next start or end"
          title="To the next start or end"
          onclick={() => stepTo(wb, 1)}><SkipForwardFilled size={16} /></button
        >
        Moves
      </span>
      <span>starts at</span><span>ends at</span><span>travel</span>
      <div
        class="axis"
        role="slider"
        tabindex="0"
        aria-label="Scroll position"
        aria-valuemin="0"
        aria-valuemax={way}
        aria-valuenow={now}
        aria-valuetext="{now} px"
        bind:clientWidth={laneWidth}
        onpointerdown={scrub}
        onkeydown={scrubKeys}
      ></div>
    </div>
    {#each ranges as range (keyOf(range))}
      <div class="line" class:picked={range.node === picked} data-range="{range.node} {range.effect}">
        <button type="button" class="name" title={range.words} onclick={() => wb.select([range.node])}
          >{range.words}</button
        >
        {@render place(range, 'start')}
        {@render place(range, 'end')}
        <span class="mono" class:bad={range.travel === 0}>{travelOf(range)}</span>
        <RangeLane
          {wb}
          {range}
          {x}
          page={extent.page}
          {laneWidth}
          isGhost={ghost === range}
          onghost={() => toggleGhost(range)}
        />
      </div>
    {/each}
    <div class="now" style:left="calc(100% - {laneWidth}px + {x(now)}px)">
      <span class="mono">{inFigures(now)}</span>
    </div>
  </div>
  <p class="widths">
    The lanes are the whole page, 0 to {inFigures(extent.page)} px, in a window of {wb.preview.width} × {inFigures(
      extent.window
    )} px.
  </p>
  {#each cutShort(wb, ranges) as words (words)}<p class="widths">{words}</p>{/each}
  {#each conflicts as conflict (JSON.stringify(conflict))}
    <p class="finding">
      <b>▲ {conflictWords(wb, conflict)}.</b>
      <button type="button" class="link" onclick={() => scrollTo(wb, conflict.at)}>Show it</button>
    </p>
  {/each}
  {#if widths.length > 0}
    <p class="widths">
      {wb.tuned.name}:
      {#each widths as at (at.label)}
        <span>{at.label} {at.width} <b class="mono" class:bad={wordsOf(at) === '0 px'}>{wordsOf(at)}</b></span
        >
      {/each}
    </p>
  {/if}
  {#each findings as finding (finding.rule)}
    <p class="finding" class:error={finding.severity === 'error'}>
      <b>▲ {finding.sentence}.</b>
      {finding.cause}
      {#if finding.fix}<button type="button" class="link" onclick={() => mend(wb, finding)}
          >{finding.fix.label}</button
        >{/if}
    </p>
  {/each}
{/if}

<style>
  .scroll {
    position: relative;
  }
  .line {
    display: grid;
    grid-template-columns: 190px 84px 84px 84px minmax(0, 1fr);
    align-items: center;
    min-height: 27px;
    border-bottom: 1px solid var(--faint-line);
  }
  /* Of sixty lines ten are in sight. */
  .line:not(.head) {
    content-visibility: auto;
    contain-intrinsic-height: auto 27px;
  }
  .line > :not(:last-child) {
    padding: 0 8px;
  }
  .head {
    position: sticky;
    top: 0;
    z-index: 2;
    font-weight: 600;
    font-size: 12px;
    background: var(--panel);
  }
  .axis {
    align-self: stretch;
    cursor: ew-resize;
    touch-action: none;
    border-left: 1px solid var(--line);
  }
  .name {
    overflow: hidden;
    font: inherit;
    color: var(--ink);
    text-align: left;
    text-overflow: ellipsis;
    white-space: nowrap;
    cursor: pointer;
    background: none;
    border: 0;
  }
  .line input {
    width: calc(100% - 6px);
    height: 22px;
    padding: 0 5px;
    margin-left: 2px;
    color: var(--ink);
    background: none;
    border: 1px solid transparent;
    border-radius: 2px;
  }
  .line:hover input,
  .line input:focus {
    background: var(--paper, #fff);
    border-color: var(--control-line);
  }
  .film {
    display: flex;
    gap: 2px;
    align-items: center;
  }
  .film button {
    display: grid;
    place-items: center;
    width: 24px;
    height: 22px;
    padding: 0;
    color: var(--ink);
    cursor: pointer;
    background: none;
    border: 0;
    border-radius: 3px;
  }
  .film button:last-of-type {
    margin-right: 6px;
  }
  .film button:hover {
    background: var(--wash);
  }
  .picked {
    background: var(--wash);
  }
  .picked .name {
    font-weight: 600;
  }
  .now {
    position: absolute;
    top: 27px;
    bottom: 0;
    width: 0;
    pointer-events: none;
    border-left: 2px solid var(--ink);
  }
  .now span {
    position: absolute;
    bottom: 100%;
    left: -2px;
    padding: 0 4px;
    color: #fff;
    background: var(--ink);
    border-radius: 2px;
    translate: -50% 0;
    white-space: nowrap;
    z-index: 3;
  }
  .bad {
    font-weight: 600;
    color: var(--red);
  }
  .widths,
  .finding,
  .nothing {
    margin: 8px 12px;
    font-size: 13px;
    line-height: 1.4;
    color: var(--ink-2);
  }
  .nothing {
    max-width: 60ch;
    margin-top: 16px;
  }
  .widths span {
    margin-left: 14px;
    white-space: nowrap;
  }
  .finding b {
    color: var(--ochre);
  }
  .finding.error b {
    color: var(--red);
  }
</style>
