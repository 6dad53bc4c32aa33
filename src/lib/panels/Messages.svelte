<script lang="ts">
  import { ToastNotification } from 'carbon-components-svelte';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb }: { wb: Workbench } = $props();
</script>

<div class="messages" aria-live="polite" style:bottom="{wb.sheetHeight + 12}px">
  {#if wb.saver.status === 'failed'}
    <ToastNotification lowContrast kind="error" title="Not saved" subtitle={wb.saver.sentence} hideCloseButton />
  {/if}
  {#if wb.message}
    {#key wb.message}
      <ToastNotification
        lowContrast
        kind={wb.message.kind}
        title={wb.message.kind === 'error' ? 'That cannot be done' : ''}
        subtitle={wb.message.text}
        on:close={() => (wb.message = null)}
      />
    {/key}
  {/if}
</div>

<style>
  .messages {
    position: fixed;
    left: 246px;
    z-index: 20;
    max-width: 420px;
  }
  .messages :global(.bx--toast-notification) {
    width: auto;
    min-width: 220px;
    max-width: 420px;
    margin: 6px 0 0;
    padding-left: 12px;
  }
</style>
