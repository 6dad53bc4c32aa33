<script lang="ts">
  import type { Icon } from '$core/html/icon';
  import type { Json } from '$core/project/types';
  import IconField from '../IconField.svelte';
  import type { EditorProps } from './editors';

  const { field, value, set }: EditorProps = $props();
</script>

<IconField
  label={field.label}
  help={field.help}
  value={value as Icon | null}
  onchange={(icon) => set(icon as unknown as Json)}
/>
