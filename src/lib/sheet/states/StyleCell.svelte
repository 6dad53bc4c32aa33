<script lang="ts">
  import type { Command } from '$core/commands/commands';
  import type { Resolved } from '$core/cascade/resolve';
  import { checkValue } from '$core/css/values';
  import { parseQuantity, printQuantity } from '$core/css/quantity';
  import { arithmetic, readyArithmetic } from '$lib/state/arithmetic';
  import { familiesOf, isSerif } from '$core/faces/faces';
  import { maybeColour } from '$core/colour/contrast';
  import type { StyleProperty } from '$core/css/properties';
  import { spelt as speltOut, withNames } from '$core/css/tokens';
  import { isTypeMember } from '$core/css/type-style';
  import { newId, slug } from '$core/project/ids';
  import type { StateName, Token, TokenId, TokenType } from '$core/project/types';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import ColourField from './ColourField.svelte';
  import { compact } from '$core/data/compact';

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
  /** What the field held when it was opened; null once something has been set from it. */
  let opened: string | null = null;

  const origin = $derived(resolved.origin);
  const isHere = $derived(
    (origin.from === 'own' || origin.from === 'look') &&
      origin.state === own &&
      (wb.at === 'always' ? origin.condition === 'always' : true)
  );
  const token = $derived(resolved.token && isShown() ? wb.project.tokens[resolved.token] : undefined);
  /** The row of type styles names the style; here stands what it comes to. */
  const isOfStyle = $derived(token?.type === 'type-style');
  /** Kinds of token that can stand in this cell. */
  const types = $derived<readonly TokenType[]>(
    {
      colour: ['colour'],
      length: ['length'],
      lengths: ['length'],
      number: ['number'],
      choice: property.property === 'font-weight' ? ['weight'] : [],
      angle: [],
      text:
        {
          'box-shadow': ['shadow'],
          'font-family': ['typeface'],
          transition: ['duration', 'easing'],
          outline: ['colour']
        }[property.property] ?? []
    }[property.control] as readonly TokenType[]
  );
  const tokens = $derived(
    Object.values(wb.project.tokens).flatMap((each) => {
      if (each.type === 'type-style')
        return isTypeMember(property.property)
          ? [
              {
                ...each,
                use: `{${each.id}.${property.property}}`,
                value: spelt(`{${each.id}.${property.property}}`, wb.project.tokens)
              }
            ]
          : [];
      return types.includes(each.type) ? [{ ...each, use: `{${each.id}}` }] : [];
    })
  );
  /** Families of the project's own files, offered where a typeface is named. */
  const families = $derived(property.property === 'font-family' ? familiesOf(wb.project.assets) : []);
  const isOwn = $derived(origin.from === 'own' && origin.state === own && origin.condition === wb.at);
  const swatch = $derived(property.control === 'colour' && isShown() ? maybeColour(resolved.value) : null);
  const shown = $derived.by(() => {
    if (!isShown()) return `as ${'state' in origin ? origin.state : 'rest'}`;
    if (property.property === 'transition' && resolved.written === 'all') return 'at once';
    if (isOfStyle) return resolved.value;
    return token?.name ?? withNames(resolved.written, wb.project.tokens);
  });
  /** Whether the value is set here, shown since it is looked for here, or only passed on. */
  const standing = $derived.by(() => {
    if (isOwn) return 'own';
    return isShown() ? 'look' : 'as';
  });
  const why = $derived.by(() => {
    if (isOwn) return 'Set here. Delete takes it away.';
    if (origin.from === 'own')
      return origin.condition === 'always'
        ? `Set for ${origin.state}`
        : `Set for ${origin.state} at ≤ ${origin.condition}`;
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
      {
        type: 'set-style',
        id: wb.tuned.id,
        part: wb.currentPart,
        state: own,
        condition: wb.at,
        property: property.property,
        value
      },
      merge && `${merge} ${property.property} ${own} ${gesture}`
    );
    if (refusal) fault = refusal.sentence;
    else opened = null;
    return refusal === null;
  }

  function open(): void {
    if (isOpen) return;
    gesture += 1;
    void arithmetic();
    text = isOfStyle ? resolved.value : resolved.written;
    opened = text;
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
    const evaluate = readyArithmetic();
    if (value.includes('{') || !evaluate) return value;
    if (property.control === 'length') return evaluate(value, 'px') ?? value;
    if (property.control === 'angle') return evaluate(value, 'deg') ?? value;
    if (property.control === 'number') return evaluate(value, '') ?? value;
    if (property.control !== 'lengths') return value;
    const whole = /^[^\s]+\s*[-+*/]\s+/.test(value) ? evaluate(value, 'px') : null;
    return (
      whole ??
      value
        .trim()
        .split(/\s+/)
        .map((term) => evaluate(term, 'px') ?? term)
        .join(' ')
    );
  }

  function commit(refocuses = true): void {
    if (!isOpen) return;
    if (!readyArithmetic()) return void arithmetic().then(() => commit(refocuses));
    const value = worked(text);
    if (value.trim() === '') {
      set(null);
      return close(refocuses);
    }
    if (text === opened) return close(refocuses);
    const checked = checkValue(property.property, value, wb.project.tokens);
    if (!checked.ok) {
      fault = checked.sentence;
      return;
    }
    if (set(checked.value)) close(refocuses);
  }

  function takeToken(use: string): void {
    const whole =
      property.control === 'text' &&
      property.property !== 'box-shadow' &&
      property.property !== 'font-family';
    text = whole ? `${text.trim()} ${use}`.trim() : use;
    if (!whole) commit();
  }

  /** Gives the value a name, and the cell the name. */
  function saveToken(): void {
    if (!readyArithmetic()) return void arithmetic().then(saveToken);
    const value = worked(text);
    const type = types[0]!;
    const stem = `${wb.kind.anatomy[wb.currentPart]!.label} ${property.label.toLowerCase()}${own === 'rest' ? '' : ` ${own}`}`;
    const name = `${stem[0]!.toUpperCase()}${stem.slice(1)}`;
    const known = Object.values(wb.project.tokens).find((each) => each.type === type && each.value === value);
    const made: Token = known ?? {
      id: newId<TokenId>(slug(stem)),
      name: Object.values(wb.project.tokens).some((each) => each.name === name)
        ? `${name} ${Object.keys(wb.project.tokens).length + 1}`
        : name,
      type,
      value
    };
    const commands = compact<Command>([
      known ? null : { type: 'set-token', token: made },
      {
        type: 'set-style',
        id: wb.tuned.id,
        part: wb.currentPart,
        state: own,
        condition: wb.at,
        property: property.property,
        value: `{${made.id}}`
      }
    ]);
    const refusal = wb.dispatch({ type: 'batch', label: `Token ${made.name}`, commands });
    if (refusal) fault = refusal.sentence;
    else close();
  }

  function onkeydown(event: KeyboardEvent): void {
    if (event.key === 'Escape') {
      event.stopPropagation();
      close();
    }
    // The picker and its button have their own use for the other keys.
    if (
      !(event.target instanceof HTMLInputElement && event.target.classList.contains('typed')) &&
      !(event.target instanceof HTMLSelectElement)
    )
      return;
    if (event.key === 'Enter') {
      event.preventDefault();
      event.stopPropagation();
      commit();
    }
    // A list goes through its own entries by the same keys.
    if (property.control !== 'choice' && (event.key === 'ArrowUp' || event.key === 'ArrowDown'))
      stepBy(event, (event.key === 'ArrowUp' ? 1 : -1) * (event.shiftKey ? 10 : 1));
  }

  function stepBy(event: Event, by: number): void {
    const quantity = parseQuantity(text);
    if (!quantity || property.control === 'colour') return;
    event.preventDefault();
    const size = property.control === 'number' ? by / 20 : by;
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

  const spelt = (value: string, known: typeof wb.project.tokens) => {
    const spelled = speltOut(value, known);
    return spelled.ok ? spelled.value : 'none';
  };

  function focusField(input: HTMLInputElement | HTMLSelectElement) {
    input.focus();
    if (input instanceof HTMLInputElement && text.length > 1) input.select();
  }

  function leave(event: FocusEvent): void {
    const to = event.relatedTarget as Node | null;
    if (to && cell?.contains(to)) return;
    if (!readyArithmetic()) return void arithmetic().then(() => leave(event));
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
      <button
        type="button"
        class="swatch"
        style:background={text}
        aria-label="Pick a colour"
        aria-expanded={picks}
        onclick={() => (picks = !picks)}
      ></button>
    {/if}
    {#if property.control === 'choice'}
      <select
        aria-label="{property.label}, {own}"
        bind:value={text}
        use:focusField
        onchange={() => set(text, 'choose')}
      >
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
    {#if fault}<span class="fault" role="alert">{fault}</span
      >{:else if types.length + tokens.length > 0 && !picks}
      <div class="tokens">
        {#each tokens.slice(0, 8) as each (each.id)}<button
            type="button"
            title="{each.name}: {each.value}"
            onclick={() => takeToken(each.use)}
            >{#if each.type === 'colour'}<span
                class="swatch"
                style:background={spelt(each.value, wb.project.tokens)}
              ></span>{/if}{each.name}</button
          >{/each}
        {#each families as family (family)}<button
            type="button"
            title="A typeface file of this project"
            style:font-weight="600"
            onclick={() => takeToken(`"${family}", ${isSerif(resolved.value) ? 'serif' : 'sans-serif'}`)}
            >{family}</button
          >{/each}
        {#if types.length > 0 && !/^\{[^}]*\}$/.test(text)}<button
            type="button"
            class="save"
            onclick={saveToken}>Save as token</button
          >{/if}
      </div>
    {/if}
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
    class="cell {standing}"
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
    <span class="value" class:mono={isShown() && !token} class:token={token !== undefined}>{shown}</span>
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
  .token {
    padding: 0 4px;
    font-size: 12px;
    background: var(--wash);
    border-radius: 2px;
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
  .tokens {
    position: absolute;
    top: 100%;
    left: -2px;
    z-index: 5;
    display: grid;
    min-width: 100%;
    max-width: 240px;
    padding: 3px;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 0 0 3px 3px;
  }
  .tokens button {
    display: flex;
    gap: 6px;
    align-items: center;
    padding: 2px 6px;
    overflow: hidden;
    font: 12px var(--sans);
    text-align: left;
    text-overflow: ellipsis;
    white-space: nowrap;
    cursor: pointer;
    background: none;
    border: 0;
    border-radius: 2px;
  }
  .tokens button:hover,
  .tokens button:focus-visible {
    background: var(--wash);
  }
  .tokens .swatch {
    width: 11px;
    height: 11px;
  }
  .tokens .save {
    color: var(--verdigris);
  }
  .picker {
    position: fixed;
    bottom: 60px;
    right: 24px;
    z-index: 6;
  }
</style>
