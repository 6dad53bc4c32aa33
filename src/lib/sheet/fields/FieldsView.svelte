<script lang="ts">
  import { settingsWithDefaults } from '$core/kinds/settings';
  import { referencesInto } from '$core/kinds/references';
  import { maybeStacking } from '$core/kinds/stacked';
  import { maybePlaceOf, nodeOf } from '$core/project/tree';
  import type { NodeId } from '$core/project/types';
  import { registry } from '$core/registry';
  import { SHOWN } from '$core/rows/binding';
  import EffectsField from './EffectsField.svelte';
  import Field from './Field.svelte';
  import PageFields from './PageFields.svelte';
  import ItemList from './ItemList.svelte';
  import BindingField from '../rows/BindingField.svelte';
  import QueryEditor from '../rows/QueryEditor.svelte';
  import { canRepeat, sourceAround } from '$lib/state/rows';
  import { isOffered } from '$core/kinds/offered';
  import { fieldsOf, type FieldSpec } from '$lib/state/fields';
  import { foldedGroups, keepFoldedGroups } from '$lib/state/remembered';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb, view }: { wb: Workbench; view: 'fill' | 'behaviour' } = $props();

  // Fill is about the picked piece itself, a panel too; behaviour about the widget that draws it.
  const node = $derived(view === 'fill' ? wb.current : wb.tuned);
  const kind = $derived(registry.of(node));
  const settings = $derived(settingsWithDefaults(kind, node));

  const fields = $derived(
    fieldsOf(kind, view).filter((field) => !field.effect && isOffered(field, settings))
  );
  const groups = $derived(
    [...new Set(fields.map(({ group }) => group ?? ''))].map((name) => ({
      name,
      fields: fields.filter(({ group }) => (group ?? '') === name)
    }))
  );
  const place = $derived(maybePlaceOf(wb.project, node.id));
  /** Whether it stands in a list of its own kind, below which there is no other. */
  const isLast = $derived(place !== null && wb.project.nodes[place.parent]?.kind === node.kind);
  const lists = $derived(
    Object.entries(kind.slots).filter(
      ([, slot]) => view === 'fill' && slot.items && !(slot.isLastLevel && isLast)
    )
  );
  /** What of a piece in a list can come from a column. */
  const around = $derived(view === 'fill' ? sourceAround(wb.project, node.id) : null);
  const BOUND: readonly string[] = ['text', 'rich', 'link', 'asset', 'number'];
  const mayBeBound = ({ control }: { readonly control: string }) => BOUND.includes(control);
  const isItem = $derived(kind.markup === null);
  const isPage = $derived(place === null);
  let fault = $state('');
  let gesture = 0;

  const id = $props.id();
  let folded = $state.raw(foldedGroups());

  /** Kept at once: the browser's own word of it comes later, and a page that is left by then would forget. */
  function press(event: MouseEvent, name: string): void {
    event.preventDefault();
    fold(name, !folded.has(name));
  }

  function fold(name: string, isFolded: boolean): void {
    if (folded.has(name) === isFolded) return;
    const next = new Set(folded);
    if (isFolded) next.add(name);
    else next.delete(name);
    folded = next;
    keepFoldedGroups(next);
  }

  function rename(name: string): void {
    fault = '';
    const refusal = wb.refusal({ type: 'rename', id: node.id, name });
    if (refusal) fault = refusal.sentence;
    else wb.dispatch({ type: 'rename', id: node.id, name }, `rename ${node.id} ${gesture}`);
  }

  /** What names it, or something in it, from outside: what opens it, links that lead there. */
  const namedBy = $derived(
    isPage || !wb.rested.nodes[node.id] ? [] : referencesInto(registry, wb.rested, [node.id])
  );

  /** Of pieces laid over one another, which lie below and which above the picked one, and which of them it really meets at this width. */
  const stacking = $derived.by(() => {
    const stacked = maybeStacking(registry, wb.project, node.id);
    if (!stacked) return null;
    const { overlaps } = wb.preview;
    // Until it has been measured, all of them may share some room with it.
    const met = (ids: readonly NodeId[]) =>
      ids
        .filter((id) => overlaps?.node !== node.id || overlaps.others.includes(id))
        .map((id) => nodeOf(wb.project, id).name);
    return { ...stacked, covers: met(stacked.below), covered: met(stacked.above) };
  });
</script>

{#snippet one(field: FieldSpec)}
  <Field {wb} {node} {field} source={mayBeBound(field) ? around : null} />
{/snippet}

{#key node.id}
  <div class="fields">
    {#if view === 'fill' && !isPage}
      <div class="field" data-field="name">
        <label for="{id}-name">{isItem ? 'Label' : 'Name in the outline'}</label>
        <div>
          <input
            id="{id}-name"
            value={node.name}
            aria-invalid={fault !== ''}
            onfocus={() => (gesture += 1)}
            oninput={(event) => rename(event.currentTarget.value)}
          />
          {#if fault}<p class="fault" role="alert">{fault}</p>{/if}
        </div>
      </div>
    {/if}
    {#if view === 'fill' && canRepeat(wb.project, node)}<QueryEditor {wb} {node} />{/if}
    {#if around && view === 'fill'}
      <div class="field" data-field="shown">
        <span class="label">Is drawn</span>
        <div>
          <BindingField
            {wb}
            {node}
            name={SHOWN}
            label="Drawn"
            source={around}
            none="for every row"
            from="where there is"
            hasElse={false}
          />
        </div>
      </div>
    {/if}
    {#if isPage && view === 'fill'}{#key wb.pageId}<PageFields {wb} />{/key}{/if}
    {#each groups as group (group.name)}
      {#if group.name}
        <details
          open={!folded.has(group.name)}
          ontoggle={(event) => fold(group.name, !event.currentTarget.open)}
        >
          <summary onclick={(event) => press(event, group.name)}>{group.name}</summary>
          <div class="grid">
            {#each group.fields as field (field.key)}{@render one(field)}{/each}
          </div>
        </details>
      {:else}
        {#each group.fields as field (field.key)}{@render one(field)}{/each}
      {/if}
    {/each}
    {#if view === 'behaviour'}<EffectsField {wb} {node} />{/if}
    {#each lists as [slot, { label }] (slot)}<ItemList {wb} owner={node} {slot} {label} />{/each}
    {#if isItem && place}
      <p class="note">
        One {kind.label.toLowerCase()} of
        <button type="button" class="link" onclick={() => wb.select([place.parent])}
          >{nodeOf(wb.project, place.parent).name}</button
        >.{#if kind.slots.content}
          Insert anything into it with <kbd>A</kbd>.{/if}
      </p>
    {/if}
    {#if view === 'fill' && namedBy.length > 0}
      <p class="note">
        Named by
        {#each namedBy as { from, label }, n (`${from.id} ${label}`)}
          {n > 0 ? ', ' : ''}<button type="button" class="link" onclick={() => wb.select([from.id])}
            >{from.name}</button
          >
          ({label.toLowerCase()}){/each}.
      </p>
    {/if}
    {#if stacking && view === 'fill' && place}
      <p class="note">
        At this width it covers {stacking.covers.join(', ') || 'nothing'} and is covered by {stacking.covered.join(
          ', '
        ) || 'nothing'}. Drag it in the page, or set where it stands.
        <button
          type="button"
          class="link"
          disabled={stacking.above.length === 0}
          onclick={() =>
            wb.dispatch({ type: 'move', ids: [node.id], at: { ...place, index: place.index + 2 } })}
          >One up</button
        >
        <button
          type="button"
          class="link"
          disabled={stacking.below.length === 0}
          onclick={() =>
            wb.dispatch({ type: 'move', ids: [node.id], at: { ...place, index: place.index - 1 } })}
          >One down</button
        >
      </p>
    {/if}
    {#if isPage && view === 'fill'}
      <p class="note">
        Pick a piece in the outline or in the preview, or insert a section with <kbd>A</kbd>.
      </p>
    {:else if view === 'fill' && fields.length === 0 && lists.length === 0 && !isItem}
      <p class="note">
        {kind.label} has nothing to set here. Its look stands under States.
      </p>
    {/if}
  </div>
{/key}

<style>
  .fields,
  .grid {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
    gap: 4px 20px;
  }
  .fields {
    padding: 8px 14px 12px;
  }
  details {
    grid-column: 1 / -1;
    padding-top: 5px;
    margin-top: 2px;
    border-top: 1px solid var(--line);
  }
  summary {
    margin-bottom: 4px;
    font-size: 12px;
    font-weight: 600;
    cursor: pointer;
  }
  .field {
    display: grid;
    grid-template-columns: minmax(0, 118px) minmax(0, 1fr);
    gap: 8px;
  }
  .field label,
  .label {
    font-size: 12.5px;
    font-weight: 600;
    line-height: 26px;
    color: var(--ink);
  }
  .field input {
    width: 100%;
    height: 26px;
    padding: 0 7px;
    font: inherit;
    color: var(--ink);
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .field input[aria-invalid='true'] {
    border-color: var(--red);
    outline: 1px solid var(--red);
  }
  .fault {
    margin: 2px 0 0;
    font-size: 12px;
    color: var(--red);
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
