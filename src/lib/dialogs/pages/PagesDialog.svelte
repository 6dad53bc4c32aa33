<script lang="ts">
  import { ContentSwitcher, Modal, Switch } from 'carbon-components-svelte';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import AboutPages from './AboutPages.svelte';
  import AddPage from './AddPage.svelte';
  import SharedPieces from './SharedPieces.svelte';

  const { wb }: { wb: Workbench } = $props();

  let shown = $state<'about' | 'shared'>('about');

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
  <div onkeydown={undo}>
    <div class="views">
      <ContentSwitcher
        size="sm"
        selectedIndex={shown === 'about' ? 0 : 1}
        on:change={({ detail }) => (shown = detail === 0 ? 'about' : 'shared')}
      >
        <Switch text="What they say of themselves" />
        <Switch text="What they share" />
      </ContentSwitcher>
    </div>
    {#if shown === 'about'}
      <AboutPages {wb} />
    {:else}
      <SharedPieces {wb} />
    {/if}
    <AddPage {wb} />
  </div>
</Modal>

<style>
  .views {
    max-width: 420px;
    margin-bottom: 12px;
  }
  .views :global(.bx--content-switcher) {
    height: 30px;
  }
</style>
