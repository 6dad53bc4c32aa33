<script lang="ts">
  import type { Track } from '$core/motion/track';
  import { nodeOf } from '$core/project/tree';
  import type { Json } from '$core/project/types';
  import type { EditorProps } from './editors';

  const { wb, node, field, id, value, describedBy, set }: EditorProps = $props();

  const isTrack = $derived(field.control === 'track');
  const chosen = $derived(isTrack ? (value as Track).form : (value as string));
  const items = $derived(field.slot ? (node.slots[field.slot] ?? []) : []);
  const options = $derived(
    field.control === 'item'
      ? [['', 'the first that can be'], ...items.map((item) => [item, nodeOf(wb.project, item).name])]
      : Object.entries(field.choices ?? {})
  );

  /** Of a movement only its form is chosen here; the rest stays as Timing has it. */
  const choose = (to: string) => set(isTrack ? ({ ...(value as Track), form: to } as unknown as Json) : to);
</script>

<select
  {id}
  aria-describedby={describedBy}
  value={chosen}
  onchange={(event) => choose(event.currentTarget.value)}
>
  {#each options as [option, text] (option)}<option value={option}>{text}</option>{/each}
</select>
