<script lang="ts">
  import type { Resolved } from '$core/cascade/resolve';
  import { checkValue } from '$core/css/values';
  import { evaluate, parseQuantity, printQuantity } from '$core/css/quantity';
  import { maybeColour } from '$core/colour/contrast';
  import type { StyleProperty } from '$core/css/properties';
  import type { StateName } from '$core/project/types';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import ColourField from './ColourField.svelte';

  interface Props {
    wb: Workbench;
    property: StyleProperty;
    state: StateName;
    resolved: Resolved;
    row: number;
    column: number;
  }

  // `state` would read as a store beside the rune of that name.
  const { wb, property, state: own, resolved, row, column }: Props = $props();

  let isOpen = $state.raw(false);
  let text = $state.raw('');
  let fault = $state.raw('');
  let picks = $state.raw(false);
  let cell = $state.raw<HTMLElement>();
  let gesture = 0;

  const origin = $derived(resolved.origin);
  const isHere = $derived((origin.from === 'own' || origin.from === 'look') && origin.state === own && (wb.at === 'always' ? origin.condition === 'always' : true));
  const isOwn = $derived(origin.from === 'own' && origin.state === own && origin.condition === wb.at);
  const swatch = $derived(property.control === 'colour' && isShown() ? maybeColour(resolved.value) : null);
  const shown = $derived(isShown() ? resolved.value : `as ${'state' in origin ? origin.state : 'rest'}`);
  const why = $derived.by(() => {
    if (isOwn) return 'Set here. Delete takes it away.';
    if (origin.from === 'own') return origin.condition === 'always' ? `Set for ${origin.state}` : `Set for ${origin.state} at ≤ ${origin.condition}`;
    if (origin.from === 'look') return `What ${wb.kind.label} start with`;
    if (origin.from === 'inherited') return `From ${wb.project.nodes[origin.node]?.name ?? 'its parent'}`;
    return 'Not set';
  });

  /** In the rest column every value is worth reading; elsewhere only what that state changes. */
  function isShown(): boolean {
    return own === 'rest' || isHere;
  }

  function set(value: string | null, merge: string | null = null): boolean {
    const refusal = wb.dispatch(
      { type: 'set-style', id: wb.drawn.id, part: wb.currentPart, state: own, condition: wb.at, property: property.property, value },
      merge && `${merge} ${property.property} ${own} ${gesture}`
    );
    if (refusal) fault = refusal.sentence;
    return refusal === null;
  }

  function open(): void {
    if (isOpen) return;
    gesture += 1;
    text = resolved.value;
    fault = '';
    isOpen = true;
  }

  function close(refocuses = true): void {
    isOpen = false;
    picks = false;
    if (refocuses) queueMicrotask(() => cell?.focus());
  }

  /** Arithmetic in each term: `80-40 16px` is two lengths. */
  function worked(value: string): string {
    if (property.control === 'length') return evaluate(value, 'px') ?? value;
    if (property.control === 'number') return evaluate(value, '') ?? value;
    if (property.control !== 'lengths') return value;
    const whole = /^[^\s]+\s*[-+*/]\s+/.test(value) ? evaluate(value, 'px') : null;
    return whole ?? value.trim().split(/\s+/).map((term) => evaluate(term, 'px') ?? term).join(' ');
  }

  function commit(refocuses = true): void {
    if (!isOpen) return;
    const value = worked(text);
    if (value.trim() === '') {
      set(null);
      return close(refocuses);
    }
    if (value === resolved.value && !isOwn) return close(refocuses);
    const checked = checkValue(property.property, value);
    if (!checked.ok) {
      fault = checked.sentence;
      return;
    }
    if (set(checked.value)) close(refocuses);
  }

  function onkeydown(event: KeyboardEvent): void {
    if (event.key === 'Escape') {
      event.stopPropagation();
      close();
    }
    // The picker and its button have their own use for the other keys.
    if (!(event.target instanceof HTMLInputElement && event.target.classList.contains('typed')) && !(event.target instanceof HTMLSelectElement)) return;
    if (event.key === 'Enter') {
      event.preventDefault();
      event.stopPropagation();
      commit();
    }
    if (event.key === 'ArrowUp' || event.key === 'ArrowDown') stepBy(event, (event.key === 'ArrowUp' ? 1 : -1) * (event.shiftKey ? 10 : 1));
  }

  function stepBy(event: Event, by: number): void {
    const quantity = parseQuantity(text);
    if (!quantity || property.control === 'colour') return;
    event.preventDefault();
    const size = property.property === 'opacity' || property.control === 'number' ? by / 20 : by;
    text = printQuantity({ ...quantity, value: quantity.value + size });
    set(text, 'step');
  }

  function cellKeys(event: KeyboardEvent): void {
    if (event.key === 'Enter' || event.key === 'F2') {
      event.preventDefault();
      event.stopPropagation();
      open();
    }
    if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault();
      event.stopPropagation();
      if (isOwn) set(null);
    }
    if (/^[\w#.-]$/.test(event.key) && !event.ctrlKey && !event.metaKey && !event.altKey) {
      event.preventDefault();
      event.stopPropagation();
      open();
      text = event.key;
    }
  }

  function focusField(input: HTMLInputElement | HTMLSelectElement) {
    input.focus();
    if (input instanceof HTMLInputElement && text.length > 1) input.select();
  }

  function leave(event: FocusEvent): void {
    const to = event.relatedTarget as Node | null;
    if (to && (event.currentTarget as HTMLElement).contains(to)) return;
    commit(false);
    if (isOpen && fault) {
      wb.message = { kind: 'error', text: `${fault} The old value stays.` };
      close(false);
    }
  }
</script>

{#if isOpen}
  <div class="editor" role="gridcell" tabindex="-1" bind:this={cell} onfocusout={leave} {onkeydown}>
    {#if property.control === 'colour'}
      <button type="button" class="swatch" style:background={text} aria-label="Pick a colour" aria-expanded={picks} onclick={() => (picks = !picks)}></button>
    {/if}
    {#if property.control === 'choice'}
      <select aria-label="{property.label}, {own}" bind:value={text} use:focusField onchange={() => commit()}>
        {#each property.choices ?? [] as choice (choice)}<option>{choice}</option>{/each}
      </select>
    {:else}
      <input
        class="mono typed"
        aria-label="{property.label}, {own}"
        aria-invalid={fault !== ''}
        bind:value={text}
        use:focusField
        oninput={() => (fault = '')}
        onwheel={(event) => stepBy(event, (event.deltaY < 0 ? 1 : -1) * (event.shiftKey ? 10 : 1))}
        spellcheck="false"
        autocomplete="off"
      />
    {/if}
    {#if fault}<span class="fault" role="alert">{fault}</span>{/if}
    {#if picks}
      <div class="picker">
        <ColourField
          value={text}
          onchange={(colour) => {
            text = colour;
            set(colour, 'pick');
          }}
        />
      </div>
    {/if}
  </div>
{:else}
  <div
    class="cell {isOwn ? 'own' : isShown() ? 'look' : 'as'}"
    role="gridcell"
    tabindex={row === 0 && column === 0 ? 0 : -1}
    data-cell="{row},{column}"
    data-property={property.property}
    data-state={own}
    title="{property.label}, {own}: {resolved.value}. {why}"
    bind:this={cell}
    onclick={open}
    onkeydown={cellKeys}
  >
    {#if swatch}<span class="swatch" style:background={resolved.value}></span>{/if}
    <span class="value" class:mono={isShown()}>{shown}</span>
  </div>
{/if}

<style>
  .cell {
    gap: 7px;
    cursor: text;
    user-select: none;
  }
  .cell:hover {
    background: #fff;
  }
  .cell:focus-visible,
  .editor {
    outline: 2px solid var(--verdigris);
    outline-offset: -2px;
  }
  .value {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .own {
    font-weight: 600;
    color: var(--ink);
  }
  .look,
  .as {
    color: var(--ink-3);
  }
  .swatch {
    width: 13px;
    height: 13px;
    padding: 0;
    border: 1px solid rgb(31 38 42 / 35%);
    border-radius: 2px;
    flex: none;
  }
  .editor {
    position: relative;
    gap: 6px;
    background: #fff;
  }
  .editor .swatch {
    width: 18px;
    height: 18px;
    cursor: pointer;
  }
  input,
  select {
    width: 100%;
    min-width: 0;
    height: 23px;
    padding: 0;
    background: none;
    border: 0;
    outline: none;
  }
  .fault {
    position: absolute;
    top: 100%;
    left: -2px;
    z-index: 5;
    width: 240px;
    padding: 6px 8px;
    font-size: 12px;
    color: var(--red);
    background: #fff;
    border: 1px solid var(--red);
    border-radius: 3px;
  }
  .picker {
    position: fixed;
    bottom: 60px;
    right: 24px;
    z-index: 6;
  }
</style>
