<script lang="ts">
  import type { ConditionName } from '$core/project/types';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import Field from '$lib/parts/Field.svelte';
  import { fieldsOf } from '$lib/state/fields';

  const { wb }: { wb: Workbench } = $props();

  const bands = $derived(wb.project.info.bands);
  const rows = $derived(wb.kind.fallbacks(wb.drawn, { bands }));
  const drawn = $derived(rows.find((row) => row.forms)?.forms);
  const fields = $derived(fieldsOf(wb.kind, 'fallbacks'));
  const columns = $derived<readonly { name: ConditionName; label: string; tone: string }[]>([
    { name: 'always', label: 'wide', tone: 'var(--ink)' },
    { name: 'medium', label: `medium ≤ ${bands.medium}`, tone: 'var(--ink)' },
    { name: 'narrow', label: `narrow ≤ ${bands.narrow}`, tone: 'var(--ink)' },
    { name: 'touch', label: 'touch', tone: 'var(--ochre)' },
    { name: 'less-motion', label: 'less motion', tone: 'var(--blue)' },
    { name: 'no-script', label: 'no script', tone: 'var(--rust)' },
    { name: 'print', label: 'print', tone: 'var(--ink-2)' }
  ]);
  const formIn = (name: ConditionName) => {
    const form = drawn?.[name] ?? drawn?.always;
    return wb.kind.forms.find((each) => each.form === form) ?? null;
  };
</script>

{#if rows.length === 0}
  <p class="nothing">{wb.drawn.name} is the same at every width and under every condition. Its looks can differ: see States, at ≤ medium and ≤ narrow.</p>
{:else}
  <table>
    <thead>
      <tr>
        <td></td>
        {#each columns as { name, label, tone } (name)}<th scope="col" style:border-top-color={tone}>{label}</th>{/each}
      </tr>
    </thead>
    <tbody>
      {#if drawn}
        <tr class="drawings">
          <th scope="row">Looks like</th>
          {#each columns as { name } (name)}
            {@const form = formIn(name)}
            <td title={form?.text}>
              {#if form}<svg width="60" height="40" viewBox="0 0 48 32" role="img" aria-label={form.label}><rect x=".5" y=".5" width="47" height="31" /><path class="light" d={form.drawing.light} /><path class="dark" d={form.drawing.dark} /></svg>{/if}
            </td>
          {/each}
        </tr>
      {/if}
      {#each rows as row (row.label)}
        <tr>
          <th scope="row">{row.label}</th>
          {#each columns as { name } (name)}
            {@const text = name === 'always' ? row.wide : row.cells[name]}
            <td class:faint={text == null}>{text ?? 'as wide'}</td>
          {/each}
        </tr>
      {/each}
    </tbody>
  </table>
{/if}
{#if fields.length > 0}
  <div class="fields">{#each fields as field (field.key)}<Field {wb} node={wb.drawn} {field} />{/each}</div>
{/if}

<style>
  table {
    width: 100%;
    min-width: 820px;
    table-layout: fixed;
    border-collapse: collapse;
  }
  th,
  td {
    height: 27px;
    padding: 2px 8px;
    overflow-wrap: anywhere;
    text-align: left;
    border-bottom: 1px solid var(--faint-line);
    border-left: 1px solid var(--faint-line);
  }
  thead th {
    font-size: 12px;
    font-weight: 600;
    border-top: 3px solid;
  }
  tbody th {
    width: 112px;
    font-weight: 400;
    border-left: 0;
  }
  thead td {
    width: 112px;
    border-left: 0;
  }
  .drawings td {
    padding: 4px;
    text-align: center;
  }
  .drawings th {
    color: var(--ink-2);
  }
  rect {
    fill: #fff;
    stroke: var(--control-line);
  }
  .light {
    fill: #ddd6c6;
  }
  .dark {
    fill: var(--ink);
  }
  .faint {
    color: var(--ink-3);
  }
  .nothing {
    max-width: 60ch;
    margin: 16px;
    color: var(--ink-2);
  }
  .fields {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
    gap: 12px 20px;
    padding: 14px 16px;
  }
</style>
