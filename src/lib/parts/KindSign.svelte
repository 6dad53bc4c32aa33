<script lang="ts">
  import { registry } from '$core/registry';

  const { kind }: { kind: string } = $props();
</script>

<svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true">
  <path d={registry.kindOf(kind).icon} fill="none" stroke="currentColor" stroke-width="1.2" />
</svg>
