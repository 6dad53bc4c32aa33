<script lang="ts">
  import type { AssetId } from '$core/project/types';
  import FocusField from '../FocusField.svelte';
  import type { EditorProps } from './editors';

  const { wb, node, field, id, value, fault, describedBy, set, begin }: EditorProps = $props();
</script>

<FocusField
  {id}
  label={field.label}
  {describedBy}
  value={value as string}
  picture={wb.blobs.get(node.settings.picture as AssetId) ?? null}
  isInvalid={fault !== ''}
  onchange={(text, isDrag) => set(text, isDrag ? 'drag' : undefined)}
  onstart={begin}
/>
