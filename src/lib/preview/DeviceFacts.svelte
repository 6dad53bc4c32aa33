<script lang="ts">
  import { softPictures } from '$core/compile/softness';
  import type { Device } from '$lib/state/devices.svelte';
  import type { Workbench } from '$lib/state/workbench.svelte';

  /** What a page is shown on, above it, and how many of its pictures are too small for that. */
  const { wb, device }: { wb: Workbench; device: Device } = $props();

  const said = $derived.by(() => {
    const { width, height, ratio, type } = device;
    const pixels = ratio === 1 ? '' : ` · ${ratio}×`;
    const size = type === 100 ? '' : ` · type ${type} %`;
    return `${width} × ${height}${pixels}${size}`;
  });
  const soft = $derived(softPictures(wb.registry, wb.rested, wb.page.root, device));
</script>

<span class="mono facts">
  {said}
  {#if soft > 0}
    <b title="They have fewer pixels than this screen shows of them"
      >{soft} soft {soft === 1 ? 'picture' : 'pictures'}</b
    >
  {/if}
</span>

<style>
  .facts {
    display: block;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  b {
    font-weight: 600;
    color: var(--ochre);
  }
</style>
