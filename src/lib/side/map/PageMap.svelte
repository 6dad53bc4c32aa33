<script lang="ts">
  import type { Range } from '$core/scroll/ranges';
  import type { Conflict } from '$core/scroll/conflicts';
  import type { NodeId } from '$core/project/types';
  import { SIGNS } from '$lib/sheet/scroll/signs';
  import { lanesOf } from './lanes';
  import type { DrawnSection } from './sections';

  interface Props {
    /** Its name for screen readers. */
    label: string;
    sections: readonly DrawnSection[];
    ranges: readonly Range[];
    conflicts: readonly Conflict[];
    /** Heights of the page and of its window, px. */
    page: number;
    window: number;
    /** Where the window stands, px; null where it cannot be moved. */
    now: number | null;
    /** Room for the drawing, px. */
    width: number;
    height: number;
    picked: NodeId;
    onscrollto?: (px: number) => void;
    onpick?: (id: NodeId) => void;
  }

  const {
    label,
    sections,
    ranges,
    conflicts,
    page,
    window,
    now,
    width,
    height,
    picked,
    onscrollto,
    onpick
  }: Props = $props();

  const by = $derived(height / Math.max(1, page));
  const y = (px: number) => Math.max(0, Math.min(px, page)) * by;
  /** Under this height a section's name has no room. */
  const NAMED_LEAST = 13;
  const strip = $derived(Math.round(width * 0.46));
  const LANE_MOST = 16;
  const lanes = $derived(lanesOf(ranges, page * 0.012));
  const step = $derived(Math.min(LANE_MOST, (width - strip - 12) / lanes.count));
  const laneX = (lane: number) => strip + 10 + lane * step;
  /** What gets in one another's way; as one text, which an edit of something else leaves as it is. */
  const inConflict = $derived(
    conflicts.flatMap((each) => (each.what === 'same' ? [each.node] : each.nodes)).join(' ')
  );
  const bad = $derived(new Set(inConflict.split(' ')));
  const isBad = ({ travel, node }: Range) => travel === 0 || bad.has(node);

  /** A wave along a stretch: what drifts. */
  function wave(x: number, from: number, to: number): string {
    const steps = Math.max(2, Math.round((to - from) / 8));
    const points = Array.from({ length: steps + 1 }, (_each, n) => {
      const at = from + ((to - from) * n) / steps;
      return `${x + (n % 2 === 0 ? -3 : 3)},${at}`;
    });
    return points.join(' ');
  }

  let drawing: SVGSVGElement;
  let isHeld = false;

  function go(event: PointerEvent): void {
    if (!onscrollto || !isHeld) return;
    const { top } = drawing.getBoundingClientRect();
    onscrollto((event.clientY - top) / by - window / 2);
  }

  function grab(event: PointerEvent): void {
    if (!onscrollto) return;
    isHeld = true;
    drawing.setPointerCapture(event.pointerId);
    go(event);
  }

  function keys(event: KeyboardEvent): void {
    const far: Record<string, number> = { ArrowDown: 40, ArrowUp: -40, PageDown: window, PageUp: -window };
    const move = far[event.key];
    if (move === undefined || now === null) return;
    event.preventDefault();
    event.stopPropagation();
    onscrollto?.(now + move);
  }
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<svg
  bind:this={drawing}
  {width}
  {height}
  role={onscrollto ? 'slider' : 'img'}
  tabindex={onscrollto ? 0 : undefined}
  aria-label={label}
  aria-orientation={onscrollto ? 'vertical' : undefined}
  aria-valuemin={onscrollto ? 0 : undefined}
  aria-valuemax={onscrollto ? Math.max(0, page - window) : undefined}
  aria-valuenow={onscrollto ? Math.round(now ?? 0) : undefined}
  onpointerdown={grab}
  onpointermove={go}
  onlostpointercapture={() => (isHeld = false)}
  onkeydown={keys}
>
  <defs>
    <pattern id="map-hatch" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <rect width="2.4" height="5" fill="var(--blue)" />
    </pattern>
  </defs>
  {#each sections as { id, name, box } (id)}
    {@const tall = Math.max(1, y(box.bottom) - y(box.top) - 1)}
    <g class="section" class:picked={id === picked}>
      <rect x="0.5" y={y(box.top) + 0.5} width={strip} height={tall} />
      {#if tall >= NAMED_LEAST && onscrollto}
        <foreignObject x="4" y={y(box.top) + 1} width={strip - 8} height="14"
          ><span>{name}</span></foreignObject
        >
      {/if}
      <title>{name}</title>
    </g>
  {/each}
  {#each lanes.laned as { range, lane } (`${range.node} ${range.effect} ${range.words}`)}
    {@const sign = SIGNS[range.sort]}
    {@const x = laneX(lane)}
    {@const [from, to] = [y(range.start), y(range.end)]}
    {@const tone = isBad(range) ? 'var(--red)' : sign.tone}
    <g
      class="range"
      role="presentation"
      onpointerdown={(event) => (event.stopPropagation(), onpick?.(range.node))}
    >
      <title>{range.words}, {Math.round(range.start)} to {Math.round(range.end)} px</title>
      <rect x={x - 5} y={from - 3} width="12" height={Math.max(6, to - from + 6)} fill="transparent" />
      {#if range.end - range.start < 1 || sign.shape === 'dot'}
        <circle cx={x} cy={from} r="3.5" fill={tone} />
      {:else if sign.shape === 'wave'}
        <polyline points={wave(x, from, to)} fill="none" stroke={tone} stroke-width="2" />
      {:else if sign.shape === 'hatch'}
        <rect
          x={x - 4}
          y={from}
          width="9"
          height={Math.max(2, to - from)}
          fill="url(#map-hatch)"
          stroke={tone}
        />
      {:else if sign.shape === 'outline'}
        <rect
          x={x - 2}
          y={from}
          width="5"
          height={Math.max(2, to - from)}
          fill="none"
          stroke={tone}
          stroke-width="1.6"
        />
      {:else}
        <rect x={x - 2} y={from} width="5" height={Math.max(3, to - from)} rx="2" fill={tone} />
      {/if}
    </g>
  {/each}
  {#if now !== null}
    <rect
      class="window"
      x="1"
      y={y(now) + 1}
      width={width - 3}
      height={Math.max(4, window * by - 2)}
      rx="2"
    />
  {/if}
</svg>

<style>
  svg {
    display: block;
    overflow: visible;
    touch-action: none;
  }
  svg[role='slider'] {
    cursor: ns-resize;
  }
  .section rect {
    fill: var(--plaster);
    stroke: var(--line);
  }
  .picked rect {
    fill: var(--wash);
    stroke: var(--verdigris);
  }
  span {
    display: block;
    overflow: hidden;
    font: 11px/13px var(--sans);
    color: var(--ink);
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .range {
    cursor: pointer;
  }
  .window {
    pointer-events: none;
    fill: rgb(0 0 0 / 5%);
    stroke: var(--ink);
    stroke-width: 2;
  }
</style>
