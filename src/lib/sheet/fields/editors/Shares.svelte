<script lang="ts">
  import { nodeOf } from '$core/project/tree';
  import SharesField from '../SharesField.svelte';
  import type { EditorProps } from './editors';

  const { wb, node, field, about, value, fault, set, begin }: EditorProps = $props();
</script>

<SharesField
  label={field.label}
  help={about}
  value={value as string}
  {fault}
  names={(node.slots.columns ?? []).map((column) => nodeOf(wb.project, column).name)}
  onchange={(text, isDrag) => set(text, isDrag ? 'drag' : undefined)}
  onstart={begin}
/>
