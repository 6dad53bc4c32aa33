<script lang="ts">
  import { onMount } from 'svelte';
  import { db } from '$lib/store/db';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb }: { wb: Workbench } = $props();

  const SEEN = 'hints-dismissed';
  const HINTS = [
    { title: 'Pick a part', text: 'Press anything in the page or in the outline. The sheet below is about what is picked; its parts stand at the left.' },
    { title: 'See every state', text: 'Under States each column is one state, really drawn. Type into any cell; faint values come from elsewhere.' },
    { title: 'Find the width', text: 'The dotted line on the ruler is the width from which labels fit, the dashed one where they fold. Drag the green handle to see.' },
    { title: 'Try the rest', text: 'T tries the page as people do. Touch, Less motion, No script and Print show what others get. ? lists all keys.' }
  ] as const;
  let at = $state(-1);
  const hint = $derived(HINTS[at]);

  onMount(() => {
    db.marks.get(SEEN).then(
      (mark) => (at = mark ? -1 : 0),
      () => (at = -1)
    );
  });

  function dismiss(): void {
    at = -1;
    db.marks.put({ key: SEEN, value: true }).catch(() => {});
  }
</script>

{#if hint && !wb.isFull}
  <aside class="hint" aria-label="First steps" style:bottom="{wb.sheetHeight + 12}px">
    <h2>{hint.title}</h2>
    <p>{hint.text}</p>
    <div>
      <span class="mono">{at + 1} / {HINTS.length}</span>
      <button type="button" class="link" onclick={dismiss}>{at < HINTS.length - 1 ? 'No hints' : 'Done'}</button>
      {#if at < HINTS.length - 1}<button type="button" class="link" onclick={() => (at += 1)}>Next</button>{/if}
    </div>
  </aside>
{/if}

<style>
  .hint {
    position: fixed;
    left: 246px;
    z-index: 8;
    width: 270px;
    padding: 10px 14px;
    background: var(--panel);
    border: 1px solid var(--control-line);
    border-left: 3px solid var(--verdigris);
    border-radius: 3px;
  }
  h2 {
    margin: 0;
    font-size: 13px;
    font-weight: 600;
  }
  p {
    margin: 3px 0 6px;
    color: var(--ink-2);
    font-size: 13px;
    line-height: 1.4;
  }
  div {
    display: flex;
    gap: 14px;
  }
  .mono {
    margin-right: auto;
    color: var(--ink-2);
  }
</style>
