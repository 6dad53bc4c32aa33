<script lang="ts">
  import type { Command } from '$core/commands/commands';
  import { usesOf } from '$core/commands/token-uses';
  import { equalCells } from '$core/commands/tokens';
  import { spelt } from '$core/css/tokens';
  import { printTypeStyle } from '$core/css/type-style';
  import { newId, slug } from '$core/project/ids';
  import { TOKEN_TYPES, type Token, type TokenId, type TokenType } from '$core/project/types';
  import Typefaces from './Typefaces.svelte';
  import TypeStyleToken from './TypeStyleToken.svelte';
  import { saveFile } from '$lib/state/exporting';
  import { goToUse } from '$lib/state/going';
  import SidePanel from './SidePanel.svelte';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb }: { wb: Workbench } = $props();

  const tokens = $derived(Object.values(wb.project.tokens));
  const groups = $derived(
    TOKEN_TYPES.map((type) => ({ type, tokens: tokens.filter((token) => token.type === type) })).filter(
      (group) => group.tokens.length > 0
    )
  );
  let type = $state<TokenType>('colour');
  let name = $state('');
  let value = $state('');
  let faults = $state.raw<ReadonlyMap<string, string>>(new Map());
  let shown = $state<TokenId | null>(null);
  let gesture = 0;

  function set(token: Token, merge: string | null = null): void {
    const command: Command = { type: 'set-token', token };
    const refusal = wb.refusal(command);
    faults = new Map([...faults, [token.id, refusal?.sentence ?? '']]);
    if (!refusal) wb.dispatch(command, merge && `${merge} ${token.id} ${gesture}`);
  }

  function add(): void {
    const token: Token = {
      id: newId<TokenId>(slug(name) || type),
      name: name.trim(),
      type,
      value: type === 'type-style' ? NEW_STYLE : value.trim()
    };
    const refusal = wb.refusal({ type: 'set-token', token });
    faults = new Map([...faults, ['new', refusal?.sentence ?? '']]);
    if (refusal) return;
    wb.dispatch({ type: 'set-token', token });
    name = value = '';
  }

  let notes = $state.raw<readonly string[]>([]);

  async function takeFile(file: File | undefined): Promise<void> {
    if (!file) return;
    const { readDesignTokens } = await import('$core/formats/design-tokens');
    const read = readDesignTokens(await file.text(), wb.project.tokens);
    if (!read.ok) {
      notes = [`${file.name}: ${read.sentence}`];
      return;
    }
    const refusal = wb.dispatch({
      type: 'batch',
      label: `Take ${read.tokens.length} tokens from ${file.name}`,
      commands: read.tokens.map((token) => ({ type: 'set-token', token }))
    });
    notes = refusal
      ? [refusal.sentence]
      : [`${read.tokens.length} tokens taken from ${file.name}.`, ...read.notes];
  }

  async function giveFile(): Promise<void> {
    const { writeDesignTokens } = await import('$core/formats/design-tokens');
    saveFile(
      `${slug(wb.project.info.name) || 'project'}.tokens.json`,
      new Blob([writeDesignTokens(wb.project.tokens)], { type: 'application/design-tokens+json' })
    );
  }

  function bind(token: Token): void {
    const cells = equalCells(wb.project, token);
    wb.dispatch({
      type: 'batch',
      label: `Bind ${cells.length} equal values to ${token.name}`,
      commands: cells.map(({ use, ...cell }) => ({ type: 'set-style', ...cell, value: use }))
    });
  }

  /** What a new type style starts with; one that a piece has already is saved from its cells. */
  const NEW_STYLE = printTypeStyle({
    'font-family': 'system-ui, sans-serif',
    'font-size': '16px',
    'font-weight': '400',
    'line-height': '1.5',
    'letter-spacing': '0'
  });
  const words = (each: TokenType) => each.replace('-', ' ');

  const colourOf = (token: Token) => {
    const spelled = spelt(token.value, wb.project.tokens);
    return spelled.ok ? spelled.value : 'none';
  };
</script>

<SidePanel {wb} label="Tokens">
  <Typefaces {wb} />
  {#each groups as group (group.type)}
    <h3>{words(group.type)}</h3>
    {#each group.tokens as token (token.id)}
      {@const uses = usesOf(wb.registry, wb.project, token.id)}
      <div class="token" data-token={token.id}>
        <span
          class="swatch"
          style:background={token.type === 'colour' ? colourOf(token) : 'none'}
          class:empty={token.type !== 'colour'}
        ></span>
        <input
          aria-label="Name of {token.name}"
          value={token.name}
          maxlength="80"
          onchange={(event) => set({ ...token, name: event.currentTarget.value.trim() })}
        />
        {#if token.type === 'type-style'}
          <TypeStyleToken {wb} {token} onset={(next) => set(next, 'value')} onbegin={() => (gesture += 1)} />
        {:else}
          <input
            class="mono"
            aria-label="Value of {token.name}"
            value={token.value}
            onfocus={() => (gesture += 1)}
            oninput={(event) => set({ ...token, value: event.currentTarget.value.trim() }, 'value')}
          />
        {/if}
        <button
          type="button"
          class="link"
          aria-expanded={shown === token.id}
          onclick={() => (shown = shown === token.id ? null : token.id)}>×{uses.length}</button
        >
        <button
          type="button"
          class="link"
          aria-label="Delete {token.name}"
          onclick={() => wb.dispatch({ type: 'remove-token', id: token.id })}>Delete</button
        >
      </div>
      {#if faults.get(token.id)}<p class="fault" role="alert">{faults.get(token.id)}</p>{/if}
      {#if shown === token.id}
        {@const equal = equalCells(wb.project, token).length}
        {#if equal > 0}<p class="note">
            {equal}
            {equal === 1 ? 'cell holds' : 'cells hold'} the same value, written out.
            <button type="button" class="link" onclick={() => bind(token)}
              >Bind {equal === 1 ? 'it' : 'them'} to {token.name}</button
            >
          </p>{/if}
        <ul>
          {#each uses as use, i (i)}
            <li>
              {#if use.isOnShelf}{use.where}{:else}
                <button type="button" class="link" onclick={() => goToUse(wb, use)}>{use.where}</button>
              {/if}
            </li>
          {:else}
            <li>Nothing uses it yet. In a cell of the state sheet, pick it from the list below the field.</li>
          {/each}
        </ul>
      {/if}
    {/each}
  {:else}
    <p class="note">
      No tokens yet. A token gives a value a name; every cell that takes it follows when it changes. Add one
      here, or press “Save as token” while a cell is being edited.
    </p>
  {/each}
  <form
    onsubmit={(event) => {
      event.preventDefault();
      add();
    }}
  >
    <select aria-label="Type of the new token" bind:value={type}>
      {#each TOKEN_TYPES as each (each)}<option value={each}>{words(each)}</option>{/each}
    </select>
    <input aria-label="Name of the new token" placeholder="Name" maxlength="80" bind:value={name} />
    {#if type !== 'type-style'}<input
        class="mono"
        aria-label="Value of the new token"
        placeholder="Value"
        bind:value
      />{/if}
    <button type="submit" class="main">Add</button>
  </form>
  {#if faults.get('new')}<p class="fault" role="alert">{faults.get('new')}</p>{/if}
  <div class="files">
    <label class="link"
      >Import design tokens…<input
        type="file"
        accept=".tokens,.json,application/json"
        aria-label="Import design tokens"
        onchange={(event) =>
          void takeFile(event.currentTarget.files?.[0]).then(() => (event.currentTarget.value = ''))}
      /></label
    >
    <button type="button" class="link" disabled={tokens.length === 0} onclick={giveFile}
      >Export design tokens</button
    >
  </div>
  {#if notes.length > 0}<ul class="notes" role="status">
      {#each notes as note, i (i)}<li>{note}</li>{/each}
    </ul>{/if}
</SidePanel>

<style>
  .files {
    display: flex;
    gap: 14px;
    padding-top: 10px;
  }
  .files label {
    color: var(--verdigris);
    text-decoration: underline;
    cursor: pointer;
  }
  .files input {
    position: absolute;
    width: 1px;
    height: 1px;
    opacity: 0;
  }
  .files label:focus-within {
    outline: 2px solid var(--focus, #2b55a0);
  }
  .notes {
    font-size: 12px;
    color: var(--ink-2);
  }
  .token,
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
    align-items: center;
    padding: 3px 0;
    border-top: 1px solid var(--faint-line);
  }
  form {
    padding-top: 10px;
    margin-top: 12px;
  }
  .swatch {
    width: 14px;
    height: 14px;
    border: 1px solid rgb(31 38 42 / 35%);
    border-radius: 2px;
    flex: none;
  }
  .empty {
    visibility: hidden;
  }
  form select {
    flex: 0 0 90px;
  }
  ul {
    padding: 0 0 4px 20px;
    margin: 0;
    font-size: 12px;
    color: var(--ink-2);
    list-style: none;
  }
</style>
