<script lang="ts">
  import { endOf, MS_MOST } from '$core/motion/track';
  import ReadingSpans from './ReadingSpans.svelte';
  import RoundBars from './RoundBars.svelte';
  import TimingFields from './TimingFields.svelte';
  import { playMovement, startOf } from '$lib/state/actions';
  import { maybeKeptRound, maybeRound, spansOf, timingRows, type TimingRow } from '$lib/state/timing';
  import { followPointer } from '$lib/state/following';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import { marksOf } from './marks';

  const { wb }: { wb: Workbench } = $props();

  const rows = $derived(timingRows(wb));
  const spans = $derived(spansOf(wb));
  const round = $derived(maybeRound(wb));

  const groups = $derived([
    ['Moves', rows.moves],
    ['In it, as it comes into view', rows.within],
    ['Changes of state', rows.states]
  ] as const);
  const all = $derived([...rows.moves, ...rows.within, ...rows.states]);
  let pickedKey = $state('');
  const picked = $derived(
    all.find((row) => row.key === pickedKey) ?? all.find((row) => row.bars.length > 0) ?? all[0]
  );
  const isWithin = $derived(picked !== undefined && rows.within.includes(picked));
  /** What sets the picked row going; a row of a piece within goes with the first of the piece itself. */
  const field = $derived((isWithin ? rows.moves[0] : picked)?.track?.field);
  const start = $derived(startOf(wb, field));
  const title = $derived(start?.how === 'press' ? wb.kind.play?.label : 'Comes again, as the bars say');
  const latest = $derived(endOf(all.flatMap(({ bars }) => bars)));
  let stretch = $state(0);
  /** ms shown; room for what is dragged further. */
  const span = $derived(
    Math.max(
      stretch,
      [400, 700, 1000, 1500, 2000, 3000, 5000, 8000, 12_000].find((each) => each >= latest * 1.15) ??
        MS_MOST * 2
    )
  );
  /** ms between two marks. */
  const STEPS = [10, 20, 50, 100, 200, 500, 1000, 2000, 5000];
  /** Width that the words of a mark take, px. */
  const WORDS = 42;
  let axisWidth = $state(600);
  const marks = $derived(marksOf(span, axisWidth, STEPS, WORDS));
  let time = $state<number | null>(null);
  let gesture = 0;

  const x = (ms: number) => (ms / span) * axisWidth;
  const tones = { in: 'var(--verdigris)', out: '#596167', size: 'var(--blue)', state: 'var(--ochre)' };

  function play(): void {
    time = null;
    playMovement(wb, field);
  }

  /** The playhead: the first touch sets the movement going and holds it, then the hand has its clock. */
  function scrub(event: PointerEvent): void {
    const head = event.currentTarget as HTMLElement;
    const left = head.getBoundingClientRect().left;
    const at = (clientX: number) =>
      Math.round(Math.min(span, Math.max(0, ((clientX - left) / axisWidth) * span)));
    hold(at(event.clientX));
    followPointer(head, event, (moved) => hold(at(moved.clientX)));
  }

  function hold(ms: number): void {
    if (time === null && start) {
      if (start.how === 'press') wb.preview.mode = 'try';
      wb.preview.sendToPreview({ type: 'scrub', time: ms });
      wb.preview.sendToPreview(start);
    }
    time = ms;
    wb.preview.sendToPreview({ type: 'scrub', time: ms });
  }

  function release(): void {
    time = null;
    wb.preview.sendToPreview({ type: 'scrub', time: null });
  }

  function scrubKeys(event: KeyboardEvent): void {
    const by = { ArrowRight: 10, ArrowLeft: -10 }[event.key];
    if (event.key === 'Escape' && time !== null) {
      event.stopPropagation();
      event.preventDefault();
      return release();
    }
    if (!by) return;
    event.preventDefault();
    event.stopPropagation();
    hold(Math.min(span, Math.max(0, (time ?? 0) + by * (event.shiftKey ? 10 : 1))));
  }

  const snapped = (ms: number) => Math.min(MS_MOST, Math.max(0, Math.round(ms / 10) * 10));

  /** Dragging the body of a bar moves its start, dragging its end makes it longer. */
  function drag(event: PointerEvent, row: TimingRow, grip: 'end' | 'body'): void {
    event.preventDefault();
    const bar = event.currentTarget as HTMLElement;
    pickedKey = row.key;
    gesture += 1;
    const from = event.clientX;
    const { ms, delay } = row.timing;
    const perPx = span / axisWidth;
    stretch = span;
    const move = (moved: PointerEvent) => {
      const by = (moved.clientX - from) * perPx;
      row.set(grip === 'end' ? { ms: snapped(ms + by) } : { delay: snapped(delay + by) }, `bar ${gesture}`);
    };
    followPointer(bar, event, move, () => (stretch = 0));
  }

  /** How far an arrow key moves a bar, ms. */
  function stepOf({ altKey, shiftKey }: KeyboardEvent): number {
    if (altKey) return 1;
    return shiftKey ? 100 : 10;
  }

  function barKeys(event: KeyboardEvent, row: TimingRow): void {
    const way = { ArrowRight: 1, ArrowLeft: -1 }[event.key] ?? 0;
    const by = way * stepOf(event);
    if (!by) return;
    event.preventDefault();
    event.stopPropagation();
    if (event.ctrlKey) row.set({ delay: Math.min(MS_MOST, Math.max(0, row.timing.delay + by)) }, 'keys');
    else row.set({ ms: Math.min(MS_MOST, Math.max(0, row.timing.ms + by)) }, 'keys');
  }

  const starts = (row: TimingRow) =>
    row.bars.map(({ start, end }) => ({ left: x(start), width: Math.max(3, x(end) - x(start)) }));
</script>

<div class="timing">
  <div class="bars">
    <div class="tools">
      {#if time !== null}<button type="button" onclick={release} title="Lets it go on from here"
          >▶ Go on</button
        >
      {:else if start}<button type="button" onclick={play} {title}>▶ Play</button>{/if}
      {#if wb.kept}
        <button type="button" onclick={() => (wb.kept = null)}>Close A</button>
        <button
          type="button"
          onclick={() => wb.restore(wb.kept!.project, wb.tuned.id)}
          title="Sets this piece back to what was kept">Take A</button
        >
      {:else}
        <button
          type="button"
          onclick={() => (wb.kept = { project: wb.project, label: wb.tuned.name })}
          title="Keeps this setting; what you change from here on plays beside it">Keep as A</button
        >
      {/if}
    </div>
    <div
      class="ruler"
      bind:clientWidth={axisWidth}
      role="slider"
      tabindex="0"
      aria-label="Playhead"
      aria-valuemin="0"
      aria-valuemax={span}
      aria-valuenow={time ?? 0}
      aria-valuetext="{time ?? 0} ms"
      onpointerdown={scrub}
      onkeydown={scrubKeys}
    >
      {#each marks.all as { at, hasRoom } (at)}
        <span class="mono" style:left="{x(at)}px">{hasRoom ? at : '\u00a0'}</span>
      {/each}
    </div>
    {#if round}{#key wb.tuned.id}<RoundBars {wb} steps={round} kept={maybeKeptRound(wb)} />{/key}{/if}
    {#each groups as [heading, group] (heading)}
      {#if group.length > 0}<h3>{heading}</h3>
        <div></div>{/if}
      {#each group as row (row.key)}
        <button
          type="button"
          class="name"
          data-field={row.key}
          class:picked={row === picked}
          aria-pressed={row === picked}
          onclick={() => (pickedKey = row.key)}
          ><span>{row.label}</span>
          <small>{row.event}</small></button
        >
        <div class="lane" class:picked={row === picked} style:background-size="{x(marks.each)}px 100%">
          {#if row.bars.length === 0}<span class="still">{row.stilled ?? 'does not move'}</span>{/if}
          {#each starts(row) as { left, width }, i (i)}
            <div
              class="bar"
              class:follower={i > 0}
              role="slider"
              tabindex={i === 0 ? 0 : -1}
              aria-label="{row.label}, length"
              aria-valuenow={row.timing.ms}
              aria-valuemin="0"
              aria-valuemax={MS_MOST}
              aria-valuetext="{row.timing.ms} ms from {row.timing.delay} ms"
              title="{row.label}: {row.timing.ms} ms from {row.timing
                .delay} ms. Drag to move, its end to make longer; arrows, Ctrl for the start"
              style:left="{left}px"
              style:width="{width}px"
              style:top="{3 + (i * 18) / Math.max(1, row.bars.length)}px"
              style:height="{row.bars.length > 1 ? 8 : 19}px"
              style:background={tones[row.tone]}
              onpointerdown={(event) => drag(event, row, 'body')}
              onkeydown={(event) => barKeys(event, row)}
              onfocus={() => (pickedKey = row.key)}
            >
              {#if i === 0 && row.bars.length === 1}<span class="words">{row.timing.ms} ms</span>{/if}
              <!-- svelte-ignore a11y_no_static_element_interactions -->
              <span class="grip" onpointerdown={(event) => (event.stopPropagation(), drag(event, row, 'end'))}
              ></span>
            </div>
          {/each}
        </div>
      {/each}
    {/each}
    {#if spans.length > 0}<ReadingSpans {spans} />{/if}
    {#if all.length === 0}<p class="nothing">
        {wb.tuned.name} does not move. Give it a change of state under States, in the row “Change”.
      </p>{/if}
    {#if time !== null}<div class="head" style:left="{178 + x(time)}px">
        <span class="mono">{time} ms</span>
      </div>{/if}
  </div>
  {#if picked}
    {#key picked.key}<TimingFields {wb} row={picked} />{/key}
  {/if}
</div>

<style>
  .timing {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 270px;
    min-height: 100%;
  }
  .bars {
    position: relative;
    display: grid;
    grid-template-columns: 178px minmax(0, 1fr);
    align-content: start;
    padding-right: 14px;
    border-right: 1px solid var(--line);
  }
  .tools {
    display: flex;
    gap: 4px;
    align-items: center;
    padding-left: 10px;
  }
  .tools button {
    height: 22px;
    white-space: nowrap;
    padding: 0 7px;
    font: 12px var(--sans);
    cursor: pointer;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .ruler {
    position: sticky;
    top: 0;
    z-index: 2;
    height: 28px;
    cursor: ew-resize;
    touch-action: none;
    background: var(--panel);
    overflow: hidden;
    border-bottom: 1px solid var(--line);
  }
  .ruler span {
    position: absolute;
    bottom: 4px;
    padding-left: 3px;
    color: var(--ink-2);
    border-left: 1px solid var(--control-line);
  }
  h3 {
    margin: 0;
    padding: 5px 10px 2px;
    font-size: 12px;
    font-weight: 500;
    color: var(--ink-2);
  }
  .name {
    display: flex;
    gap: 6px;
    align-items: baseline;
    height: 25px;
    padding: 0 8px 0 10px;
    overflow: hidden;
    font: inherit;
    line-height: 25px;
    text-align: left;
    white-space: nowrap;
    cursor: pointer;
    background: none;
    border: 0;
    border-bottom: 1px solid var(--faint-line);
  }
  .name > span {
    overflow: hidden;
    text-overflow: ellipsis;
  }
  small {
    font-size: 11px;
    color: var(--ink-2);
  }
  .name.picked {
    font-weight: 600;
    background: var(--wash);
  }
  .lane {
    position: relative;
    height: 25px;
    background-image: linear-gradient(to right, var(--faint-line) 1px, transparent 1px);
    border-bottom: 1px solid var(--faint-line);
  }
  .lane.picked {
    background-color: #f1f6f3;
  }
  .still {
    padding-left: 8px;
    font-size: 12px;
    line-height: 25px;
    color: var(--ink-3);
  }
  .bar {
    position: absolute;
    overflow: hidden;
    color: #fff;
    cursor: grab;
    touch-action: none;
    border-radius: 2px;
  }
  .follower {
    opacity: 0.65;
  }
  .words {
    padding-left: 7px;
    font-size: 11px;
    font-weight: 600;
    line-height: 19px;
    white-space: nowrap;
    pointer-events: none;
  }
  .grip {
    position: absolute;
    top: 0;
    right: 0;
    width: 8px;
    height: 100%;
    cursor: ew-resize;
    background: linear-gradient(to right, transparent 4px, rgb(255 255 255 / 55%) 4px 5px, transparent 5px);
  }
  .head {
    position: absolute;
    top: 0;
    bottom: 0;
    z-index: 3;
    pointer-events: none;
    border-left: 2px solid var(--rust);
  }
  .head span {
    position: absolute;
    top: 2px;
    left: 3px;
    padding: 0 3px;
    color: #fff;
    white-space: nowrap;
    background: var(--rust);
  }
  .nothing {
    grid-column: 1 / -1;
    max-width: 60ch;
    margin: 16px;
    color: var(--ink-2);
  }
</style>
