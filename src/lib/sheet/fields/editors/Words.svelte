<script lang="ts">
  import { checkValue } from '$core/css/values';
  import type { EditorProps } from './editors';

  const { wb, field, id, value, fault, describedBy, set, begin }: EditorProps = $props();

  /** Tokens that fit a field of CSS; the field offers them as one types. */
  const tokens = $derived(
    field.property
      ? Object.values(wb.project.tokens).filter(
          (token) => checkValue(field.property!, `{${token.id}}`, wb.project.tokens).ok
        )
      : []
  );
  const list = $derived(`${id}-tokens`);
</script>

{#if tokens.length > 0}<datalist id={list}
    >{#each tokens as each (each.id)}<option value={`{${each.id}}`}>{each.name}</option>{/each}</datalist
  >{/if}
<input
  {id}
  class:mono={field.control === 'css'}
  aria-describedby={describedBy}
  aria-invalid={fault !== ''}
  value={value as string}
  list={tokens.length > 0 ? list : undefined}
  onfocus={begin}
  oninput={(event) => set(event.currentTarget.value, 'write')}
/>
