<script lang="ts">
  import { ToastNotification } from 'carbon-components-svelte';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb }: { wb: Workbench } = $props();
</script>

<div class="messages" aria-live="polite" style:bottom="{wb.sheetHeight + 12}px">
  {#if wb.saver.status === 'failed'}
    <ToastNotification lowContrast kind="error" title="Not saved" subtitle={wb.saver.sentence} hideCloseButton />
  {/if}
  {#if wb.progress}
    {@const { words, done, of, stop } = wb.progress}
    <div class="progress">
      <span>{done} of {of} {words}</span>
      <progress value={done} max={of} aria-label={words}></progress>
      <button type="button" class="link" onclick={stop}>Cancel</button>
    </div>
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
  .progress {
    display: flex;
    gap: 12px;
    align-items: center;
    padding: 10px 14px;
    background: var(--panel);
    border: 1px solid var(--control-line);
    border-left: 3px solid var(--verdigris);
    border-radius: 3px;
    box-shadow: 0 2px 8px rgb(31 38 42 / 18%);
  }
  .progress span {
    font-variant-numeric: tabular-nums;
  }
  progress {
    width: 140px;
    accent-color: var(--verdigris);
  }
  .messages :global(.bx--toast-notification) {
    width: auto;
    min-width: 220px;
    max-width: 420px;
    margin: 6px 0 0;
    padding-left: 12px;
  }
</style>
