<script lang="ts">
  import type { Chart } from 'chart.js';
  import { onMount } from 'svelte';
  import { drawLines } from '$lib/parts/charts';
  import { SWEEP_FROM, SWEEP_TO } from '$core/sweep/span';
  import { wrongOver, type Lane } from '$core/sweep/runs';

  interface Props {
    lanes: readonly Lane[];
    /** Opens the lanes themselves. */
    onopen: () => void;
  }

  const { lanes, onopen }: Props = $props();

  let canvas: HTMLCanvasElement;
  let chart = $state.raw<Chart<'line'> | null>(null);

  const over = $derived(wrongOver(lanes, SWEEP_FROM, SWEEP_TO));
  const most = $derived(Math.max(1, ...over.map(({ errors, warnings }) => errors + warnings)));
  /** The picture in words. */
  const told = $derived.by(() => {
    const worst = over.reduce((a, b) => (b.errors + b.warnings > a.errors + a.warnings ? b : a));
    const count = worst.errors + worst.warnings;
    if (count === 0) return `Nothing breaks from ${SWEEP_FROM} to ${SWEEP_TO} px.`;
    const next = over[over.indexOf(worst) + 1] ?? worst;
    return `Most goes wrong from ${worst.px} to ${Math.max(worst.px, next.px - 1)} px: ${count} at once.`;
  });

  const lineOf = (colour: string) => ({
    data: [] as { x: number; y: number }[],
    borderColor: colour,
    backgroundColor: colour,
    borderWidth: 1,
    pointRadius: 0,
    stepped: 'before' as const,
    fill: 'origin' as const
  });

  onMount(() =>
    drawLines(
      canvas,
      {
        type: 'line',
        data: { datasets: [lineOf('#a3241a'), lineOf('#c98a2b')] },
        options: {
          animation: false,
          responsive: true,
          maintainAspectRatio: false,
          events: [],
          scales: {
            x: {
              type: 'linear',
              min: SWEEP_FROM,
              max: SWEEP_TO,
              grid: { display: false },
              ticks: { callback: (value) => `${value}`, font: { size: 10 }, maxRotation: 0 }
            },
            y: { type: 'linear', min: 0, ticks: { precision: 0, font: { size: 10 } } }
          }
        }
      },
      (made) => (chart = made)
    )
  );

  $effect(() => {
    if (!chart) return;
    const [errors, all] = chart.data.datasets;
    errors!.data = over.map(({ px, errors: y }) => ({ x: px, y }));
    // Warnings stand on the errors.
    all!.data = over.map(({ px, errors: red, warnings }) => ({ x: px, y: red + warnings }));
    chart.options.scales!.y!.max = most;
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
