<script lang="ts">
  import { ValidationError } from 'yup';
  import type { Command } from '$core/commands/commands';
  import { maybeNext, momentsAmong, valueAt, withMoved, withValue } from '$core/kinds/moment-sheet';
  import { saysWay } from '$core/kinds/moments';
  import type { Node } from '$core/project/types';
  import type { FieldSpec } from '$lib/state/fields';
  import type { Workbench } from '$lib/state/workbench.svelte';

  /** What changes at which moment of a way: a row for each property, a column for each moment. */
  interface Props {
    wb: Workbench;
    node: Node;
    fields: readonly FieldSpec[];
    settings: Readonly<Record<string, unknown>>;
  }

  const { wb, node, fields, settings }: Props = $props();

  /** With more properties than this, those that change nothing are offered below. */
  const ROWS_MOST = 5;

  const id = $props.id();
  let table: HTMLTableElement | undefined = $state();
  /** Moments and properties that are shown though nothing is said for them yet. */
  let addedMoments = $state.raw<readonly number[]>([]);
  let addedRows = $state.raw<readonly string[]>([]);
  let fault = $state.raw<{ readonly where: string; readonly sentence: string } | null>(null);

  const textOf = ({ key }: FieldSpec) => String(settings[key] ?? '');
  const texts = $derived(Object.fromEntries(fields.map((field) => [field.key, textOf(field)])));
  const moments = $derived([...new Set([...momentsAmong(texts), ...addedMoments])].sort((a, b) => a - b));
  const next = $derived(maybeNext(moments));
  const isShown = (field: FieldSpec) =>
    fields.length <= ROWS_MOST || textOf(field) !== '' || addedRows.includes(field.key);
  const rows = $derived(fields.filter(isShown));
  const others = $derived(fields.filter((field) => !isShown(field)));
  const cellName = (field: FieldSpec, at: number) => `${field.label} at ${at} %`;

  function refusalOf(field: FieldSpec, text: string): string | null {
    try {
      field.schema.validateSync(text, { strict: true });
      return null;
    } catch (error) {
      if (!(error instanceof ValidationError)) throw error;
      return error.message;
    }
  }

  const setting = (field: FieldSpec, value: string): Command => ({
    type: 'set-setting',
    id: node.id,
    key: field.key,
    value
  });

  /** @param where the cell or the moment that was changed, by its name. */
  function change(where: string, next: readonly (readonly [FieldSpec, string])[], label: string): boolean {
    for (const [field, text] of next) {
      const sentence = refusalOf(field, text);
      if (sentence !== null) {
        fault = { where, sentence };
        return false;
      }
    }
    const refusal = wb.dispatch({
      type: 'batch',
      label,
      commands: next.map(([field, text]) => setting(field, text))
    });
    fault = refusal ? { where, sentence: refusal.sentence } : null;
    return refusal === null;
  }

  function setCell(field: FieldSpec, at: number, typed: string): void {
    const text = saysWay(typed) ? typed.trim() : withValue(field.property!, textOf(field), at, typed);
    change(cellName(field, at), [[field, text]], `Change ${field.label.toLowerCase()} of ${node.name}`);
  }

  const written = () => fields.filter((field) => textOf(field) !== '');

  function moveMoment(from: number, typed: string): void {
    const to = Number(typed.replace('%', '').trim());
    const where = `Moment at ${from} %`;
    if (!Number.isInteger(to) || to < 1 || to > 99 || (to !== from && moments.includes(to))) {
      fault = { where, sentence: 'A moment is a whole percent from 1 to 99 that is not there yet.' };
      return;
    }
    const moved = written().map((field) => [field, withMoved(textOf(field), from, to)] as const);
    if (!change(where, moved, `Move a moment of ${node.name}`)) return;
    addedMoments = addedMoments.map((at) => (at === from ? to : at));
  }

  function takeAway(at: number): void {
    const left = written()
      .filter((field) => valueAt(textOf(field), at) !== '')
      .map((field) => [field, withValue(field.property!, textOf(field), at, '')] as const);
    if (!change(`Moment at ${at} %`, left, `Take a moment of ${node.name} away`)) return;
    addedMoments = addedMoments.filter((each) => each !== at);
  }

  function add(at: number): void {
    addedMoments = [...addedMoments, at];
    const column = moments.indexOf(at);
    // The first cell of the new moment, once it is there.
    requestAnimationFrame(() => cellAt(0, column)?.focus());
  }

  const cellAt = (row: number, column: number): HTMLInputElement | null =>
    table?.tBodies[0]?.rows[row]?.cells[column + 1]?.querySelector('input') ?? null;

  function keys(event: KeyboardEvent, row: number, column: number): void {
    const steps: Readonly<Record<string, number>> = { ArrowUp: -1, ArrowDown: 1 };
    const step = steps[event.key];
    if (step === undefined) return;
    event.preventDefault();
    cellAt(row + step, column)?.focus();
  }
</script>

<div class="sheet" role="group" aria-label="Moments">
  {#if fault}<p class="fault" role="alert">{fault.sentence}</p>{/if}
  <p class="about" class:visually-hidden={fault !== null} id="{id}-about">
    From one value to the next that is filled in. A whole way can be typed at once: 0 0 → 0 -12px at 30% → 0
    0.
  </p>
  <table bind:this={table}>
    <thead>
      <tr>
        <td></td>
        {#each moments as at (at)}
          <th scope="col">
            {#if at === 0}
              0 % <small>begins</small>
            {:else if at === 100}
              100 % <small>ends</small>
            {:else}
              <input
                class="at"
                inputmode="numeric"
                aria-label="Moment at {at} %"
                aria-invalid={fault?.where === `Moment at ${at} %`}
                value={at}
                onchange={(event) => moveMoment(at, event.currentTarget.value)}
              />&nbsp;%<button
                type="button"
                class="away"
                aria-label="Take the moment at {at} % away"
                title="Take it away"
                onclick={() => takeAway(at)}>×</button
              >
            {/if}
          </th>
        {/each}
        <th class="more">
          <button type="button" class="add" disabled={next === null} onclick={() => add(next!)}
            >+ Moment</button
          >
        </th>
      </tr>
    </thead>
    <tbody>
      {#each rows as field, row (field.key)}
        <tr class:own={textOf(field) !== ''} data-field={field.key}>
          <th scope="row" title={field.help}>{field.label}</th>
          {#each moments as at, column (at)}
            <td>
              <input
                class="mono"
                aria-label={cellName(field, at)}
                aria-describedby="{id}-about"
                aria-invalid={fault?.where === cellName(field, at)}
                placeholder="–"
                value={valueAt(textOf(field), at)}
                onchange={(event) => setCell(field, at, event.currentTarget.value)}
                onkeydown={(event) => keys(event, row, column)}
              />
            </td>
          {/each}
          <td></td>
        </tr>
      {/each}
    </tbody>
  </table>
  {#if others.length > 0}
    <select
      aria-label="One more property"
      onchange={(event) => {
        addedRows = [...addedRows, event.currentTarget.value];
        event.currentTarget.value = '';
      }}
    >
      <option value="">One more property…</option>
      {#each others as field (field.key)}<option value={field.key}>{field.label}</option>{/each}
    </select>
  {/if}
</div>

<style>
  .sheet {
    grid-column: 1 / -1;
    margin: 2px 0 4px;
    overflow-x: auto;
  }
  table {
    border-collapse: collapse;
  }
  th {
    padding: 0 8px;
    font-size: 12px;
    font-weight: 400;
    color: var(--ink-2);
    text-align: left;
    white-space: nowrap;
  }
  thead th {
    height: 28px;
    font-weight: 600;
    color: var(--ink);
    background: var(--sheet-head, transparent);
    border: 1px solid var(--line);
  }
  thead .more {
    border: 0;
  }
  small {
    font-weight: 400;
    color: var(--ink-2);
  }
  tbody th {
    min-width: 92px;
    padding-left: 0;
    font-size: 12.5px;
  }
  .own th {
    font-weight: 600;
    color: var(--ink);
  }
  tbody td:not(:last-child) {
    padding: 0;
    border: 1px solid var(--line);
  }
  .mono {
    width: 112px;
    height: 26px;
    padding: 0 7px;
    font: 11.5px var(--mono);
    color: var(--ink);
    text-overflow: ellipsis;
    background: #fff;
    border: 0;
  }
  .at {
    width: 34px;
    height: 22px;
    padding: 0 4px;
    font: 600 12px var(--mono);
    color: var(--ink);
    text-align: right;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  input:focus-visible {
    outline: 2px solid var(--blue);
    outline-offset: -2px;
  }
  input[aria-invalid='true'] {
    box-shadow: inset 0 0 0 1px var(--red);
  }
  .away {
    width: 24px;
    height: 24px;
    padding: 0;
    margin-left: 4px;
    font-size: 14px;
    color: var(--ink-2);
    cursor: pointer;
    background: none;
    border: 0;
  }
  .add {
    height: 24px;
    padding: 0 8px;
    font: inherit;
    font-weight: 600;
    color: var(--verdigris);
    cursor: pointer;
    background: none;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .add:disabled {
    color: var(--ink-2);
    cursor: default;
  }
  select {
    height: 26px;
    margin-top: 6px;
    font: inherit;
    color: var(--ink);
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  p {
    margin: 0 0 4px;
    font-size: 12px;
    line-height: 1.35;
    color: var(--ink-2);
  }
  .fault {
    color: var(--red);
  }
</style>
