<script lang="ts">
  import 'carbon-components-svelte/css/all.css';
  import '@fontsource-variable/hanken-grotesk/wght.css';
  import '@fontsource-variable/jetbrains-mono/wght.css';
  import '@fontsource-variable/fraunces/wght.css';
  import '$lib/theme.css';
  import type { Snippet } from 'svelte';

  const { children }: { children: Snippet } = $props();
</script>

{@render children()}
