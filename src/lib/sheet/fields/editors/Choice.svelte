<script lang="ts">
  import type { Track } from '$core/motion/track';
  import { nodeOf, subtreeIds } from '$core/project/tree';
  import type { Json, NodeId } from '$core/project/types';
  import type { EditorProps } from './editors';

  const { wb, node, field, id, value, describedBy, set }: EditorProps = $props();

  const isTrack = $derived(field.control === 'track');
  const chosen = $derived(isTrack ? (value as Track).form : (value as string));
  const items = $derived(field.slot ? (node.slots[field.slot] ?? []) : []);
  const named = (ids: readonly NodeId[]) => ids.map((id) => [id, nodeOf(wb.project, id).name] as const);
  /** What is named and gone is said, or the field would stand empty. */
  const withLost = (all: readonly (readonly [string, string])[]) =>
    all.some(([option]) => option === chosen) ? all : [...all, [chosen, 'a piece that is gone'] as const];
  /** Pieces of the page that can be opened. */
  const opened = () =>
    subtreeIds(wb.project, wb.page.root).filter((id) => wb.registry.of(nodeOf(wb.project, id)).opens);
  const options = $derived.by((): readonly (readonly [string, string])[] => {
    if (field.control === 'item') return withLost([['', 'the first that can be'], ...named(items)]);
    if (field.control === 'piece') return withLost([['', 'nothing'], ...named(opened())]);
    return Object.entries(field.choices ?? {});
  });

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
