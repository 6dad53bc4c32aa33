<script lang="ts">
  import type { Column, Row } from '$core/project/types';

  interface Props {
    columns: readonly Column[];
    rows: readonly Row[];
    /** What the table is called, for screen readers. */
    label: string;
    /** The column it is sorted by; empty for none. */
    by?: string;
    down?: boolean;
  }

  const { columns, rows, label, by = '', down = false }: Props = $props();

  const NOTHING = '—';

  function words(value: Row[string] | undefined): string {
    if (value === null || value === undefined || value === '') return NOTHING;
    if (typeof value === 'boolean') return value ? 'yes' : 'no';
    return String(value);
  }
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div class="scroller" role="region" aria-label={label} tabindex="0">
  <table>
    <thead>
      <tr>
        {#each columns as { name, type } (name)}
          <th scope="col" class={type}
            >{name}{#if name === by}<span aria-hidden="true"> {down ? '↓' : '↑'}</span>{/if}</th
          >
        {/each}
      </tr>
    </thead>
    <tbody>
      {#each rows as row, n (n)}
        <tr>
          {#each columns as { name, type } (name)}
            {@const value = words(row[name])}
            <td class={type} class:nothing={value === NOTHING} title={value}>{value}</td>
          {/each}
        </tr>
      {/each}
    </tbody>
  </table>
</div>

<style>
  .scroller {
    overflow: auto;
    border: 1px solid var(--line);
  }
  table {
    min-width: 100%;
    font-size: 12.5px;
    border-collapse: collapse;
  }
  th,
  td {
    max-width: 220px;
    padding: 3px 8px;
    overflow: hidden;
    text-align: left;
    text-overflow: ellipsis;
    white-space: nowrap;
    border-bottom: 1px solid var(--faint-line);
  }
  th {
    position: sticky;
    top: 0;
    font-weight: 600;
    background: var(--panel);
  }
  .number {
    text-align: right;
  }
  td.number,
  td.date {
    font: 12px var(--mono);
  }
  .nothing {
    color: var(--ink-2);
  }
</style>
