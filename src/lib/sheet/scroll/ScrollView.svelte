<script lang="ts">
  import type { Range } from '$core/scroll/ranges';
  import { mend } from '$lib/state/mending';
  import { atWidths, rangesOnShow, scrollTo } from '$lib/state/scroll';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb }: { wb: Workbench } = $props();

  const extent = $derived(wb.preview.extent);
  const way = $derived(extent ? Math.max(0, extent.page - extent.window) : 0);
  const ranges = $derived(rangesOnShow(wb));
  /** Where the page stands, px. */
  const now = $derived(Math.round(wb.preview.share * way));
  const widths = $derived(wb.tuned.effects ? atWidths(wb, wb.tuned.id) : []);
  const findings = $derived(
    wb.findings.filter(({ node, view }) => node === wb.tuned.id && view === 'Scroll')
  );
  let laneWidth = $state(400);

  const x = (px: number) => (extent ? (Math.max(0, Math.min(px, extent.page)) / extent.page) * laneWidth : 0);
  /** Four figures read better with a gap: 3 204. */
  const px = (value: number) => Math.round(value).toLocaleString('en').replaceAll(',', '\u2009');
  const TONES: Readonly<Record<string, string>> = { sticky: 'var(--verdigris)', enter: 'var(--blue)' };

  function travelOf({ travel }: Range): string {
    return travel === null ? '—' : px(travel);
  }

  const wordsOf = (at: ReturnType<typeof atWidths>[number]): string => {
    if (!at.ranges) return '…';
    const stuck = at.ranges.find(({ travel }) => travel !== null);
    if (stuck) return `${px(stuck.travel!)} px`;
    return at.ranges.length > 0 ? `at ${px(at.ranges[0]!.start)} px` : 'off';
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

  const stops = (range: Range) =>
    range.travel === null
      ? [{ label: 'here', at: range.start }]
      : [
          { label: 'start', at: range.start },
          { label: 'middle', at: (range.start + range.end) / 2 },
          { label: 'end', at: range.end }
        ];
</script>

{#if !extent}
  <p class="nothing">The page is being measured.</p>
{:else if ranges.length === 0}
  <p class="nothing">
    Nothing on this page moves with the scroll. Pick a piece and tell it to stick or to enter, under
    <button type="button" class="link" onclick={() => (wb.view = 'Behaviour')}>Behaviour</button>.
  </p>
{:else}
  <div class="scroll">
    <div class="line head">
      <span>Moves</span><span>starts at</span><span>ends at</span><span>travel</span>
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
      >
        over the page, 0 to {px(extent.page)} px
      </div>
    </div>
    {#each ranges as range (`${range.node} ${range.effect}`)}
      <div class="line" class:picked={range.node === wb.tuned.id} data-range="{range.node} {range.effect}">
        <button type="button" class="name" onclick={() => wb.select([range.node])}>{range.words}</button>
        <span class="mono">{px(range.start)}</span>
        <span class="mono">{range.travel === null ? '—' : px(range.end)}</span>
        <span class="mono" class:bad={range.travel === 0}>{travelOf(range)}</span>
        <div class="lane">
          <i
            class:dot={range.travel === null}
            style:left="{x(range.start)}px"
            style:width="{range.travel === null ? 9 : Math.max(3, x(range.end) - x(range.start))}px"
            style:background={TONES[range.effect] ?? 'var(--ochre)'}
          ></i>
          <span class="stops">
            {#each stops(range) as { label, at } (label)}
              <button
                type="button"
                aria-label="Scroll to the {label} of: {range.words}"
                onclick={() => scrollTo(wb, at)}>{label}</button
              >
            {/each}
          </span>
        </div>
      </div>
    {/each}
    <div class="now" style:left="calc(100% - {laneWidth}px + {x(now)}px)">
      <span class="mono">{px(now)}</span>
    </div>
  </div>
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
    padding-right: 8px;
    line-height: 27px;
    text-align: right;
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
  .picked {
    background: var(--wash);
  }
  .picked .name {
    font-weight: 600;
  }
  .lane {
    position: relative;
    align-self: stretch;
    border-left: 1px solid var(--line);
  }
  .lane i {
    position: absolute;
    top: 7px;
    height: 13px;
    border-radius: 2px;
  }
  .lane .dot {
    top: 9px;
    height: 9px;
    border-radius: 50%;
    translate: -4px 0;
  }
  .stops {
    position: absolute;
    right: 6px;
    top: 2px;
    display: none;
    gap: 2px;
  }
  .line:hover .stops,
  .line:focus-within .stops {
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
