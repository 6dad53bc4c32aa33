<script lang="ts">
  import type { ProjectId } from '$core/project/types';
  import { openProject } from '$lib/store/projects';
  import PreviewFrame from '$lib/preview/PreviewFrame.svelte';

  const { id, changed }: { id: ProjectId; changed: number } = $props();

  const WIDTH = 1200;
  let room = $state(0);
  const stored = $derived.by(() => {
    void changed;
    return openProject(id);
  });
</script>

<div class="thumbnail" bind:clientWidth={room} inert>
  {#await stored then found}
    {#if found && room > 0}
      <div class="scaled" style:scale={room / WIDTH}>
        <PreviewFrame
          project={found.project}
          pageId={found.project.info.pageOrder[0]!}
          blobs={found.blobs}
          title=""
          width={WIDTH}
          height={(170 * WIDTH) / room}
        />
      </div>
    {/if}
  {/await}
</div>

<style>
  .thumbnail {
    height: 170px;
    overflow: hidden;
    background: #fff;
    border-bottom: 1px solid var(--line);
    border-radius: 3px 3px 0 0;
  }
  .scaled {
    pointer-events: none;
    transform-origin: 0 0;
  }
</style>
