<script lang="ts">
  import { Button, ContentSwitcher, OverflowMenu, OverflowMenuItem, Switch } from 'carbon-components-svelte';
  import { resolve } from '$app/paths';
  import { page } from '$app/state';
  import { CONDITION_TABLE } from '$core/kinds/conditions';
  import { SWITCHES, type Switch as Condition } from '$preview/messages';
  import Mark from '$lib/parts/Mark.svelte';
  import { runAction } from '$lib/state/actions';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb }: { wb: Workbench } = $props();

  function labelOf(name: Condition): string {
    const label = name === 'no-pictures' ? 'no pictures' : CONDITION_TABLE[name].label;
    return label.charAt(0).toUpperCase() + label.slice(1);
  }
  const lasts = $derived(page.data.lasts !== false);
  const saved = $derived(
    { saved: lasts ? 'Saved' : 'Kept in this window only', saving: 'Saving…', failed: 'Not saved' }[
      wb.saver.status
    ]
  );
  const errors = $derived(wb.findings.filter((finding) => finding.severity === 'error').length);
</script>

<header data-region>
  <a class="mark" href={resolve('/')} aria-label="Kymation, all projects"><Mark /><span>Kymation</span></a>
  <div class="where">
    <strong title={wb.project.info.name}>{wb.project.info.name}</strong>
    {#if wb.project.info.pageOrder.length > 1}
      <select
        aria-label="Page"
        value={wb.pageId}
        onchange={(event) => {
          wb.selected = [];
          wb.pageId = event.currentTarget.value as typeof wb.pageId;
        }}
      >
        {#each wb.project.info.pageOrder as id (id)}<option value={id}>{wb.project.pages[id]!.name}</option
          >{/each}
      </select>
    {:else}
      <span class="page">{wb.page.name}</span>
    {/if}
    <span
      class="saved"
      class:failed={wb.saver.status === 'failed' || !lasts}
      role="status"
      title={wb.saver.status === 'failed' ? wb.saver.sentence : undefined}>{saved}</span
    >
    <div class="more">
      <OverflowMenu size="sm" iconDescription="More" aria-label="More">
        <OverflowMenuItem text="About this page" on:click={() => runAction(wb, 'page-settings')} />
        <OverflowMenuItem text="All pages" on:click={() => (wb.open = 'pages')} />
        <OverflowMenuItem text="New page" on:click={() => runAction(wb, 'page-new')} />
        <OverflowMenuItem text="Duplicate this page" on:click={() => runAction(wb, 'page-duplicate')} />
        <OverflowMenuItem text="Delete this page" on:click={() => runAction(wb, 'page-delete')} />
        <OverflowMenuItem hasDivider text="Publish on this machine" on:click={() => (wb.open = 'publish')} />
        <OverflowMenuItem text="Specification sheet" on:click={() => (wb.open = 'specification')} />
        <OverflowMenuItem text="History and versions" on:click={() => (wb.open = 'history')} />
        <OverflowMenuItem text="Shelf" on:click={() => (wb.open = 'shelf')} />
        <OverflowMenuItem text="Data" on:click={() => (wb.open = 'data')} />
        <OverflowMenuItem text="Tokens" on:click={() => (wb.open = 'tokens')} />
        <OverflowMenuItem text="Find anything" on:click={() => (wb.open = 'search')} />
        <OverflowMenuItem text="All keys" on:click={() => (wb.open = 'keys')} />
      </OverflowMenu>
    </div>
  </div>
  <div class="tools">
    <ContentSwitcher
      size="sm"
      selectedIndex={wb.preview.mode === 'select' ? 0 : 1}
      on:change={({ detail }) => (wb.preview.mode = detail === 0 ? 'select' : 'try')}
    >
      <Switch text="Select" />
      <Switch text="Try it" />
    </ContentSwitcher>
    <div class="speed">
      <ContentSwitcher
        size="sm"
        selectedIndex={wb.preview.rate === 1 ? 0 : 1}
        on:change={({ detail }) => (wb.preview.rate = detail === 0 ? 1 : 0.25)}
      >
        <Switch text="1×" />
        <Switch text="¼×" />
      </ContentSwitcher>
    </div>
    <div class="conditions" role="group" aria-label="Conditions to try">
      {#each SWITCHES as name (name)}
        <button
          type="button"
          aria-pressed={wb.preview.switches.includes(name)}
          onclick={() => wb.preview.toggleSwitch(name)}>{labelOf(name)}</button
        >
      {/each}
    </div>
    <button
      type="button"
      class="findings"
      class:bad={errors > 0}
      onclick={() => (wb.open = wb.open === 'findings' ? null : 'findings')}
      aria-expanded={wb.open === 'findings'}
    >
      {#if wb.findings.length > 0}<span aria-hidden="true" class="sign">▲</span>{/if}
      {wb.findings.length === 0
        ? 'No findings'
        : `${wb.findings.length} ${wb.findings.length === 1 ? 'finding' : 'findings'}`}
    </button>
    <Button size="small" on:click={() => (wb.open = 'export')}>Export</Button>
  </div>
</header>

<style>
  header {
    display: flex;
    align-items: center;
    gap: 16px;
    height: 44px;
    padding: 0 14px;
    background: var(--panel);
    border-bottom: 1px solid var(--line);
  }
  .mark {
    display: flex;
    align-items: center;
    gap: 10px;
    font: 600 17px var(--mark);
    color: var(--ink);
    text-decoration: none;
  }
  .where {
    display: flex;
    flex: 1;
    min-width: 0;
    align-items: center;
    gap: 10px;
    padding-left: 16px;
    border-left: 1px solid var(--line);
  }
  strong {
    overflow: hidden;
    font-weight: 600;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  /* As wide as the page's name, where browsers can do that: what is left is for the project's. */
  select {
    height: 26px;
    max-width: 140px;
    field-sizing: content;
    font: inherit;
    color: var(--ink-2);
    background: none;
    border: 0;
  }
  .page,
  .saved {
    color: var(--ink-2);
    white-space: nowrap;
  }
  .failed {
    font-weight: 600;
    color: var(--red);
  }
  .tools {
    display: flex;
    align-items: center;
    gap: 12px;
  }
  .tools :global(.bx--content-switcher) {
    width: 132px;
    height: 28px;
  }
  .tools .speed :global(.bx--content-switcher) {
    width: 72px;
  }
  .more :global(.bx--overflow-menu) {
    width: 26px;
    height: 26px;
  }
  .tools :global(.bx--btn) {
    min-height: 28px;
    padding: 4px 14px;
  }
  .conditions {
    display: flex;
    gap: 6px;
  }
  .conditions button,
  .findings {
    height: 28px;
    padding: 0 10px;
    font: inherit;
    color: var(--ink-2);
    white-space: nowrap;
    cursor: pointer;
    background: none;
    border: 1px solid var(--control-line);
    border-radius: 14px;
  }
  .conditions button[aria-pressed='true'] {
    font-weight: 600;
    color: var(--verdigris);
    background: var(--wash);
    border-color: var(--verdigris);
  }
  .findings {
    color: var(--ink);
    background: #fff;
    border-radius: 3px;
  }
  /* Narrow windows keep the project's name and every switch; the words go that can be spared. */
  @media (width < 1080px) {
    header {
      gap: 8px;
    }
    .mark span {
      display: none;
    }
    .where {
      min-width: 90px;
      padding-left: 8px;
    }
    .tools {
      gap: 6px;
    }
    .conditions {
      gap: 2px;
    }
    .conditions button {
      padding: 0 7px;
      font-size: 12px;
    }
  }
  .sign {
    margin-right: 4px;
    font-size: 10px;
    color: var(--ochre);
  }
  .bad .sign {
    color: var(--red);
  }
</style>
