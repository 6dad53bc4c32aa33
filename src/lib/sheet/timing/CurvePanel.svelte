<script lang="ts">
  import type { Chart } from 'chart.js';
  import { onMount } from 'svelte';
  import { drawLines } from '$lib/parts/charts';
  import type { Token } from '$core/project/types';
  import { curveFigures, easingOf, KEYWORD_CURVES, readEasing, SAMPLE_ERROR } from '$core/motion/easing';
  import { compact } from '$core/data/compact';

  interface Props {
    easing: string;
    ms: number;
    /** Easing tokens that can be followed. */
    tokens?: readonly Token[];
    /** The one that is, as `{id}`; empty for none. */
    token?: string;
    onchange: (easing: string, merge: string | null) => void;
    onfollow?: (use: string) => void;
  }

  const { easing, ms, tokens = [], token = '', onchange, onfollow }: Props = $props();

  const POINTS = 120;
  const PRESETS: readonly (readonly [name: string, easing: string])[] = [
    ['ease', 'ease'],
    ['ease in', 'ease-in'],
    ['ease out', 'ease-out'],
    ['in and out', 'ease-in-out'],
    ['even', 'linear'],
    ['curve', 'cubic-bezier(0.2, 0, 0, 1)'],
    ['spring', 'spring(0.1)'],
    ['steps', 'steps(4, jump-end)']
  ];
  let canvas: HTMLCanvasElement;
  let chart = $state.raw<Chart<'line'> | null>(null);
  let area = $state({ left: 0, top: 0, width: 1, height: 1, low: 0, high: 1 });
  let typed = $state<string | null>(null);
  let gesture = 0;

  const read = $derived(readEasing(easing));
  const curve = $derived(read.ok ? read.easing : easingOf('linear'));
  const figures = $derived(curveFigures(curve));
  const fault = $derived.by(() => {
    if (typed === null) return '';
    const wrong = readEasing(typed);
    return wrong.ok ? '' : wrong.sentence;
  });
  const handles = $derived.by((): readonly [number, number, number, number] | null => {
    if (KEYWORD_CURVES[curve.text]) return KEYWORD_CURVES[curve.text]!;
    const numbers = curve.kind === 'bezier' ? curve.text.match(/-?[\d.]+(?:e-?\d+)?/g)?.map(Number) : null;
    return numbers?.length === 4 ? (numbers as unknown as [number, number, number, number]) : null;
  });
  const words = $derived.by(() => {
    const time = (share: number) => `${Math.round(share * ms)} ms`;
    const peak = figures.peak
      ? `peak +${(figures.peak.over * 100).toFixed(1)} % at ${time(figures.peak.time)}`
      : 'never passes its end';
    return compact([
      peak,
      `still at ${time(figures.settled)}`,
      curve.kind === 'spring' ? `leaves as linear(), within ${SAMPLE_ERROR * 100} %` : null
    ]);
  });

  onMount(() =>
    drawLines(
      canvas,
      {
        type: 'line',
        data: {
          datasets: [
            { data: [], borderColor: '#0b6a5f', borderWidth: 2, pointRadius: 0 },
            {
              data: [
                { x: 0, y: 1 },
                { x: 1, y: 1 }
              ],
              borderColor: '#8b8678',
              borderWidth: 1,
              borderDash: [3, 3],
              pointRadius: 0
            }
          ]
        },
        options: {
          animation: false,
          responsive: true,
          maintainAspectRatio: false,
          events: [],
          layout: { padding: 8 },
          scales: {
            x: { type: 'linear', min: 0, max: 1, display: false },
            y: { type: 'linear', display: false }
          }
        }
      },
      (made) => (chart = made)
    )
  );

  $effect(() => {
    if (!chart) return;
    const data = Array.from({ length: POINTS + 1 }, (_, i) => ({
      x: i / POINTS,
      y: curve.progress(i / POINTS)
    }));
    const reach = data.map(({ y }) => y);
    if (handles) reach.push(handles[1], handles[3]);
    const low = Math.min(0, ...reach);
    const high = Math.max(1, ...reach);
    chart.data.datasets[0]!.data = data;
    Object.assign(chart.options.scales!.y!, { min: low - 0.05, max: high + 0.05 });
    chart.update('none');
    const { left, right, top, bottom } = chart.chartArea;
    area = { left, top, width: right - left, height: bottom - top, low: low - 0.05, high: high + 0.05 };
  });

  const place = (px: number, py: number) => ({
    x: area.left + px * area.width,
    y: area.top + (1 - (py - area.low) / (area.high - area.low)) * area.height
  });

  function setHandle(index: 0 | 1, px: number, py: number, merge: string | null): void {
    const round = (value: number) => Math.round(value * 100) / 100;
    const next = [...handles!] as [number, number, number, number];
    next[index * 2] = round(Math.min(1, Math.max(0, px)));
    next[index * 2 + 1] = round(Math.min(3, Math.max(-2, py)));
    onchange(`cubic-bezier(${next.join(', ')})`, merge);
  }

  function drag(event: PointerEvent, index: 0 | 1): void {
    const handle = event.currentTarget as HTMLElement;
    handle.setPointerCapture(event.pointerId);
    gesture += 1;
    const box = canvas.getBoundingClientRect();
    // The field does not stretch under the hand.
    const { low, high } = area;
    const move = (moved: PointerEvent) => {
      const px = (moved.clientX - box.left - area.left) / area.width;
      const py = low + (1 - (moved.clientY - box.top - area.top) / area.height) * (high - low);
      setHandle(index, px, py, `curve ${gesture}`);
    };
    handle.addEventListener('pointermove', move);
    handle.addEventListener('lostpointercapture', () => handle.removeEventListener('pointermove', move), {
      once: true
    });
  }

  function handleKeys(event: KeyboardEvent, index: 0 | 1): void {
    const moves: Record<string, readonly [number, number]> = {
      ArrowLeft: [-1, 0],
      ArrowRight: [1, 0],
      ArrowUp: [0, 1],
      ArrowDown: [0, -1]
    };
    const [dx, dy] = moves[event.key] ?? [0, 0];
    if (!dx && !dy) return;
    event.preventDefault();
    event.stopPropagation();
    const by = event.shiftKey ? 0.1 : 0.01;
    setHandle(index, handles![index * 2]! + dx * by, handles![index * 2 + 1]! + dy * by, 'curve keys');
  }

  function choose(value: string): void {
    if (value.startsWith('{')) onfollow?.(value);
    else if (value) onchange(value, null);
  }

  function commit(): void {
    if (typed === null || fault) return;
    if (typed.trim() !== easing) onchange(typed.trim().toLowerCase(), null);
    typed = null;
  }
</script>

<div class="presets">
  <select
    aria-label="Easing"
    value={token || (PRESETS.some(([, preset]) => preset === curve.text) ? curve.text : '')}
    onchange={(event) => choose(event.currentTarget.value)}
  >
    <option value="">own</option>
    {#each PRESETS as [name, preset] (name)}<option value={preset}>{name}</option>{/each}
    {#if tokens.length > 0}
      <optgroup label="tokens">
        {#each tokens as { id, name } (id)}<option value="{'{'}{id}}">{name}</option>{/each}
      </optgroup>
    {/if}
  </select>
  <input
    class="mono"
    aria-label="Easing as text"
    aria-invalid={fault !== ''}
    value={typed ?? easing}
    spellcheck="false"
    oninput={(event) => (typed = event.currentTarget.value)}
    onblur={commit}
    onkeydown={(event) => {
      if (event.key === 'Enter') commit();
      if (event.key === 'Escape' && typed !== null) {
        event.stopPropagation();
        typed = null;
      }
    }}
  />
</div>
{#if fault}<p class="fault" role="alert">{fault}</p>{/if}
<div class="field">
  <canvas bind:this={canvas} aria-label="Curve of {curve.text}"></canvas>
  {#if handles}
    <svg aria-hidden="true">
      {#each [[place(0, 0), place(handles[0], handles[1])], [place(1, 1), place(handles[2], handles[3])]] as const as [from, to], i (i)}<line
          x1={from.x}
          y1={from.y}
          x2={to.x}
          y2={to.y}
        />{/each}
    </svg>
    {#each [0, 1] as const as index (index)}
      {@const { x, y } = place(handles[index * 2]!, handles[index * 2 + 1]!)}
      <div
        class="handle"
        role="slider"
        tabindex="0"
        aria-label={index === 0 ? 'First handle of the curve' : 'Second handle of the curve'}
        aria-valuenow={handles[index * 2]}
        aria-valuemin="0"
        aria-valuemax="1"
        aria-valuetext="{handles[index * 2]}, {handles[index * 2 + 1]}"
        style:left="{x}px"
        style:top="{y}px"
        onpointerdown={(event) => drag(event, index)}
        onkeydown={(event) => handleKeys(event, index)}
      ></div>
    {/each}
  {/if}
</div>
<p class="mono figures">
  {#each words as line (line)}<span>{line}</span>{/each}
</p>

<style>
  .presets {
    display: flex;
    gap: 4px;
  }
  select,
  input {
    flex: 0 0 84px;
    height: 24px;
    padding: 0 4px;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  select {
    font: 12.5px var(--sans);
  }
  input {
    flex: 1;
    min-width: 0;
  }
  .fault {
    margin: 4px 0 0;
    font-size: 12px;
    color: var(--red);
  }
  .field {
    position: relative;
    height: 112px;
    margin-top: 5px;
    background: #fff;
    border: 1px solid var(--line);
  }
  svg {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    pointer-events: none;
  }
  line {
    stroke: var(--control-line);
    stroke-width: 1;
  }
  .handle {
    position: absolute;
    width: 12px;
    height: 12px;
    margin: -6px;
    cursor: grab;
    touch-action: none;
    background: #fff;
    border: 2px solid var(--verdigris);
    border-radius: 50%;
  }
  .figures {
    display: grid;
    margin: 5px 0 0;
    color: var(--ink-2);
  }
</style>
