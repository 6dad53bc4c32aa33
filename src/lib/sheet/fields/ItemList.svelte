<script lang="ts">
  import Add from 'carbon-icons-svelte/lib/Add.svelte';
  import Copy from 'carbon-icons-svelte/lib/Copy.svelte';
  import ChevronDown from 'carbon-icons-svelte/lib/ChevronDown.svelte';
  import ChevronUp from 'carbon-icons-svelte/lib/ChevronUp.svelte';
  import { FileUploaderButton } from 'carbon-components-svelte';
  import TrashCan from 'carbon-icons-svelte/lib/TrashCan.svelte';
  import ShelfList from './ShelfList.svelte';
  import { nodeOf } from '$core/project/tree';
  import type { Node, NodeId } from '$core/project/types';
  import { registry } from '$core/registry';
  import { fieldsOf } from '$lib/state/fields';
  import { addItem, removePieces } from '$lib/state/actions';
  import { shelvedFor } from '$lib/state/items';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb, owner, slot, label }: { wb: Workbench; owner: Node; slot: string; label: string } = $props();

  const ofPictures = $derived(registry.of(owner).slots[slot]!.ofPictures ?? false);
  const shelved = $derived(shelvedFor(wb, { owner: owner.id, slot }));
  let isTaking = $state(false);

  /** The code that reads files comes with the first of them. */
  async function addFiles(files: readonly File[]): Promise<void> {
    if (files.length === 0) return;
    const { addPictures } = await import('$lib/state/adding');
    await addPictures(wb, { owner: owner.id, slot }, files);
  }

  const items = $derived((owner.slots[slot] ?? []).map((id) => nodeOf(wb.project, id)));
  let gesture = 0;

  function move(id: NodeId, index: number): void {
    wb.dispatch({ type: 'move', ids: [id], at: { parent: owner.id, slot, index } });
  }

  function rename(item: Node, input: HTMLInputElement): void {
    if (wb.dispatch({ type: 'rename', id: item.id, name: input.value }, `rename ${item.id} ${gesture}`))
      input.setAttribute('aria-invalid', 'true');
    else input.removeAttribute('aria-invalid');
  }

  /** The setting of an item that is an address, where it has one: it stands in the list, beside the words. */
  const linkKeyOf = (item: Node) =>
    fieldsOf(registry.of(item), 'fill').find(({ control }) => control === 'link')?.key;

  function lead(item: Node, key: string, input: HTMLInputElement): void {
    if (wb.dispatch({ type: 'set-setting', id: item.id, key, value: input.value.trim() }))
      input.setAttribute('aria-invalid', 'true');
    else input.removeAttribute('aria-invalid');
  }

  const held = (item: Node) => {
    const content = Object.values(item.slots)
      .flat()
      .map((id) => registry.of(nodeOf(wb.project, id)).label.toLowerCase());
    return content.length === 0 ? 'empty' : content.join(', ');
  };
</script>

<div class="items" role="group" aria-label={label}>
  <div class="head">
    <span class="bx--label">{label}</span>
    <button type="button" class="add" onclick={() => addItem(wb, owner.id, slot)}
      ><Add size={16} /> Add</button
    >
    {#if ofPictures}
      <FileUploaderButton
        labelText="Add pictures…"
        accept={['image/*', 'video/*']}
        kind="ghost"
        size="small"
        multiple
        disableLabelChanges
        on:change={({ detail }) => void addFiles(detail)}
      />
    {/if}
    {#if shelved.length > 0}
      <button type="button" class="add" aria-expanded={isTaking} onclick={() => (isTaking = !isTaking)}
        >From the shelf…</button
      >
    {/if}
  </div>
  {#if isTaking}<ShelfList
      {wb}
      pieces={shelved}
      owner={owner.id}
      {slot}
      ondone={() => (isTaking = false)}
    />{/if}
  {#each items as item, index (item.id)}
    <div class="item">
      <span class="number mono">{index + 1}</span>
      <input
        aria-label="Label {index + 1}"
        value={item.name}
        maxlength="120"
        onfocus={() => (gesture += 1)}
        oninput={(event) => rename(item, event.currentTarget)}
        onblur={(event) => (event.currentTarget.value = item.name)}
      />
      {#if linkKeyOf(item)}
        {@const key = linkKeyOf(item)!}
        <input
          class="address mono"
          aria-label="Link {index + 1} leads to"
          placeholder="leads to: #anchor, https://…"
          value={(item.settings[key] as string | undefined) ?? ''}
          onchange={(event) => lead(item, key, event.currentTarget)}
        />
      {:else}
        <button
          type="button"
          class="held plain"
          title="Show it in the outline"
          onclick={() => wb.select([item.id])}>{held(item)}</button
        >
      {/if}
      <button
        type="button"
        title="Move {item.name} up"
        aria-label="Move {item.name} up"
        disabled={index === 0}
        onclick={() => move(item.id, index - 1)}><ChevronUp size={16} /></button
      >
      <button
        type="button"
        title="Move {item.name} down"
        aria-label="Move {item.name} down"
        disabled={index === items.length - 1}
        onclick={() => move(item.id, index + 2)}><ChevronDown size={16} /></button
      >
      <button
        type="button"
        title="Duplicate {item.name}"
        aria-label="Duplicate {item.name}"
        onclick={() => wb.dispatch({ type: 'duplicate', ids: [item.id] })}><Copy size={16} /></button
      >
      <button
        type="button"
        title="Remove {item.name}"
        aria-label="Remove {item.name}"
        onclick={() => removePieces(wb, [item.id])}><TrashCan size={16} /></button
      >
    </div>
  {/each}
</div>

<style>
  .items {
    max-width: 720px;
    grid-column: 1 / -1;
  }
  .head {
    display: flex;
    align-items: center;
    gap: 10px;
  }
  .add {
    display: inline-flex;
    gap: 2px;
    align-items: center;
    font: 600 12px var(--sans);
    color: var(--verdigris);
    cursor: pointer;
    background: none;
    border: 0;
  }
  .item {
    display: flex;
    gap: 4px;
    align-items: center;
    height: 32px;
    border-top: 1px solid var(--faint-line);
  }
  .item:last-child {
    border-bottom: 1px solid var(--faint-line);
  }
  .number {
    width: 20px;
    color: var(--ink-2);
  }
  input {
    flex: 3;
    min-width: 120px;
    height: 24px;
    padding: 0 6px;
    font: inherit;
    font-weight: 600;
    background: none;
    border: 1px solid transparent;
    border-radius: 2px;
  }
  input:hover {
    border-color: var(--control-line);
  }
  input:focus {
    background: #fff;
    border-color: var(--verdigris);
  }
  .address {
    flex: 2;
    font-weight: 400;
  }
  .held {
    flex: 2;
    overflow: hidden;
    color: var(--ink-2);
    text-align: left;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .item > button:not(.held) {
    display: grid;
    place-items: center;
    width: 26px;
    height: 26px;
    color: var(--ink-2);
    cursor: pointer;
    background: none;
    border: 0;
    border-radius: 2px;
  }
  .item > button:not(.held, :disabled):hover {
    color: var(--ink);
    background: var(--faint-line);
  }
  .item > button:disabled {
    opacity: 0.35;
    cursor: default;
  }
</style>
