<script lang="ts">
  import { page } from '$app/state';
  import { NOT_LASTING } from '$lib/store/db';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import Hints from './Hints.svelte';
  import { maybeUnseen } from './unseen';

  const { wb }: { wb: Workbench } = $props();
  const unseen = $derived(maybeUnseen(wb));
</script>

<!-- What the workbench has to say, and how the page is shown: beside the page, never on it. -->
<div class="stage-bar">
  <div class="said" aria-live="polite">
    {#if wb.saver.status === 'failed'}
      <p class="error" role="alert"><b>Not saved.</b> {wb.saver.sentence}</p>
    {:else if wb.progress}
      {@const { words, done, of, stop } = wb.progress}
      <span class="mono">{done} of {of} {words}</span>
      <progress value={done} max={of} aria-label={words}></progress>
      <button type="button" class="link" onclick={stop}>Cancel</button>
    {:else if wb.message}
      {@const { kind, text, act } = wb.message}
      <p class={kind} role={kind === 'error' ? 'alert' : undefined}>{text}</p>
      {#if act}<button type="button" class="link" onclick={() => (act.run(), (wb.message = null))}
          >{act.label}</button
        >{/if}
      <button
        type="button"
        class="close plain"
        aria-label="Close the message"
        onclick={() => (wb.message = null)}>×</button
      >
    {:else if wb.trial}
      <p class="trial">Showing what “{wb.trial.label}” would do</p>
    {:else if wb.preview.distances}
      <p class="distances">
        <b>{wb.preview.distances.name}</b> <span class="mono">{wb.preview.distances.words}</span>
      </p>
    {:else if unseen}
      <p class="unseen">{unseen.words}</p>
      <button type="button" class="link" onclick={unseen.show}>{unseen.label}</button>
    {:else if page.data.lasts === false}
      <p class="trial">{NOT_LASTING}</p>
    {:else}
      <Hints />
    {/if}
  </div>
  <div class="shown">
    <div role="group" aria-label="Widths shown">
      <button
        type="button"
        aria-pressed={wb.preview.widths === 'one'}
        onclick={() => (wb.preview.widths = 'one')}>1 width</button
      >
      <button
        type="button"
        aria-pressed={wb.preview.widths === 'three'}
        onclick={() => (wb.preview.widths = 'three')}>3 widths</button
      >
      <button
        type="button"
        aria-pressed={wb.preview.widths === 'devices'}
        onclick={() => (wb.preview.widths = 'devices')}>Devices</button
      >
    </div>
    <button type="button" onclick={() => (wb.preview.isFull = true)}>Full window</button>
    <span class="scale mono">{Math.round(wb.preview.scale * 100)} %</span>
  </div>
</div>

<style>
  .stage-bar {
    display: flex;
    gap: 12px;
    align-items: center;
    min-height: 29px;
    padding: 2px 6px 2px 14px;
    background: var(--sunk);
    border-top: 1px solid var(--line);
  }
  .said {
    display: flex;
    flex: 1;
    gap: 10px;
    align-items: center;
    min-width: 0;
    container: said / inline-size;
    user-select: text;
  }
  p {
    min-width: 0;
    margin: 0;
    font-size: 13px;
    line-height: 1.35;
  }
  .error {
    color: var(--red);
    font-weight: 600;
  }
  .error b {
    font-weight: 700;
  }
  .trial {
    font-weight: 600;
    color: var(--ochre);
  }
  .unseen {
    color: var(--ink-2);
  }
  .link {
    flex: none;
  }
  .distances {
    overflow: hidden;
    font-size: 12px;
    color: var(--ink-2);
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .close {
    padding: 0 4px;
    font-size: 16px;
    line-height: 1;
    color: var(--ink-2);
  }
  progress {
    width: 140px;
    accent-color: var(--verdigris);
  }
  .shown {
    display: flex;
    flex: none;
    align-items: center;
    background: var(--panel);
    border: 1px solid var(--line);
    border-radius: 3px;
  }
  .shown button,
  .scale {
    height: 22px;
    padding: 0 7px;
    font: 12px/22px var(--sans);
    color: var(--ink-2);
    background: none;
    border: 0;
    border-right: 1px solid var(--line);
  }
  .shown button {
    cursor: pointer;
  }
  .shown button[aria-pressed='true'] {
    font-weight: 600;
    color: var(--verdigris);
    background: var(--wash);
  }
  .scale {
    min-width: 44px;
    text-align: right;
    border: 0;
  }
</style>
