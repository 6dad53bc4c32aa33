<script lang="ts">
  import { InlineLoading } from 'carbon-components-svelte';
  import { onMount } from 'svelte';

  /** What is waited for, in words. */
  const { description }: { description: string } = $props();

  /** What comes sooner needs no sign, which would only flicker (common practice, no source), ms. */
  const SOON = 400;
  let isLong = $state(false);

  onMount(() => {
    const timer = setTimeout(() => (isLong = true), SOON);
    return () => clearTimeout(timer);
  });
</script>

{#if isLong}<InlineLoading {description} />{/if}
