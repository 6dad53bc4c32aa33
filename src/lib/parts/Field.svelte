<script lang="ts">
  import { Select, SelectItem, TextInput, Toggle } from 'carbon-components-svelte';
  import { ValidationError } from 'yup';
  import { settingsWithDefaults } from '$core/kinds/settings';
  import { checkValue } from '$core/css/values';
  import type { Icon } from '$core/html/icon';
  import { evaluate } from '$core/css/arithmetic';
  import { parseQuantity } from '$core/css/quantity';
  import type { AssetId, Json, Node, NodeId } from '$core/project/types';
  import { registry } from '$core/registry';
  import type { FieldSpec } from '$lib/state/fields';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb, node, field }: { wb: Workbench; node: Node; field: FieldSpec } = $props();

  const value = $derived(settingsWithDefaults(registry.kindOf(node.kind), node)[field.key]);
  const items = $derived((field.slot ? (node.slots[field.slot] ?? []) : []).map((id) => wb.project.nodes[id as NodeId]!));
  /** Tokens that fit a field of CSS; the field offers them as one types. */
  const tokens = $derived(field.property ? Object.values(wb.project.tokens).filter(({ id }) => checkValue(field.property!, `{${id}}`, wb.project.tokens).ok) : []);
  const tokenList = $derived(`tokens-${field.key}`);
  let fault = $state('');
  let gesture = 0;

  function set(to: Json, merge: string | null = null): void {
    try {
      field.schema.validateSync(to, { strict: true });
    } catch (error) {
      if (!(error instanceof ValidationError)) throw error;
      fault = error.message;
      return;
    }
    fault = '';
    const refusal = wb.dispatch({ type: 'set-setting', id: node.id, key: field.key, value: to }, merge && `${merge} ${node.id} ${field.key} ${gesture}`);
    if (refusal) fault = refusal.sentence;
  }

  function setWidth(text: string): void {
    // The field shows “640 px”; CSS itself has no space there.
    const worked = parseQuantity(evaluate(text.replace(/\s+px/g, 'px'), 'px') ?? '');
    if (!worked || (worked.unit !== 'px' && worked.value !== 0)) fault = `${field.label} takes a width in px, such as 640 or 720-80.`;
    else set(worked.value);
  }

  function setNumber(text: string): void {
    const worked = parseQuantity(evaluate(text.replace(/[%\s]/g, ''), '') ?? '');
    if (!worked) fault = `${field.label} takes a number, such as 50.`;
    else set(worked.value);
  }

  function widthKeys(event: KeyboardEvent): void {
    const by = { ArrowUp: 1, ArrowDown: -1 }[event.key];
    if (event.key === 'Enter') (field.control === 'number' ? setNumber : setWidth)((event.target as HTMLInputElement).value);
    if (!by) return;
    event.preventDefault();
    set(Math.max(0, (value as number) + by * (event.shiftKey ? 10 : 1)), 'step');
  }
</script>

{#if field.live}<span class="live" title="Editing does not show it">acts {field.live}</span>{/if}
{#if field.control === 'choice'}
  <Select size="sm" labelText={field.label} helperText={field.help ?? ''} selected={value as string} on:change={(event) => set((event.target as HTMLSelectElement).value)}>
    {#each Object.entries(field.choices ?? {}) as [choice, text] (choice)}<SelectItem value={choice} {text} />{/each}
  </Select>
{:else if field.control === 'item'}
  <Select size="sm" labelText={field.label} helperText={field.help ?? ''} selected={value as string} on:change={(event) => set((event.target as HTMLSelectElement).value)}>
    <SelectItem value="" text="the first that can be" />
    {#each items as item (item.id)}<SelectItem value={item.id} text={item.name} />{/each}
  </Select>
{:else if field.control === 'toggle'}
  <div class="toggle">
    <Toggle size="sm" labelText={field.label} labelA="no" labelB="yes" toggled={value as boolean} on:toggle={({ detail }) => detail.toggled !== value && set(detail.toggled)} />
    {#if field.help}<p>{field.help}</p>{/if}
  </div>
{:else if field.control === 'width'}
  <TextInput
    size="sm"
    labelText={field.label}
    helperText={field.help ?? ''}
    invalid={fault !== ''}
    invalidText={fault}
    value={`${value as number} px`}
    on:change={({ detail }) => setWidth(String(detail))}
    on:keydown={widthKeys}
  />
{:else if field.control === 'number'}
  <TextInput
    size="sm"
    labelText={field.label}
    helperText={field.help ?? ''}
    invalid={fault !== ''}
    invalidText={fault}
    value={`${value as number} ${field.unit}`}
    on:change={({ detail }) => setNumber(String(detail))}
    on:keydown={widthKeys}
  />
{:else if field.control === 'shares'}
  {#await import('./SharesField.svelte') then { default: SharesField }}
    <SharesField label={field.label} help={field.help ?? ''} value={value as string} {fault} names={(node.slots.columns ?? []).map((id) => wb.project.nodes[id as NodeId]!.name)} onchange={(text, isDrag) => set(text, isDrag ? 'drag' : null)} onstart={() => (gesture += 1)} />
  {/await}
{:else if field.control === 'place'}
  {#await import('./FocusField.svelte') then { default: FocusField }}
    <FocusField label={field.label} value={value as string} picture={wb.blobs.get(node.settings.picture as AssetId) ?? null} help={field.help ?? ''} {fault} onchange={(text, isDrag) => set(text, isDrag ? 'drag' : null)} onstart={() => (gesture += 1)} />
  {/await}
{:else if field.control === 'asset'}
  {#await import('./AssetField.svelte') then { default: AssetField }}
    <AssetField {wb} {node} key={field.key} label={field.label} help={field.help ?? ''} media={field.media ?? 'picture'} value={value as string} onchange={(id) => set(id)} />
  {/await}
{:else if field.control === 'icon'}
  {#await import('./IconField.svelte') then { default: IconField }}
    <IconField label={field.label} help={field.help} value={value as Icon | null} onchange={(icon) => set(icon as unknown as Json)} />
  {/await}
{:else if field.control === 'rich'}
  {#await import('./RichField.svelte') then { default: RichField }}
    <RichField label={field.label} value={value as string} takesFocus={wb.editing === node.id} onchange={(html) => set(html, 'write')} onfocus={() => (gesture += 1)} ondone={() => (wb.editing = null)} />
  {/await}
{:else}
  {#if tokens.length > 0}<datalist id={tokenList}>{#each tokens as each (each.id)}<option value={`{${each.id}}`}>{each.name}</option>{/each}</datalist>{/if}
  <TextInput
    size="sm"
    labelText={field.label}
    helperText={field.help ?? ''}
    invalid={fault !== ''}
    invalidText={fault}
    value={value as string}
    list={tokens.length > 0 ? tokenList : undefined}
    on:focus={() => (gesture += 1)}
    on:input={({ detail }) => set(String(detail ?? ''), 'write')}
  />
{/if}

<style>
  .live {
    justify-self: start;
    padding: 0 6px;
    margin-bottom: 2px;
    font-size: 11px;
    color: var(--ink-2);
    border: 1px solid var(--line);
    border-radius: 8px;
  }
  .toggle p {
    margin: 2px 0 0;
    font-size: 12px;
    color: var(--ink-2);
  }
  .toggle :global(.bx--form-item) {
    flex: none;
  }
  .toggle :global(.bx--toggle__switch),
  .toggle :global(.bx--toggle-input__label .bx--toggle__switch) {
    margin-top: 6px;
  }
</style>
