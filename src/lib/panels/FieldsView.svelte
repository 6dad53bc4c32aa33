<script lang="ts">
  import { TextInput } from 'carbon-components-svelte';
  import { settingsWithDefaults } from '$core/kinds/settings';
  import { maybeStacking } from '$core/kinds/stacked';
  import { maybePlaceOf, nodeOf } from '$core/project/tree';
  import type { NodeId } from '$core/project/types';
  import { registry } from '$core/registry';
  import Field from '$lib/parts/Field.svelte';
  import PageFields from '$lib/parts/PageFields.svelte';
  import ItemList from '$lib/parts/ItemList.svelte';
  import { fieldsOf } from '$lib/state/fields';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb, view }: { wb: Workbench; view: 'fill' | 'behaviour' } = $props();

  // Fill is about the picked piece itself, a panel too; behaviour about the widget that draws it.
  const node = $derived(view === 'fill' ? wb.current : wb.drawn);
  const kind = $derived(registry.kindOf(node.kind));
  const settings = $derived(settingsWithDefaults(kind, node));

  function isMet(need: string): boolean {
    const [key, value] = need.split('=') as [string, string | undefined];
    return value === undefined ? Boolean(settings[key]) : settings[key] === value;
  }

  const fields = $derived(fieldsOf(kind, view).filter(({ needs }) => !needs || needs.some(isMet)));
  const groups = $derived([...new Set(fields.map(({ group }) => group ?? ''))].map((name) => ({ name, fields: fields.filter(({ group }) => (group ?? '') === name) })));
  const lists = $derived(view === 'fill' ? Object.entries(kind.slots).filter(([, slot]) => slot.items) : []);
  const place = $derived(maybePlaceOf(wb.project, node.id));
  const isItem = $derived(kind.markup === null);
  const isPage = $derived(place === null);
  let fault = $state('');
  let gesture = 0;

  function rename(name: string): void {
    fault = '';
    const refusal = wb.refusal({ type: 'rename', id: node.id, name });
    if (refusal) fault = refusal.sentence;
    else wb.dispatch({ type: 'rename', id: node.id, name }, `rename ${node.id} ${gesture}`);
  }

  /** Of pieces laid over one another, which lie below and which above the picked one, and which of them it really meets at this width. */
  const stacking = $derived.by(() => {
    const stacked = maybeStacking(registry, wb.project, node.id);
    if (!stacked) return null;
    const { overlaps } = wb;
    // Until it has been measured, all of them may share some room with it.
    const met = (ids: readonly NodeId[]) => ids.filter((id) => overlaps?.node !== node.id || overlaps.others.includes(id)).map((id) => nodeOf(wb.project, id).name);
    return { ...stacked, covers: met(stacked.below), covered: met(stacked.above) };
  });
</script>

{#key node.id}
  <div class="fields">
    {#if view === 'fill' && !isPage}
      <TextInput
        size="sm"
        labelText={isItem ? 'Label' : 'Name in the outline'}
        value={node.name}
        invalid={fault !== ''}
        invalidText={fault}
        on:focus={() => (gesture += 1)}
        on:input={({ detail }) => rename(String(detail ?? ''))}
      />
    {/if}
    {#if isPage && view === 'fill'}{#key wb.pageId}<PageFields {wb} />{/key}{/if}
    {#each groups as group (group.name)}
      {#if group.name}<h3>{group.name}</h3>{/if}
      {#each group.fields as field (field.key)}<Field {wb} {node} {field} />{/each}
    {/each}
    {#each lists as [slot, { label }] (slot)}<ItemList {wb} owner={node} {slot} {label} />{/each}
    {#if isItem && place}
      <p class="note">
        One {kind.label.toLowerCase()} of <button type="button" class="link" onclick={() => wb.select([place.parent])}>{nodeOf(wb.project, place.parent).name}</button>.{#if kind.slots.content} Insert anything into it with <kbd>A</kbd>.{/if}
      </p>
    {/if}
    {#if stacking && view === 'fill' && place}
      <p class="note">
        At this width it covers {stacking.covers.join(', ') || 'nothing'} and is covered by {stacking.covered.join(', ') || 'nothing'}. Drag it in the page, or set where it stands.
        <button type="button" class="link" disabled={stacking.above.length === 0} onclick={() => wb.dispatch({ type: 'move', ids: [node.id], at: { ...place, index: place.index + 2 } })}>One up</button>
        <button type="button" class="link" disabled={stacking.below.length === 0} onclick={() => wb.dispatch({ type: 'move', ids: [node.id], at: { ...place, index: place.index - 1 } })}>One down</button>
      </p>
    {/if}
    {#if isPage && view === 'fill'}
      <p class="note">Pick a piece in the outline or in the preview, or insert a section with <kbd>A</kbd>.</p>
    {:else if fields.length === 0 && lists.length === 0 && !isItem}
      <p class="note">{kind.label} has nothing to set here. {view === 'fill' ? 'Its look stands under States.' : ''}</p>
    {/if}
  </div>
{/key}

<style>
  .fields {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
    gap: 14px 20px;
    padding: 14px 16px;
  }
  h3 {
    grid-column: 1 / -1;
    padding-top: 10px;
    margin: 2px 0 -6px;
    font-size: 12px;
    font-weight: 600;
    border-top: 1px solid var(--line);
  }
  .note {
    grid-column: 1 / -1;
    margin: 0;
    font-size: 13px;
    color: var(--ink-2);
  }
  .note .link {
    margin-left: 8px;
  }
  kbd {
    padding: 0 4px;
    font: 11px var(--mono);
    border: 1px solid var(--line);
    border-radius: 2px;
  }
</style>
