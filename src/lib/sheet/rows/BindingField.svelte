<script lang="ts">
  import type { Binding, Node, Source } from '$core/project/types';
  import { bind, bindingOf, FORMATS_OF } from '$lib/state/rows';
  import type { Workbench } from '$lib/state/workbench.svelte';

  interface Props {
    wb: Workbench;
    node: Node;
    /** The setting, and what it is called. */
    name: string;
    label: string;
    source: Source;
    /** What is said where it comes from no column, and before the column's name where it does. */
    none?: string;
    from?: string;
    /** Whether something else can stand there where the column has nothing. */
    hasElse?: boolean;
  }

  const {
    wb,
    node,
    name,
    label,
    source,
    none = 'as set here',
    from = 'from',
    hasElse = true
  }: Props = $props();

  const binding = $derived(bindingOf(node, name));
  const column = $derived(source.columns.find((each) => each.name === binding?.column));
  const formats = $derived(column ? FORMATS_OF[column.type] : []);
  const isGone = $derived(binding !== null && !column);
  const chosen = $derived(
    Math.max(
      0,
      formats.findIndex(({ format }) => JSON.stringify(format) === JSON.stringify(binding?.format))
    )
  );

  function choose(next: string): void {
    bind(wb, node, name, next === '' ? null : { column: next });
  }
  /** @param more what is set anew; what is undefined is left out. */
  function change(more: Partial<Binding>): void {
    if (!binding) return;
    const next = Object.entries({ ...binding, ...more }).filter(([, value]) => value !== undefined);
    bind(wb, node, name, Object.fromEntries(next) as unknown as Binding);
  }
</script>

<span class="binding" class:bound={binding !== null}>
  <select
    aria-label="{label} comes from"
    title={binding ? `From the column ${binding.column}` : none}
    value={binding?.column ?? ''}
    onchange={(event) => choose(event.currentTarget.value)}
  >
    <option value="">{none}</option>
    {#each source.columns as each (each.name)}<option value={each.name}>{from} {each.name}</option>{/each}
    {#if isGone}<option value={binding!.column}>{from} {binding!.column}, which is gone</option>{/if}
  </select>
  {#if formats.length > 0}
    <select
      aria-label="{label} is written"
      value={chosen}
      onchange={(event) => change({ format: formats[Number(event.currentTarget.value)]!.format })}
    >
      {#each formats as each, n (each.label)}<option value={n}>{each.label}</option>{/each}
    </select>
  {/if}
  {#if binding && hasElse}
    <input
      aria-label="{label}, where the column has nothing"
      placeholder="else as set"
      value={binding.otherwise ?? ''}
      onchange={(event) => change({ otherwise: event.currentTarget.value || undefined })}
    />
  {/if}
</span>

<style>
  .binding {
    display: flex;
    gap: 4px;
    margin-top: 2px;
  }
  select,
  input {
    min-width: 0;
    height: 22px;
    padding: 0 4px;
    font: 12px var(--sans);
    color: var(--ink-2);
    background: none;
    border: 1px dashed var(--control-line);
    border-radius: 3px;
  }
  input {
    flex: 1;
    width: 70px;
  }
  .bound select {
    color: var(--ink);
    background: var(--wash);
    border-style: solid;
  }
</style>
