<script lang="ts">
  import { ContentSwitcher, Modal, Search, Switch } from 'carbon-components-svelte';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import AboutPages from './AboutPages.svelte';
  import AddPage from './AddPage.svelte';
  import SharedPieces from './SharedPieces.svelte';

  const { wb }: { wb: Workbench } = $props();

  let shown = $state<'about' | 'shared'>('about');
  /** As many pages are seen at once; more are worth a search. */
  const MANY = 9;
  let sought = $state('');
  const count = $derived(wb.project.info.pageOrder.length);

  /** In a search that has words Escape takes those away, and the dialog stays. */
  function clear(event: KeyboardEvent): void {
    const isSearch = (event.target as HTMLElement).matches('[type="search"], [role="searchbox"]');
    if (event.key !== 'Escape' || !isSearch || sought === '') return;
    event.stopPropagation();
    sought = '';
  }

  /** Where words are typed, the browser takes back what was typed. */
  function undo(event: KeyboardEvent): void {
    const isTyped = (event.target as HTMLElement).matches('input:not([type=checkbox]), textarea');
    if (isTyped || event.key.toLowerCase() !== 'z' || !(event.ctrlKey || event.metaKey)) return;
    event.preventDefault();
    if (event.shiftKey) wb.redo();
    else wb.undo();
  }
</script>

<Modal open passiveModal size="lg" modalHeading="Pages" on:close={() => (wb.open = null)}>
  <!-- svelte-ignore a11y_no_static_element_interactions -->
  <div onkeydown={undo} onkeydowncapture={clear}>
    <div class="views">
      <ContentSwitcher
        size="sm"
        selectedIndex={shown === 'about' ? 0 : 1}
        on:change={({ detail }) => (shown = detail === 0 ? 'about' : 'shared')}
      >
        <Switch text="What they say of themselves" />
        <Switch text="What they share" />
      </ContentSwitcher>
      {#if shown === 'about' && (count > MANY || sought)}
        <Search
          size="sm"
          labelText="Find a page"
          placeholder="Find a page by its name, address or title"
          bind:value={sought}
        />
      {/if}
    </div>
    {#if shown === 'about'}
      <AboutPages {wb} {sought} onall={() => (sought = '')} />
    {:else}
      <SharedPieces {wb} />
    {/if}
    <AddPage {wb} />
  </div>
</Modal>

<style>
  .views {
    display: grid;
    grid-template-columns: minmax(0, 420px) minmax(0, 320px);
    justify-content: space-between;
    gap: 12px;
    margin-bottom: 12px;
  }
  .views :global(.bx--content-switcher) {
    height: 30px;
  }
</style>
