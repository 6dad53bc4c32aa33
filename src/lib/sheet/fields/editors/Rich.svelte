<script lang="ts">
  import RichField from '../RichField.svelte';
  import type { EditorProps } from './editors';

  const { wb, node, field, value, set, begin }: EditorProps = $props();
</script>

<RichField
  label={field.label}
  value={value as string}
  takesFocus={wb.editing === node.id}
  onchange={(html) => set(html, 'write')}
  onfocus={begin}
  ondone={() => (wb.editing = null)}
/>
