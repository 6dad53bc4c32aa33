<script lang="ts">
  import { STYLE_PROPERTIES } from '$core/css/properties';
  import { spelt } from '$core/css/tokens';
  import { printTypeStyle, readTypeStyle, TYPE_MEMBERS, type TypeMember } from '$core/css/type-style';
  import type { Token } from '$core/project/types';
  import type { Workbench } from '$lib/state/workbench.svelte';

  /** @param onset is given the token with one of its five values changed. */
  const {
    wb,
    token,
    onset,
    onbegin
  }: { wb: Workbench; token: Token; onset: (token: Token) => void; onbegin: () => void } = $props();

  let isOpen = $state(false);
  const read = $derived(readTypeStyle(token.value));
  const plain = (value: string) => {
    const spelled = spelt(value, wb.project.tokens);
    return spelled.ok ? spelled.value : value;
  };
  const of = (member: TypeMember) => (read.ok ? plain(read.style[member]) : '');
  const summary = $derived(
    `${of('font-weight')} ${of('font-size')} / ${of('line-height')} ${of('font-family').split(',')[0]!.replace(/["']/g, '')}`
  );

  function set(member: TypeMember, value: string): void {
    if (read.ok) onset({ ...token, value: printTypeStyle({ ...read.style, [member]: value.trim() }) });
  }
</script>

<button
  type="button"
  class="summary"
  aria-expanded={isOpen}
  aria-label="Values of {token.name}: {summary}"
  onclick={() => (isOpen = !isOpen)}
>
  <span class="specimen" style:font-family={of('font-family')} style:font-weight={of('font-weight')}>Ag</span>
  <span class="words">{summary}</span>
</button>
{#if isOpen && read.ok}
  <div class="values">
    {#each TYPE_MEMBERS as member (member)}
      <label>
        <span>{STYLE_PROPERTIES.get(member)!.label}</span>
        <input
          aria-label="{STYLE_PROPERTIES.get(member)!.label} of {token.name}"
          value={read.style[member]}
          spellcheck="false"
          autocomplete="off"
          onfocus={onbegin}
          oninput={(event) => set(member, event.currentTarget.value)}
        />
      </label>
    {/each}
  </div>
{/if}

<style>
  .summary {
    display: flex;
    flex: 1.4;
    gap: 7px;
    align-items: center;
    min-width: 0;
    height: 25px;
    padding: 0 6px;
    font: inherit;
    font-size: 12px;
    color: var(--ink);
    text-align: left;
    cursor: pointer;
    background: #fff;
    border: 1px solid var(--line);
    border-radius: 3px;
  }
  .specimen {
    font-size: 16px;
    line-height: 20px;
  }
  .words {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .values {
    display: grid;
    flex: 0 0 100%;
    order: 1;
    grid-template-columns: repeat(2, minmax(0, 1fr));
    gap: 6px 10px;
    padding: 4px 0 8px 20px;
  }
  label:first-child {
    grid-column: 1 / -1;
  }
  label span {
    display: block;
    font-size: 12px;
    color: var(--ink-2);
  }
  input {
    box-sizing: border-box;
    width: 100%;
    height: 25px;
    padding: 0 6px;
    font: 12px var(--mono);
    background: #fff;
    border: 1px solid var(--line);
    border-radius: 3px;
  }
</style>
