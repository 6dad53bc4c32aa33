<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { onMount, untrack } from 'svelte';
  import type { Lane } from '$core/sweep/runs';
  import { keyOf } from '$core/sweep/lanes';
  import { TRIALS } from '$core/sweep/trials';
  import { subtreeIds } from '$core/project/tree';
  import { SWEEP_FROM, SWEEP_TO } from '$core/sweep/span';
  import PreviewFrame from '$lib/preview/PreviewFrame.svelte';
  import { placeOnRuler } from '$lib/ruler/scale';
  import type { FromFrame } from '$preview/messages';
  import { Sweep, SWEPT_HEIGHTS } from '$lib/state/sweep.svelte';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import SweepLane from './SweepLane.svelte';

  const { wb }: { wb: Workbench } = $props();

  const sweep = untrack(() => new Sweep(() => wb));
  /** A hand rests before the page is swept anew, ms. */
  const REST = 400;
  let room = $state(600);
  let frame: HTMLElement | undefined = $state();

  const isSweeping = $derived(sweep.width !== null);
  const result = $derived(sweep.result);
  const x = (px: number) => placeOnRuler(px, room);
  const bands = $derived(Object.values(wb.project.info.bands));

  /** Whether only what happens to the picked piece, and in it, is told. */
  let isOnly = $state(false);
  const picked = $derived(new Set<string>(isOnly ? subtreeIds(wb.project, wb.tuned.id) : []));
  const isTold = ({ node }: Lane) => !isOnly || picked.has(node);
  /** Each lane as it is; with a fix that is looked at, as it would be, over what it is now. */
  const rows = $derived.by(() => {
    const own = (result?.lanes ?? []).filter(isTold);
    if (!wb.trial || !sweep.tried) return own.map((lane) => ({ lane, before: null }));
    const then = new Map(sweep.tried.lanes.map((lane) => [keyOf(lane), lane]));
    const known = own.map((lane) => ({ lane: then.get(keyOf(lane)) ?? { ...lane, runs: [] }, before: lane }));
    const keys = new Set(own.map(keyOf));
    const added = sweep.tried.lanes.filter((lane) => isTold(lane) && !keys.has(keyOf(lane)));
    return [...known, ...added.map((lane) => ({ lane, before: { ...lane, runs: [] } }))];
  });
  const told = $derived.by(() => {
    if (!result) return '';
    const { ms, layouts, lanes } = result;
    const happens = lanes.length === 1 ? '1 thing happens' : `${lanes.length} things happen`;
    const since = sweep.isStale ? ' · before the last change' : '';
    return `swept in ${(ms / 1000).toFixed(1)} s · ${layouts} layouts · ${happens}${since}`;
  });

  $effect(() => {
    void [wb.pageId, wb.trial, sweep.texts, sweep.height];
    if (!wb.preview.isShown || (wb.rested !== wb.project && !wb.trial)) return;
    if (!untrack(() => sweep.takeUp())) return;
    const timer = setTimeout(() => sweep.begin(), REST);
    return () => clearTimeout(timer);
  });
  onMount(() => () => sweep.cancel());

  function receive(message: FromFrame): void {
    if (message.type === 'patched') sweep.drawn();
    if (message.type === 'measured') sweep.take(message);
  }

  /** The frame has its new width when the browser has laid this window out. */
  const reflow = (): void => void frame?.querySelector('iframe')?.getBoundingClientRect();
</script>

<div class="sweep" bind:offsetWidth={room}>
  <header>
    <h3>All widths, {SWEEP_FROM} to {SWEEP_TO} px</h3>
    <label>
      Texts
      <select bind:value={sweep.texts}>
        {#each TRIALS as { trial, label } (trial)}<option value={trial}>{label}</option>{/each}
      </select>
    </label>
    <label>
      Window
      <select bind:value={sweep.height}>
        {#each SWEPT_HEIGHTS as px (px)}<option value={px}>{px} px high</option>{/each}
        <option value="all">all three heights</option>
      </select>
    </label>
    <label class="only"
      ><input type="checkbox" bind:checked={isOnly} /><span>Only {wb.tuned.name}</span></label
    >
    {#if isSweeping}
      <!-- Nothing that moves: it would have this window drawn anew all the time, while the page is laid out. -->
      <span class="told">{sweep.progress.layouts} widths laid out, now {sweep.progress.width} px</span>
      <Button size="small" kind="tertiary" on:click={() => sweep.cancel()}>Stop</Button>
    {:else}
      <span class="told" title={told}>{told}</span>
      <Button size="small" kind="tertiary" on:click={() => sweep.begin()}>Sweep again</Button>
    {/if}
  </header>
  {#if sweep.isLost}
    <p class="none">
      The page never came to rest at a width, so nothing is told of it. Look for a picture or typeface that
      does not come, and sweep again.
    </p>
  {:else if result && rows.length === 0 && isOnly}
    <p class="none">Nothing happens to {wb.tuned.name} at any width.</p>
  {:else if result && rows.length === 0}
    <p class="none">Nothing breaks at any width, and no heading changes its lines.</p>
  {:else if !result && !isSweeping}
    <p class="none">Not swept yet: <em>Sweep again</em> lays this page out at all widths.</p>
  {/if}
  <div class="lanes">
    {#each bands as px (px)}<div class="band" style:left="{x(px)}px"></div>{/each}
    <div class="now" style:left="{x(wb.preview.width)}px"></div>
    {#each rows as { lane, before } (keyOf(lane))}
      <SweepLane {wb} {lane} {before} {x} {room} />
    {/each}
  </div>
  {#if sweep.target}
    <div class="hidden" class:away={sweep.isAway} aria-hidden="true" inert bind:this={frame}>
      {#key sweep.frame}
        <PreviewFrame
          project={sweep.target.project}
          pageId={sweep.target.page}
          blobs={wb.blobs}
          title="Sweeping {wb.page.name}"
          width={sweep.wide}
          height={sweep.tall}
          onmessage={receive}
          onpatch={(touched) => sweep.edited(touched)}
          onsent={() => sweep.sent()}
          onsame={() => sweep.unchanged()}
          onready={(send) => sweep.connect(send, reflow)}
        />
      {/key}
    </div>
  {/if}
</div>

<style>
  .sweep {
    position: relative;
    display: flex;
    flex-direction: column;
    height: 100%;
    overflow: hidden;
  }
  header {
    display: flex;
    flex: none;
    flex-wrap: wrap;
    gap: 2px 12px;
    align-items: center;
    min-height: 40px;
    padding: 4px 12px 4px 14px;
    border-bottom: 1px solid var(--faint-line);
  }
  h3 {
    flex: none;
    font-size: 13px;
    font-weight: 600;
  }
  header :global(.bx--btn) {
    flex: none;
    margin-left: auto;
  }
  label {
    display: flex;
    flex: none;
    gap: 6px;
    align-items: center;
    font-size: 12px;
    color: var(--ink-2);
  }
  .only {
    flex: 0 1 auto;
    min-width: 90px;
  }
  .only input {
    flex: none;
    width: 14px;
    height: 14px;
    margin: 0;
    accent-color: var(--verdigris);
  }
  .only span {
    max-width: 180px;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  select {
    height: 26px;
    padding: 0 4px;
    font: inherit;
    color: var(--ink);
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .told,
  .none {
    font-size: 12px;
    color: var(--ink-2);
  }
  .told {
    flex: 1 1 150px;
    min-width: 0;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .none {
    padding: 12px 14px;
  }
  .lanes {
    position: relative;
    flex: 1;
    min-height: 0;
    overflow: hidden auto;
  }
  .band,
  .now {
    position: absolute;
    top: 0;
    bottom: 0;
    width: 1px;
    pointer-events: none;
    background: var(--control-line);
    opacity: 0.5;
  }
  .now {
    z-index: 2;
    width: 2px;
    margin-left: -1px;
    background: var(--verdigris);
    opacity: 1;
  }
  .hidden {
    position: absolute;
    top: 0;
    left: 0;
    width: 1920px;
    height: 1200px;
    contain: strict;
    pointer-events: none;
    visibility: hidden;
  }
  /* Laid out when it is measured, and not by the way: whoever looks at the page does not wait for it. */
  .away {
    left: -4000px;
    content-visibility: hidden;
  }
</style>
