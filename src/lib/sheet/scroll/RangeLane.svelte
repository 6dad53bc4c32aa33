<script lang="ts">
  import type { Range } from '$core/scroll/ranges';
  import { movableEnds, moveEnd, nudgeEnd, scrollTo } from '$lib/state/scroll';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import { SIGNS } from './signs';

  interface Props {
    wb: Workbench;
    range: Range;
    /** From px of the page to px of the lane. */
    x: (px: number) => number;
    /** Height of the page, px. */
    page: number;
    laneWidth: number;
    /** Whether the piece is shown over the page as it stands at both ends. */
    isGhost: boolean;
    onghost: () => void;
  }

  const { wb, range, x, page, laneWidth, isGhost, onghost }: Props = $props();

  const sign = $derived(SIGNS[range.sort]);
  const isDot = $derived(range.end - range.start < 1);
  const ends = ['start', 'end'] as const;

  const stops = $derived(
    isDot
      ? [{ label: 'here', at: range.start }]
      : [
          { label: 'start', at: range.start },
          { label: 'middle', at: (range.start + range.end) / 2 },
          { label: 'end', at: range.end }
        ]
  );

  let hands = 0;

  /** An end of a bar follows the hand; all of one drag is one step of the history. */
  function drag(event: PointerEvent, end: 'start' | 'end'): void {
    const handle = event.currentTarget as HTMLElement;
    event.stopPropagation();
    handle.setPointerCapture(event.pointerId);
    const [from, first] = [event.clientX, range[end]];
    const hand = `range ${range.node} ${range.effect} ${end} ${(hands += 1)}`;
    const go = ({ clientX }: PointerEvent) =>
      moveEnd(wb, range, end, first + ((clientX - from) / laneWidth) * page, hand);
    handle.addEventListener('pointermove', go);
    handle.addEventListener('lostpointercapture', () => handle.removeEventListener('pointermove', go), {
      once: true
    });
  }

  function nudge(event: KeyboardEvent, end: 'start' | 'end'): void {
    const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
    if (!by) return;
    event.preventDefault();
    event.stopPropagation();
    nudgeEnd(wb, range, end, by * (event.shiftKey ? 100 : 10));
  }
</script>

<div class="lane">
  <i
    class={sign.shape}
    class:point={isDot}
    style:--tone={sign.tone}
    style:left="{x(range.start)}px"
    style:width="{isDot ? 9 : Math.max(3, x(range.end) - x(range.start))}px"
  ></i>
  {#each ends as end (end)}
    {#if movableEnds(wb, range)[end] && !(isDot && end === 'end')}
      <button
        type="button"
        class="end"
        aria-label="{range.words}: {end}, drag or arrow keys"
        style:left="{x(range[end])}px"
        onpointerdown={(event) => drag(event, end)}
        onkeydown={(event) => nudge(event, end)}
      ></button>
    {/if}
  {/each}
  <span class="stops">
    {#each stops as { label, at } (label)}
      <button
        type="button"
        aria-label="Scroll to the {label} of: {range.words}"
        onclick={() => scrollTo(wb, at)}>{label}</button
      >
    {/each}
    {#if !isDot}
      <button
        type="button"
        aria-pressed={isGhost}
        aria-label="Show both ends over the page: {range.words}"
        title="Show how it stands at both ends, over the page"
        onclick={onghost}>both ends</button
      >
    {/if}
  </span>
</div>

<style>
  .lane {
    position: relative;
    align-self: stretch;
    border-left: 1px solid var(--line);
  }
  i {
    position: absolute;
    top: 7px;
    height: 13px;
    background: var(--tone);
    border-radius: 2px;
  }
  i.hatch {
    background: repeating-linear-gradient(135deg, var(--tone) 0 3px, transparent 3px 6px);
    outline: 1px solid var(--tone);
    outline-offset: -1px;
  }
  i.wave {
    clip-path: polygon(0 30%, 25% 0, 50% 30%, 75% 0, 100% 30%, 100% 70%, 75% 100%, 50% 70%, 25% 100%, 0 70%);
  }
  i.outline {
    background: none;
    border: 2px solid var(--tone);
  }
  i.point {
    top: 9px;
    height: 9px;
    background: var(--tone);
    border-radius: 50%;
    translate: -4px 0;
  }
  .end {
    position: absolute;
    top: 2px;
    bottom: 2px;
    width: 12px;
    padding: 0;
    cursor: ew-resize;
    touch-action: none;
    background: none;
    border: 0;
    translate: -6px 0;
  }
  .end:hover,
  .end:focus-visible {
    background: linear-gradient(90deg, transparent 4px, var(--ink) 4px 8px, transparent 8px);
  }
  .stops {
    position: absolute;
    right: 6px;
    top: 2px;
    display: none;
    gap: 2px;
  }
  .stops:has([aria-pressed='true']),
  :global(.line:hover) .stops,
  :global(.line:focus-within) .stops {
    display: flex;
  }
  .stops button {
    height: 22px;
    padding: 0 7px;
    font: 12px var(--sans);
    color: var(--ink);
    cursor: pointer;
    background: var(--panel);
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .stops button[aria-pressed='true'] {
    color: var(--panel);
    background: var(--ink);
  }
</style>
