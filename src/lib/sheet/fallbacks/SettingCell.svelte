<script lang="ts">
  import type { Command } from '$core/commands/commands';
  import { settingsAt } from '$core/compile/context';
  import { settingsWithDefaults } from '$core/kinds/settings';
  import { MS_MOST, STILL_TRACK, type Track } from '$core/motion/track';
  import type { ConditionName, Json } from '$core/project/types';
  import type { FieldSpec } from '$lib/state/fields';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb, field, condition }: { wb: Workbench; field: FieldSpec; condition: ConditionName } = $props();

  const node = $derived(wb.tuned);
  const value = $derived(
    condition === 'always'
      ? settingsWithDefaults(wb.kind, node)[field.key]
      : settingsAt(wb.kind, node, condition)[field.key]
  );
  const isOwn = $derived(
    condition === 'always'
      ? Object.hasOwn(node.settings, field.key)
      : node.adapt[condition]?.[field.key] !== undefined
  );
  const isKinds = $derived(
    !isOwn && condition !== 'always' && wb.kind.adapt?.[condition]?.[field.key] !== undefined
  );
  const fixed = $derived(condition === 'always' ? undefined : field.fixed?.[condition]);
  const track = $derived(field.control === 'track' ? (value as unknown as Track) : null);
  const chosen = $derived(isOwn || isKinds || condition === 'always' ? wordOf() : '');
  function wordOf(): string {
    if (track) return track.form;
    if (field.control === 'toggle') return value ? 'yes' : 'no';
    return String(value);
  }
  const choices = $derived<Readonly<Record<string, string>>>(
    field.control === 'toggle' ? { yes: 'yes', no: 'no' } : (field.choices ?? {})
  );
  const label = $derived(`${field.label}, ${condition === 'always' ? 'wide' : condition}`);
  const ofNothing = $derived(field.label ? 'none' : '');
  let gesture = 0;

  function set(to: Json, merge: string | null = null): void {
    wb.dispatch(
      { type: 'set-setting', id: node.id, key: field.key, value: to, condition },
      merge && `${merge} ${node.id} ${field.key} ${condition} ${gesture}`
    );
  }

  function choose(word: string): void {
    if (word === '')
      return void wb.dispatch({ type: 'clear-setting', id: node.id, key: field.key, condition });
    const moving = track && track.ms > 0 ? track : { ...STILL_TRACK, ms: 240, easing: 'ease-out' };
    if (track) set({ ...moving, form: word } as Json);
    else set(field.control === 'toggle' ? word === 'yes' : word);
  }

  function setMs(text: string): void {
    const ms = Number(text);
    if (Number.isFinite(ms))
      set({ ...track!, ms: Math.min(MS_MOST, Math.max(0, Math.round(ms))) } as Json, 'ms');
  }

  /** What is no choice is written: widths of columns, lengths, places. An empty cell is as the wider band. */
  const isText = $derived(Object.keys(choices).length === 0);
  let fault = $state('');

  function write(text: string): void {
    if (text === '' && condition !== 'always') {
      fault = '';
      if (isOwn) wb.dispatch({ type: 'clear-setting', id: node.id, key: field.key, condition });
      return;
    }
    const isNumber = field.control === 'number' || field.control === 'width';
    const to: Json = isNumber ? Number(text.replace(/[^\d.-]/g, '')) : text;
    const command: Command = { type: 'set-setting', id: node.id, key: field.key, value: to, condition };
    fault = wb.refusal(command)?.sentence ?? '';
    if (!fault) wb.dispatch(command);
  }

  const inherited = $derived(
    condition === 'narrow' && node.adapt.medium?.[field.key] !== undefined ? 'as medium' : 'as wide'
  );
</script>

{#if fixed}
  <td class="fixed" title="Here {fixed}"><span>{track ? 'none' : (choices[chosen] ?? '—')}</span></td>
{:else}
  <td class:own={isOwn} class:faint={chosen === ''}>
    <div>
      {#if isText}
        <input
          class="mono text"
          class:bad={fault}
          aria-label={label}
          title={fault || undefined}
          aria-invalid={fault ? 'true' : undefined}
          value={chosen}
          placeholder={condition === 'always' ? ofNothing : inherited}
          onchange={(event) => write(event.currentTarget.value.trim())}
        />
      {:else}
        <select aria-label={label} value={chosen} onchange={(event) => choose(event.currentTarget.value)}>
          {#if condition !== 'always'}<option value="">{isKinds ? 'as it comes' : inherited}</option>{/if}
          {#each Object.entries(choices) as [choice, words] (choice)}<option value={choice}>{words}</option
            >{/each}
        </select>
      {/if}
      {#if track && chosen !== '' && track.form !== 'none'}
        <input
          class="mono"
          aria-label="{label}, ms"
          value={track.ms}
          onfocus={() => (gesture += 1)}
          onchange={(event) => setMs(event.currentTarget.value)}
        /><span class="unit">ms</span>
      {/if}
    </div>
  </td>
{/if}

<style>
  td {
    padding: 0;
    border-bottom: 1px solid var(--faint-line);
    border-left: 1px solid var(--faint-line);
  }
  div {
    display: flex;
    align-items: center;
    min-width: 0;
  }
  select {
    flex: 1;
    width: 0;
    min-width: 0;
    height: 26px;
    padding: 0 0 0 8px;
    font: inherit;
    color: var(--ink);
    text-overflow: ellipsis;
    cursor: pointer;
    background: none;
    border: 0;
    border-radius: 0;
    appearance: none;
  }
  select:hover,
  select:focus-visible {
    background: #fff;
    appearance: auto;
  }
  .own select {
    font-weight: 600;
  }
  .faint select {
    color: var(--ink-3);
  }
  .fixed {
    padding: 0 8px;
    color: var(--ink-2);
    background: var(--sunk);
  }
  input {
    width: 34px;
    height: 22px;
    padding: 0 2px;
    text-align: right;
    background: none;
    border: 1px solid transparent;
  }
  input.text {
    flex: 1;
    width: 100%;
    min-width: 0;
    height: 26px;
    padding: 0 6px;
    text-align: left;
  }
  .own input.text {
    font-weight: 600;
  }
  input.bad {
    border-color: var(--red);
  }
  input:hover,
  input:focus {
    background: #fff;
    border-color: var(--control-line);
  }
  .unit {
    padding-right: 4px;
    font-size: 11px;
    color: var(--ink-2);
  }
</style>
