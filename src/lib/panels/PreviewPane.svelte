<script lang="ts">
  import type { NodeId } from '$core/project/types';
  import { nodeOf } from '$core/project/tree';
  import PreviewFrame from '$lib/parts/PreviewFrame.svelte';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import type { FromFrame, ToFrame } from '$preview/messages';

  const { wb, onkey }: { wb: Workbench; onkey: (message: Extract<FromFrame, { type: 'key' }>) => void } = $props();

  let room = $state({ width: 800, height: 400 });
  let send = $state.raw<((message: ToFrame) => void) | null>(null);
  const scale = $derived(Math.min(1, (room.width - 32) / wb.width));
  const height = $derived(Math.max(80, (room.height - 14) / scale));
  const show = $derived<Extract<ToFrame, { type: 'show' }>>({
    type: 'show',
    mode: wb.mode,
    switches: [...wb.switches],
    picked: wb.selected.length > 0 ? { ...wb.picked } : null,
    name: wb.selected.length > 0 ? (wb.currentPart === 'root' ? wb.drawn.name : `${wb.drawn.name}, ${wb.kind.anatomy[wb.currentPart]!.label}`) : ''
  });

  $effect(() => {
    const id = wb.selected.at(-1);
    if (id) send?.({ type: 'reveal', node: id });
  });

  function receive(message: FromFrame): void {
    if (message.type === 'key') return onkey(message);
    if (message.type === 'fault') wb.message = { kind: 'error', text: `The page’s script stopped: ${message.sentence}` };
    if (message.type !== 'picked') return;
    const { node, part, item } = message.pick;
    if (!wb.project.nodes[node as NodeId]) return;
    const id = (item && wb.project.nodes[item as NodeId] ? item : node) as NodeId;
    wb.select([id], part);
    if (message.opens && nodeOf(wb.project, id)) {
      wb.view = 'Fill';
      wb.editing = id;
    }
  }
</script>

<div class="pane" bind:clientWidth={null, (value) => (room = { ...room, width: value ?? 0 })} bind:clientHeight={null, (value) => (room = { ...room, height: value ?? 0 })}>
  <div class="paper" style:width="{wb.width * scale}px" style:height="{height * scale}px">
    <div class="scaled" style:scale={scale}>
      <PreviewFrame
        project={wb.project}
        pageId={wb.pageId}
        blobs={wb.blobs}
        title="Preview of {wb.page.name}"
        width={wb.width}
        {height}
        {show}
        onmessage={receive}
        onready={(sender) => (send = sender)}
      />
    </div>
  </div>
  {#if scale < 0.995}<span class="scale mono">{Math.round(scale * 100)} %</span>{/if}
</div>

<style>
  .pane {
    position: relative;
    min-width: 0;
    min-height: 0;
    overflow: hidden;
    padding-top: 12px;
    background: var(--plaster);
  }
  .paper {
    margin: 0 auto;
    overflow: hidden;
    background: #fff;
    outline: 1px solid var(--line);
  }
  .scaled {
    transform-origin: 0 0;
  }
  .scale {
    position: absolute;
    right: 6px;
    bottom: 6px;
    padding: 1px 5px;
    color: var(--ink-2);
    background: var(--panel);
    border: 1px solid var(--line);
    border-radius: 2px;
  }
</style>
