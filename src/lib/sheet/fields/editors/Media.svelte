<script lang="ts">
  import AssetField from '../AssetField.svelte';
  import type { EditorProps } from './editors';

  const { wb, node, field, id, value, describedBy, set }: EditorProps = $props();
</script>

<AssetField
  {wb}
  {node}
  key={field.key}
  {id}
  label={field.label}
  {describedBy}
  media={field.media ?? 'picture'}
  value={value as string}
  onchange={(asset) => set(asset)}
/>
