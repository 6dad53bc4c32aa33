<script module lang="ts">
  import { whenNear } from './near';
  import { createTurns } from './turns';

  /** All thumbnails of a window are drawn one after another. */
  const takeTurn = createTurns();
  /** A frame that does not come for so long does not keep the others waiting, ms. */
  const PATIENCE = 3000;
</script>

<script lang="ts">
  import { onMount } from 'svelte';
  import type { ProjectId } from '$core/project/types';
  import { drawnProject } from '$lib/store/projects';
  import PreviewFrame from '$lib/preview/PreviewFrame.svelte';

  const { id, changed }: { id: ProjectId; changed: number } = $props();

  const WIDTH = 1200;
  let card: HTMLElement;
  let room = $state(0);
  let isNear = $state(false);
  let found = $state.raw<Awaited<ReturnType<typeof drawnProject>>>(null);
  let endTurn = () => {};

  onMount(() => whenNear(card, (now) => (isNear = now)));

  $effect(() => {
    void changed;
    if (!isNear) {
      found = null;
      return;
    }
    const turn = takeTurn();
    endTurn = turn.end;
    let isWanted = true;
    void turn.comes.then(async () => {
      if (!isWanted) return;
      setTimeout(turn.end, PATIENCE);
      // A card whose picture cannot be read stays without one; opening the project says what is wrong.
      const read = await drawnProject(id).catch(() => null);
      if (isWanted) found = read;
      if (!read) turn.end();
    });
    return () => {
      isWanted = false;
      turn.end();
    };
  });
</script>

<div class="thumbnail" bind:this={card} bind:clientWidth={room} inert>
  {#if found && room > 0}
    <div class="scaled" style:scale={room / WIDTH}>
      <PreviewFrame
        project={found.project}
        pageId={found.project.info.pageOrder[0]!}
        blobs={found.blobs}
        title=""
        width={WIDTH}
        height={(170 * WIDTH) / room}
        isStart
        onsent={() => endTurn()}
      />
    </div>
  {/if}
</div>

<style>
  .thumbnail {
    height: 170px;
    overflow: hidden;
    background: var(--wash);
    border-bottom: 1px solid var(--line);
    border-radius: 3px 3px 0 0;
  }
  .scaled {
    pointer-events: none;
    transform-origin: 0 0;
  }
</style>
