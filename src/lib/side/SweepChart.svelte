<script lang="ts">
  import type { Chart } from 'chart.js';
  import { onMount, untrack } from 'svelte';
  import { drawLines } from '$lib/parts/charts';
  import { sweepChart } from '$lib/parts/sweep-chart';
  import { worstInWords, wrongOver, type Lane } from '$core/sweep/runs';

  interface Props {
    lanes: readonly Lane[];
    /** Opens the lanes themselves. */
    onopen: () => void;
  }

  const { lanes, onopen }: Props = $props();

  let canvas: HTMLCanvasElement;
  let chart = $state.raw<Chart<'line'> | null>(null);

  const told = $derived(worstInWords(wrongOver(lanes)));
  const config = $derived(sweepChart(lanes, { responsive: true, maintainAspectRatio: false }));

  onMount(() =>
    drawLines(
      canvas,
      untrack(() => config),
      (made) => (chart = made)
    )
  );

  $effect(() => {
    if (!chart) return;
    chart.data = config.data;
    chart.options = config.options!;
    chart.update('none');
  });
</script>

<figure>
  <figcaption>
    <span>What goes wrong over all widths, px</span>
    <button type="button" class="link" onclick={onopen}>Open the lanes</button>
  </figcaption>
  <div class="chart" role="img" aria-label={told}><canvas bind:this={canvas}></canvas></div>
  <p>{told}</p>
</figure>

<style>
  figure {
    padding-bottom: 10px;
    margin: 0;
  }
  figcaption {
    display: flex;
    gap: 8px;
    align-items: baseline;
    justify-content: space-between;
    font-size: 12px;
    font-weight: 600;
  }
  .chart {
    height: 84px;
    margin-top: 6px;
  }
  p {
    font-size: 12px;
    color: var(--ink-2);
  }
</style>
