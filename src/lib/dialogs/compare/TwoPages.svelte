<script lang="ts">
  import type { NodeId, Project } from '$core/project/types';
  import PreviewFrame from '$lib/preview/PreviewFrame.svelte';
  import { tried } from '$lib/preview/tried';
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
  let room = $state(1000);
  /** How much of the new version lies over the old one, from the left, %. */
  let share = $state(50);
  let scrolled = $state(0);
  /** As wide as the page on show, until another width is typed. */
  let typed = $state<number | null>(null);
  const width = $derived(typed === null || !(typed >= 280) ? wb.preview.width : Math.min(1920, typed));

  const sides = $derived([
    { key: 'before', label: 'Then', project: before },
    { key: 'after', label: 'Now', project: wb.project }
  ]);
  const isBeside = $derived(look === 'beside');
  const column = $derived(isBeside ? (room - 12) / 2 : room);
  const scale = $derived(Math.min(1, column / width));
  const show = $derived(tried(wb.preview.switches));

  const senders = new Map<string, (message: ToFrame) => void>();

  $effect(() => {
    if (node) senders.forEach((send) => send({ type: 'reveal', node }));
  });

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
      value={width}
      onchange={(event) => (typed = event.currentTarget.valueAsNumber)}
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
    <span>Black is the same in both; what differs is lit.</span>
  {/if}
</div>
<div class="room" class:beside={isBeside} class:differs={look === 'differs'} bind:clientWidth={room}>
  {#each sides as { key, label, project } (key)}
    <figure style:clip-path={key === 'after' ? clip : 'none'}>
      {#if isBeside}<figcaption>{label}</figcaption>{/if}
      {#if project.pages[wb.pageId]}
        <div class="paper" style:height="{HEIGHT}px" style:width="{width * scale}px">
          <div class="scaled" style:scale>
            <PreviewFrame
              {project}
              pageId={wb.pageId}
              blobs={wb.blobs}
              title="{label}: {project.pages[wb.pageId]!.name}"
              {width}
              height={HEIGHT / scale}
              {show}
              onready={(send) => senders.set(key, send)}
            />
          </div>
        </div>
      {:else}
        <p class="gone">This page was not there.</p>
      {/if}
    </figure>
  {/each}
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
    isolation: isolate;
  }
  .room.beside {
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
  .room:not(.beside) figure {
    position: absolute;
    inset: 0;
  }
  .differs figure + figure {
    mix-blend-mode: difference;
  }
  figcaption {
    height: 18px;
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
