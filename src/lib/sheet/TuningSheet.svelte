<script lang="ts">
  import { ContentSwitcher, Switch } from 'carbon-components-svelte';
  import { onMount } from 'svelte';
  import PartsDrawing from './PartsDrawing.svelte';
  import { conditionWords, SWITCHED } from '$core/kinds/conditions';
  import type { ConditionName } from '$core/project/types';
  import { isAsShelved } from '$core/project/shelf';
  import { VIEWS, type Workbench } from '$lib/state/workbench.svelte';

  const { wb }: { wb: Workbench } = $props();

  const items = $derived(Object.entries(wb.kind.slots).find(([, slot]) => slot.items));
  const count = $derived(
    items ? `${wb.tuned.slots[items[0]]?.length ?? 0} ${items[1].label.toLowerCase()}` : ''
  );
  const bands = ['always', 'medium', 'narrow'] as const;
  /** The views come with the tools, when the page is on show, so that it is on show sooner. */
  const later = {
    States: () => import('$lib/sheet/states/StatesView.svelte'),
    Timing: () => import('$lib/sheet/timing/TimingView.svelte'),
    Scroll: () => import('$lib/sheet/scroll/ScrollView.svelte'),
    Fallbacks: () => import('$lib/sheet/fallbacks/FallbacksView.svelte'),
    Widths: () => import('$lib/sheet/sweep/SweepView.svelte')
  };
  const fields = () => import('$lib/sheet/fields/FieldsView.svelte');
  onMount(() => {
    const timer = setTimeout(() => [fields, ...Object.values(later)].forEach((load) => void load()), 1500);
    return () => clearTimeout(timer);
  });
  let views: HTMLElement;
  let isFolded = $state(false);

  function resize(event: PointerEvent): void {
    const edge = event.currentTarget as HTMLElement;
    edge.setPointerCapture(event.pointerId);
    const from = event.clientY + wb.sheetHeight;
    const move = (moved: PointerEvent) => setHeight(from - moved.clientY);
    edge.addEventListener('pointermove', move);
    edge.addEventListener('lostpointercapture', () => edge.removeEventListener('pointermove', move), {
      once: true
    });
  }

  function setHeight(px: number): void {
    isFolded = px < 90;
    wb.sheetHeight = Math.min(window.innerHeight - 220, Math.max(160, px));
  }

  function resizeByKey(event: KeyboardEvent): void {
    const by = { ArrowUp: 24, ArrowDown: -24 }[event.key];
    if (event.key === 'Enter') isFolded = !isFolded;
    else if (by) setHeight(wb.sheetHeight + by);
    else return;
    event.preventDefault();
    event.stopPropagation();
  }

  function viewKeys(event: KeyboardEvent): void {
    const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
    if (!by) return;
    event.preventDefault();
    wb.view = VIEWS[(VIEWS.indexOf(wb.view) + by + VIEWS.length) % VIEWS.length]!;
    queueMicrotask(() => views.querySelector<HTMLElement>('[aria-selected="true"]')?.focus());
  }
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
<div
  class="edge"
  role="separator"
  aria-orientation="horizontal"
  aria-label="Height of the tuning sheet"
  aria-valuenow={isFolded ? 40 : wb.sheetHeight}
  aria-valuemin="40"
  aria-valuemax="700"
  tabindex="0"
  onpointerdown={resize}
  onkeydown={resizeByKey}
  ondblclick={() => (isFolded = !isFolded)}
></div>
<section aria-label="Tuning sheet" data-region style:height="{isFolded ? 40 : wb.sheetHeight}px">
  <header>
    <h2 title={wb.current.name}>{wb.current.name}</h2>
    {#if wb.linked}
      {@const { node, shelf } = wb.linked}
      <button
        type="button"
        class="linked"
        title="Follows {wb.project.shelf[shelf]!.name} on the shelf"
        onclick={() => (wb.open = 'shelf')}
        >{isAsShelved(wb.project, node.id, shelf) ? 'linked' : 'linked, changed'}</button
      >
    {/if}
    <span class="kind">{wb.kind.label.toLowerCase()}{count ? ` · ${count}` : ''}</span>
    <div
      class="views"
      role="tablist"
      aria-label="Views of the tuning sheet"
      tabindex="-1"
      bind:this={views}
      onkeydown={viewKeys}
    >
      {#each VIEWS as view (view)}
        <button
          type="button"
          role="tab"
          id="view-{view}"
          aria-selected={wb.view === view}
          aria-controls="sheet-view"
          tabindex={wb.view === view ? 0 : -1}
          onclick={() => (wb.view = view)}>{view}</button
        >
      {/each}
    </div>
    {#if wb.view === 'States' || wb.view === 'Timing'}
      <div class="at">
        <span>at</span>
        <ContentSwitcher
          size="sm"
          selectedIndex={bands.indexOf(wb.at as 'always')}
          on:change={({ detail }) => detail >= 0 && (wb.at = bands[detail]!)}
        >
          <Switch text="all widths" />
          <Switch text="≤ medium" />
          <Switch text="≤ narrow" />
        </ContentSwitcher>
        <select
          aria-label="Other conditions"
          class:on={!bands.includes(wb.at as 'always')}
          value={bands.includes(wb.at as 'always') ? '' : wb.at}
          onchange={(event) => (wb.at = (event.currentTarget.value || 'always') as ConditionName)}
        >
          <option value="">other…</option>
          {#each SWITCHED as name (name)}<option value={name}>{conditionWords(name)}</option>{/each}
        </select>
      </div>
    {/if}
  </header>
  {#if !isFolded}
    <div class="body" class:whole={wb.view === 'Widths'}>
      {#if wb.view !== 'Widths'}<PartsDrawing {wb} />{/if}
      <div class="view" role="tabpanel" id="sheet-view" aria-labelledby="view-{wb.view}" tabindex="-1">
        {#if wb.tools && (wb.view === 'Fill' || wb.view === 'Behaviour')}
          {#await fields() then { default: FieldsView }}<FieldsView
              {wb}
              view={wb.view === 'Fill' ? 'fill' : 'behaviour'}
            />{/await}
        {/if}
        {#if wb.view !== 'Fill' && wb.view !== 'Behaviour' && wb.tools}
          {#await later[wb.view]() then { default: View }}<View {wb} />{/await}
        {/if}
      </div>
    </div>
  {/if}
</section>

<style>
  .edge {
    height: 5px;
    margin-bottom: -5px;
    z-index: 2;
    cursor: ns-resize;
    touch-action: none;
  }
  .edge:hover {
    background: var(--verdigris);
  }
  .linked {
    padding: 2px 8px;
    font: inherit;
    font-size: 12px;
    color: var(--verdigris);
    white-space: nowrap;
    cursor: pointer;
    background: var(--wash);
    border: 1px solid var(--verdigris);
    border-radius: 10px;
  }
  section {
    display: flex;
    flex-direction: column;
    min-height: 0;
    background: var(--panel);
    border-top: 1px solid var(--line);
    box-shadow: 0 -2px 6px rgb(31 38 42 / 8%);
  }
  header {
    display: flex;
    flex: none;
    flex-wrap: wrap;
    gap: 0 10px;
    align-items: center;
    min-height: 40px;
    padding: 0 14px;
    overflow: hidden;
    border-bottom: 1px solid var(--line);
  }
  h2 {
    max-width: 220px;
    margin: 0;
    overflow: hidden;
    font-size: 13px;
    font-weight: 600;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .kind {
    color: var(--ink-2);
    white-space: nowrap;
  }
  .views {
    display: flex;
    flex: 1;
    gap: 4px;
    align-self: stretch;
    min-height: 40px;
    margin-left: 12px;
  }
  .views button {
    padding: 0 9px;
    font: inherit;
    color: var(--ink-2);
    cursor: pointer;
    background: none;
    border: 0;
    border-bottom: 2px solid transparent;
  }
  .views button[aria-selected='true'] {
    font-weight: 600;
    color: var(--ink);
    border-bottom-color: var(--verdigris);
  }
  @media (width < 1080px) {
    .kind,
    .at > span {
      display: none;
    }
    .views {
      margin-left: 0;
    }
    .views button {
      padding: 0 7px;
    }
  }
  .at {
    display: flex;
    gap: 8px;
    align-items: center;
    height: 36px;
    color: var(--ink-2);
  }
  .at select {
    height: 26px;
    padding: 0 4px;
    font: inherit;
    color: var(--ink-2);
    background: none;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .at select.on {
    font-weight: 600;
    color: #fff;
    background: var(--ink);
  }
  .at :global(.bx--content-switcher) {
    width: 252px;
    height: 26px;
  }
  .body {
    display: grid;
    flex: 1;
    grid-template-columns: 178px minmax(0, 1fr);
    min-height: 0;
  }
  /* Its lanes stand under the ruler, on the same scale. */
  .whole {
    grid-template-columns: minmax(0, 1fr);
  }
  .view {
    min-width: 0;
    overflow: auto;
    outline: none;
  }
</style>
