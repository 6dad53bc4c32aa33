<script lang="ts">
  import { ValidationError } from 'yup';
  import { settingsWithDefaults } from '$core/kinds/settings';
  import { checkValue } from '$core/css/values';
  import type { Icon } from '$core/html/icon';
  import { evaluate } from '$core/css/arithmetic';
  import { parseQuantity } from '$core/css/quantity';
  import type { Track } from '$core/motion/track';
  import type { AssetId, Json, Node, NodeId } from '$core/project/types';
  import { registry } from '$core/registry';
  import type { FieldSpec } from '$lib/state/fields';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb, node, field }: { wb: Workbench; node: Node; field: FieldSpec } = $props();

  const value = $derived(settingsWithDefaults(registry.of(node), node)[field.key]);
  const items = $derived(
    (field.slot ? (node.slots[field.slot] ?? []) : []).map((id) => wb.project.nodes[id as NodeId]!)
  );
  /** Tokens that fit a field of CSS; the field offers them as one types. */
  const tokens = $derived(
    field.property
      ? Object.values(wb.project.tokens).filter(
          ({ id }) => checkValue(field.property!, `{${id}}`, wb.project.tokens).ok
        )
      : []
  );
  const tokenList = $derived(`tokens-${field.key}`);
  const id = $props.id();
  /** Fields with a picture, a drawing or tools of their own bring their label and take the whole row. */
  const WIDE: readonly string[] = ['rich', 'shares', 'icon'];
  const isWide = $derived(WIDE.includes(field.control));
  /** It differs from how the piece comes. */
  const isOwn = $derived(Object.hasOwn(node.settings, field.key));
  const about = $derived(
    [field.help ?? '', field.live ? `It acts ${field.live}; editing does not show it.` : '']
      .filter(Boolean)
      .join(' ')
  );
  const showsOwnFault = $derived(field.control === 'shares');
  let showsAbout = $state(false);
  let fault = $state('');
  const describedBy = $derived(
    [about ? `${id}-about` : '', fault ? `${id}-fault` : ''].filter(Boolean).join(' ') || undefined
  );
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
    const refusal = wb.dispatch(
      { type: 'set-setting', id: node.id, key: field.key, value: to },
      merge && `${merge} ${node.id} ${field.key} ${gesture}`
    );
    if (refusal) fault = refusal.sentence;
  }

  function setWidth(text: string): void {
    // The field shows “640 px”; CSS itself has no space there.
    const worked = parseQuantity(evaluate(text.replace(/\s+px/g, 'px'), 'px') ?? '');
    if (!worked || (worked.unit !== 'px' && worked.value !== 0))
      fault = `${field.label} takes a width in px, such as 640 or 720-80.`;
    else set(worked.value);
  }

  function setNumber(text: string): void {
    const worked = parseQuantity(evaluate(text.replace(/[%\s]/g, ''), '') ?? '');
    if (!worked) fault = `${field.label} takes a number, such as 50.`;
    else set(worked.value);
  }

  function widthKeys(event: KeyboardEvent): void {
    const by = { ArrowUp: 1, ArrowDown: -1 }[event.key];
    if (event.key === 'Enter')
      (field.control === 'number' ? setNumber : setWidth)((event.target as HTMLInputElement).value);
    if (!by) return;
    event.preventDefault();
    set(Math.max(0, (value as number) + by * (event.shiftKey ? 10 : 1)), 'step');
  }
</script>

<div class="field" class:wide={isWide} class:own={isOwn} data-field={field.key}>
  {#if !isWide}
    <span class="name">
      <label for={id}>{field.label}</label>
      {#if about}
        <button
          type="button"
          class="ask"
          aria-label="About {field.label}"
          aria-expanded={showsAbout}
          title={about}
          onclick={() => (showsAbout = !showsAbout)}>?</button
        >
      {/if}
    </span>
  {/if}
  <div class="input">
    {#if field.control === 'choice'}
      <select
        {id}
        aria-describedby={describedBy}
        value={value as string}
        onchange={(event) => set(event.currentTarget.value)}
      >
        {#each Object.entries(field.choices ?? {}) as [choice, text] (choice)}<option value={choice}
            >{text}</option
          >{/each}
      </select>
    {:else if field.control === 'track'}
      <select
        {id}
        aria-describedby={describedBy}
        value={(value as unknown as Track).form}
        onchange={(event) => set({ ...(value as unknown as Track), form: event.currentTarget.value } as Json)}
      >
        {#each Object.entries(field.choices ?? {}) as [choice, text] (choice)}<option value={choice}
            >{text}</option
          >{/each}
      </select>
    {:else if field.control === 'item'}
      <select
        {id}
        aria-describedby={describedBy}
        value={value as string}
        onchange={(event) => set(event.currentTarget.value)}
      >
        <option value="">the first that can be</option>
        {#each items as item (item.id)}<option value={item.id}>{item.name}</option>{/each}
      </select>
    {:else if field.control === 'toggle'}
      <span class="toggle"
        ><input
          {id}
          type="checkbox"
          role="switch"
          aria-describedby={describedBy}
          checked={value as boolean}
          onchange={(event) => set(event.currentTarget.checked)}
        /><span aria-hidden="true">{value ? 'yes' : 'no'}</span></span
      >
    {:else if field.control === 'width' || field.control === 'number'}
      <input
        {id}
        class="mono"
        aria-describedby={describedBy}
        aria-invalid={fault !== ''}
        value={`${value as number} ${field.control === 'width' ? 'px' : field.unit}`}
        onchange={(event) => (field.control === 'number' ? setNumber : setWidth)(event.currentTarget.value)}
        onkeydown={widthKeys}
      />
    {:else if field.control === 'shares'}
      {#await import('./SharesField.svelte') then { default: SharesField }}
        <SharesField
          label={field.label}
          help={about}
          value={value as string}
          {fault}
          names={(node.slots.columns ?? []).map((id) => wb.project.nodes[id as NodeId]!.name)}
          onchange={(text, isDrag) => set(text, isDrag ? 'drag' : null)}
          onstart={() => (gesture += 1)}
        />
      {/await}
    {:else if field.control === 'place'}
      {#await import('./FocusField.svelte') then { default: FocusField }}
        <FocusField
          {id}
          label={field.label}
          {describedBy}
          value={value as string}
          picture={wb.blobs.get(node.settings.picture as AssetId) ?? null}
          isInvalid={fault !== ''}
          onchange={(text, isDrag) => set(text, isDrag ? 'drag' : null)}
          onstart={() => (gesture += 1)}
        />
      {/await}
    {:else if field.control === 'asset'}
      {#await import('./AssetField.svelte') then { default: AssetField }}
        <AssetField
          {wb}
          {node}
          key={field.key}
          {id}
          label={field.label}
          {describedBy}
          media={field.media ?? 'picture'}
          value={value as string}
          onchange={(id) => set(id)}
        />
      {/await}
    {:else if field.control === 'icon'}
      {#await import('./IconField.svelte') then { default: IconField }}
        <IconField
          label={field.label}
          help={field.help}
          value={value as Icon | null}
          onchange={(icon) => set(icon as unknown as Json)}
        />
      {/await}
    {:else if field.control === 'rich'}
      {#await import('./RichField.svelte') then { default: RichField }}
        <RichField
          label={field.label}
          value={value as string}
          takesFocus={wb.editing === node.id}
          onchange={(html) => set(html, 'write')}
          onfocus={() => (gesture += 1)}
          ondone={() => (wb.editing = null)}
        />
      {/await}
    {:else}
      {#if tokens.length > 0}<datalist id={tokenList}
          >{#each tokens as each (each.id)}<option value={`{${each.id}}`}>{each.name}</option
            >{/each}</datalist
        >{/if}
      <input
        {id}
        class:mono={field.control === 'css'}
        aria-describedby={describedBy}
        aria-invalid={fault !== ''}
        value={value as string}
        list={tokens.length > 0 ? tokenList : undefined}
        onfocus={() => (gesture += 1)}
        oninput={(event) => set(event.currentTarget.value, 'write')}
      />
    {/if}
    {#if fault && !showsOwnFault}<p class="fault" id="{id}-fault" role="alert">{fault}</p>{/if}
    {#if about && !isWide}<p class="about" class:visually-hidden={!showsAbout} id="{id}-about">
        {about}
      </p>{/if}
  </div>
</div>

<style>
  .field {
    display: grid;
    grid-template-columns: minmax(0, 118px) minmax(0, 1fr);
    gap: 8px;
    align-items: start;
    min-width: 0;
  }
  .wide {
    grid-template-columns: minmax(0, 1fr);
    grid-column: 1 / -1;
  }
  .name {
    display: flex;
    gap: 2px;
    align-items: center;
    justify-content: space-between;
    min-height: 26px;
    font-size: 12.5px;
    line-height: 1.2;
    color: var(--ink-2);
  }
  /* What differs from how the piece comes is dark, as in the state sheet. */
  .own .name {
    font-weight: 600;
    color: var(--ink);
  }
  .input {
    min-width: 0;
  }
  .input > :is(input, select) {
    width: 100%;
    height: 26px;
    padding: 0 7px;
    font: inherit;
    color: var(--ink-2);
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
    text-overflow: ellipsis;
  }
  .input > .mono {
    font: 11.5px var(--mono);
  }
  .own .input > :is(input, select) {
    color: var(--ink);
  }
  .input > [aria-invalid='true'] {
    border-color: var(--red);
    outline: 1px solid var(--red);
  }
  .toggle {
    display: inline-flex;
    gap: 7px;
    align-items: center;
    min-height: 26px;
    color: var(--ink-2);
    cursor: pointer;
  }
  .toggle input {
    position: relative;
    width: 30px;
    height: 16px;
    margin: 0;
    appearance: none;
    cursor: pointer;
    background: var(--control-line);
    border-radius: 8px;
  }
  .toggle input::before {
    position: absolute;
    top: 2px;
    left: 2px;
    width: 12px;
    height: 12px;
    content: '';
    background: #fff;
    border-radius: 50%;
  }
  .toggle input:checked {
    background: var(--verdigris);
  }
  .toggle input:checked::before {
    left: 16px;
  }
  .fault {
    margin: 2px 0 0;
    font-size: 12px;
    line-height: 1.3;
    color: var(--red);
  }
  .about {
    margin: 3px 0 0;
    font-size: 12px;
    line-height: 1.35;
    color: var(--ink-2);
  }
  .ask {
    flex: none;
    width: 16px;
    height: 16px;
    padding: 0;
    font: 600 11px/14px var(--sans);
    color: var(--ink-2);
    cursor: pointer;
    background: none;
    border: 1px solid var(--control-line);
    border-radius: 50%;
  }
  .ask[aria-expanded='true'] {
    color: #fff;
    background: var(--ink-2);
  }
</style>
