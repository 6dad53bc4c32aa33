<script lang="ts">
  import { onMount } from 'svelte';
  import { db } from '$lib/store/db';

  const SEEN = 'hints-dismissed';
  const HINTS = [
    {
      title: 'Pick a part',
      text: 'Press anything in the page or in the outline.',
      more: 'The sheet below is about what is picked; its parts stand at the left.'
    },
    {
      title: 'See every state',
      text: 'Under States each column is one state, really drawn.',
      more: 'Type into any cell; faint values come from elsewhere.'
    },
    {
      title: 'Find the width',
      text: 'The dotted line on the ruler is where labels fit, the dashed one where they fold.',
      more: 'Drag the green handle to see.'
    },
    {
      title: 'Try the rest',
      text: 'T tries the page as people do; ? lists all keys.',
      more: 'Touch, Less motion, No script and Print show what others get.'
    }
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

{#if hint}
  <aside class="hint" aria-label="First steps">
    <p><b>{hint.title}.</b> {hint.text} <span class="more">{hint.more}</span></p>
    <span class="mono">{at + 1} / {HINTS.length}</span>
    {#if at < HINTS.length - 1}<button type="button" class="link" onclick={() => (at += 1)}>Next</button>{/if}
    <button type="button" class="link" onclick={dismiss}>{at < HINTS.length - 1 ? 'No hints' : 'Done'}</button
    >
  </aside>
{/if}

<style>
  .hint {
    display: flex;
    gap: 12px;
    align-items: center;
    min-width: 0;
  }
  p {
    margin: 0;
    font-size: 12.5px;
    line-height: 1.35;
    color: var(--ink-2);
  }
  b {
    font-weight: 600;
    color: var(--ink);
  }
  /* Beside a panel there is room for the first sentence. */
  @container said (max-width: 480px) {
    .more {
      display: none;
    }
  }
  .mono {
    flex: none;
    color: var(--ink-2);
  }
  button {
    flex: none;
  }
</style>
