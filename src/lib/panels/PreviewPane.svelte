<script lang="ts">
  import { maybeStacking } from '$core/kinds/stacked';
  import type { NodeId } from '$core/project/types';
  import PreviewFrame from '$lib/parts/PreviewFrame.svelte';
  import { FitGauge } from '$lib/state/gauge.svelte';
  import { takeDragged } from '$lib/state/dragging';
  import { takeWritten, writeInPlace } from '$lib/state/writing';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import type { FromFrame, ToFrame } from '$preview/messages';

  const { wb, onkey }: { wb: Workbench; onkey: (message: Extract<FromFrame, { type: 'key' }>) => void } = $props();

  let room = $state({ width: 800, height: 400 });
  let pane: HTMLElement;
  const senders = new Map<string, (message: ToFrame) => void>();
  const gauge = new FitGauge(() => wb);

  interface Shown {
    readonly key: string;
    readonly title: string;
    readonly label: string;
    readonly width: number;
    readonly isHeld?: boolean;
  }

  /** One page, the three bands, or the setting that was kept beside the present one. */
  const frames = $derived.by((): readonly Shown[] => {
    const title = `Preview of ${wb.page.name}`;
    if (wb.held) return [{ key: 'held', title: `Kept setting of ${wb.page.name}`, label: `A · ${wb.held.label}`, width: wb.width, isHeld: true }, { key: 'one', title, label: 'B · now', width: wb.width }];
    if (wb.widths === 'one') return [{ key: 'one', title, label: '', width: wb.width }];
    const { medium, narrow } = wb.project.info.bands;
    return [
      { key: 'one', title, label: `wide ${Math.max(1120, medium + 1)}`, width: Math.max(1120, medium + 1) },
      { key: 'medium', title: `${title}, medium`, label: `medium ${medium}`, width: medium },
      { key: 'narrow', title: `${title}, narrow`, label: `narrow ${narrow}`, width: narrow }
    ];
  });
  const GAP = 16;
  const total = $derived(frames.reduce((sum, frame) => sum + frame.width, 0));
  const scale = $derived(Math.min(1, (room.width - (wb.isFull ? 0 : 32) - GAP * (frames.length - 1)) / total));
  const labelRoom = $derived(frames.length > 1 ? 20 : 0);
  const height = $derived(Math.max(80, (room.height - (wb.isFull ? 0 : 14) - labelRoom) / scale));
  /** The picked piece among those it is stacked with. */
  const stack = $derived.by((): readonly NodeId[] => {
    const stacking = wb.selected.length > 0 ? maybeStacking(wb.registry, wb.project, wb.drawn.id) : null;
    return stacking ? [...stacking.below, wb.drawn.id, ...stacking.above] : [];
  });
  const show = $derived<Extract<ToFrame, { type: 'show' }>>({
    type: 'show',
    mode: wb.isFull ? 'try' : wb.mode,
    switches: [...wb.switches],
    picked: wb.selected.length > 0 && !wb.isFull ? { ...wb.picked } : null,
    forced: wb.forced,
    rate: wb.rate,
    guides: wb.showsGuides,
    stack: [...stack],
    name: wb.selected.length > 0 ? (wb.currentPart === 'root' ? wb.drawn.name : `${wb.drawn.name}, ${wb.kind.anatomy[wb.currentPart]!.label}`) : ''
  });

  let hovered = $state.raw<Extract<FromFrame, { type: 'hovered' }> | null>(null);
  /** Four sides as CSS writes them, in as few numbers as will do. */
  const short = ([top, right, bottom, left]: readonly number[]) => (top === bottom && right === left ? (top === right ? `${top}` : `${top} ${right}`) : `${top} ${right} ${bottom} ${left}`);
  const distances = $derived.by(() => {
    if (!hovered?.pick || !wb.showsGuides || wb.mode !== 'select') return null;
    const { pick, width, height, padding, margin, gap, collapsed } = hovered;
    const node = wb.project.nodes[pick.node as NodeId];
    if (!node) return null;
    const part = wb.registry.kindOf(node.kind).anatomy[pick.part]?.label;
    const words = [`${width} × ${height}`, ...(padding.some(Boolean) ? [`padding ${short(padding)}`] : []), ...(margin.some(Boolean) ? [`margin ${short(margin)}`] : []), ...(gap ? [`gap ${gap[0] === gap[1] ? gap[0] : gap.join(' ')}`] : []), ...(collapsed === null ? [] : [`margins above collapse to ${collapsed}`])];
    return { name: pick.part === 'root' ? node.name : `${node.name}, ${part}`, words: words.join(' · ') };
  });

  const toAll = (message: ToFrame, but?: string) => senders.forEach((send, key) => key !== but && send(message));
  $effect(() => {
    wb.sendToPreview = (message) => toAll(message);
    wb.sendToPage = (message) => {
      pane.querySelector<HTMLIFrameElement>('.paper iframe')?.focus();
      senders.get('one')?.(message);
    };
  });

  $effect(() => {
    const id = wb.selected.at(-1);
    if (id) toAll({ type: 'reveal', node: id });
  });

  let measuring: ReturnType<typeof setTimeout> | undefined;
  /** Rows of labels are measured when the hand rests. */
  function measure(): void {
    clearTimeout(measuring);
    if (!wb.isDrawn) return;
    measuring = setTimeout(() => senders.get('one')?.({ type: 'measure', rows: gauge.rows() }), 200);
  }
  $effect(() => {
    void [wb.width, wb.widths, wb.drawn.id];
    measure();
    return () => clearTimeout(measuring);
  });

  function ready(key: string, send: (message: ToFrame) => void): void {
    senders.set(key, send);
    // The page has to be there before anything on it can come into sight.
    const id = wb.selected.at(-1);
    if (id) setTimeout(() => send({ type: 'reveal', node: id }), 80);
  }

  $effect(() => {
    const keys = frames.map(({ key }) => key);
    for (const key of senders.keys()) if (!keys.includes(key)) senders.delete(key);
  });

  function receive(message: FromFrame, key: string): void {
    if (message.type === 'key') return onkey(message);
    if (message.type === 'scrolled') return toAll({ type: 'scroll', share: message.share }, key);
    if (message.type === 'hovered') return void (hovered = message.pick && wb.project.nodes[message.pick.node as NodeId] ? message : null);
    if (message.type === 'measured') return gauge.take(message);
    if (message.type === 'patched' && key === 'one') {
      wb.isDrawn = true;
      measure();
      wb.findingsWatch.begin(wb.project, wb.fits);
    }
    if (message.type === 'dragged') return takeDragged(wb, message, frames.find((frame) => frame.key === key)?.width ?? wb.width);
    if (message.type === 'overlaps') return key === 'one' ? void (wb.overlaps = { node: message.node as NodeId, others: message.others as NodeId[] }) : undefined;
    if (message.type === 'written') return takeWritten(wb, message.node as NodeId, message.html);
    if (message.type === 'fault') wb.message = { kind: 'error', text: `The page’s script stopped: ${message.sentence}` };
    if (message.type !== 'picked') return;
    const { node, part, item } = message.pick;
    if (!wb.project.nodes[node as NodeId]) return;
    const id = (item && wb.project.nodes[item as NodeId] ? item : node) as NodeId;
    wb.select([id], part);
    if (message.opens && !writeInPlace(wb, id, part)) {
      wb.view = 'Fill';
      wb.editing = id;
    }
  }
</script>

<div class="pane" bind:this={pane} class:full={wb.isFull} bind:clientWidth={null, (value) => (room = { ...room, width: value ?? 0 })} bind:clientHeight={null, (value) => (room = { ...room, height: value ?? 0 })}>
  <div class="frames" style:gap="{GAP}px">
    {#each frames as frame (frame.key)}
      <div class="one">
        {#if frame.label}<span class="label" style:height="{labelRoom}px">{frame.label}</span>{/if}
        <div class="paper" style:width="{frame.width * scale}px" style:height="{height * scale}px">
          <div class="scaled" style:scale={scale}>
            <PreviewFrame
              project={frame.isHeld ? wb.held!.project : (wb.trial?.project ?? wb.project)}
              pageId={wb.pageId}
              blobs={wb.blobs}
              title={frame.title}
              width={frame.width}
              {height}
              {show}
              watch={frame.isHeld ? undefined : (watcher) => wb.watch(watcher)}
              onmessage={(message) => receive(message, frame.key)}
              onready={(send) => ready(frame.key, send)}
            />
          </div>
        </div>
      </div>
    {/each}
  </div>
  {#if gauge.request}
    {@const { node, width } = gauge.request}
    <div class="gauge" aria-hidden="true" inert>
      <PreviewFrame project={wb.rested} pageId={wb.pageId} blobs={wb.blobs} title="Measuring {wb.page.name}" {width} height={400} only={node} onmessage={(message) => message.type === 'measured' && gauge.takeTrial(message)} onready={(send) => gauge.connect(send)} />
    </div>
  {/if}
  {#if distances}<span class="distances"><b>{distances.name}</b> <span class="mono">{distances.words}</span></span>{/if}
  {#if wb.trial}<span class="trial">Showing what “{wb.trial.label}” would do</span>{/if}
  {#if wb.isFull}
    <button type="button" class="corner out" onclick={() => (wb.isFull = false)}>Back to the workbench <kbd>Esc</kbd></button>
  {:else}
    <div class="corner">
      <div role="group" aria-label="Widths shown">
        <button type="button" aria-pressed={wb.widths === 'one'} onclick={() => (wb.widths = 'one')}>1 width</button>
        <button type="button" aria-pressed={wb.widths === 'three'} onclick={() => (wb.widths = 'three')}>3 widths</button>
      </div>
      <button type="button" onclick={() => (wb.isFull = true)}>Full window</button>
      <span class="scale mono">{Math.round(scale * 100)} %</span>
    </div>
  {/if}
</div>

<style>
  .distances {
    position: absolute;
    bottom: 4px;
    left: 16px;
    z-index: 2;
    max-width: calc(100% - 290px);
    padding: 3px 8px;
    overflow: hidden;
    font-size: 12px;
    text-overflow: ellipsis;
    white-space: nowrap;
    pointer-events: none;
    background: var(--panel);
    border: 1px solid var(--line);
    border-radius: 3px;
  }
  .pane {
    position: relative;
    min-width: 0;
    min-height: 0;
    overflow: hidden;
    padding-top: 12px;
    background: var(--plaster);
  }
  .full {
    position: fixed;
    inset: 0;
    z-index: 30;
    padding: 0;
  }
  .frames {
    display: flex;
    justify-content: center;
  }
  .label {
    display: block;
    font-size: 12px;
    color: var(--ink-2);
  }
  .paper {
    overflow: hidden;
    background: #fff;
    outline: 1px solid var(--line);
  }
  .scaled {
    transform-origin: 0 0;
  }
  /* Within sight, though not to be seen: browsers let frames that are out of sight rest. */
  .gauge {
    position: absolute;
    top: 0;
    left: 0;
    pointer-events: none;
    opacity: 0;
  }
  .frames,
  .corner,
  .trial {
    z-index: 1;
  }
  .frames {
    position: relative;
  }
  .corner {
    position: absolute;
    right: 6px;
    bottom: 6px;
    display: flex;
    align-items: center;
    background: var(--panel);
    border: 1px solid var(--line);
    border-radius: 3px;
  }
  .corner button,
  .scale {
    height: 22px;
    padding: 0 7px;
    font-size: 12px;
    line-height: 22px;
    color: var(--ink-2);
    background: none;
    border: 0;
    border-right: 1px solid var(--line);
  }
  .corner button,
  .out {
    font-family: inherit;
    cursor: pointer;
  }
  .corner button[aria-pressed='true'] {
    font-weight: 600;
    color: var(--verdigris);
    background: var(--wash);
  }
  .corner .scale {
    border: 0;
  }
  .out {
    padding: 4px 10px;
    font-size: 13px;
    color: var(--ink);
  }
  .trial {
    position: absolute;
    top: 12px;
    left: 50%;
    padding: 3px 10px;
    font-size: 12px;
    font-weight: 600;
    color: #fff;
    background: var(--ochre);
    border-radius: 3px;
    translate: -50% 0;
  }
</style>
