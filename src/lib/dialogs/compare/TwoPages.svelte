<script lang="ts">
  import { clamp } from '$core/data/clamp';
  import type { NodeId, Project } from '$core/project/types';
  import PreviewFrame from '$lib/preview/PreviewFrame.svelte';
  import { threeWidths } from '$lib/preview/frames';
  import { tried } from '$preview/tried';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import type { ToFrame } from '$preview/messages';

  interface Props {
    wb: Workbench;
    before: Project;
    look: 'beside' | 'over' | 'differs';
    /** The piece that is looked at; null for none. */
    node: NodeId | null;
  }

  const { wb, before, look, node }: Props = $props();

  const HEIGHT = 270;
  const GAP = 12;
  let room = $state(1000);
  /** How much of the new version lies over the old one, from the left, %. */
  let share = $state(50);
  let scrolled = $state(0);
  /** As wide as the page on show, until another width is typed. */
  let typed = $state<number | null>(null);
  const width = $derived(typed ?? wb.preview.width);

  const sides = $derived([
    { key: 'before', label: 'Then', project: before },
    { key: 'after', label: 'Now', project: wb.project }
  ]);
  const isBeside = $derived(look === 'beside');
  const column = $derived(isBeside ? (room - GAP) / 2 : room);
  /** What differs is looked at in each band at once, until a width is typed. */
  const widths = $derived(look === 'differs' && typed === null ? threeWidths(wb) : [width]);
  const written = $derived(widths.length > 1 ? '' : String(width));
  const scale = $derived.by(() => {
    const whole = widths.reduce((sum, each) => sum + each, 0);
    return Math.min(1, (column - GAP * (widths.length - 1)) / whole);
  });
  const show = $derived(tried(wb.preview.switches));

  /** @param px NaN for a field that was emptied. */
  function type(px: number): void {
    typed = Number.isNaN(px) ? null : clamp(Math.round(px), 280, 1920);
  }

  const senders = new Map<string, (message: ToFrame) => void>();

  $effect(() => {
    if (node) senders.forEach((send) => send({ type: 'reveal', node }));
  });

  /** A page that comes later goes to where the others are. */
  function join(key: string, send: (message: ToFrame) => void): void {
    senders.set(key, send);
    if (scrolled > 0) send({ type: 'scroll', share: scrolled, at: null });
  }

  function scroll(to: number): void {
    scrolled = to;
    senders.forEach((send) => send({ type: 'scroll', share: to, at: null }));
  }

  const clip = $derived(look === 'over' ? `inset(0 0 0 ${share}%)` : 'none');
</script>

<div class="bar">
  <label
    >Width <input
      type="number"
      min="280"
      max="1920"
      placeholder="three"
      value={written}
      onchange={(event) => {
        type(event.currentTarget.valueAsNumber);
        // What was out of range is not what is shown.
        event.currentTarget.value = written;
      }}
    /> px</label
  >
  <label class="long"
    >Scroll <input
      type="range"
      min="0"
      max="1"
      step="0.005"
      value={scrolled}
      oninput={(event) => scroll(event.currentTarget.valueAsNumber)}
    /></label
  >
  {#if look === 'over'}
    <label class="long"
      >Then <input type="range" min="0" max="100" bind:value={share} aria-label="Then or now" /> now</label
    >
  {:else if look === 'differs'}
    {#if typed !== null}
      <button type="button" class="link" onclick={() => (typed = null)}>Three widths again</button>
    {/if}
    <span>Black is the same in both; what differs is lit.</span>
  {/if}
</div>

{#snippet drawn(side: (typeof sides)[number], at: number, n: number)}
  {#if side.project.pages[wb.pageId]}
    <div class="paper" style:height="{HEIGHT}px" style:width="{at * scale}px">
      <div class="scaled" style:scale>
        <PreviewFrame
          project={side.project}
          pageId={wb.pageId}
          blobs={wb.blobs}
          title="{side.label}: {side.project.pages[wb.pageId]!.name}{widths.length > 1 ? `, ${at} px` : ''}"
          width={at}
          height={HEIGHT / scale}
          {show}
          onready={(send) => join(`${side.key} ${n}`, send)}
        />
      </div>
    </div>
  {:else}
    <p class="gone">This page was not there.</p>
  {/if}
{/snippet}

<div class="room {look}" bind:clientWidth={room}>
  {#if look === 'differs'}
    {#each widths as at, n (n)}
      <div class="width" role="group" aria-label="What differs at {at} px" style:width="{at * scale}px">
        <p>{at} px</p>
        <div class="laid">
          {#each sides as side (side.key)}<figure>{@render drawn(side, at, n)}</figure>{/each}
        </div>
      </div>
    {/each}
  {:else}
    {#each sides as side (side.key)}
      <figure style:clip-path={side.key === 'after' ? clip : 'none'}>
        {#if isBeside}<figcaption>{side.label}</figcaption>{/if}
        {@render drawn(side, width, 0)}
      </figure>
    {/each}
  {/if}
</div>

<style>
  .bar {
    display: flex;
    gap: 20px;
    align-items: center;
    height: 30px;
    color: var(--ink-2);
  }
  label {
    display: flex;
    gap: 8px;
    align-items: center;
  }
  .long input {
    width: 200px;
    accent-color: var(--verdigris);
  }
  input[type='number'] {
    width: 72px;
    height: 26px;
    padding: 0 6px;
    font: 11.5px var(--mono);
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .room {
    position: relative;
    height: 290px;
    overflow: hidden;
    background: var(--plaster);
  }
  .room.beside,
  .room.differs {
    display: flex;
    gap: 12px;
  }
  figure {
    margin: 0;
  }
  .beside figure {
    flex: 1;
    min-width: 0;
  }
  .laid {
    position: relative;
    height: 270px;
    isolation: isolate;
  }
  .over figure,
  .laid figure {
    position: absolute;
    inset: 0;
  }
  .laid figure + figure {
    mix-blend-mode: difference;
  }
  figcaption,
  .width p {
    height: 18px;
    margin: 0;
    line-height: 18px;
    font-size: 12px;
    color: var(--ink-2);
  }
  .paper {
    overflow: hidden;
    background: #fff;
  }
  .scaled {
    transform-origin: 0 0;
  }
  .gone {
    padding: 80px 20px;
    font-size: 13px;
    color: var(--ink-2);
  }
</style>
