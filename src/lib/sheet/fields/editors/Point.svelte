<script lang="ts">
  import { cutWords, picturesOf } from '$core/compile/renditions';
  import FocusField from '../FocusField.svelte';
  import type { EditorProps } from './editors';

  const { wb, node, field, id, value, fault, describedBy, set, begin }: EditorProps = $props();

  /** The picture whose point is placed. */
  const use = $derived(picturesOf(wb.registry, wb.project, node)[0]);
  const cut = $derived(use ? cutWords(use.room) : '');
</script>

<div>
  <FocusField
    {id}
    label={field.label}
    describedBy={[describedBy, cut && `${id}-cut`].filter(Boolean).join(' ') || undefined}
    value={value as string}
    picture={(use && wb.blobs.get(use.asset.id)) ?? null}
    isInvalid={fault !== ''}
    onchange={(text, isDrag) => set(text, isDrag ? 'drag' : undefined)}
    onstart={begin}
  />
  {#if cut}<p class="mono" id="{id}-cut">{cut}</p>{/if}
</div>

<style>
  p {
    margin-top: 3px;
    font-size: 12px;
    color: var(--ink-2);
  }
</style>
