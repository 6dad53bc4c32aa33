<script lang="ts">
  import { untrack } from 'svelte';
  import { impliedStates } from '$core/cascade/states';
  import { maybeStacking } from '$core/kinds/stacked';
  import { maybePlaceOf, pathTo } from '$core/project/tree';
  import type { ConditionName, NodeId, StateName } from '$core/project/types';
  import DeviceFacts from './DeviceFacts.svelte';
  import EmptyPage from './EmptyPage.svelte';
  import PreviewFrame from './PreviewFrame.svelte';
  import { framesShown, setThree, threeWidths, type ShownFrame } from './frames';
  import { FitGauge } from '$lib/state/gauge.svelte';
  import { WidthSurvey } from '$lib/state/survey.svelte';
  import { takeDragged } from '$lib/state/dragging';
  import { takeWritten, writeInPlace } from '$lib/state/writing';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import { expanded } from '$core/rows/rows';
  import type { FromFrame, ToFrame } from '$preview/messages';
  import { compact } from '$core/data/compact';

  const { wb, onkey }: { wb: Workbench; onkey: (message: Extract<FromFrame, { type: 'key' }>) => void } =
    $props();

  let room = $state({ width: 800, height: 400 });
  let pane: HTMLElement;
  const senders = new Map<string, (message: ToFrame) => void>();
  const gauge = new FitGauge(() => wb);
  const survey = new WidthSurvey(() => wb);

  const frames = $derived(framesShown(wb));
  /** The page that the invitation of an empty one stands on. */
  const widest = $derived(frames.toSorted((a, b) => b.width - a.width)[0]);
  const GAP = 16;
  const total = $derived(frames.reduce((sum, frame) => sum + frame.width, 0));
  /** px above each page: a device has its name and its numbers, one below the other. */
  const labelRoom = $derived.by(() => {
    if (frames[0]?.device) return 40;
    return frames.length > 1 ? 24 : 0;
  });
  const roomBelow = $derived(room.height - (wb.preview.isFull ? 0 : 14) - labelRoom);
  /** The highest of the devices; others are as high as the pane. */
  const highest = $derived(Math.max(0, ...frames.map(({ device }) => device?.height ?? 0)));
  const scale = $derived(
    Math.min(
      1,
      (room.width - (wb.preview.isFull ? 0 : 32) - GAP * (frames.length - 1)) / total,
      highest > 0 ? Math.max(60, roomBelow) / highest : 1
    )
  );
  $effect(() => {
    wb.preview.scale = scale;
  });
  const height = $derived(Math.max(80, roomBelow / scale));
  const heightOf = ({ device }: ShownFrame): number => device?.height ?? height;
  /** The picked piece among those it is stacked with. */
  const stack = $derived.by((): readonly NodeId[] => {
    const stacking = wb.selected.length > 0 ? maybeStacking(wb.registry, wb.project, wb.tuned.id) : null;
    return stacking ? [...stacking.below, wb.tuned.id, ...stacking.above] : [];
  });
  const tried = $derived<readonly ConditionName[]>(wb.preview.switches.includes('touch') ? ['touch'] : []);
  const states = $derived(Object.entries(wb.kind.anatomy[wb.currentPart]!.states));
  /** Whether a state is one of what is chosen: selected, or of the kind's own. */
  const isOfChoice = (state: StateName) => state === 'selected' || Object.hasOwn(wb.kind.states ?? {}, state);
  const boxOf = (id: NodeId) => maybePlaceOf(wb.project, id)?.parent ?? null;
  const show = $derived<Extract<ToFrame, { type: 'show' }>>({
    type: 'show',
    mode: wb.preview.isFull ? 'try' : wb.preview.mode,
    switches: [...wb.preview.switches],
    picked: wb.selected.length > 0 && !wb.preview.isFull ? { ...wb.picked } : null,
    box: wb.kind.effects?.some(({ answersBox }) => answersBox) ? boxOf(wb.tuned.id) : null,
    forced: wb.preview.forced && [...impliedStates(wb.kind, wb.preview.forced, tried)],
    chosen: states.filter(([state]) => isOfChoice(state)).map(([, selector]) => selector!),
    isOfChosen: wb.preview.forced !== null && isOfChoice(wb.preview.forced),
    rate: wb.preview.rate,
    typeSize: 100,
    guides: wb.preview.showsGuides,
    stack: [...stack],
    name: wb.selected.length > 0 ? nameOfPicked() : ''
  });
  /** A device has its own hands and its own type size, beside what is tried everywhere. */
  function showOn({ device }: ShownFrame): typeof show {
    if (!device) return show;
    const { isTouch, type } = device;
    const switches = isTouch ? [...new Set([...show.switches, 'touch' as const])] : show.switches;
    return { ...show, switches, typeSize: type };
  }
  function nameOfPicked(): string {
    const { name } = wb.tuned;
    return wb.currentPart === 'root' ? name : `${name}, ${wb.kind.anatomy[wb.currentPart]!.label}`;
  }

  let hovered = $state.raw<Extract<FromFrame, { type: 'hovered' }> | null>(null);
  /** Four sides as CSS writes them, in as few numbers as will do. */
  function short([top, right, bottom, left]: readonly number[]): string {
    if (top !== bottom || right !== left) return `${top} ${right} ${bottom} ${left}`;
    return top === right ? `${top}` : `${top} ${right}`;
  }
  $effect(() => {
    wb.preview.distances = distancesOf();
  });
  function distancesOf(): typeof wb.preview.distances {
    if (!hovered?.pick || !wb.preview.showsGuides || wb.preview.mode !== 'select') return null;
    const { pick, width, height, padding, margin, gap, collapsed } = hovered;
    const node = wb.project.nodes[pick.node as NodeId];
    if (!node) return null;
    const part = wb.registry.of(node).anatomy[pick.part]?.label;
    const words = compact([
      `${width} × ${height}`,
      padding.some(Boolean) ? `padding ${short(padding)}` : null,
      margin.some(Boolean) ? `margin ${short(margin)}` : null,
      gap ? `gap ${gap[0] === gap[1] ? gap[0] : gap.join(' ')}` : null,
      collapsed === null ? null : `margins above collapse to ${collapsed}`
    ]);
    return { name: pick.part === 'root' ? node.name : `${node.name}, ${part}`, words: words.join(' · ') };
  }

  const toAll = (message: ToFrame, but?: string) =>
    senders.forEach((send, key) => key !== but && send(message));
  $effect(() => {
    wb.preview.sendToPreview = (message) => toAll(message);
    wb.preview.sendToEach = (messageFor) =>
      frames.forEach(({ key, isKept }) => {
        const message = messageFor(isKept ?? false);
        if (message) senders.get(key)?.(message);
      });
    wb.preview.sendToPage = (message) => {
      pane.querySelector<HTMLIFrameElement>('.paper iframe')?.focus();
      senders.get('one')?.(message);
    };
  });

  $effect(() => {
    const id = wb.selected.at(-1);
    if (id) toAll({ type: 'reveal', node: id });
  });

  // The page tells what is read in which order while the panel for that stands open.
  $effect(() => {
    const isOn = wb.open === 'order';
    if (wb.preview.isShown) untrack(() => toAll({ type: 'order', isOn }));
  });

  let measuring: ReturnType<typeof setTimeout> | undefined;
  /** What rules and views need to know of the page is measured when the hand rests. */
  function measure(): void {
    clearTimeout(measuring);
    if (!wb.preview.isShown) return;
    measuring = setTimeout(() => senders.get('one')?.({ type: 'measure', asks: gauge.asks() }), 200);
  }
  $effect(() => {
    void [wb.preview.width, wb.preview.widths, wb.tuned.id, height];
    measure();
    return () => clearTimeout(measuring);
  });

  /** Pages with more pieces than this are tried at other widths only while someone looks at their scroll. */
  const SURVEYED_MOST = 300;
  $effect(() => {
    const isWanted = wb.view === 'Scroll' || Object.keys(wb.rested.nodes).length <= SURVEYED_MOST;
    // Another page has other pieces, also where the project is as it was.
    void wb.pageId;
    if (!wb.preview.isShown || !isWanted || wb.rested !== wb.project) return;
    const withWindows = wb.open === 'map';
    const timer = setTimeout(() => survey.begin(withWindows), 600);
    return () => clearTimeout(timer);
  });

  function ready(key: string, send: (message: ToFrame) => void): void {
    senders.set(key, send);
    fresh.add(key);
  }

  /** Frames whose page has not been drawn yet; nothing on it can come into sight before. */
  const fresh = new Set<string>();

  /** Where the first frame stands, for those that are drawn after it. */
  let stands: Extract<ToFrame, { type: 'scroll' }> | null = null;

  function drawn(key: string): void {
    const id = wb.selected.at(-1);
    if (fresh.delete(key)) {
      if (key !== 'one' && stands) senders.get(key)?.({ ...stands });
      if (id) senders.get(key)?.({ type: 'reveal', node: id });
      if (wb.open === 'order') senders.get(key)?.({ type: 'order', isOn: true });
    }
    if (key !== 'one') return;
    if (!wb.preview.isShown) performance.mark('kymation shown');
    wb.preview.isShown = true;
    if (!gauge.carryOver()) measure();
    wb.findingsWatch.begin(wb.project, wb.facts);
  }

  $effect(() => {
    const keys = frames.map(({ key }) => key);
    for (const key of senders.keys()) if (!keys.includes(key)) senders.delete(key);
  });

  /** The section a piece stands in; null where it is on no page any more. */
  function sectionOf(node: string | undefined): NodeId | null {
    const isThere = node !== undefined && wb.project.nodes[node as NodeId] !== undefined;
    return isThere ? (pathTo(wb.project, node as NodeId)[1] ?? null) : null;
  }

  const px = (height: number) => `${height.toLocaleString('en')} px`;

  function sayHeights({ count, closed, open }: Extract<FromFrame, { type: 'unfolded' }>): void {
    const pieces = count === 1 ? 'One piece collapses' : `${count} pieces collapse`;
    const heights = `${px(open)} high with all open, ${px(closed)} with all closed`;
    const none = 'Nothing on this page collapses. Let a section or a stack collapse under Behaviour.';
    const told = `${pieces}: the page is ${heights}, at ${wb.preview.width} px.`;
    wb.message = { kind: 'info', text: count === 0 ? none : told };
  }

  type Pick = Extract<FromFrame, { type: 'picked' }>['pick'];

  /** What was made for a row is picked, and edited, as the piece it is a copy of. */
  function ofTemplate(pick: Pick): Pick {
    const { templateOf } = expanded(wb.registry, wb.project);
    const own = (id: string) => templateOf(id as NodeId);
    return { ...pick, node: own(pick.node), item: pick.item && own(pick.item) };
  }

  function receive(message: FromFrame, key: string): void {
    if (message.type === 'key') return onkey(message);
    if (message.type === 'scrolled') {
      // Where the last page stood says nothing of this one.
      if (message.page !== wb.page.root) return;
      if (key === 'one') {
        wb.preview.inSight = sectionOf(message.at?.node);
        wb.preview.share = message.share;
      }
      const order = { type: 'scroll' as const, share: message.share, at: message.at };
      if (key === 'one') stands = order;
      if (message.byHand) toAll(order, key);
      return;
    }
    if (message.type === 'hovered') {
      const pick = message.pick && ofTemplate(message.pick);
      return void (hovered = pick && wb.project.nodes[pick.node as NodeId] ? { ...message, pick } : null);
    }
    if (message.type === 'measured') return gauge.take(message);
    if (message.type === 'unfolded') return key === 'one' ? sayHeights(message) : undefined;
    if (message.type === 'ordered') return key === 'one' ? void (wb.preview.read = message.read) : undefined;
    if (message.type === 'patched') return drawn(key);
    if (message.type === 'dragged')
      return takeDragged(wb, message, frames.find((frame) => frame.key === key)?.width ?? wb.preview.width);
    if (message.type === 'overlaps')
      return key === 'one'
        ? void (wb.preview.overlaps = { node: message.node as NodeId, others: message.others as NodeId[] })
        : undefined;
    if (message.type === 'written') return takeWritten(wb, message.node as NodeId, message.html);
    if (message.type === 'fault')
      wb.message = { kind: 'error', text: `The page’s script stopped: ${message.sentence}` };
    if (message.type !== 'picked') return;
    const { node, part, item } = ofTemplate(message.pick);
    if (!wb.project.nodes[node as NodeId]) return;
    const id = (item && wb.project.nodes[item as NodeId] ? item : node) as NodeId;
    wb.select([id], part);
    if (message.opens && !writeInPlace(wb, id, part)) {
      wb.view = 'Fill';
      wb.editing = id;
    }
  }
</script>

<div
  class="pane"
  data-region
  bind:this={pane}
  class:full={wb.preview.isFull}
  bind:clientWidth={null, (value) => (room = { ...room, width: value ?? 0 })}
  bind:clientHeight={null, (value) => (room = { ...room, height: value ?? 0 })}
>
  <div class="frames" style:gap="{GAP}px">
    {#each frames as frame (frame.key)}
      <div class="one" style:width="{frame.width * scale}px">
        {#if frame.label}
          <span
            class="label"
            title={frame.device && `${frame.label}, ${frame.width} × ${frame.device.height} px`}
            style:height="{labelRoom}px"
          >
            {frame.label}
            {#if frame.typed !== undefined}
              {@const at = frame.typed}
              <input
                class="mono"
                aria-label="Width of the {frame.label} page"
                inputmode="numeric"
                value={frame.width}
                onchange={(event) => (
                  setThree(wb, at, event.currentTarget.value),
                  (event.currentTarget.value = String(threeWidths(wb)[at]))
                )}
              /> px
            {/if}
            {#if frame.device}<DeviceFacts {wb} device={frame.device} />{/if}
          </span>
        {/if}
        <div class="paper" style:width="{frame.width * scale}px" style:height="{heightOf(frame) * scale}px">
          <div class="scaled" style:scale>
            <PreviewFrame
              project={frame.isKept ? wb.kept!.project : (wb.trial?.project ?? wb.project)}
              pageId={wb.pageId}
              blobs={wb.blobs}
              title={frame.title}
              width={frame.width}
              height={heightOf(frame)}
              show={showOn(frame)}
              watch={frame.isKept ? undefined : (watcher) => wb.watch(watcher)}
              onmessage={(message) => receive(message, frame.key)}
              onready={(send) => ready(frame.key, send)}
            />
          </div>
          {#if frame.device?.isTouch && wb.devices.typing}
            <!-- What stands at the lower edge of the page stays there, under it (CSS Viewport 1). -->
            <div class="keyboard"><span>keyboard</span></div>
          {/if}
          {#if frame === widest && !wb.preview.isFull}<EmptyPage {wb} />{/if}
        </div>
      </div>
    {/each}
  </div>
  {#if gauge.request}
    {@const { node, width } = gauge.request}
    <div class="gauge" aria-hidden="true" inert>
      <PreviewFrame
        project={wb.rested}
        pageId={wb.pageId}
        blobs={wb.blobs}
        title="Measuring {wb.page.name}"
        {width}
        height={400}
        only={node}
        onmessage={(message) => message.type === 'measured' && gauge.takeTrial(message)}
        onready={(send) => gauge.connect(send)}
      />
    </div>
  {/if}
  {#if survey.size !== null}
    <div class="gauge" aria-hidden="true" inert>
      <PreviewFrame
        project={wb.rested}
        pageId={wb.pageId}
        blobs={wb.blobs}
        title="Trying {wb.page.name} at other widths"
        width={survey.size.width}
        height={survey.size.height}
        onmessage={(message) => message.type === 'measured' && survey.take(message)}
        onready={(send) => survey.connect(send)}
      />
    </div>
  {/if}
  {#if wb.preview.isFull}
    <button type="button" class="out" onclick={() => (wb.preview.isFull = false)}
      >Back to the workbench <kbd>Esc</kbd></button
    >
  {/if}
</div>

<style>
  .pane {
    position: relative;
    min-width: 0;
    min-height: 0;
    /* What the page scrolls into sight may not scroll the room it stands in. */
    overflow: clip;
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
  .label input {
    width: 46px;
    height: 20px;
    padding: 0 4px;
    border: 1px solid var(--control-line);
    border-radius: 2px;
  }
  .label {
    display: block;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
    font-size: 12px;
    color: var(--ink-2);
  }
  .paper {
    position: relative;
    overflow: clip;
    background: #fff;
    outline: 1px solid var(--line);
  }
  .paper:has(:global(iframe[data-has-keys])) {
    outline: 2px solid var(--blue);
  }
  .scaled {
    transform-origin: 0 0;
  }
  .one {
    flex: none;
  }
  .keyboard {
    position: absolute;
    inset: 50% 0 0;
    display: grid;
    place-items: center;
    font-size: 12px;
    color: var(--ink-2);
    background: var(--plaster);
    border-top: 1px solid var(--line);
  }
  /* Within sight, though not to be seen: browsers let frames that are out of sight rest. */
  .gauge {
    position: absolute;
    top: 0;
    left: 0;
    pointer-events: none;
    opacity: 0;
  }
  .frames {
    position: relative;
    z-index: 1;
  }
  .out {
    position: absolute;
    right: 6px;
    bottom: 6px;
    z-index: 1;
    font-family: inherit;
    cursor: pointer;
    background: var(--panel);
    border: 1px solid var(--line);
    border-radius: 3px;
    padding: 4px 10px;
    font-size: 13px;
    color: var(--ink);
  }
</style>
