<script lang="ts">
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb }: { wb: Workbench } = $props();

  const parts = $derived(Object.entries(wb.kind.anatomy));
  // Smaller boxes lie on top, so that each can be pressed.
  const boxes = $derived(
    parts
      .flatMap(([name, { box, label }]) => (box ? [{ name, label, ...box }] : []))
      .sort((a, b) => b.width * b.height - a.width * a.height)
  );
  /** Every picked piece of this kind gets it, so that siblings are done at once. */
  function paste(): void {
    const ids = [
      ...new Set([wb.tuned.id, ...wb.selected.filter((id) => wb.project.nodes[id]?.kind === wb.tuned.kind)])
    ];
    wb.dispatch({
      type: 'copy-look',
      from: { ...wb.look! },
      to: ids.map((id) => ({ id, part: wb.currentPart }))
    });
  }

  const LABEL_ROOM = 14;
  const isLeaf = (name: string) =>
    !boxes.some((each) => each.name !== name && wb.kind.anatomy[each.name]?.on === name) && name !== 'root';
</script>

<div class="parts">
  <h3>Parts</h3>
  <svg width="150" height="116" viewBox="-1 -1 152 118" aria-hidden="true">
    {#each boxes as { name, label, x, y, width, height } (name)}
      <!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
      <g class:picked={wb.currentPart === name} onclick={() => (wb.part = name)}>
        <rect {x} {y} {width} {height} />
        {#if height >= LABEL_ROOM && label.length * 5.4 < width && (boxes.length === 1 || isLeaf(name))}<text
            x={x + width / 2}
            y={y + height / 2 + 4}>{label}</text
          >{/if}
      </g>
    {/each}
  </svg>
  <div class="looks">
    <button
      type="button"
      class="link"
      title="The whole look of the {wb.kind.anatomy[wb.currentPart]!.label}, every state"
      onclick={() => (wb.look = { id: wb.tuned.id, part: wb.currentPart })}>Copy look</button
    >
    {#if wb.look && !wb.look.state}<button type="button" class="link" onclick={paste}>Paste</button>{/if}
  </div>
  <div class="list" role="group" aria-label="Parts">
    {#each parts as [name, { label }] (name)}
      <button
        type="button"
        class="plain"
        aria-pressed={wb.currentPart === name}
        onclick={() => (wb.part = name)}>{label}</button
      >
    {/each}
  </div>
</div>

<style>
  .parts {
    overflow: auto;
    padding: 10px 14px;
    background: var(--sunk);
    border-right: 1px solid var(--line);
  }
  h3 {
    margin: 0 0 6px;
    font-size: 12px;
    font-weight: 500;
    color: var(--ink-2);
  }
  rect {
    cursor: pointer;
    fill: #fff;
    stroke: var(--control-line);
  }
  text {
    font: 10.5px var(--sans);
    pointer-events: none;
    fill: var(--ink-2);
    text-anchor: middle;
  }
  .picked rect {
    fill: var(--wash);
    stroke: var(--verdigris);
    stroke-width: 1.6;
  }
  .picked text {
    font-weight: 600;
    fill: var(--verdigris);
  }
  .looks {
    display: flex;
    gap: 10px;
    margin-top: 6px;
    font-size: 12px;
  }
  .list {
    display: grid;
    gap: 1px;
    margin-top: 8px;
  }
  .list button {
    padding: 2px 4px;
    text-align: left;
    border-radius: 2px;
  }
  .list button:hover {
    background: var(--faint-line);
  }
  .list button[aria-pressed='true'] {
    font-weight: 600;
    color: var(--verdigris);
  }
</style>
