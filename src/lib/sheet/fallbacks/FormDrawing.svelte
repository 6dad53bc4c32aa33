<script lang="ts">
  import { onMount } from 'svelte';
  import type { ConditionName } from '$core/project/types';
  import PreviewFrame from '$lib/preview/PreviewFrame.svelte';
  import { tried } from '$preview/tried';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import { SWITCHES, type Switch } from '$preview/messages';

  const { wb, condition }: { wb: Workbench; condition: ConditionName } = $props();

  const WIDTH = 96;
  const HEIGHT = 58;
  let isDue = $state(false);
  onMount(() => {
    // The table itself comes first; what it shows is drawn right after.
    const timer = setTimeout(() => (isDue = true), 60);
    return () => clearTimeout(timer);
  });

  const bands = $derived(wb.project.info.bands);
  /** A width that lies in the band for certain, and near its upper edge, where it is tightest against the next. */
  const width = $derived(
    { medium: bands.medium, narrow: Math.min(bands.narrow, 420) }[condition as string] ??
      Math.max(1000, bands.medium + 40)
  );
  const scale = $derived(Math.min(WIDTH / width, 0.26));
  const show = $derived(tried(SWITCHES.includes(condition as Switch) ? [condition as Switch] : []));
</script>

<div class="drawing" style:width="{width * scale}px" style:height="{HEIGHT}px" inert>
  {#if isDue}
    <div class="scaled" style:scale>
      <PreviewFrame
        project={wb.rested}
        pageId={wb.pageId}
        blobs={wb.blobs}
        title="{wb.tuned.name}, {condition === 'always' ? 'wide' : condition}"
        {width}
        height={HEIGHT / scale}
        only={wb.tuned.id}
        {show}
        onready={(send) => setTimeout(() => send({ type: 'reveal', node: wb.tuned.id }), 50)}
      />
    </div>
  {/if}
</div>

<style>
  .drawing {
    margin: 0 auto;
    overflow: hidden;
    pointer-events: none;
    background: #fff;
    outline: 1px solid var(--line);
  }
  .scaled {
    transform-origin: 0 0;
  }
</style>
